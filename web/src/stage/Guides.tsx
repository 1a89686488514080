import { useAids } from '../server/queries'
import { type Guide, setStage, useStageDesk } from './stageDesk'

/** Those that renders can have too. */
const AIDS: Partial<Record<string, Guide>> = { SAFE_AREAS: 'safe', THIRDS: 'thirds', CENTRE: 'centre', DIAGONALS: 'diagonals' }

/** Lines over the delivery frame that no render has unless its recipe asks for them. */
export function Guides({ aspect }: { aspect: number }) {
  const { guides, shape, line } = useStageDesk()
  const { data: aids = [] } = useAids()
  const on = (name?: Guide) => name !== undefined && guides.includes(name)
  // the other shape inside, as shares of the frame
  const [w, h] = shape > aspect ? [1, aspect / shape] : [shape / aspect, 1]
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      viewBox="0 0 1 1"
      preserveAspectRatio="none"
      aria-hidden
      data-guides={guides.join(' ')}
    >
      <g fill="none" stroke="#fff" strokeOpacity={0.45} strokeWidth={1}>
        {aids
          .filter(({ aid }) => on(AIDS[aid]))
          .map(({ aid, strokes }) => (
            <path key={aid} d={strokes.map((s) => `M${s.fromX} ${s.fromY}L${s.toX} ${s.toY}`).join('')} vectorEffect="non-scaling-stroke" />
          ))}
        {on('shape') && <rect x={(1 - w) / 2} y={(1 - h) / 2} width={w} height={h} vectorEffect="non-scaling-stroke" />}
        {on('line') && <path d={`M0 ${line}H1`} vectorEffect="non-scaling-stroke" strokeDasharray="6 4" />}
      </g>
    </svg>
  )
}

const NAMES = {
  safe: 'safe areas',
  thirds: 'thirds',
  centre: 'centre',
  diagonals: 'diagonals',
  shape: 'another shape',
  line: 'a line',
} as const

const SHAPES = [2.39, 1.85, 16 / 9, 4 / 3, 1, 9 / 16]

/** Which lines are drawn, and how much is seen around the frame. */
export function GuideChoice() {
  const { guides, margin, shape, line } = useStageDesk()
  return (
    <div className="flex flex-col gap-1.5 text-[13px]">
      {Object.entries(NAMES).map(([name, words]) => (
        <label key={name} className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={guides.includes(name as keyof typeof NAMES)}
            onChange={(e) =>
              setStage({ guides: e.target.checked ? [...guides, name as keyof typeof NAMES] : guides.filter((g) => g !== name) })
            }
          />
          {words}
          {name === 'shape' && (
            <select
              className="field ml-auto py-0.5!"
              aria-label="Shape that is marked inside"
              value={shape}
              onChange={(e) => setStage({ shape: Number(e.target.value), guides: [...new Set([...guides, 'shape' as const])] })}
            >
              {SHAPES.map((s) => (
                <option key={s} value={s}>
                  {s === 16 / 9 ? '16:9' : s === 4 / 3 ? '4:3' : s === 9 / 16 ? '9:16' : s === 1 ? '1:1' : s}
                </option>
              ))}
            </select>
          )}
          {name === 'line' && (
            <input
              type="range"
              min={0}
              max={100}
              className="ml-auto w-24"
              aria-label="Where the line lies"
              value={Math.round(line * 100)}
              onChange={(e) => setStage({ line: Number(e.target.value) / 100 })}
            />
          )}
        </label>
      ))}
      <label className="flex items-center gap-2">
        around the frame
        <input
          type="range"
          min={0}
          max={40}
          className="ml-auto w-24"
          aria-label="Margin around the delivery frame"
          value={Math.round(margin * 100)}
          onChange={(e) => setStage({ margin: Number(e.target.value) / 100 })}
        />
        <span className="num w-10 text-right">{Math.round(margin * 100)} %</span>
      </label>
    </div>
  )
}
