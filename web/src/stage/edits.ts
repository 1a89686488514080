/** Asks the server for edits of cameras and sets; what they do is decided there. */
import { sayError } from '../desk/messages'
import type { Written } from '../parts/draft'
import { writeUnwritten } from '../parts/unwritten'
import { of, post, postNumbered } from '../server/client'
import { inOrder } from '../server/inOrder'
import type { CameraEdit, SetEdit, ShotEdit, StageShot } from '../server/types'
import { type StageDesk, setStage, useStageDesk } from './stageDesk'

/** @return undefined where it was not done, and why is said */
export const editCamera = (shotId: number, edit: CameraEdit): Promise<Written | undefined> =>
  asked(() => postNumbered('/api/shots/{id}/camera/edits', { ...of(shotId), body: edit }))

/** Edits a camera by itself, whichever shots it films. @return undefined where it was not done, and why is said */
export const editCameraItself = (cameraId: number, edit: CameraEdit): Promise<Written | undefined> =>
  asked(() => postNumbered('/api/cameras/{id}/edits', { ...of(cameraId), body: edit }))

/** @return ids of what it made; undefined where it was not done, and why is said */
export const editSet = (sceneId: number, edit: SetEdit): Promise<(Written & { made: number[] }) | undefined> =>
  asked(async () => {
    const { data, edit: number } = await postNumbered('/api/scenes/{id}/edits', { ...of(sceneId), body: edit })
    return { made: data, edit: number }
  })

/** @return undefined where it was not done, and why is said */
export const editShot = (shotId: number, edit: ShotEdit): Promise<Written | undefined> =>
  asked(() => postNumbered('/api/shots/{id}/edits', { ...of(shotId), body: edit }))

async function asked<T>(ask: () => Promise<T>): Promise<T | undefined> {
  try {
    return await inOrder(ask)
  } catch (e) {
    sayError(e)
    return undefined
  }
}

export type Change = Extract<CameraEdit, { kind: 'SET' | 'FILM_FROM' | 'KEEP_SIZE' }>
/** A change whose reach is what somebody has chosen. */
export type Wanted = Change extends infer C ? (C extends Change ? Omit<C, 'reach'> : never) : never

/**
 * Changes values of a shot's camera as far as it is chosen that changes reach. Where they are to be held, nothing is written: what a
 * camera with keys would be is shown, and a key is offered.
 *
 * @param reach as it was chosen when the change was made
 * @return undefined where it was not done, and why is said
 */
export async function changeCamera(
  stage: StageShot,
  wanted: Wanted,
  reach: StageDesk['reach'] = useStageDesk.getState().reach,
): Promise<Written | undefined> {
  const keyed = Object.values(stage.channels).some((keys) => keys.length > 0)
  // what an aim turns cannot be held as values
  const letsAimGo = wanted.kind === 'FILM_FROM' && !wanted.keepAim && stage.aim
  if (reach === 'HOLD' && keyed && !stage.locked && !letsAimGo) {
    return asked(() => hold(stage, wanted))
  }
  return editCamera(stage.shotId, { ...wanted, reach: reach === 'HOLD' ? 'HERE' : reach } as Change)
}

async function hold(stage: StageShot, wanted: Wanted): Promise<Written> {
  const held = heldAt(stage.shotId, wanted.frame)
  const edit: Wanted = wanted.kind === 'SET' ? { ...wanted, values: { ...held?.values, ...wanted.values } } : wanted
  const tried = await post('/api/shots/{id}/camera/try', {
    ...of(stage.shotId, { frame: wanted.frame }),
    body: { ...edit, reach: 'HERE' } as Change,
  })
  // what was held before and is not moved again stays held
  const values = { ...held?.values, ...(wanted.kind === 'SET' ? (edit as typeof wanted).values : movedTo(tried.keyed, wanted.kind)) }
  setStage({
    unkept: { shotId: stage.shotId, code: stage.code, frame: wanted.frame, values, placed: tried.placed, lens: tried.keyed.lens ?? 35 },
  })
  return {}
}

const MOVED = ['x', 'y', 'z', 'pan', 'tilt', 'roll', 'lens']

/** What a gesture sets: a lens at the subject's size is focused anew too. */
const movedTo = (keyed: Record<string, number>, kind: Wanted['kind']) =>
  Object.fromEntries([...MOVED, ...(kind === 'KEEP_SIZE' ? ['focus'] : [])].map((channel) => [channel, keyed[channel] ?? 0]))

/** What is held of a shot's camera at a frame. */
export function heldAt(shotId: number, frame: number) {
  const { unkept } = useStageDesk.getState()
  return unkept?.shotId === shotId && unkept.frame === frame ? unkept : undefined
}

/** Makes a key of what is held. */
export async function keepHeld(): Promise<void> {
  writeUnwritten()
  // what is on its way to be held is kept with it
  await inOrder(async () => undefined)
  const { unkept } = useStageDesk.getState()
  if (unkept) {
    const { shotId, frame, values } = unkept
    const kept = await editCamera(shotId, { kind: 'SET', frame, values, reach: 'HERE' })
    if (kept && useStageDesk.getState().unkept === unkept) {
      setStage({ unkept: undefined })
    }
  }
}

export const letGo = () => setStage({ unkept: undefined })
