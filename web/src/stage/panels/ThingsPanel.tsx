import { useMemo, useState } from 'react'
import { useActions } from '../../desk/actions'
import { say, sayError } from '../../desk/messages'
import type { Written } from '../../parts/draft'
import { following } from '../../parts/lists'
import { Rows } from '../../parts/Rows'
import { TypedField } from '../../parts/TypedField'
import { useDraft } from '../../parts/useDraft'
import { plural } from '../../parts/words'
import { step } from '../../playhead/transport'
import { of, post } from '../../server/client'
import { useInFrame, useItemValues } from '../../server/queries'
import type { AddInView, Project, StageItem, StageShot } from '../../server/types'
import { editCamera, editSet } from '../edits'
import { SNAPS, type Snap } from '../hands/drag'
import { matrixOf } from '../hands/matrices'
import { choose, setStage, useStageDesk } from '../stageDesk'
import { NumberField } from './NumberField'

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
  'HELPER',
]

type Props = { project: Project; stage: StageShot; action: number; shotFrame: number; runs: boolean }

/** All things of the set with a search, and what the chosen one is. */
export function ThingsPanel({ project, stage, action, shotFrame, runs }: Props) {
  const chosen = useStageDesk((d) => d.chosen)
  const [search, setSearch] = useState('')
  const rows = useMemo(() => found(stage.items, search), [stage.items, search])
  const first = stage.items.find((i) => i.id === chosen[0])
  return (
    <div className="flex min-h-0 flex-1 gap-3">
      <div className="flex w-[46%] min-w-0 flex-col gap-1">
        <div className="flex gap-1.5">
          <input
            className="field min-w-0 flex-1 py-0.5!"
            placeholder={`Search ${plural(stage.items.length, 'thing')}`}
            aria-label="Search things"
            value={search}
            onChange={(e) => setSearch(e.target.value)}
          />
          <SnapChoice />
          <AddThing stage={stage} shotFrame={shotFrame} group={first?.group} />
        </div>
        <Rows rows={rows} height={24} label="Things of the set" at={rows.findIndex((r) => r.id === chosen[0])}>
          {(item) => <ThingRow item={item} stage={stage} chosen={chosen.includes(item.id)} />}
        </Rows>
      </div>
      <div className={`flex min-w-0 flex-1 flex-col gap-1 ${runs ? 'opacity-50' : ''}`}>
        {first ? (
          <Chosen project={project} stage={stage} item={first} ids={chosen} action={action} shotFrame={shotFrame} />
        ) : (
          <p className="text-[13px] text-quiet">
            Choose a thing here or press it in a picture. A chosen thing is dragged along the ground; Shift lifts it, Alt turns it, and a
            typed number is exact.
          </p>
        )}
      </div>
    </div>
  )
}

/** By name, shape and group; those put together stand together. */
function found(items: StageItem[], search: string): StageItem[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const text = (i: StageItem) => `${i.name} ${i.group ?? ''} ${i.shape.replace('_', ' ')}`.toLowerCase()
  return items
    .filter((i) => words.every((w) => text(i).includes(w)))
    .sort((a, b) => (a.group ?? '').localeCompare(b.group ?? '') || a.name.localeCompare(b.name, undefined, { numeric: true }))
}

function ThingRow({ item, stage, chosen }: { item: StageItem; stage: StageShot; chosen: boolean }) {
  const flag = (kind: 'LOCK' | 'HIDE') =>
    void editSet(
      stage.sceneId,
      kind === 'LOCK' ? { kind, items: [item.id], locked: !item.locked } : { kind, items: [item.id], hidden: !item.hidden },
    )
  return (
    <div className={`flex h-6 items-center gap-2 px-1.5 text-[13px] ${chosen ? 'bg-raised text-live' : ''}`}>
      <button
        type="button"
        className="min-w-0 flex-1 truncate text-left"
        aria-pressed={chosen}
        title={item.name}
        onClick={(e) => choose(item.id, e.ctrlKey || e.shiftKey)}
      >
        {item.group && <span className="text-quiet">{item.group} / </span>}
        {item.name}
        {moves(item) && <span className="text-quiet"> moves</span>}
      </button>
      <button
        type="button"
        className={`link text-[12px] ${item.hidden ? '' : 'text-quiet'}`}
        aria-pressed={item.hidden}
        onClick={() => flag('HIDE')}
      >
        {item.hidden ? 'hidden' : 'hide'}
      </button>
      <button
        type="button"
        className={`link text-[12px] ${item.locked ? '' : 'text-quiet'}`}
        aria-pressed={item.locked}
        onClick={() => flag('LOCK')}
      >
        {item.locked ? 'locked' : 'lock'}
      </button>
    </div>
  )
}

export const moves = (item: StageItem) => Object.values(item.channels).some((keys) => keys.length > 1)

/** Takes things out, and says what hung on them. */
export async function takeOut(stage: StageShot, ids: number[], action: number) {
  const gone = stage.items.filter((i) => ids.includes(i.id))
  const hanging = [...new Set(gone.flatMap((i) => i.hanging))]
  if (await editSet(stage.sceneId, { kind: 'REMOVE', items: ids, frame: action })) {
    choose(undefined)
    const what = gone.length > 3 ? plural(gone.length, 'thing') : gone.map((i) => i.name).join(', ')
    say(
      `${what} taken out${hanging.length > 0 ? `; ${hanging.join(', ')} let go of it and stay${hanging.length === 1 ? 's' : ''} where it was` : ''}. Ctrl Z brings all back`,
    )
  }
}

type ChosenProps = { project: Project; stage: StageShot; item: StageItem; ids: number[]; action: number; shotFrame: number }

function Chosen({ project, stage, item, ids, action, shotFrame }: ChosenProps) {
  const there = useItemValues(project.id, item.id, action).data
  const place = (channel: string, value: number) =>
    editSet(stage.sceneId, { kind: 'PLACE', frame: action, places: [{ id: item.id, values: { [channel]: value } }] })
  const look = (change: { name?: string; colour?: string; width?: number; height?: number; depth?: number }) =>
    editSet(stage.sceneId, { kind: 'LOOK', items: change.name ? [item.id] : ids, ...change })
  const copy = async () => {
    const made = await editSet(stage.sceneId, { kind: 'DUPLICATE', items: ids, x: 1, z: 0 })
    if (made) {
      setStage({ chosen: made.made })
    }
  }
  const together = () => void editSet(stage.sceneId, { kind: 'GROUP', items: ids, name: item.group ? undefined : `${item.name} and so on` })
  const tie = (kind: 'AIM' | 'FOCUS_ON' | 'MOUNT') => {
    const [x = 0, y = 0, z = 0] = item.middle
    const point = { x, y, z }
    void editCamera(
      stage.shotId,
      kind === 'AIM'
        ? { kind, frame: shotFrame, item: item.id, ...point, lag: 0 }
        : kind === 'FOCUS_ON'
          ? { kind, frame: shotFrame, item: item.id, ...point }
          : { kind, frame: shotFrame, item: item.id, throughout: true },
    )
  }
  useActions('things', [
    { group: 'Stage', name: `Aim the camera at ${item.name}`, keys: 'Ctrl+Alt+A', run: () => tie('AIM') },
    { group: 'Stage', name: `Keep the focus on ${item.name}`, keys: 'Ctrl+Alt+F', run: () => tie('FOCUS_ON') },
    { group: 'Stage', name: `Mount the camera on ${item.name}`, keys: 'Ctrl+Alt+M', run: () => tie('MOUNT') },
    {
      group: 'Stage',
      name: `Mount the camera on ${item.name} from this frame on`,
      keys: 'Ctrl+Alt+Shift+M',
      run: () => void editCamera(stage.shotId, { kind: 'MOUNT', frame: shotFrame, item: item.id, throughout: false }),
    },
    { group: 'Stage', name: 'Copy the chosen things', keys: 'Ctrl+D', run: () => void copy() },
    { group: 'Stage', name: 'Put the chosen things together, or take them apart', keys: 'Ctrl+G', run: together },
    { group: 'Stage', name: 'Dragged things: freely, to the grid, the ground, eye height, other things', keys: '#', run: nextSnap },
  ])
  return (
    <>
      <div className="flex items-center gap-1.5">
        <TypedField
          className="min-w-0 flex-1 py-0.5! text-live!"
          label="Name of the thing"
          of={item.id}
          shown={ids.length > 1 ? `${item.name} and ${ids.length - 1} more` : item.name}
          disabled={ids.length > 1}
          give={(name) => void look({ name })}
        />
        <Colour key={item.id} item={item} edits={stage.edit} give={(colour) => look({ colour })} />
      </div>
      <div className="grid grid-cols-3 gap-x-2 gap-y-1">
        {there &&
          (['x', 'y', 'z', 'turn', 'lean'] as const).map((channel) => (
            <NumberField
              key={channel}
              label={channel}
              unit={channel === 'turn' || channel === 'lean' ? '°' : 'm'}
              digits={2}
              value={there[channel] ?? 0}
              disabled={item.locked}
              of={`${item.id} ${action}`}
              edits={there.edit}
              give={(v) => place(channel, v)}
            />
          ))}
        {(['width', 'height', 'depth'] as const).map((side) => (
          <NumberField
            key={side}
            label={side}
            unit=""
            digits={2}
            value={item[side]}
            disabled={item.locked}
            of={item.id}
            edits={stage.edit}
            give={(v) => look({ [side]: v })}
          />
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-0.5 text-[12.5px] text-quiet">
        <button type="button" className="link" onClick={() => tie('AIM')}>
          aim at it
        </button>
        <button type="button" className="link" onClick={() => tie('FOCUS_ON')}>
          focus on it
        </button>
        <button type="button" className="link" onClick={() => tie('MOUNT')}>
          mount camera
        </button>
        <button type="button" className="link" onClick={() => void copy()}>
          copy
        </button>
        <button type="button" className="link" onClick={together}>
          {item.group ? 'take apart' : 'put together'}
        </button>
        <button type="button" className="link" onClick={() => void takeOut(stage, ids, action)}>
          take out of the set
        </button>
        <span className="num">action frame {action}</span>
        <InFrame project={project} stage={stage} ids={ids} shotFrame={shotFrame} />
      </div>
    </>
  )
}

type ColourProps = { item: StageItem; edits?: number; give: (colour: string) => Promise<Written | undefined> }

/** A colour is tried through many others: the one that the hand rests at is given. */
function Colour({ item, edits, give }: ColourProps) {
  const draft = useDraft<string>(edits)
  const place = { key: String(item.id), says: () => ({ of: item.colour, value: item.colour }), write: give }
  return (
    <input
      type="color"
      className="h-6 w-7 shrink-0 bg-transparent"
      aria-label="Colour of the thing"
      value={draft.shown(place.key) ?? item.colour}
      onChange={(e) => draft.put(place, e.target.value, true)}
      onBlur={() => draft.write()}
    />
  )
}

/** Where the chosen things leave the delivery frame; a press goes there. */
function InFrame({ project, stage, ids, shotFrame }: { project: Project; stage: StageShot; ids: number[]; shotFrame: number }) {
  const leaves = useInFrame(project.id, stage.shotId, ids.slice(0, WATCHED), 1).data
  if (!leaves) {
    return null
  }
  if (leaves.length === 0) {
    return <span>in the frame throughout</span>
  }
  return (
    <>
      {leaves.slice(0, LISTED).map((l) => (
        <button
          key={`${l.item} ${l.from}`}
          type="button"
          className="link num text-offset"
          title={`${l.name}: go to ${l.from}`}
          onClick={() => step(l.from - shotFrame)}
        >
          out {l.sides.map((s) => s.toLowerCase()).join(' and ')} {l.from}–{l.to}
        </button>
      ))}
      {leaves.length > LISTED && <span>and {leaves.length - LISTED} more</span>}
    </>
  )
}

/** So many things are watched at once, and so many places of theirs are named. */
const WATCHED = 8
const LISTED = 3

function AddThing({ stage, shotFrame, group }: { stage: StageShot; shotFrame: number; group?: string }) {
  const add = async (shape: AddInView['shape']) => {
    const { free, scouts } = useStageDesk.getState()
    const scout = scouts[stage.sceneId]
    // it lands where one looks: in the picture that the hands were in last
    const placed = free === 'scout' && scout && useStageDesk.getState().under?.pane === 'scout' ? [...matrixOf(scout).elements] : undefined
    try {
      choose(await post('/api/shots/{id}/items', { ...of(stage.shotId), body: { shape, frame: shotFrame, group, placed } }))
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <select
      className="field w-20 py-0.5!"
      value=""
      aria-label="Put a thing in the set"
      onChange={(e) => {
        void add(e.target.value as AddInView['shape'])
        e.target.blur()
      }}
    >
      <option value="">Add</option>
      {SHAPES.map((s) => (
        <option key={s} value={s}>
          {s === 'HELPER' ? 'unseen helper' : s.toLowerCase().replace('_', ' ')}
        </option>
      ))}
    </select>
  )
}

function nextSnap() {
  const snap = following(SNAPS, useStageDesk.getState().snap)
  setStage({ snap })
  say(snap === 'freely' ? 'Things are dragged freely' : `Dragged things go to the ${snap.replace('things', 'other things')}`)
}

/** What dragged things come to lie on. */
function SnapChoice() {
  const snap = useStageDesk((d) => d.snap)
  return (
    <select
      className="field w-20 py-0.5!"
      aria-label="What dragged things go to"
      title="What dragged things go to"
      value={SNAPS.includes(snap) ? snap : 'freely'}
      onChange={(e) => {
        setStage({ snap: e.target.value as Snap })
        e.target.blur()
      }}
    >
      {SNAPS.map((name) => (
        <option key={name} value={name}>
          {name}
        </option>
      ))}
    </select>
  )
}
