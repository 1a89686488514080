import { TypedField } from '../parts/TypedField'
import { readNumber } from '../parts/typed'
import type { BurnIn, Output, Recipe } from '../server/types'
import { type ChosenRecipe, isMovie, KINDS } from './recipes'

type Change = { recipe: Recipe; change: (to: Recipe) => void }

const FIELDS: [BurnIn['field'], string][] = [
  ['NAME', 'shot and version'],
  ['FRAME', 'frame'],
  ['TIMECODE', 'timecode'],
  ['LENS', 'lens'],
  ['SCENE', 'scene'],
  ['WHO', 'who'],
  ['DATE', 'date'],
  ['TEXT', 'text'],
]
const CORNERS: [BurnIn['corner'], string][] = [
  ['TOP_LEFT', 'top left'],
  ['TOP', 'top'],
  ['TOP_RIGHT', 'top right'],
  ['BOTTOM_LEFT', 'bottom left'],
  ['BOTTOM', 'bottom'],
  ['BOTTOM_RIGHT', 'bottom right'],
]

/** All settings of a recipe. */
export function RecipeEditor({ of: chosen, recipe, keepAs }: { of: ChosenRecipe; recipe: Recipe; keepAs: () => void }) {
  const given = { recipe, change: chosen.change }
  return (
    <div className="mt-2 flex flex-col gap-3 text-[13px]">
      <Look {...given} />
      <Aids {...given} />
      <Files {...given} />
      <Letters {...given} />
      <div className="flex gap-3">
        <button type="button" className="link" onClick={keepAs}>
          keep as…
        </button>
        {!chosen.usual && (
          <button type="button" className="link" onClick={chosen.makeUsual}>
            use it first
          </button>
        )}
        {chosen.all.length > 1 && (
          <button type="button" className="link" onClick={chosen.remove}>
            take it away
          </button>
        )}
      </div>
    </div>
  )
}

function Choice<T extends string | number>({
  label,
  wide = false,
  value,
  from,
  give,
}: {
  label: string
  wide?: boolean
  value: T
  from: readonly (readonly [T, string])[]
  give: (value: T) => void
}) {
  return (
    <label className={`flex items-center justify-between gap-2 ${wide ? 'col-span-2' : ''}`}>
      {label}
      <select
        className="field py-0.5!"
        value={String(value)}
        onChange={(e) => {
          const found = from.find(([v]) => String(v) === e.target.value)
          if (found) {
            give(found[0])
          }
        }}
      >
        {!from.some(([v]) => v === value) && <option value={String(value)}>{String(value)}</option>}
        {from.map(([v, words]) => (
          <option key={String(v)} value={String(v)}>
            {words}
          </option>
        ))}
      </select>
    </label>
  )
}

function Look({ recipe, change }: Change) {
  const look = (part: Partial<Recipe['look']>) => change({ ...recipe, look: { ...recipe.look, ...part } })
  const check = (label: string, value: boolean, give: (on: boolean) => void) => (
    <label className="flex items-center gap-2">
      <input type="checkbox" checked={value} onChange={(e) => give(e.target.checked)} /> {label}
    </label>
  )
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-1.5">
      <Choice
        label="drawn at"
        value={recipe.look.percent}
        from={[50, 75, 100, 150, 200].map((p) => [p, `${p} %`] as const)}
        give={(percent) => look({ percent })}
      />
      <Choice
        label="edges"
        value={recipe.look.edges}
        from={
          [
            ['QUICK', 'smooth'],
            ['FINE', 'four samples'],
            ['PLAIN', 'as they are'],
          ] as const
        }
        give={(edges) => look({ edges })}
      />
      <Choice
        label="blur of movement"
        value={recipe.look.shutter}
        from={[0, 90, 180, 270, 360].map((s) => [s, s === 0 ? 'none' : `${s}°`] as const)}
        give={(shutter) => look({ shutter })}
      />
      <Choice
        label="of so many pictures"
        value={recipe.look.samples}
        from={[4, 8, 16, 32].map((s) => [s, String(s)] as const)}
        give={(samples) => look({ samples })}
      />
      <Choice
        label="board over it"
        value={recipe.look.board}
        from={[0, 25, 50, 75, 100].map((b) => [b, b === 0 ? 'no' : `${b} %`] as const)}
        give={(board) => look({ board })}
      />
      <Choice
        wide
        label="in a whole master, for a shot nobody staged"
        value={recipe.unstaged}
        from={
          [
            ['BOARD', 'its board'],
            ['SLATE', 'a slate'],
            ['BLACK', 'black'],
            ['CAMERA', 'as the camera is'],
          ] as const
        }
        give={(unstaged) => change({ ...recipe, unstaged })}
      />
      {check('blur out of focus', recipe.look.blur, (blur) => look({ blur }))}
      {check('sound', recipe.sound, (sound) => change({ ...recipe, sound }))}
      <label className="flex items-center justify-between gap-2">
        frames/s
        <TypedField
          label="Frames a second of the movie"
          className="w-24 py-0.5!"
          placeholder="its own"
          shown={recipe.rate ?? ''}
          give={(typed) => change({ ...recipe, rate: /^[\d./]+$/.test(typed) ? typed : null })}
        />
      </label>
    </div>
  )
}

const AIDS: [NonNullable<Recipe['look']['aids']>[number], string][] = [
  ['GRID', 'ground grid'],
  ['PATHS', 'paths'],
  ['SAFE_AREAS', 'safe areas'],
  ['THIRDS', 'thirds'],
  ['CENTRE', 'centre'],
  ['DIAGONALS', 'diagonals'],
]

/** Lines that are no part of the picture. */
function Aids({ recipe, change }: Change) {
  const drawn = recipe.look.aids ?? []
  return (
    <fieldset className="grid grid-cols-3 gap-x-4 gap-y-1">
      <legend className="mb-1 text-quiet">Drawn as an aid</legend>
      {AIDS.map(([aid, words]) => (
        <label key={aid} className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={drawn.includes(aid)}
            onChange={(e) =>
              change({ ...recipe, look: { ...recipe.look, aids: e.target.checked ? [...drawn, aid] : drawn.filter((a) => a !== aid) } })
            }
          />
          {words}
        </label>
      ))}
    </fieldset>
  )
}

function Files({ recipe, change }: Change) {
  const put = (kind: Output['kind'], part: Partial<Output>) =>
    change({ ...recipe, outputs: recipe.outputs.map((o) => (o.kind === kind ? { ...o, ...part } : o)) })
  return (
    <div className="flex flex-col gap-1" role="group" aria-label="Files">
      {KINDS.map(([kind, words]) => {
        const output = recipe.outputs.find((o) => o.kind === kind)
        return (
          output && (
            <div key={kind} className="flex h-[26px] items-center gap-2">
              <label className="flex w-[104px] items-center gap-2">
                <input type="checkbox" checked={output.on} onChange={(e) => put(kind, { on: e.target.checked })} /> {words}
              </label>
              {output.on && <Details output={output} put={(part) => put(kind, part)} />}
            </div>
          )
        )
      })}
      <Names recipe={recipe} change={change} />
    </div>
  )
}

function Details({ output, put }: { output: Output; put: (part: Partial<Output>) => void }) {
  const { kind, numbering } = output
  const whole = (typed: string) => (/^\d+$/.test(typed.trim()) ? Number(typed) : null)
  return (
    <>
      {(kind === 'H264' || kind === 'JPEG') && (
        <span className="flex items-center gap-1.5 text-quiet">
          quality
          <TypedField
            label={`Quality of ${kind}`}
            className="w-12 py-0.5!"
            shown={String(output.quality)}
            give={(t) => put({ quality: readNumber(t) })}
          />
        </span>
      )}
      {kind === 'H264' && (
        <span className="flex items-center gap-1.5 text-quiet">
          at most
          <TypedField
            label="Most megabytes"
            className="w-14 py-0.5!"
            placeholder="–"
            shown={String(output.mostMb ?? '')}
            give={(t) => put({ mostMb: whole(t) || null })}
          />
          MB
        </span>
      )}
      {(kind === 'PRORES' || kind === 'PNG8' || kind === 'PNG16' || kind === 'TIFF' || kind === 'EXR') && (
        <label className="flex items-center gap-1.5 text-quiet">
          <input type="checkbox" checked={output.alpha} onChange={(e) => put({ alpha: e.target.checked })} /> no sky
        </label>
      )}
      {!isMovie(kind) && (
        <span className="flex items-center gap-1.5 text-quiet">
          from
          <TypedField
            label={`First number of ${kind}`}
            className="w-14 py-0.5!"
            placeholder="own"
            shown={String(numbering.first ?? '')}
            give={(t) => put({ numbering: { ...numbering, first: whole(t) } })}
          />
          digits
          <TypedField
            label={`Digits of ${kind}`}
            className="w-10 py-0.5!"
            placeholder="–"
            shown={String(numbering.digits ?? '')}
            give={(t) => put({ numbering: { ...numbering, digits: whole(t) } })}
          />
        </span>
      )}
    </>
  )
}

function Names({ recipe, change }: Change) {
  return (
    <div className="mt-1 grid grid-cols-[104px_1fr] items-center gap-x-2 gap-y-1">
      movies
      <TypedField
        label="Names of movies"
        className="py-0.5!"
        shown={recipe.movieName}
        give={(movieName) => change({ ...recipe, movieName })}
      />
      pictures
      <TypedField label="Names of pictures" className="py-0.5!" shown={recipe.runName} give={(runName) => change({ ...recipe, runName })} />
    </div>
  )
}

function Letters({ recipe, change }: Change) {
  const at = (field: BurnIn['field']) => recipe.burnIn.find((b) => b.field === field)
  const put = (field: BurnIn['field'], corner: BurnIn['corner'] | '') => {
    const others = recipe.burnIn.filter((b) => b.field !== field)
    change({ ...recipe, burnIn: corner === '' ? others : [...others, { field, corner }] })
  }
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-1" role="group" aria-label="Burnt in">
      {FIELDS.map(([field, words]) => (
        <label key={field} className="flex items-center justify-between gap-2">
          {words}
          <select
            className="field w-[112px] py-0.5!"
            aria-label={`Where ${words} stands`}
            value={at(field)?.corner ?? ''}
            onChange={(e) => put(field, e.target.value as BurnIn['corner'] | '')}
          >
            <option value="">nowhere</option>
            {CORNERS.map(([corner, place]) => (
              <option key={corner} value={corner}>
                {place}
              </option>
            ))}
          </select>
        </label>
      ))}
      {at('TEXT') && (
        <TypedField
          label="Text in the picture"
          className="col-span-2 py-0.5!"
          placeholder="text in the picture"
          shown={recipe.text}
          give={(text) => change({ ...recipe, text })}
        />
      )}
    </div>
  )
}
