import { useMemo, useState } from 'react'
import { useActions } from '../../desk/actions'
import { sayError } from '../../desk/messages'
import { NameField } from '../../parts/NameField'
import { Rows } from '../../parts/Rows'
import { TypedField } from '../../parts/TypedField'
import { readNumber } from '../../parts/typed'
import { of } from '../../server/client'
import { postInOrder } from '../../server/inOrder'
import { useCameraTable } from '../../server/queries'
import type { CameraEdit, CameraLine, Project, SetEdit, StageShot } from '../../server/types'
import { editCameraItself, editSet } from '../edits'
import { matrixOf } from '../hands/matrices'
import { useStageDesk } from '../stageDesk'
import { useTicked } from './ticked'

type Sort = 'name' | 'lens' | 'stop' | 'focus' | 'y' | 'shots'

const COLUMNS: [Sort, string, string, number][] = [
  ['lens', 'mm', 'focal length', 0],
  ['stop', 'T', 'T-stop', 1],
  ['focus', 'focus', 'focus distance, metres', 1],
  ['y', 'high', 'height, metres', 1],
]

/** All cameras of the scene: what they are set to, what they film, and whether they are finished. */
export function CamerasPanel({ project, stage }: { project: Project; stage: StageShot }) {
  const lines = useCameraTable(project.id, stage.sceneId).data?.cameras
  const [sort, setSort] = useState<Sort>('name')
  const [search, setSearch] = useState('')
  const rows = useMemo(() => ordered(lines ?? [], sort, search), [lines, sort, search])
  const ticked = useTicked((t) => t.cameras)
  const setTicked = (cameras: number[]) => useTicked.setState({ cameras })
  const chosen = rows.filter((r) => ticked.includes(r.id)).map((r) => r.id)
  const toggle = (id: number) => setTicked(ticked.includes(id) ? ticked.filter((o) => o !== id) : [...ticked, id])
  const make = () => {
    const scout = useStageDesk.getState().scouts[stage.sceneId]
    if (scout) {
      void editSet(stage.sceneId, { kind: 'ADD_CAMERA', placed: [...matrixOf(scout).elements], lens: Math.round(scout.lens * 10) / 10 })
    }
  }
  useActions('cameras', [
    { group: 'Stage', name: 'Make a camera where the scout view is', keys: 'Ctrl+Alt+C', run: make },
    {
      group: 'Stage',
      name: 'Copy the camera of this shot',
      run: () => void editSet(stage.sceneId, { kind: 'COPY_CAMERA', camera: stage.cameraId }),
    },
  ])
  const head = (key: Sort, words: string, title: string) => (
    <button
      type="button"
      className={sort === key ? 'text-live' : ''}
      title={`${title}: sort by it`}
      aria-pressed={sort === key}
      onClick={() => setSort(key)}
    >
      {words}
    </button>
  )
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-1 text-[13px]">
      <div className="flex items-center gap-2">
        <input
          className="field w-36 py-0.5!"
          placeholder="Search cameras"
          aria-label="Search cameras"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
        />
        <button type="button" className="button py-0.5!" onClick={make}>
          New from the scout view
        </button>
      </div>
      {chosen.length > 0 && <Together stage={stage} ids={chosen} />}
      <div className={`${GRID} shrink-0 text-[12px] text-quiet`}>
        <input
          type="checkbox"
          aria-label="Choose all cameras shown"
          checked={rows.length > 0 && chosen.length === rows.length}
          onChange={(e) => setTicked(e.target.checked ? rows.map((r) => r.id) : [])}
        />
        <span />
        {head('name', 'camera', 'name')}
        {COLUMNS.map(([key, words, title]) => (
          <span key={key} className="text-right">
            {head(key, words, title)}
          </span>
        ))}
        <span className={WIDE}>back</span>
        <span className={WIDE}>near–far</span>
        {head('shots', 'films', 'shots that it films')}
        <span />
      </div>
      <Rows rows={rows} height={24} label="Cameras of the scene" at={rows.findIndex((r) => r.id === stage.cameraId)}>
        {(line) => <CameraRow line={line} stage={stage} chosen={ticked.includes(line.id)} choose={() => toggle(line.id)} />}
      </Rows>
    </div>
  )
}

// back, near and far where there is room for them
const GRID =
  'grid grid-cols-[16px_40px_minmax(0,1.3fr)_36px_32px_44px_40px_minmax(0,1fr)_112px] items-center gap-x-2 px-1 min-[1700px]:grid-cols-[16px_40px_minmax(0,1.3fr)_36px_32px_44px_40px_52px_84px_minmax(0,1fr)_112px]'
const WIDE = 'hidden text-right min-[1700px]:block'
const near = (line: CameraLine) => `${line.near.toFixed(1)}–${line.far === undefined ? '∞' : line.far.toFixed(1)}`

function ordered(lines: CameraLine[], sort: Sort, search: string): CameraLine[] {
  const words = search.toLowerCase().trim()
  const found = lines.filter((l) => `${l.name} ${l.shots.join(' ')}`.toLowerCase().includes(words))
  const byName = (a: CameraLine, b: CameraLine) => a.name.localeCompare(b.name, undefined, { numeric: true })
  return [...found].sort((a, b) =>
    sort === 'name'
      ? byName(a, b)
      : sort === 'shots'
        ? (a.shots[0] ?? '~').localeCompare(b.shots[0] ?? '~') || byName(a, b)
        : (a.values[sort] ?? 0) - (b.values[sort] ?? 0) || byName(a, b),
  )
}

/** What several cameras are set to at once, each number throughout. */
function Together({ stage, ids }: { stage: StageShot; ids: number[] }) {
  const set = (part: Omit<Extract<SetEdit, { kind: 'SET_CAMERAS' }>, 'kind' | 'cameras'>) =>
    void editSet(stage.sceneId, { kind: 'SET_CAMERAS', cameras: ids, ...part })
  const give = (channel: string) => (v: number) => set({ values: { [channel]: v } })
  return (
    <div className="flex items-center gap-2 text-[12.5px] text-quiet" role="group" aria-label="All chosen cameras">
      <span className="whitespace-nowrap text-text">{ids.length} at once</span>
      {COLUMNS.map(([channel, words, title]) => (
        <Alike key={channel} of={ids.join()} words={words} title={title} give={give(channel)} />
      ))}
      <Alike
        of={ids.join()}
        words="back"
        title="width of the film back, mm"
        give={(v) => set({ backWidth: v, backHeight: (v * stage.backHeight) / stage.backWidth })}
      />
      <button type="button" className="link" onClick={() => set({ locked: true })}>
        lock
      </button>
      <button type="button" className="link" onClick={() => set({ locked: false })}>
        unlock
      </button>
    </div>
  )
}

function Alike({ of, words, title, give }: { of: string; words: string; title: string; give: (v: number) => void }) {
  const number = (typed: string) => {
    const value = readNumber(typed)
    if (Number.isFinite(value)) {
      give(value)
    } else {
      sayError(new Error(`"${typed}" is no number`))
    }
  }
  return (
    <label className="flex items-center gap-1" title={title}>
      {words}
      <TypedField className="w-10 px-1! py-0!" label={`${title}, of all chosen cameras`} of={of} give={number} />
    </label>
  )
}

type RowProps = { line: CameraLine; stage: StageShot; chosen: boolean; choose: () => void }

function CameraRow({ line, stage, chosen, choose }: RowProps) {
  const own = line.id === stage.cameraId
  const edit = (wanted: CameraEdit) => void editCameraItself(line.id, wanted)
  const film = () => void postInOrder('/api/shots/{id}/film-with', of(stage.shotId, { camera: line.id })).catch(sayError)
  return (
    <div className={`${GRID} h-6 ${own ? 'bg-raised text-live' : ''}`}>
      <input type="checkbox" aria-label={`Choose ${line.name}`} checked={chosen} onChange={choose} />
      <img
        className="h-[22px] w-10 bg-black object-contain"
        src={`/api/cameras/${line.id}/picture?of=${encodeURIComponent(line.placed.map((v) => v.toFixed(3)).join() + (line.values.lens ?? ''))}`}
        alt=""
        loading="lazy"
      />
      <NameField label={`Name of ${line.name}`} of={line.id} name={line.name} give={(name) => edit({ kind: 'RENAME', name })} />
      {COLUMNS.map(([key, , , digits]) => (
        <span
          key={key}
          className={`num text-right text-[12.5px] ${line.touched.includes(key) ? '' : 'italic text-quiet'}`}
          title={line.touched.includes(key) ? undefined : 'as it was made: nobody has set it yet'}
        >
          {(line.values[key] ?? 0).toFixed(digits)}
        </span>
      ))}
      <span className={`num ${WIDE} text-[12.5px]`}>{line.backWidth.toFixed(1)}</span>
      <span className={`num ${WIDE} text-[12.5px]`}>{near(line)}</span>
      <span
        className="truncate text-quiet"
        title={`${line.shots.join(', ')}\nback ${line.backWidth} × ${line.backHeight} mm, sharp ${near(line)} m`}
      >
        {line.shots.length > 0 ? line.shots.join(', ') : 'no shot'}
        {line.keys > 0 && ` · ${line.keys} keys`}
      </span>
      <span className="flex justify-end gap-2 text-[12px] text-quiet">
        {!own && (
          <button type="button" className="link" onClick={film} title={`Film ${stage.code} with it`}>
            film
          </button>
        )}
        <button type="button" className="link" aria-pressed={line.locked} onClick={() => edit({ kind: 'LOCK', locked: !line.locked })}>
          {line.locked ? 'locked' : 'lock'}
        </button>
        <button type="button" className="link" onClick={() => void editSet(stage.sceneId, { kind: 'COPY_CAMERA', camera: line.id })}>
          copy
        </button>
        {line.shots.length === 0 && (
          <button
            type="button"
            className="link"
            aria-label={`Take away ${line.name}`}
            onClick={() => void editSet(stage.sceneId, { kind: 'REMOVE_CAMERA', camera: line.id })}
          >
            ×
          </button>
        )}
      </span>
    </div>
  )
}
