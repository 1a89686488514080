import { useEffect, useState } from 'react'
import { useActions } from '../desk/actions'
import { sayError } from '../desk/messages'
import { itemAt } from '../parts/lists'
import { Rows } from '../parts/Rows'
import { of, post } from '../server/client'
import { useSources, useTasks } from '../server/queries'
import type { IntakeCut, Project, SourceView } from '../server/types'
import { SourcePicker } from './SourcePicker'

/** @property mending the source that a remark is about; @property mended it was found here */
type Props = {
  project: Project
  cut: IntakeCut
  give: () => void
  pair: () => void
  mending?: { kind: string; name: string }
  mended: () => void
}

/** What was found how, the doubtful first; each can be changed. */
export function SourceRows({ project, cut, give, pair, mending, mended }: Props) {
  const sources = useSources(project.id, cut.id).data ?? []
  const searching = (useTasks(project.id).data ?? []).some((t) => t.name.startsWith('Looking'))
  const [at, setAt] = useState(0)
  const [open, setOpen] = useState<string>()
  const chosen = sources[Math.min(at, sources.length - 1)]
  // a remark led here: what it is about is chosen, with its files open
  useEffect(() => {
    const index = mending ? sources.findIndex((s) => s.kind === mending.kind && s.name === mending.name) : -1
    if (index >= 0) {
      setAt(index)
      setOpen(keyOf(itemAt(sources, index)))
      mended()
    }
  }, [mending, mended, sources])
  const look = async () => {
    try {
      await post('/api/projects/{id}/search', of(project.id))
    } catch (e) {
      sayError(e)
    }
  }
  const missing = sources.filter((s) => !s.mediaId).length
  useActions('sources', [
    { group: 'Intake', name: 'Next source', keys: 'Shift+ArrowDown', run: () => setAt((n) => Math.min(sources.length - 1, n + 1)) },
    { group: 'Intake', name: 'Source before', keys: 'Shift+ArrowUp', run: () => setAt((n) => Math.max(0, n - 1)) },
    { group: 'Intake', name: 'Change the file of this source', keys: 'E', run: () => setOpen(chosen && keyOf(chosen)), disabled: !chosen },
    { group: 'Intake', name: "Look for what is missing in the server's folders", keys: 'F', run: () => void look() },
  ])
  return (
    <>
      <div className="mb-1 flex items-baseline gap-3 text-[13px] text-quiet">
        <span>
          {cut.doubtful > 0 ? `${cut.doubtful} to look at, ` : ''}
          {missing > 0 ? `${missing} missing, ` : ''}
          {sources.length} in all
        </span>
        {missing > 0 && (
          <button type="button" className="link ml-auto" onClick={pair}>
            pair by order
          </button>
        )}
        <button type="button" className={`link ${missing > 0 ? '' : 'ml-auto'}`} disabled={searching} onClick={() => void look()}>
          {searching ? 'looking' : 'look in the folders'}
        </button>
      </div>
      <Rows rows={sources} height={62} label="Sources" at={at}>
        {(source, i) => (
          <div
            role="group"
            className={`flex h-full items-center gap-2 border-b border-line/70 ${i === at ? 'bg-[#3a4341]' : ''}`}
            onClick={() => setAt(i)}
          >
            <Thumb source={source} />
            <span className="min-w-0 flex-1 text-[13px] leading-tight">
              <span className="block truncate" title={source.path || source.name}>
                {source.name || 'a clip without a name'}
              </span>
              <span className={`block truncate ${source.doubtful || !source.mediaId ? 'text-offset' : 'text-quiet'}`} title={source.found}>
                {source.found ?? 'to find'}
              </span>
              {source.file && (
                <span className="block truncate text-quiet" title={source.file}>
                  {source.file}
                </span>
              )}
            </span>
            <SourcePicker
              project={project}
              source={source}
              open={open === keyOf(source)}
              setOpen={(now) => setOpen(now ? keyOf(source) : undefined)}
              give={give}
            />
          </div>
        )}
      </Rows>
    </>
  )
}

const keyOf = (source: SourceView) => `${source.kind} ${source.key}`

function Thumb({ source }: { source: SourceView }) {
  return (
    <span className="relative h-[38px] w-[60px] shrink-0 overflow-hidden bg-deep">
      {source.mediaId && source.kind === 'picture' ? (
        <img
          src={`/api/media/${source.mediaId}/picture?width=240&frame=${source.mediaFrame}`}
          alt=""
          loading="lazy"
          className="h-full w-full object-cover"
        />
      ) : (
        <span
          className={`absolute inset-0 flex items-center justify-center border text-[12px] text-quiet ${source.mediaId ? 'border-line' : 'border-dashed border-offset'}`}
        >
          {source.kind === 'sound' ? 'sound' : ''}
        </span>
      )}
    </span>
  )
}
