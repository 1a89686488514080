import type { Section } from '../server/types'
import { BLENDS, type Blend, setBoardOver, useBoardOver, useBoardOvers } from './boardOvers'

const WORDS: Record<Blend, string> = { plain: 'plain', lines: 'lines alone', difference: 'difference' }

/** How much of the board lies over the camera's picture, and how. @property short where there is little room */
export function BoardOver({ section, short = false }: { section: Section | undefined; short?: boolean }) {
  const { over, blend } = useBoardOver(section)
  const percent = Math.round(over * 100)
  if (!section?.shotId) {
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
          onChange={(e) => setBoardOver(section.shotId, Number(e.target.value) / 100)}
        />
      </label>
      <select
        className="field py-0! text-[12.5px]"
        aria-label="How the board lies over"
        value={blend}
        onChange={(e) => {
          useBoardOvers.setState({ blend: e.target.value as Blend })
          e.target.blur()
        }}
      >
        {BLENDS.map((b) => (
          <option key={b} value={b}>
            {WORDS[b]}
          </option>
        ))}
      </select>
      {!short && <span className="num w-12 text-right">{percent} %</span>}
    </div>
  )
}
