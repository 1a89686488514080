import { sayError } from '../desk/messages'
import { TypedField } from '../parts/TypedField'
import { readNumber } from '../parts/typed'
import { plural } from '../parts/words'
import type { CameraEdit, StageShot } from '../server/types'
import { editCamera } from './edits'
import type { KeyAt } from './tracks'

type Offer = { easing: string; words: string; onlyLeaves?: boolean }
const EASINGS: Offer[] = [
  { easing: 'EASED', words: 'soft' },
  { easing: 'STRAIGHT', words: 'straight' },
  { easing: 'THROUGH', words: 'through' },
  { easing: 'STEPPED', words: 'stepped', onlyLeaves: true },
  { easing: 'SPRING 12 0.3', words: 'spring', onlyLeaves: true },
  { easing: 'HAND 0.6 0', words: 'by hand' },
]

type Ease = Extract<CameraEdit, { kind: 'EASE_KEYS' }>

/** What can be done to the chosen keys of a camera: how they are left and reached, which way round, their value, their time. */
export function KeyBar({ stage, chosen, copy, paste }: { stage: StageShot; chosen: KeyAt[]; copy: () => void; paste: () => void }) {
  const first = chosen[0]
  const key = first && stage.channels[first.channel]?.find((k) => k.frame === first.frame)
  if (!key || !first) {
    return null
  }
  const ease = (part: Pick<Ease, 'leaving' | 'arriving' | 'way'>) =>
    void editCamera(stage.shotId, { kind: 'EASE_KEYS', keys: chosen, ...part })
  const value = (typed: string) => {
    const number = readNumber(typed)
    if (Number.isFinite(number)) {
      void editCamera(stage.shotId, { kind: 'KEY_VALUE', channel: first.channel, frame: first.frame, value: number })
    } else {
      sayError(new Error(`"${typed}" is no number`))
    }
  }
  const scale = (factor: string) =>
    void editCamera(stage.shotId, { kind: 'SCALE_KEYS', keys: chosen, pivot: Math.min(...chosen.map((k) => k.frame)), factor })
  const keyed = `${stage.cameraId} ${chosen.map((k) => `${k.channel} ${k.frame}`).join()}`
  const word = (easing: string | undefined) => EASINGS.find((e) => e.easing.split(' ')[0] === easing?.split(' ')[0])?.easing ?? ''
  const turns = ['pan', 'tilt', 'roll'].includes(first.channel)
  return (
    <div
      className="flex h-9 shrink-0 items-center gap-3 overflow-x-auto whitespace-nowrap border-t border-line bg-ground px-4 text-[13px]"
      data-key-bar
    >
      <span>
        {chosen.length === 1 ? `${first.channel} at ` : `${plural(chosen.length, 'key')} from `}
        <span className="num">{Math.min(...chosen.map((k) => k.frame))}</span>
      </span>
      {chosen.length === 1 && (
        <TypedField
          className="w-20 py-0!"
          label="Value of the key"
          of={keyed}
          placeholder={String(Math.round(key.value * 1000) / 1000)}
          give={value}
        />
      )}
      <label className="flex items-center gap-1.5 text-quiet">
        comes in
        <select
          className="field py-0!"
          aria-label="How the key is reached"
          value={key.arriving ? word(key.arriving) : ''}
          onChange={(e) => ease({ arriving: e.target.value })}
        >
          <option value="" disabled>
            as it left before
          </option>
          {EASINGS.filter((e) => !e.onlyLeaves).map(({ easing, words }) => (
            <option key={easing} value={easing}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5 text-quiet">
        goes on
        <select
          className="field py-0!"
          aria-label="How the key is left"
          value={word(key.easing)}
          onChange={(e) => ease({ leaving: e.target.value })}
        >
          {EASINGS.map(({ easing, words }) => (
            <option key={easing} value={easing}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {/^(SPRING|HAND)/.test(key.easing) && <Figures of={keyed} easing={key.easing} give={(leaving) => ease({ leaving })} />}
      {turns && (
        <label className="flex items-center gap-1.5 text-quiet">
          turns
          <select
            className="field py-0!"
            aria-label="Which way round"
            value={key.way}
            onChange={(e) => ease({ way: e.target.value as Ease['way'] })}
          >
            <option value="SHORT">the short way</option>
            <option value="LONG">the long way</option>
          </select>
        </label>
      )}
      {chosen.length > 1 && (
        <label className="flex items-center gap-1.5 text-quiet">
          time ×
          <TypedField className="w-14 py-0!" label="Scale the time between the keys" of={keyed} placeholder="3/2" give={scale} />
        </label>
      )}
      <button type="button" className="link text-quiet" onClick={copy}>
        copy
      </button>
      <button type="button" className="link text-quiet" onClick={paste}>
        paste here
      </button>
      <button
        type="button"
        className="link text-quiet"
        onClick={() => void editCamera(stage.shotId, { kind: 'REMOVE_KEYS', keys: chosen })}
      >
        remove
      </button>
    </div>
  )
}

/** The figures of a spring or a handle, typed. */
function Figures({ of, easing, give }: { of: string; easing: string; give: (easing: string) => void }) {
  const [kind = '', ...figures] = easing.split(' ')
  const names = kind === 'SPRING' ? ['swing, frames', 'damping'] : ['reach', 'height']
  return (
    <>
      {figures.map((figure, i) => (
        <label key={names[i]} className="flex items-center gap-1 text-quiet">
          {names[i]}
          <TypedField
            className="w-14 py-0!"
            label={names[i] ?? ''}
            of={of}
            shown={figure}
            give={(typed) => give([kind, ...figures.map((f, j) => (j === i ? typed : f))].join(' '))}
          />
        </label>
      ))}
    </>
  )
}
