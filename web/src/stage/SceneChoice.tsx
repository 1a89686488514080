import { useState } from 'react'
import { useActions } from '../desk/actions'
import { sayError } from '../desk/messages'
import { TypedField } from '../parts/TypedField'
import { of, post } from '../server/client'
import { useScenes } from '../server/queries'
import type { Project, SceneEdit, StageShot } from '../server/types'

/** The scene that a shot is filmed in: its set and its action clock. A shot takes its camera along into another. */
export function SceneChoice({ project, stage }: { project: Project; stage: StageShot }) {
  const scenes = useScenes(project.id).data ?? []
  const [renaming, setRenaming] = useState(false)
  const own = scenes.find((s) => s.id === stage.sceneId)
  const edit = async (wanted: SceneEdit) => {
    try {
      await post('/api/projects/{id}/scenes/edits', { ...of(project.id), body: wanted })
    } catch (e) {
      sayError(e)
    }
  }
  const move = (scene: number | undefined) => void edit({ kind: 'MOVE_SHOTS', shots: [stage.shotId], scene })
  useActions('scene', [
    ...scenes
      .filter((s) => s.id !== stage.sceneId)
      .map((s) => ({ group: 'Scenes', name: `Film ${stage.code} in scene ${s.code}, ${s.name}`, run: () => move(s.id) })),
    { group: 'Scenes', name: `Film ${stage.code} in a new scene`, run: () => move(undefined) },
    { group: 'Scenes', name: 'Rename this scene', run: () => setRenaming(true) },
  ])
  if (renaming && own) {
    return (
      <span role="group" ref={(box) => box?.querySelector('input')?.focus()} onBlur={() => setRenaming(false)}>
        <TypedField
          className="w-36 py-0.5!"
          label="Name of the scene"
          of={own.id}
          shown={own.name}
          give={(name) => void edit({ kind: 'RENAME', scene: own.id, code: own.code, name })}
        />
      </span>
    )
  }
  return (
    <select
      className="field min-w-0 max-w-36 py-0.5!"
      aria-label="Scene of this shot"
      title={own ? `scene ${own.code}, ${own.name}: ${own.shots} shots` : undefined}
      value={stage.sceneId}
      onChange={(e) => {
        if (e.target.value === 'rename') {
          setRenaming(true)
        } else {
          move(e.target.value === 'new' ? undefined : Number(e.target.value))
        }
      }}
    >
      {scenes.map((s) => (
        <option key={s.id} value={s.id}>
          {s.code} {s.name}
        </option>
      ))}
      <option value="new">a new scene</option>
      <option value="rename">rename this scene</option>
    </select>
  )
}
