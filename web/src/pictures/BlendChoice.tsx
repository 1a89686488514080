import { BLENDS, type Blend, useBoardOvers } from './boardOvers'

const WORDS: Record<Blend, string> = { plain: 'plain', lines: 'lines alone', difference: 'difference' }

/** How boards lie over what is under them. */
export function BlendChoice() {
  const blend = useBoardOvers((b) => b.blend)
  return (
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
  )
}
