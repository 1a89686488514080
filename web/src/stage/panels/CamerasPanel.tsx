import { useMemo, useState } from 'react'
import { useActions } from '../../desk/actions'
import { sayError } from '../../desk/messages'
import { Rows } from '../../parts/Rows'
import { of, post } from '../../server/client'
import { useCameraTable } from '../../server/queries'
import type { CameraEdit, CameraLine, Project, StageShot } from '../../server/types'
import { editSet } from '../edits'
import { matrixOf } from '../hands/matrices'
import { useStageDesk } from '../stageDesk'

type Sort = 'name' | 'lens' | 'stop' | 'focus' | 'y' | 'shots'

const COLUMNS: [Sort, string, string, number][] = [
  ['lens', 'mm', 'focal length', 0],
  ['stop', 'T', 'T-stop', 1],
  ['focus', 'focus', 'focus distance, metres', 1],
  ['y', 'high', 'height, metres', 1],
]

/** All cameras of the scene: what they are set to, what they film, and whether they are finished. */
export function CamerasPanel({ project, stage }: { project: Project; stage: StageShot }) {
  const lines = useCameraTable(project.id, stage.sceneId).data
  const [sort, setSort] = useState<Sort>('name')
  const [search, setSearch] = useState('')
  const rows = useMemo(() => ordered(lines ?? [], sort, search), [lines, sort, search])
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
      <div className={`${GRID} shrink-0 text-[12px] text-quiet`}>
        {head('name', 'camera', 'name')}
        {COLUMNS.map(([key, words, title]) => (
          <span key={key} className="text-right">
            {head(key, words, title)}
          </span>
        ))}
        {head('shots', 'films', 'shots that it films')}
        <span />
      </div>
      <Rows rows={rows} height={24} label="Cameras of the scene" at={rows.findIndex((r) => r.id === stage.cameraId)}>
        {(line) => <CameraRow line={line} stage={stage} />}
      </Rows>
    </div>
  )
}

const GRID = 'grid grid-cols-[minmax(0,1.5fr)_40px_36px_48px_40px_minmax(0,1fr)_128px] items-center gap-x-2 px-1'

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

function CameraRow({ line, stage }: { line: CameraLine; stage: StageShot }) {
  const [name, setName] = useState<string>()
  const own = line.id === stage.cameraId
  const edit = (wanted: CameraEdit) => void post('/api/cameras/{id}/edits', { ...of(line.id), body: wanted }).catch(sayError)
  const film = () => void post('/api/shots/{id}/film-with', of(stage.shotId, { camera: line.id })).catch(sayError)
  return (
    <div className={`${GRID} h-6 ${own ? 'bg-raised text-live' : ''}`}>
      <input
        className="min-w-0 bg-transparent"
        aria-label={`Name of ${line.name}`}
        value={name ?? line.name}
        onChange={(e) => setName(e.target.value)}
        onBlur={() => {
          if (name?.trim() && name.trim() !== line.name) {
            edit({ kind: 'RENAME', name: name.trim() })
          }
          setName(undefined)
        }}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      {COLUMNS.map(([key, , , digits]) => (
        <span
          key={key}
          className={`num text-right text-[12.5px] ${line.touched.includes(key) ? '' : 'italic text-quiet'}`}
          title={line.touched.includes(key) ? undefined : 'as it was made: nobody has set it yet'}
        >
          {(line.values[key] ?? 0).toFixed(digits)}
        </span>
      ))}
      <span className="truncate text-quiet" title={line.shots.join(', ')}>
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
