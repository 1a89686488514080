import { say, sayError } from '../desk/messages'
import { postInOrder } from '../server/client'

type Step = { name: string }

export async function undo(projectId: number | undefined) {
  await turn(projectId, 'undo', 'Undone')
}

export async function redo(projectId: number | undefined) {
  await turn(projectId, 'redo', 'Done again')
}

async function turn(projectId: number | undefined, way: string, word: string) {
  try {
    const step = await postInOrder<Step>(`/api/projects/${projectId}/${way}`)
    say(`${word}: ${step.name}`)
  } catch (e) {
    sayError(e)
  }
}
