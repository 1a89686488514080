// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react'
import { Matrix4, Vector3 } from 'three'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { said } from '../../desk/fakeKeys'
import { putAwayAll } from '../../desk/messages'
import { dice } from '../../parts/dice'
import { REST } from '../../parts/draft'
import type { Bake } from '../../pictures/bake'
import { HeldServer, turns } from '../../server/heldServer'
import type { StageShot } from '../../server/types'
import { setStage } from '../stageDesk'
import { useSteering } from './useSteering'

const FIRST = 1001
const FOCUS = 10
const stage = { shotId: 5, code: 'sh0030', framesFirst: FIRST, channels: {}, locked: false } as unknown as StageShot

/** A fixed camera on the server: where it stands, and its lens. */
let camera: { at: Vector3; lens: number }
let server: HeldServer
const positions = () => server.done.map((e) => new Vector3().setFromMatrixPosition(new Matrix4().fromArray(e.body.placed as number[])))

/** The camera's movement as the window would be told of it now. */
function bakeNow(): Bake {
  const { at, lens } = { at: camera.at.clone(), lens: camera.lens }
  return {
    edit: server.edits,
    frames: 100,
    lens: () => lens,
    focus: () => FOCUS,
    view: () => new Float32Array(new Matrix4().setPosition(at).invert().elements),
  } as unknown as Bake
}

type Props = { bake: Bake; shotFrame: number }
const steer = () =>
  renderHook(({ bake, shotFrame }: Props) => useSteering(stage, bake, shotFrame), {
    initialProps: { bake: bakeNow(), shotFrame: FIRST } as Props,
  })
type Hook = ReturnType<typeof steer>

const pointer = (x: number, y: number) =>
  ({ clientX: x, clientY: y, shiftKey: true, getModifierState: () => false }) as unknown as React.PointerEvent
const wheel = (hook: Hook) => act(() => hook.result.current.wheel({ deltaY: -100 } as React.WheelEvent))
const key = (hook: Hook) => act(() => hook.result.current.go(1, 0, 0))
/** Tracks to the right: the pointer goes to the left. */
const drag = (hook: Hook) => {
  act(() => hook.result.current.empty.begin(pointer(0, 0)))
  act(() => hook.result.current.empty.move(pointer(-6, 0)))
  act(() => hook.result.current.empty.move(pointer(-10, 0)))
  act(() => hook.result.current.empty.end())
}
const rest = () => act(() => vi.advanceTimersByTime(REST))
const answer = () => act(() => server.answerOne())
const hear = (hook: Hook, shotFrame = FIRST) => act(() => hook.rerender({ bake: bakeNow(), shotFrame }))
const shown = (hook: Hook) =>
  new Vector3().setFromMatrixPosition(hook.result.current.steered?.placed ?? new Matrix4().setPosition(camera.at))

/** Metres ahead of one step of the wheel and of a key, and to the right of a drag. */
const WHEEL = 100 * 0.0012 * FOCUS
const KEY = FOCUS / 12
const DRAG = 10 * FOCUS * 0.0015

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  camera = { at: new Vector3(0, 0, 0), lens: 35 }
  server = new HeldServer(({ body }) => {
    if (camera.lens === 0) {
      throw new Error('cam_sh0030 is finished')
    }
    camera.at = new Vector3().setFromMatrixPosition(new Matrix4().fromArray(body.placed as number[]))
    camera.lens = (body.lens as number | undefined) ?? camera.lens
  })
  setStage({ steering: true, reach: 'HERE', unkept: undefined })
})
afterEach(() => {
  cleanup()
  putAwayAll()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a wheel step', () => {
  it('that is made before the answer to the last gesture is written all the same', async () => {
    const hook = steer()
    drag(hook)
    await act(turns)
    wheel(hook)
    await answer()
    // the answer to the drag comes within the rest of the wheel: this cleared the wheel once
    hear(hook)
    expect(shown(hook).z).toBeCloseTo(-WHEEL)
    rest()
    await answer()
    expect(positions().map((p) => [p.x, p.z])).toEqual([
      [expect.closeTo(DRAG), expect.closeTo(0)],
      [expect.closeTo(DRAG), expect.closeTo(-WHEEL)],
    ])
    hear(hook)
    expect(hook.result.current.steered, 'the server has it').toBeUndefined()
  })

  it('is laid over what others do meanwhile, and writes nothing that nobody touched', async () => {
    const hook = steer()
    wheel(hook)
    server.another(() => {
      camera.at.y = 3
      camera.lens = 85
    })
    hear(hook)
    expect([shown(hook).y, hook.result.current.steered?.lens]).toEqual([3, 85])
    rest()
    await answer()
    expect(camera.at.toArray()).toEqual([0, 3, expect.closeTo(-WHEEL)])
    expect(server.done[0]?.body.lens, 'the lens is theirs').toBeUndefined()
    expect(camera.lens).toBe(85)
  })

  it.each([
    ['the playhead moves', (hook: Hook) => hear(hook, FIRST + 7)],
    ['steering is left', () => act(() => setStage({ steering: false }))],
    ['changes are to reach elsewhere', () => act(() => setStage({ reach: 'WHOLE' }))],
    ['the shot or the view is left', (hook: Hook) => hook.unmount()],
    ['the window loses the focus', () => act(() => void window.dispatchEvent(new Event('blur')))],
  ])('is written at once when %s, at the frame at which it was made', async (_, leave) => {
    const hook = steer()
    wheel(hook)
    leave(hook)
    await act(turns)
    await answer()
    rest()
    await act(turns)
    expect(server.done.map((e) => [e.path, e.body.frame, e.body.reach])).toEqual([['/api/shots/5/camera/edits', FIRST, 'HERE']])
    expect(positions()[0]?.z).toBeCloseTo(-WHEEL)
  })

  it('is sent so that it outlives the window when that ends, beside what waits for its turn', async () => {
    const hook = steer()
    drag(hook)
    await act(turns)
    wheel(hook)
    rest()
    key(hook)
    act(() => void window.dispatchEvent(new Event('pagehide')))
    await act(turns)
    for (let i = 0; i < 3; i++) {
      await answer()
    }
    expect(server.done.map((e) => e.keepalive)).toEqual([false, true, true])
    expect(camera.at.z).toBeCloseTo(-WHEEL - KEY)
    window.dispatchEvent(new Event('pageshow'))
  })

  it('that is refused is shown no longer, and it is said why', async () => {
    const hook = steer()
    camera.lens = 0
    wheel(hook)
    rest()
    await answer()
    expect(said()).toContain('cam_sh0030 is finished')
    expect(hook.result.current.steered).toBeUndefined()
  })

  it('is kept apart from one that was made elsewhere', async () => {
    const hook = steer()
    wheel(hook)
    hear(hook, FIRST + 7)
    wheel(hook)
    wheel(hook)
    rest()
    await act(turns)
    await answer()
    await answer()
    expect(server.done.map((e) => e.body.frame)).toEqual([FIRST, FIRST + 7])
  })
})

/** Steps of one kind, or of all, with answers, others' edits and time at every moment between them. */
async function fifty(kinds: string[], seed: number) {
  const throwDice = dice(seed)
  const hook = steer()
  const wanted = new Vector3()
  let raised = 0
  for (let i = 0; i < 50; i++) {
    const kind = kinds[throwDice(kinds.length)]
    if (kind === 'wheel') {
      wheel(hook)
      wanted.z -= WHEEL
    } else if (kind === 'key') {
      key(hook)
      wanted.z -= KEY
    } else {
      drag(hook)
      wanted.x += DRAG
    }
    for (let n = throwDice(4); n > 0; n--) {
      const what = throwDice(4)
      if (what === 0) {
        await answer()
      } else if (what === 1) {
        hear(hook)
      } else if (what === 2) {
        act(() => vi.advanceTimersByTime(throwDice(2 * REST)))
        await act(turns)
      } else if (!server.isAsked && !hook.result.current.steered) {
        raised++
        server.another(() => {
          camera.at.y += 1
        })
        hear(hook)
      }
    }
    expect(shown(hook).x, `shown after step ${i}, seed ${seed}`).toBeCloseTo(wanted.x)
    expect(shown(hook).z, `shown after step ${i}, seed ${seed}`).toBeCloseTo(wanted.z)
  }
  rest()
  await act(turns)
  while (server.isAsked) {
    await answer()
  }
  hear(hook)
  expect(camera.at.toArray(), `written, seed ${seed}`).toEqual([expect.closeTo(wanted.x), raised, expect.closeTo(wanted.z)])
  expect(hook.result.current.steered).toBeUndefined()
  // in order: it only ever went ahead and to the right
  positions().forEach((p, i, all) => {
    const before = all[i - 1]
    expect(!before || (p.x >= before.x - 1e-6 && p.z <= before.z + 1e-6), `write ${i}, seed ${seed}`).toBe(true)
  })
  hook.unmount()
}

describe('fifty steps with answers at every moment are each written once, in order:', () => {
  it.each([[['wheel']], [['key']], [['drag']], [['wheel', 'key', 'drag']]])('%s', async (kinds) => {
    for (let seed = 1; seed <= 4; seed++) {
      camera = { at: new Vector3(), lens: 35 }
      server.done.length = 0
      server.edits = 0
      await fifty(kinds, seed)
    }
  })
})
