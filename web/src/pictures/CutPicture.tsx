import { mediaFrameAt, mixedClips, shareAt } from '../playhead/lookup'
import type { CutClip, Master } from '../server/types'
import { BoardPicture } from './BoardPicture'
import { Mix } from './Mix'

/** What the cut shows at a record frame, mixed where it dissolves or fades. */
export function CutPicture({ master, frame }: { master: Master; frame: number }) {
  const { clip, before } = mixedClips(master, frame)
  const one = (p: CutClip) => <BoardPicture mediaId={p.mediaId} name={p.name} slate={p.slate} frame={mediaFrameAt(p, frame)} />
  return clip ? (
    <Mix share={shareAt(clip, frame)} before={before && one(before)}>
      {one(clip)}
    </Mix>
  ) : null
}
