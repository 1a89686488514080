import { useActions } from '../../desk/actions'
import { TypedField } from '../../parts/TypedField'
import { useDraft } from '../../parts/useDraft'
import type { StageLayer, StageShot } from '../../server/types'
import { editCamera } from '../edits'
import { NumberField } from './NumberField'

type New = { name: string; sway: string; amounts: Record<string, number>; frames: number }

/** What a new one is like; all of it can be changed. */
const NEW: New[] = [
  { name: 'jolt', sway: 'JOLT 6 0.15', amounts: { y: 0.05, tilt: 1.2 }, frames: 32 },
  { name: 'shake', sway: 'SHAKE 8 24 1', amounts: { x: 0.01, y: 0.01, pan: 0.2, tilt: 0.2, roll: 0.1 }, frames: 48 },
  { name: 'drift', sway: 'DRIFT 60 1', amounts: { x: 0.04, y: 0.02, pan: 0.4, tilt: 0.3 }, frames: 96 },
  { name: 'own keys', sway: 'KEYS 0:0 8:1 24:0', amounts: { pan: 1 }, frames: 25 },
]

const FIGURES: Record<string, string[]> = { JOLT: ['swing', 'damping'], SHAKE: ['quickest', 'slowest', 'seed'], DRIFT: ['swing', 'seed'] }
const AMOUNTS: [string, string][] = [
  ['x', 'm'],
  ['y', 'm'],
  ['z', 'm'],
  ['pan', '°'],
  ['tilt', '°'],
  ['roll', '°'],
]

/** Movement that lies over the camera's own. */
export function LayersPanel({ stage, shotFrame }: { stage: StageShot; shotFrame: number }) {
  const add = (wanted: New) => void editCamera(stage.shotId, { kind: 'LAYER_ADD', ...wanted, from: shotFrame })
  const others = stage.sceneLayers.filter((l) => !stage.layers.some((own) => own.layer === l.layer))
  useActions(
    'layers',
    NEW.map((wanted, i) => ({
      group: 'Stage',
      name: `Lay a ${wanted.name} over the camera from here`,
      keys: `Ctrl+Alt+${i + 1}`,
      run: () => add(wanted),
    })),
  )
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-1.5">
      <div className="flex items-center gap-2 text-[13px] text-quiet">
        from {shotFrame} on
        {NEW.map((wanted) => (
          <button key={wanted.name} type="button" className="button py-0.5!" disabled={stage.locked} onClick={() => add(wanted)}>
            {wanted.name}
          </button>
        ))}
        {others.length > 0 && (
          <select
            className="field py-0.5!"
            aria-label="Share a layer of another camera"
            value=""
            onChange={(e) => {
              const layer = others.find((l) => l.layer === Number(e.target.value))
              if (layer) {
                void editCamera(stage.shotId, { kind: 'LAYER_SHARE', layer: layer.layer, from: shotFrame, frames: layer.frames })
              }
            }}
          >
            <option value="">share another's</option>
            {others.map((l) => (
              <option key={l.layer} value={l.layer}>
                {l.name}
              </option>
            ))}
          </select>
        )}
      </div>
      <div className="scroll flex min-h-0 flex-1 flex-col gap-2">
        {stage.layers.length === 0 && <p className="text-[13px] text-quiet">No layers: the camera goes by its keys alone.</p>}
        {stage.layers.map((layer) => (
          <Layer key={layer.use} stage={stage} layer={layer} />
        ))}
      </div>
    </div>
  )
}

function Layer({ stage, layer }: { stage: StageShot; layer: StageLayer }) {
  const change = (part: { from?: number; frames?: number; strength?: number; on?: boolean }) =>
    editCamera(stage.shotId, { kind: 'LAYER_CHANGE', use: layer.use, ...part })
  const reshape = (part: { name?: string; sway?: string; amounts?: Record<string, number> }) =>
    editCamera(stage.shotId, { kind: 'LAYER_RESHAPE', use: layer.use, ...part })
  // all figures of what it does are one text: the next change goes on from the last, also where the server does not say that yet
  const draft = useDraft<string>(stage.edit)
  const place = {
    key: String(layer.use),
    says: () => ({ of: layer.sway, value: layer.sway }),
    write: (sway: string) => reshape({ sway }),
  }
  const [kind = '', ...figures] = (draft.shown(place.key) ?? layer.sway).split(' ')
  const sway = (to: string) => {
    draft.put(place, to)
    draft.write()
  }
  const field = { of: layer.use, edits: stage.edit }
  return (
    <div className="border-l-2 border-line pl-2 text-[12.5px]">
      <div className="flex items-center gap-2">
        <label className="flex items-center gap-1.5 text-[13px]">
          <input type="checkbox" checked={layer.on} onChange={(e) => void change({ on: e.target.checked })} />
          {layer.name}
        </label>
        <span className="min-w-0 flex-1 truncate text-quiet">
          {layer.shared.length > 0 ? `shared with ${layer.shared.join(', ')}: a change shows there too` : 'this camera alone'}
        </span>
        <button
          type="button"
          className="link text-quiet"
          onClick={() => void editCamera(stage.shotId, { kind: 'LAYER_REMOVE', use: layer.use })}
        >
          take off
        </button>
      </div>
      <div className="mt-1 grid grid-cols-5 gap-x-2 gap-y-1">
        <NumberField {...field} label="from" unit="" digits={0} value={layer.from} give={(v) => change({ from: Math.round(v) })} />
        <NumberField {...field} label="long" unit="" digits={0} value={layer.frames} give={(v) => change({ frames: Math.round(v) })} />
        <NumberField {...field} label="%" unit="" digits={0} value={layer.strength * 100} give={(v) => change({ strength: v / 100 })} />
        {kind === 'KEYS' && <OwnKeys of={layer.use} figures={figures} give={(keys) => sway(`KEYS ${keys}`)} />}
        {(kind === 'KEYS' ? [] : figures).map((figure, i) => (
          <NumberField
            key={FIGURES[kind]?.[i] ?? i}
            label={FIGURES[kind]?.[i] ?? ''}
            unit=""
            digits={FIGURES[kind]?.[i] === 'damping' ? 2 : 0}
            value={Number(figure)}
            of={layer.use}
            give={async (v) => {
              sway([kind, ...figures.map((f, j) => (j === i ? (FIGURES[kind]?.[i] === 'seed' ? Math.round(v) : v) : f))].join(' '))
              return {}
            }}
          />
        ))}
        {AMOUNTS.map(([channel, unit]) => (
          <NumberField
            key={channel}
            label={channel}
            unit={unit}
            digits={unit === 'm' ? 3 : 2}
            value={layer.amounts[channel] ?? 0}
            {...field}
            give={(v) => reshape({ amounts: { [channel]: v } })}
          />
        ))}
      </div>
    </div>
  )
}

/** Keys of a layer's own as they are typed: frames since it began, and shares of its amounts. */
function OwnKeys({ of, figures, give }: { of: number; figures: string[]; give: (keys: string) => void }) {
  return (
    <label className="col-span-3 flex items-center gap-1 text-quiet" title="frames since it began : share of its amounts, parted by blanks">
      keys
      <TypedField
        className="min-w-0 flex-1 px-1.5! py-0.5! text-text!"
        label="Keys of the layer"
        of={of}
        shown={figures.map((f) => f.replace(/\.0$/, '')).join(' ')}
        give={give}
      />
    </label>
  )
}
