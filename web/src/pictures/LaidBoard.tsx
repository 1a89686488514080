import { useEffect, useMemo, useRef } from 'react'
import { useActions } from '../desk/actions'
import type { Draft } from '../parts/draft'
import { useDraft } from '../parts/useDraft'
import type { Clip } from '../server/types'
import { BoardPicture } from './BoardPicture'
import { useBoardOver } from './boardOvers'
import { type Lying, leaveByHand, lyingOf, placeOfBoard, useFitting } from './fitting'

/**
 * @property frame of the board's movie; undefined where it shows none
 * @property edits after so many edits of the project the server said how it lies
 */
type Props = { clip: Clip; frame: number | undefined; edits?: number }

/** A shot's board over its camera's picture, as it is laid and as much of it as is wanted. */
export function LaidBoard({ clip, frame, edits }: Props) {
  const { over, blend } = useBoardOver(clip)
  const byHand = useFitting((f) => f.byHand)
  const draft = useDraft<Lying>(edits, String(clip.shotId))
  if (frame === undefined || (over <= 0 && !byHand)) {
    return null
  }
  const wanted = draft.shown(String(clip.shotId))
  return (
    <>
      <div className="absolute inset-0" style={{ transform: wanted && moved(lyingOf(clip.boardFit), wanted) }}>
        <BoardPicture
          mediaId={clip.mediaId}
          name={clip.boardName}
          frame={frame}
          opacity={byHand ? Math.max(over, 0.3) : over}
          blend={blend}
          fit={clip.boardFit}
        />
      </div>
      {byHand && <Hands clip={clip} draft={draft} />}
    </>
  )
}

/** From how it lies to how it is to lie. */
const moved = (from: Lying, to: Lying) =>
  `translate(${(to.right - from.right) * 100}%, ${(from.up - to.up) * 100}%) scale(${to.scale / from.scale})`

function Hands({ clip, draft }: { clip: Clip; draft: Draft<Lying> }) {
  const hold = useRef<{ x: number; y: number } | undefined>(undefined)
  const latest = useRef(clip)
  latest.current = clip
  // of this shot alone, while it is seen
  useEffect(() => leaveByHand, [clip.shotId])
  useActions('board-by-hand', [{ group: 'Pictures', name: 'Leave the board where it lies', keys: 'Escape', run: leaveByHand }])
  const place = useMemo(() => placeOfBoard(clip.shotId, () => latest.current.boardFit), [clip.shotId])
  return (
    <div
      className="pointer-events-auto absolute inset-0 z-10 cursor-move touch-none outline-3 -outline-offset-3 outline-live"
      role="group"
      aria-label="The board by hand"
      onPointerDown={(e) => {
        e.stopPropagation()
        e.currentTarget.setPointerCapture(e.pointerId)
        hold.current = { x: e.clientX, y: e.clientY }
      }}
      onPointerMove={(e) => {
        const from = hold.current
        if (from) {
          const { width, height } = e.currentTarget.getBoundingClientRect()
          const [right, down] = [(e.clientX - from.x) / width, (e.clientY - from.y) / height]
          hold.current = { x: e.clientX, y: e.clientY }
          draft.change(place, (l) => ({ ...l, right: l.right + right, up: l.up - down }))
        }
      }}
      onPointerUp={() => {
        hold.current = undefined
        draft.write()
      }}
      onPointerCancel={() => {
        hold.current = undefined
        draft.drop()
      }}
      // one turn of the wheel, until it rests, is one edit
      onWheel={({ deltaY }) => draft.change(place, (l) => ({ ...l, scale: l.scale * Math.exp(-deltaY * 0.0005) }), true)}
      onClick={(e) => e.stopPropagation()}
    >
      <p className="pointer-events-none absolute top-2 left-2 rounded-sm bg-deep/85 px-2 py-1 text-[13px] text-live">
        Board of {clip.code} by hand: drag it, wheel for its size, Escape leaves it
      </p>
    </div>
  )
}
