/** Asks the server for edits of cameras and sets; what they do is decided there. */
import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import type { CameraEdit, SetEdit } from '../server/types'

/** @return whether it was done; why not is said */
export async function editCamera(shotId: number, edit: CameraEdit): Promise<boolean> {
  try {
    await post('/api/shots/{id}/camera/edits', { ...of(shotId), body: edit })
    return true
  } catch (e) {
    sayError(e)
    return false
  }
}

/** @return ids of what it made; undefined where it was not done, and why is said */
export async function editSet(sceneId: number, edit: SetEdit): Promise<number[] | undefined> {
  try {
    return await post('/api/scenes/{id}/edits', { ...of(sceneId), body: edit })
  } catch (e) {
    sayError(e)
    return undefined
  }
}
