/** Asks the server for edits of cameras and sets; what they do is decided there. */
import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import type { CameraEdit, SetEdit, ShotEdit, StageShot } from '../server/types'
import { setStage, useStageDesk } from './stageDesk'

/** @return whether it was done; why not is said */
export const editCamera = async (shotId: number, edit: CameraEdit) =>
  (await asked(async () => {
    await post('/api/shots/{id}/camera/edits', { ...of(shotId), body: edit })
    return true
  })) ?? false

/** @return ids of what it made; undefined where it was not done, and why is said */
export const editSet = (sceneId: number, edit: SetEdit) => asked(() => post('/api/scenes/{id}/edits', { ...of(sceneId), body: edit }))

/** @return how many shots it changed; undefined where it was not done, and why is said */
export const editShot = (shotId: number, edit: ShotEdit) => asked(() => post('/api/shots/{id}/edits', { ...of(shotId), body: edit }))

async function asked<T>(ask: () => Promise<T>): Promise<T | undefined> {
  try {
    return await ask()
  } catch (e) {
    sayError(e)
    return undefined
  }
}

type Change = Extract<CameraEdit, { kind: 'SET' | 'FILM_FROM' | 'KEEP_SIZE' }>
/** A change whose reach is what somebody has chosen. */
export type Wanted = Change extends infer C ? (C extends Change ? Omit<C, 'reach'> : never) : never

/**
 * Changes values of a shot's camera as far as it is chosen that changes reach. Where they are to be held, nothing is written: what a
 * camera with keys would be is shown, and a key is offered.
 */
export async function changeCamera(stage: StageShot, wanted: Wanted): Promise<boolean> {
  const { reach } = useStageDesk.getState()
  const keyed = Object.values(stage.channels).some((keys) => keys.length > 0)
  // what an aim turns cannot be held as values
  const letsAimGo = wanted.kind === 'FILM_FROM' && !wanted.keepAim && stage.aim
  if (reach === 'HOLD' && keyed && !stage.locked && !letsAimGo) {
    return hold(stage, wanted)
  }
  return editCamera(stage.shotId, { ...wanted, reach: reach === 'HOLD' ? 'HERE' : reach } as Change)
}

async function hold(stage: StageShot, wanted: Wanted): Promise<boolean> {
  const held = heldAt(stage.shotId, wanted.frame)
  const edit: Wanted = wanted.kind === 'SET' ? { ...wanted, values: { ...held?.values, ...wanted.values } } : wanted
  const ask = (body: CameraEdit) => post('/api/shots/{id}/camera/try', { ...of(stage.shotId, { frame: wanted.frame }), body })
  try {
    const tried = await ask({ ...edit, reach: 'HERE' } as Change)
    // what was held before and is not moved again stays held
    const values = { ...held?.values, ...(wanted.kind === 'SET' ? (edit as typeof wanted).values : movedTo(tried.keyed, wanted.kind)) }
    setStage({
      unkept: { shotId: stage.shotId, code: stage.code, frame: wanted.frame, values, placed: tried.placed, lens: tried.keyed.lens ?? 35 },
    })
    return true
  } catch (e) {
    sayError(e)
    return false
  }
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
  const { unkept } = useStageDesk.getState()
  if (unkept) {
    const { shotId, frame, values } = unkept
    if (await editCamera(shotId, { kind: 'SET', frame, values, reach: 'HERE' })) {
      setStage({ unkept: undefined })
    }
  }
}

export const letGo = () => setStage({ unkept: undefined })
