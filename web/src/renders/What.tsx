import { TypedField } from '../parts/TypedField'
import { readNumber } from '../parts/typed'
import { type Extent, type Grade, setAsking, useAsking, type When } from './asking'
import { burnt, type ChosenRecipe } from './recipes'

/** A size as somebody types it, in pixels: 1280 x 720, 1280×720 or 1280 720. What it may be is the server's to say. */
export const sizeOf = (typed: string) =>
  typed
    .match(/^\s*(\d{1,5})\s*[x×*, ]\s*(\d{1,5})\s*$/i)
    ?.slice(1)
    .map(Number)

const GRADES: [Grade, string][] = [
  ['TRIAL', 'trial'],
  ['DRAFT', 'draft'],
  ['FINAL', 'final'],
]
const EXTENTS: [Extent, string][] = [
  ['CLIPS', 'what the master shows'],
  ['MISSING', 'what is missing'],
  ['RANGE', 'from frame to frame'],
  ['ACTION', 'the whole action'],
  ['STILL', 'one picture each'],
  ['MOMENT', 'one picture each, now'],
]
const WHENS: [When, string][] = [
  ['FIRST', 'first frame'],
  ['MIDDLE', 'middle'],
  ['LAST', 'last frame'],
]

/** Which frames, how good, how large. */
export function What({
  of: chosen,
  sizes,
  size,
  setSize,
}: {
  of: ChosenRecipe
  sizes: { width: number; height: number }[]
  size: string
  setSize: (typed: string | undefined) => void
}) {
  const asking = useAsking()
  const { recipe } = chosen
  const typedSize = sizeOf(size)
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5 text-[13px]">
      <span className="flex" role="radiogroup" aria-label="Grade">
        {GRADES.map(([grade, words]) => (
          <button
            key={grade}
            type="button"
            role="radio"
            aria-checked={asking.grade === grade}
            className={`border border-line px-2 py-0.5 first:rounded-l last:rounded-r ${asking.grade === grade ? 'bg-[#3a4341] text-text' : 'text-quiet'}`}
            onClick={() => setAsking({ grade })}
          >
            {words}
          </button>
        ))}
      </span>
      <select
        className="field py-0.5!"
        aria-label="Which frames"
        value={asking.extent}
        onChange={(e) => setAsking({ extent: e.target.value as Extent })}
      >
        {EXTENTS.map(([extent, words]) => (
          <option key={extent} value={extent}>
            {words}
          </option>
        ))}
      </select>
      {asking.extent === 'RANGE' && (
        <span className="flex items-center gap-1">
          <TypedField
            label="First frame"
            className="w-16 py-0.5!"
            placeholder="in"
            shown={asking.from === undefined ? '' : String(asking.from)}
            give={(t) => setAsking({ from: Math.round(readNumber(t)) })}
          />
          –
          <TypedField
            label="Last frame"
            className="w-16 py-0.5!"
            placeholder="out"
            shown={asking.to === undefined ? '' : String(asking.to - 1)}
            give={(t) => setAsking({ to: Math.round(readNumber(t)) + 1 })}
          />
        </span>
      )}
      {asking.extent === 'STILL' && (
        <select
          className="field py-0.5!"
          aria-label="Which frame the picture is of"
          value={asking.when}
          onChange={(e) => setAsking({ when: e.target.value as When })}
        >
          {WHENS.map(([when, words]) => (
            <option key={when} value={when}>
              {words}
            </option>
          ))}
        </select>
      )}
      <label className="flex items-center gap-1">
        <TypedField
          label="Frames to spare"
          className="w-11 py-0.5!"
          shown={String(asking.handles)}
          give={(t) => setAsking({ handles: Math.round(readNumber(t)) || 0 })}
        />
        to spare
      </label>
      <label className="flex items-center gap-1">
        every
        <TypedField
          label="Every so many frames"
          className="w-10 py-0.5!"
          shown={String(asking.every)}
          give={(t) => setAsking({ every: Math.round(readNumber(t)) || 1 })}
        />
      </label>
      <label className="flex items-center gap-1.5">
        <input type="checkbox" checked={asking.master} onChange={(e) => setAsking({ master: e.target.checked })} /> the whole master
      </label>
      {asking.master && (
        <label className="flex items-center gap-1.5" title="Frames of finished renders as they are; only what none shows is drawn">
          <input type="checkbox" checked={asking.joined} onChange={(e) => setAsking({ joined: e.target.checked })} /> joined from renders
        </label>
      )}
      {recipe && (
        <>
          <label className="flex items-center gap-1.5">
            <input type="checkbox" checked={recipe.burnIn.length > 0} onChange={(e) => chosen.change(burnt(recipe, e.target.checked))} />{' '}
            burn-in
          </label>
          <label
            className="flex items-center gap-1.5 whitespace-nowrap"
            title="What is out of focus is blurred, as lens, focus and stop have it"
          >
            <input
              type="checkbox"
              checked={recipe.look.blur}
              onChange={(e) => chosen.change({ ...recipe, look: { ...recipe.look, blur: e.target.checked } })}
            />{' '}
            blur
          </label>
          <input
            className={`field num w-[116px] py-0.5! ${typedSize ? '' : 'border-offset!'}`}
            aria-label="Size"
            aria-invalid={!typedSize}
            list="render-sizes"
            value={size}
            title="Width and height in pixels"
            onChange={(e) => {
              const [width, height] = sizeOf(e.target.value) ?? []
              setSize(e.target.value)
              if (width && height) {
                chosen.change({ ...recipe, look: { ...recipe.look, width, height } })
              }
            }}
            onBlur={() => typedSize && setSize(undefined)}
            onFocus={(e) => e.target.select()}
          />
          <datalist id="render-sizes">
            {sizes.map((s) => (
              <option key={s.width} value={`${s.width} × ${s.height}`} />
            ))}
          </datalist>
        </>
      )}
    </div>
  )
}
