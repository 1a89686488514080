import { say, sayError } from '../desk/messages'
import { writeUnwritten } from '../parts/unwritten'
import { of } from '../server/client'
import { postInOrder } from '../server/inOrder'

export async function undo(projectId: number | undefined) {
  await turn(projectId, 'undo', 'Undone')
}

export async function redo(projectId: number | undefined) {
  await turn(projectId, 'redo', 'Done again')
}

async function turn(projectId: number | undefined, way: 'undo' | 'redo', word: string) {
  // what a hand has just done is a step, and the last one
  writeUnwritten()
  try {
    const step = await postInOrder(`/api/projects/{id}/${way}`, of(projectId))
    say(`${word}: ${step.name}`)
  } catch (e) {
    sayError(e)
  }
}
