import { useState } from 'react'
import { say, sayError } from '../desk/messages'
import { Box } from '../parts/Box'
import { Rows } from '../parts/Rows'
import { bytesInWords, plural } from '../parts/words'
import { of, post } from '../server/client'
import { useKeptFrames } from '../server/queries'

/** The frames that are kept of renders, the largest first, and letting go of them. */
export function KeptFrames({ projectId, close }: { projectId: number; close: () => void }) {
  const { data, error, refetch } = useKeptFrames(projectId)
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set())
  const all = data ?? []
  const picked = all.filter((k) => chosen.has(k.id))
  const sum = (of: typeof all) => bytesInWords(of.reduce((bytes, k) => bytes + k.bytes, 0))
  const toggle = (id: number) => {
    const next = new Set(chosen)
    if (!next.delete(id)) {
      next.add(id)
    }
    setChosen(next)
  }
  const letGo = async () => {
    try {
      const freed = await post('/api/projects/{id}/kept-frames/let-go', { ...of(projectId), body: { renders: picked.map((k) => k.id) } })
      say(`${bytesInWords(freed)} are free again`)
      setChosen(new Set())
      await refetch()
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <Box
      title="Kept frames"
      says="Other kinds of files are written from them, and masters joined, without drawing. When they are let go the files stay; what needs frames is drawn again."
      saysClass="pb-2"
      className="left-1/2 top-[10vh] h-[64vh] w-[560px] max-w-[94vw] -translate-x-1/2 gap-2"
      close={close}
    >
      {error && (
        <p role="alert" className="text-offset">
          {error.message}
        </p>
      )}
      <div className="flex min-h-0 flex-1 flex-col">
        {data && all.length === 0 ? (
          <p className="text-quiet">No frames are kept.</p>
        ) : (
          <Rows rows={all} height={28} label="Kept frames">
            {(k) => (
              <label className="flex h-full items-center gap-3 border-b border-line/60 px-2">
                <input type="checkbox" checked={chosen.has(k.id)} onChange={() => toggle(k.id)} />
                <span className="num min-w-0 flex-1 truncate">{k.name}</span>
                <span className="text-quiet">{k.state === 'DONE' ? '' : k.state.toLowerCase()}</span>
                <span className="w-24 text-right text-quiet">{plural(k.frames, 'frame')}</span>
                <span className="num w-20 text-right">{bytesInWords(k.bytes)}</span>
              </label>
            )}
          </Rows>
        )}
      </div>
      <div className="flex items-center gap-3">
        <button type="button" className="link" onClick={() => setChosen(new Set(picked.length === all.length ? [] : all.map((k) => k.id)))}>
          {picked.length > 0 && picked.length === all.length ? 'none' : 'all'}
        </button>
        <span className="text-quiet">{data ? `${sum(all)} in all` : 'Counting…'}</span>
        <button type="button" className="button ml-auto" onClick={close}>
          Keep them
        </button>
        <button type="button" className="button button-main" disabled={picked.length === 0} onClick={() => void letGo()}>
          {picked.length === 0 ? 'Let go' : `Let go of ${sum(picked)}`}
        </button>
      </div>
    </Box>
  )
}
