import { useActions } from '../desk/actions'
import { useDesk } from '../desk/desk'
import { sayError } from '../desk/messages'
import { plural } from '../parts/words'
import { of, post } from '../server/client'
import { useScenes } from '../server/queries'
import type { Master, Project } from '../server/types'

/** Offers the scenes of the project for the chosen clips' shots: a run of them is filmed in another set at once. */
export function SceneOffers({ project, master }: { project: Project; master: Master }) {
  const chosen = useDesk((d) => d.clips)
  const scenes = useScenes(project.id).data ?? []
  const shots = [...new Set(master.clips.filter((s) => chosen.includes(s.id) && s.shotId).map((s) => s.shotId))]
  const move = (scene: number | undefined) =>
    void post('/api/projects/{id}/scenes/edits', { ...of(project.id), body: { kind: 'MOVE_SHOTS', shots, scene } }).catch(sayError)
  const what = shots.length === 1 ? 'the chosen shot' : plural(shots.length, 'shot')
  useActions('scenes', [
    ...scenes.map((s) => ({
      group: 'Scenes',
      name: `Film ${what} in scene ${s.code}, ${s.name}`,
      run: () => move(s.id),
      disabled: shots.length === 0,
    })),
    { group: 'Scenes', name: `Film ${what} in a new scene`, run: () => move(undefined), disabled: shots.length === 0 },
  ])
  return null
}
