import type { Clip } from '../server/types'
import { BlendChoice } from './BlendChoice'
import { setBoardOver, useBoardOver } from './boardOvers'
import { FitBox } from './FitBox'

type Props = { clip: Clip | undefined; edits?: number; short?: boolean }

/**
 * How much of the board lies over the camera's picture, and how.
 *
 * @property edits after so many edits of the project the server said how it lies
 * @property short where there is little room
 */
export function BoardOver({ clip, edits, short = false }: Props) {
  const { over } = useBoardOver(clip)
  const percent = Math.round(over * 100)
  if (!clip?.shotId) {
    return short ? null : <div className="h-7" />
  }
  return (
    <div className={short ? 'flex items-center gap-2 text-[13px] text-quiet' : 'flex h-7 flex-1 items-center gap-3'}>
      <label className="flex min-w-0 flex-1 items-center gap-2">
        {short ? 'board' : 'Board over'}
        <input
          type="range"
          min={0}
          max={100}
          value={percent}
          className={short ? 'w-20' : 'min-w-0 flex-1'}
          aria-label="Board over camera"
          onChange={(e) => setBoardOver(clip.shotId, Number(e.target.value) / 100)}
        />
      </label>
      {!short && <BlendChoice />}
      <FitBox clip={clip} edits={edits} />
      {!short && <span className="num w-12 text-right">{percent} %</span>}
    </div>
  )
}
