// @vitest-environment jsdom
import { cleanup } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { putAwayAll } from '../desk/messages'
import { fakeServer, posts } from '../server/fakeServer'
import type { StageShot } from '../server/types'
import { changeCamera, heldAt, keepHeld, letGo } from './edits'
import { setStage, useStageDesk } from './stageDesk'

const stage = {
  shotId: 5,
  code: 'sh0030',
  locked: false,
  channels: { x: [{ frame: 1001, value: 2, easing: 'EASED', way: 'SHORT' }] },
} as unknown as StageShot
const PLACED = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 4, 1.5, 9, 1]
const NOW = { x: 4, y: 1.5, z: 9, pan: 10, tilt: 0, roll: 0, lens: 50, focus: 6, stop: 2.8 }
const bodies = (asked: ReturnType<typeof fakeServer>) => posts(asked).map((a) => a.body)

beforeEach(() => setStage({ reach: 'HOLD', unkept: undefined }))
afterEach(() => {
  cleanup()
  putAwayAll()
  vi.unstubAllGlobals()
  setStage({ reach: 'HERE', unkept: undefined })
})

describe('what is moved without a key', () => {
  it('is tried, not written; what is moved next is held with it, and one key keeps all of it', async () => {
    const asked = fakeServer({ '/api/shots/5/camera/try': { keyed: NOW, pose: NOW, placed: PLACED }, '/api/shots/5/camera/edits': null })
    await changeCamera(stage, { kind: 'SET', frame: 1020, values: { lens: 50 } })
    await changeCamera(stage, { kind: 'SET', frame: 1020, values: { x: 4 } })
    expect(posts(asked).every((a) => a.path.includes('/camera/try?frame=1020'))).toBe(true)
    expect(bodies(asked)[1]).toEqual({ kind: 'SET', frame: 1020, values: { lens: 50, x: 4 }, reach: 'HERE' })
    expect(heldAt(5, 1020)).toMatchObject({ values: { lens: 50, x: 4 }, placed: PLACED, lens: 50 })
    expect(heldAt(5, 1021)).toBeUndefined()
    await keepHeld()
    expect(bodies(asked)[2]).toEqual({ kind: 'SET', frame: 1020, values: { lens: 50, x: 4 }, reach: 'HERE' })
    expect(useStageDesk.getState().unkept).toBeUndefined()
  })

  it('holds a steered place with its lens, and leaves the focus alone', async () => {
    fakeServer({ '/api/shots/5/camera/try': { keyed: NOW, pose: NOW, placed: PLACED } })
    await changeCamera(stage, { kind: 'FILM_FROM', frame: 1020, placed: PLACED, lens: 50, keepAim: true })
    expect(Object.keys(heldAt(5, 1020)?.values ?? {}).sort()).toEqual(['lens', 'pan', 'roll', 'tilt', 'x', 'y', 'z'])
    letGo()
    expect(heldAt(5, 1020)).toBeUndefined()
  })

  it.each([
    ['a camera without keys is changed as a whole', { ...stage, channels: {} }, { kind: 'SET', frame: 1020, values: { lens: 50 } }],
    [
      'what an aim turns is let go of at once',
      { ...stage, aim: { item: 3, name: 'gull', x: 0, y: 0, z: 0, lag: 0 } },
      { kind: 'FILM_FROM', frame: 1020, placed: PLACED, keepAim: false },
    ],
  ] as const)('%s', async (_, shot, wanted) => {
    const asked = fakeServer({ '/api/shots/5/camera/edits': null })
    await changeCamera(shot as unknown as StageShot, wanted as unknown as Parameters<typeof changeCamera>[1])
    expect(bodies(asked)).toEqual([{ ...wanted, reach: 'HERE' }])
    expect(useStageDesk.getState().unkept).toBeUndefined()
  })
})
