import { useActions } from '../desk/actions'
import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import type { StageShot } from '../server/types'

/** Which camera of the scene films this shot. Several shots may share one. */
export function FilmWith({ stage }: { stage: StageShot }) {
  const film = async (camera: number | undefined) => {
    try {
      await post('/api/shots/{id}/film-with', of(stage.shotId, { camera }))
    } catch (e) {
      sayError(e)
    }
  }
  const now = stage.cameras.find((c) => c.id === stage.cameraId)
  const shared = (now?.shots.length ?? 1) > 1
  useActions('film-with', [
    { group: 'Stage', name: 'Give this shot a camera of its own', keys: 'Shift+F8', run: () => void film(undefined), disabled: !shared },
  ])
  return (
    <select
      className="field min-w-0 max-w-40"
      aria-label="Camera that films this shot"
      title={shared ? `films ${now?.shots.join(', ')}` : undefined}
      value={stage.cameraId}
      onChange={(e) => void film(e.target.value === '' ? undefined : Number(e.target.value))}
    >
      {stage.cameras.map((c) => (
        <option key={c.id} value={c.id}>
          {c.name}
          {c.shots.length > 1 ? `, ${c.shots.length} shots` : ''}
        </option>
      ))}
      {shared && <option value="">one of its own</option>}
    </select>
  )
}
