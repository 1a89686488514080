import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { liveAt } from '../playhead/lookup'
import { useCalmFrame } from '../playhead/useCalmFrame'
import type { Clip, Master } from '../server/types'
import { edit } from './edits'

/**
 * Cutting to cameras by number, while it plays or stands: the cameras of the shots around the playhead, and what each
 * key cuts to. Afterwards the seams are tidied up as any others.
 */
export function CameraKeys({ master }: { master: Master }) {
  const frame = useCalmFrame(master)
  const now = liveAt(master, frame).clip
  const cameras = nearest(master, frame)
  const cut = (to: Clip) => {
    // the frame at the key press, not the one that was last drawn
    const { frame: at } = useDesk.getState()
    const here = liveAt(master, at).clip
    if (here && here.shotId !== to.shotId) {
      void edit(master, { kind: 'CUT_TO', at, shotId: to.shotId, clips: [here.nest?.innerId ?? here.id] })
    }
  }
  useActions('cameras', [
    ...cameras.map((c, i) => ({ group: 'Cameras', name: `Cut to ${c.code}`, keys: String(i + 1), run: () => cut(c) })),
    { group: 'Cameras', name: 'Stop cutting to cameras', keys: 'Escape', run: () => setDesk({ cutting: false }) },
  ])
  return (
    <div
      className="flex h-[32px] shrink-0 items-center gap-4 overflow-hidden border-t border-black/40 bg-[#303836] px-4 text-[13px]"
      role="toolbar"
      aria-label="Cameras by number"
    >
      <span className="whitespace-nowrap">Cut to</span>
      {cameras.map((c, i) => (
        <button
          key={c.shotId}
          type="button"
          className={`flex items-center gap-1.5 whitespace-nowrap ${c.shotId === now?.shotId ? 'text-live' : ''}`}
          aria-pressed={c.shotId === now?.shotId}
          onClick={() => cut(c)}
        >
          <span className="key">{i + 1}</span>
          <span className="num">{c.code}</span>
        </button>
      ))}
      <button type="button" className="link ml-auto whitespace-nowrap text-quiet" onClick={() => setDesk({ cutting: false })}>
        stop, Escape
      </button>
    </div>
  )
}

const MOST = 9

/** The nine shots nearest to a frame, in order: they keep their numbers while the playhead moves among them. */
function nearest(master: Master, frame: number): Clip[] {
  const shots = [...new Map(master.clips.filter((s) => s.shotId).map((s) => [s.shotId, s])).values()]
  const here = Math.max(
    0,
    shots.findIndex((s) => s.out > frame),
  )
  const first = Math.max(0, Math.min(shots.length - MOST, Math.floor(here / MOST) * MOST))
  return shots.slice(first, first + MOST)
}
