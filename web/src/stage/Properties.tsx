import { useState } from 'react'
import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import { useCameraValues, useItemValues } from '../server/queries'
import type { AddInView, Project, StageItem, StageShot } from '../server/types'
import { FilmWith } from './FilmWith'

type Props = {
  project: Project
  stage: StageShot
  /** action frame of the shot frame */
  action: number
  shotFrame: number
  /** whether time runs: the numbers are those of where it was let run */
  runs: boolean
  item: number | undefined
  chooseItem: (id: number | undefined) => void
}

const CAMERA: [string, string, string, number][] = [
  ['x', 'x', 'm', 2],
  ['y', 'y', 'm', 2],
  ['z', 'z', 'm', 2],
  ['pan', 'pan', '°', 1],
  ['tilt', 'tilt', '°', 1],
  ['roll', 'roll', '°', 1],
  ['lens', 'lens', 'mm', 1],
  ['focus', 'focus', 'm', 2],
]

/** Numbers of the camera, or of a thing of the set, at this frame; a typed number becomes a key. */
export function Properties({ project, stage, action, shotFrame, runs, item, chooseItem }: Props) {
  const values = useCameraValues(project.id, stage.shotId, shotFrame).data
  const [easing, setEasing] = useState<'EASED' | 'STRAIGHT'>('EASED')
  const chosen = stage.items.find((i) => i.id === item)
  const there = useItemValues(project.id, chosen?.id, action).data
  const done = async (work: Promise<void>) => {
    try {
      await work
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <div className={`scroll max-h-[150px] shrink-0 border-t border-line pb-1 pt-2 ${runs ? 'opacity-50' : ''}`}>
      <div className="mb-2 flex items-center gap-2">
        <select
          className="field min-w-0 flex-1"
          aria-label="What to key"
          value={item ?? ''}
          onChange={(e) => {
            chooseItem(e.target.value ? Number(e.target.value) : undefined)
            e.target.blur()
          }}
        >
          <option value="">the camera</option>
          {stage.items.map((i) => (
            <option key={i.id} value={i.id}>
              {i.name}
            </option>
          ))}
        </select>
        <select
          className="field"
          aria-label="Movement to the next key"
          value={easing}
          onChange={(e) => setEasing(e.target.value as 'EASED' | 'STRAIGHT')}
        >
          <option value="EASED">eased</option>
          <option value="STRAIGHT">straight</option>
        </select>
        {!chosen && <FilmWith stage={stage} />}
        <AddThing stage={stage} shotFrame={shotFrame} chooseItem={chooseItem} />
      </div>
      {!chosen && values && (
        <div className="grid grid-cols-5 gap-x-2 gap-y-1">
          {CAMERA.map(([name, label, unit, digits]) => (
            <NumberField
              key={name}
              label={label}
              unit={unit}
              value={values[name] ?? 0}
              digits={digits}
              give={(v) =>
                done(post('/api/shots/{id}/keys', { ...of(stage.shotId), body: { frame: shotFrame, values: { [name]: v }, easing } }))
              }
            />
          ))}
          <NumberField
            label="T-stop"
            unit=""
            value={stage.stop}
            digits={1}
            give={(v) => done(post('/api/shots/{id}/camera', { ...of(stage.shotId), body: { stop: v } }))}
          />
          <NumberField
            label="back"
            unit="mm"
            value={stage.backWidth}
            digits={2}
            give={(v) => done(post('/api/shots/{id}/camera', { ...of(stage.shotId), body: { backWidth: v } }))}
          />
        </div>
      )}
      {chosen && there && (
        <div className="grid grid-cols-5 gap-x-2 gap-y-1">
          {(['x', 'y', 'z', 'turn', 'lean'] as const).map((name) => (
            <NumberField
              key={name}
              label={name}
              unit={name === 'turn' || name === 'lean' ? '°' : 'm'}
              digits={2}
              value={there[name] ?? 0}
              give={(v) =>
                done(post('/api/items/{id}/place', { ...of(chosen.id), body: { frame: action, values: { [name]: v }, easing } }))
              }
            />
          ))}
          <span className="num col-span-2 self-center text-[12px] text-quiet">
            action frame {action}, {moves(chosen) ? 'moves' : 'stands still'}
          </span>
          <button
            type="button"
            className="link col-span-2 self-center text-left text-[13px] text-quiet"
            onClick={() => {
              chooseItem(undefined)
              void done(post('/api/items/{id}/remove', of(chosen.id)))
            }}
          >
            take out of the set
          </button>
        </div>
      )}
    </div>
  )
}

const moves = (item: StageItem) => Object.values(item.channels).some((keys) => keys.length > 0)

type FieldProps = { label: string; unit: string; value: number; digits: number; give: (v: number) => void }

function NumberField({ label, unit, value, digits, give }: FieldProps) {
  const [typed, setTyped] = useState<string>()
  const end = () => {
    const number = Number(typed?.replace(',', '.').replace('−', '-'))
    if (typed !== undefined && typed.trim() !== '') {
      if (Number.isFinite(number)) {
        give(number)
      } else {
        sayError(new Error(`"${typed}" is no number`))
      }
    }
    setTyped(undefined)
  }
  return (
    <label className="flex items-center gap-1 text-[12.5px] text-quiet">
      <span className="w-9 shrink-0">{label}</span>
      <input
        className="field num w-full min-w-0 px-1.5! py-0.5! text-text!"
        value={typed ?? value.toFixed(digits)}
        aria-label={`${label}${unit && `, ${unit}`}`}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={end}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.currentTarget.blur()
          } else if (e.key === 'Escape') {
            setTyped(undefined)
          }
        }}
      />
    </label>
  )
}

const SHAPES: AddInView['shape'][] = [
  'BLOCK',
  'MOUND',
  'CYLINDER',
  'CONE',
  'TIDE_POLE',
  'LIGHTHOUSE',
  'GATE',
  'HOUSE',
  'BOAT',
  'BICYCLE',
  'PERSON',
  'CYCLIST',
  'GULL',
]

function AddThing({ stage, shotFrame, chooseItem }: { stage: StageShot; shotFrame: number; chooseItem: (id: number) => void }) {
  const add = async (shape: AddInView['shape']) => {
    try {
      chooseItem(await post('/api/shots/{id}/items', { ...of(stage.shotId), body: { shape, frame: shotFrame } }))
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <select
      className="field w-28"
      value=""
      aria-label="Put a thing in the set"
      onChange={(e) => {
        void add(e.target.value as AddInView['shape'])
        e.target.blur()
      }}
    >
      <option value="">Add a thing</option>
      {SHAPES.map((s) => (
        <option key={s} value={s}>
          {s.toLowerCase().replace('_', ' ')}
        </option>
      ))}
    </select>
  )
}
