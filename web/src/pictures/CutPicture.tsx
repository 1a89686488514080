import { mediaFrameAt, mixedPieces, shareAt } from '../playhead/lookup'
import type { Piece, Sequence } from '../server/types'
import { BoardPicture } from './BoardPicture'
import { Mix } from './Mix'

/** What the cut shows at a record frame, mixed where it dissolves or fades. */
export function CutPicture({ sequence, frame }: { sequence: Sequence; frame: number }) {
  const { piece, before } = mixedPieces(sequence, frame)
  const one = (p: Piece) => <BoardPicture mediaId={p.mediaId} name={p.name} slate={p.slate} frame={mediaFrameAt(p, frame)} />
  return piece ? (
    <Mix share={shareAt(piece, frame)} before={before && one(before)}>
      {one(piece)}
    </Mix>
  ) : null
}
