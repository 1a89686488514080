// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { said } from '../desk/fakeKeys'
import { putAwayAll } from '../desk/messages'
import { type Asked, fakeServer, posts } from '../server/fakeServer'
import { HeldServer } from '../server/heldServer'
import type { StageItem, StageShot } from '../server/types'
import { useStageKeys } from './useStageKeys'

const step = vi.hoisted(() => vi.fn())
vi.mock('../playhead/transport', () => ({ step }))

/** A shot that begins with frame 40 of the action: shot frame 1001 is action frame 40. */
const OFFSET = 40 - 1001
const key = (frame: number, value: number, more: object = {}) => ({ frame, value, easing: 'EASED', ...more })
const stage = {
  shotId: 5,
  sceneId: 1,
  cameraId: 8,
  actionOffset: OFFSET,
  channels: { pan: [key(1001, -10), key(1040, 20, { arriving: 'STRAIGHT', way: 1 })], lens: [key(1001, 35), key(1020, 50)] },
  layers: [{ use: 4, from: 1010 }],
} as unknown as StageShot
const gull = { id: 21, name: 'gull 1', channels: { x: [key(40, 0), key(60, 5)], y: [key(50, 1)] } } as unknown as StageItem

let asked: Asked[]
beforeEach(() => {
  step.mockReset()
  asked = fakeServer()
})
afterEach(() => {
  cleanup()
  putAwayAll()
  vi.unstubAllGlobals()
})

type Props = { stage: StageShot; item?: StageItem; shotFrame: number }
const open = (more: Partial<Props> = {}) =>
  renderHook((props: Props) => useStageKeys(props), { initialProps: { stage, shotFrame: 1020, ...more } as Props })

/** Does what a key does, and waits for the server. */
async function press(keys: string, hook: ReturnType<typeof open>['result']) {
  const action = hook.current.actions.find((a) => a.keys === keys)
  expect(action?.disabled ?? false, keys).toBe(false)
  await act(async () => {
    action?.run()
    await new Promise((done) => setTimeout(done, 5))
  })
}
const bodies = () => posts(asked).map((p) => p.body)
const choose = (hook: ReturnType<typeof open>['result'], ...keys: [string, number][]) =>
  act(() => hook.current.choose(keys.map(([channel, frame]) => ({ channel, frame }))))

describe('keys of the camera', () => {
  it('are made at the playhead, in shot frames', async () => {
    await press('K', open().result)
    expect(posts(asked)[0]).toMatchObject({ path: '/api/shots/5/camera/edits', body: { kind: 'KEY', frame: 1020 } })
  })

  it('are gone to over all channels, and nowhere beyond the last', async () => {
    const { result, rerender } = open({ shotFrame: 1005 })
    await press('.', result)
    await press(',', result)
    expect(step.mock.calls).toEqual([[15], [-4]])
    rerender({ stage, shotFrame: 1040 })
    await press('.', result)
    expect(step).toHaveBeenCalledTimes(2)
    await press(',', result)
    expect(step).toHaveBeenLastCalledWith(-20)
  })

  it('at the playhead are moved and taken away where none is chosen', async () => {
    const { result } = open()
    expect(result.current.removeWords).toBe('Remove the keys of the camera here')
    await press('Alt+ArrowLeft', result)
    await press('Alt+ArrowRight', result)
    act(() => result.current.remove())
    await vi.waitFor(() => expect(posts(asked)).toHaveLength(3), 20_000)
    expect(bodies()).toEqual([
      { kind: 'MOVE_KEYS', keys: [{ frame: 1020 }], by: -1 },
      { kind: 'MOVE_KEYS', keys: [{ frame: 1020 }], by: 1 },
      { kind: 'REMOVE_KEYS', keys: [{ frame: 1020 }] },
    ])
    expect(step.mock.calls).toEqual([[-1], [1]])
  })

  it('that are chosen are moved and taken away, wherever the playhead is', async () => {
    const { result } = open()
    choose(result, ['pan', 1001], ['lens', 1020])
    expect(result.current.removeWords).toBe('Remove 2 chosen keys')
    await act(async () => {
      result.current.move(7)
      await new Promise((done) => setTimeout(done, 5))
    })
    expect(bodies()[0]).toEqual({
      kind: 'MOVE_KEYS',
      keys: [
        { channel: 'pan', frame: 1001 },
        { channel: 'lens', frame: 1020 },
      ],
      by: 7,
    })
    expect(step).toHaveBeenLastCalledWith(7)
  })

  it('that are moved again before the first answer go on from there, in order', async () => {
    const server = new HeldServer(() => undefined)
    const { result } = open()
    choose(result, ['lens', 1020])
    act(() => result.current.actions.find((a) => a.keys === 'Alt+ArrowRight')?.run())
    act(() => result.current.actions.find((a) => a.keys === 'Alt+ArrowRight')?.run())
    act(() => result.current.moveLayer(4, 5))
    act(() => result.current.moveLayer(4, 5))
    for (let i = 0; i < 4; i++) {
      await act(() => server.answerOne())
    }
    expect(server.done.map((e) => e.body)).toEqual([
      { kind: 'MOVE_KEYS', keys: [{ channel: 'lens', frame: 1020 }], by: 1 },
      { kind: 'MOVE_KEYS', keys: [{ channel: 'lens', frame: 1021 }], by: 1 },
      { kind: 'LAYER_CHANGE', use: 4, from: 1015 },
      { kind: 'LAYER_CHANGE', use: 4, from: 1020 },
    ])
  })

  it('leave whoever went elsewhere meanwhile where they are', async () => {
    const server = new HeldServer(() => undefined)
    const { result, rerender } = open()
    choose(result, ['lens', 1020])
    act(() => result.current.actions.find((a) => a.keys === 'Alt+ArrowRight')?.run())
    rerender({ stage, shotFrame: 1033 })
    choose(result, ['pan', 1001])
    await act(() => server.answerOne())
    expect(step).not.toHaveBeenCalled()
    expect(result.current.chosen).toEqual([{ channel: 'pan', frame: 1001 }])
  })

  it('stay chosen where they were moved to, and are chosen no more once they are gone', async () => {
    const { result, rerender } = open()
    choose(result, ['lens', 1020])
    await press('Alt+ArrowRight', result)
    const moved = { ...stage, channels: { ...stage.channels, lens: [key(1001, 35), key(1021, 50)] } } as unknown as StageShot
    rerender({ stage: moved, shotFrame: 1021 })
    expect(result.current.chosen).toEqual([{ channel: 'lens', frame: 1021 }])
    rerender({ stage, shotFrame: 1021 })
    expect(result.current.chosen).toEqual([])
  })

  it('go nowhere when the server refuses, and it is said why', async () => {
    fakeServer({ '/api/shots/5/camera/edits': new Error('cam_sh0030 is finished') })
    const { result } = open()
    choose(result, ['lens', 1020])
    await press('Alt+ArrowRight', result)
    expect(said()).toContain('cam_sh0030 is finished')
    expect(step).not.toHaveBeenCalled()
    expect(result.current.chosen).toEqual([{ channel: 'lens', frame: 1020 }])
  })

  it('are copied with how they come and go, and laid down from the playhead on', async () => {
    const { result } = open({ shotFrame: 1100 })
    expect(result.current.actions.find((a) => a.keys === 'Ctrl+C')?.disabled).toBe(true)
    choose(result, ['pan', 1040])
    await press('Ctrl+C', result)
    expect(said()).toContain('1 key copied')
    await press('Ctrl+V', result)
    expect(bodies()).toEqual([
      { kind: 'PASTE_KEYS', at: 1100, keys: [{ channel: 'pan', frame: 1040, value: 20, leaving: 'EASED', arriving: 'STRAIGHT', way: 1 }] },
    ])
  })

  it('are all chosen at once, and none of them when it becomes another camera', async () => {
    const { result, rerender } = open()
    await press('Ctrl+A', result)
    expect(result.current.chosen).toHaveLength(4)
    rerender({ stage: { ...stage, cameraId: 9 } as StageShot, shotFrame: 1020 })
    expect(result.current.chosen).toEqual([])
  })

  it('of a layer move with where it begins', async () => {
    const { result } = open()
    act(() => result.current.moveLayer(4, -6))
    act(() => result.current.moveLayer(99, -6))
    await vi.waitFor(() => expect(bodies()).toEqual([{ kind: 'LAYER_CHANGE', use: 4, from: 1004 }]), 20_000)
  })
})

describe('keys of a thing', () => {
  const ofGull = (more: Partial<Props> = {}) => open({ item: gull, ...more })

  it('are frames of the action, wherever the shot begins in it', async () => {
    const { result } = ofGull()
    await press('K', result)
    act(() => result.current.remove())
    await vi.waitFor(() => expect(posts(asked)).toHaveLength(2), 20_000)
    expect(posts(asked)[0]?.path).toBe('/api/scenes/1/edits')
    expect(bodies()).toEqual([
      { kind: 'KEY', frame: 59, items: [21] },
      { kind: 'REMOVE_KEYS', frame: 59, items: [21] },
    ])
  })

  it('are gone to in shot frames', async () => {
    const { result, rerender } = ofGull({ shotFrame: 1005 })
    await press('.', result)
    expect(step).toHaveBeenLastCalledWith(50 - OFFSET - 1005)
    rerender({ stage, item: gull, shotFrame: 1030 })
    await press(',', result)
    expect(step).toHaveBeenLastCalledWith(60 - OFFSET - 1030)
  })

  it('are moved from where one is chosen, and the playhead goes with it', async () => {
    fakeServerSaying([])
    const { result } = ofGull()
    choose(result, ['x', 60 - OFFSET])
    await press('Alt+ArrowLeft', result)
    expect(bodies()).toEqual([{ kind: 'MOVE_KEYS', from: 60, to: 59, items: [21] }])
    expect(step).toHaveBeenLastCalledWith(59 - OFFSET - 1020)
  })

  it('are not copied: a camera and a thing have other channels', () => {
    const { result } = ofGull()
    choose(result, ['x', 60 - OFFSET])
    expect(['Ctrl+C', 'Ctrl+V', 'Ctrl+A'].map((keys) => result.current.actions.find((a) => a.keys === keys)?.disabled)).toEqual([
      true,
      true,
      true,
    ])
  })

  const fakeServerSaying = (ids: number[]) => {
    asked = fakeServer({ '/api/scenes/1/edits': ids })
  }
})
