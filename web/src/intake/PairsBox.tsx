import { useState } from 'react'
import { say, sayError } from '../desk/messages'
import { Box } from '../parts/Box'
import { Rows } from '../parts/Rows'
import { plural } from '../parts/words'
import { of, post } from '../server/client'
import { refreshEdited, useByOrder } from '../server/queries'
import type { IntakeCut, Project, SourceFile } from '../server/types'

type Props = { project: Project; cut: IntakeCut; close: () => void }

/** What is missing beside what nothing uses, first with first: looked at, changed where it is wrong, given in one step. */
export function PairsBox({ project, cut, close }: Props) {
  const offered = useByOrder(project.id, cut.id).data
  const [changed, setChanged] = useState<Record<string, number | null>>({})
  const pairs = offered?.pairs ?? []
  const files = (offered?.unused ?? []).filter((f) => f.kind !== 'sound')
  const fileOf = (pair: (typeof pairs)[number]) => (pair.key in changed ? changed[pair.key] : pair.mediaId) ?? undefined
  const given = pairs.flatMap((p) => {
    const mediaId = fileOf(p)
    return mediaId === undefined ? [] : [{ key: p.key, mediaId }]
  })
  const give = async () => {
    try {
      await post('/api/projects/{id}/sources/by-order', {
        ...of(project.id),
        body: { files: Object.fromEntries(given.map((p) => [p.key, p.mediaId])) },
      })
      say(`${plural(given.length, 'picture')} given by order`)
      refreshEdited(project.id)
      close()
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <Box
      title="Pair by order"
      says={
        <>
          What is missing, in the order of the cut, beside the pictures that nothing uses, in the order of their numbers. Change what is
          wrong.
        </>
      }
      saysClass="pb-3"
      className="left-1/2 top-[8vh] h-[76vh] w-[720px] max-w-[94vw] -translate-x-1/2"
      close={close}
    >
      <Rows rows={pairs} height={52} label="Pairs">
        {(pair) => (
          <PairRow name={pair.name} files={files} mediaId={fileOf(pair)} choose={(id) => setChanged((c) => ({ ...c, [pair.key]: id }))} />
        )}
      </Rows>
      {offered && pairs.length === 0 && <p className="text-quiet">No picture of this cut is missing.</p>}
      {offered && pairs.length > 0 && files.length === 0 && (
        <p className="pt-2 text-quiet">No picture was given that is not used already.</p>
      )}
      <div className="flex items-center justify-end gap-3 pt-3">
        <span className="mr-auto text-quiet">
          {plural(pairs.length, 'picture')} missing, {plural(files.length, 'file')} not used
        </span>
        <button type="button" className="button" onClick={close}>
          Leave them
        </button>
        <button type="button" className="button button-main" disabled={given.length === 0} onClick={() => void give()}>
          Give {plural(given.length, 'picture')}
        </button>
      </div>
    </Box>
  )
}

type RowProps = { name: string; files: SourceFile[]; mediaId: number | undefined; choose: (mediaId: number | null) => void }

function PairRow({ name, files, mediaId, choose }: RowProps) {
  return (
    <label className="flex h-full items-center gap-3 border-b border-line/70">
      <span className="min-w-0 flex-1 truncate" title={name}>
        {name || 'a clip without a name'}
      </span>
      <span className="text-quiet" aria-hidden>
        ←
      </span>
      <span className="h-[42px] w-[72px] shrink-0 overflow-hidden bg-deep">
        {mediaId !== undefined && (
          <img src={`/api/media/${mediaId}/picture?width=240`} alt="" loading="lazy" className="h-full w-full object-cover" />
        )}
      </span>
      <select
        className="field w-[46%]"
        aria-label={`File of ${name}`}
        value={mediaId ?? ''}
        onChange={(e) => choose(e.target.value ? Number(e.target.value) : null)}
      >
        <option value="">none of them</option>
        {files.map((f) => (
          <option key={f.mediaId} value={f.mediaId ?? ''}>
            {f.path}
          </option>
        ))}
      </select>
    </label>
  )
}
