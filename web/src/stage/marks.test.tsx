// @vitest-environment jsdom
import { QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, waitFor } from '@testing-library/react'
import { Matrix4 } from 'three'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { fakeWindow } from '../parts/fakeWindow'
import type { Bake } from '../pictures/bake'
import { fakeServer, posts, show } from '../server/fakeServer'
import { HeldServer } from '../server/heldServer'
import { queryClient } from '../server/queryClient'
import type { StageShot } from '../server/types'
import { CameraMarks } from './CameraMarks'
import { Frustum } from './Frustum'
import { flatSeen } from './hands/matrices'
import { PathKeys } from './PathKeys'

/** A camera that goes from x 0 to x 4 in five frames, looking ahead from 2 m up. */
const bake = {
  frames: 5,
  items: 0,
  view: (k: number) => new Float32Array(new Matrix4().makeTranslation(-k, -2, 0).elements),
  projection: () => new Float32Array([2, 0, 0, 0, 0, 2, 0, 0, 0, 0, -1, -1, 0, 0, -1, 0]),
  lens: () => 35,
  focus: () => 5,
  stop: () => 2.8,
} as unknown as Bake
const key = (frame: number) => ({ frame, value: 0, easing: 'EASED', way: 'SHORT' })
const stage = {
  shotId: 5,
  sceneId: 1,
  camera: 'cam_a',
  cameraId: 8,
  framesFirst: 1001,
  locked: false,
  channels: { x: [key(1001), key(1005)] },
} as unknown as StageShot
/** Twenty metres across four hundred pixels, seen from above. */
const seen = flatSeen('plan', { x: 0, y: 0, z: 0, across: 20 }, 2)
const box = { left: 0, top: 0, width: 400, height: 200, right: 400, bottom: 200, x: 0, y: 0, toJSON: () => ({}) }
const at = { seen, width: 400, height: 200 }
const bodies = (asked: ReturnType<typeof fakeServer>) => posts(asked).map((a) => a.body as { placed: number[] })

beforeEach(() => {
  fakeWindow(400, 200)
  Object.assign(SVGElement.prototype, { setPointerCapture: () => undefined })
  vi.spyOn(SVGElement.prototype, 'getBoundingClientRect').mockReturnValue(box)
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const pull = (mark: Element, x: number, y: number) => {
  fireEvent.pointerDown(mark, { buttons: 1, pointerId: 1 })
  fireEvent.pointerMove(mark, { buttons: 1, pointerId: 1, clientX: x, clientY: y })
  fireEvent.pointerUp(mark, { pointerId: 1 })
}

describe('what is dragged in plan', () => {
  it('is a key on its path: it goes level to where it is let go, at its own frame, and keeps its height', async () => {
    const asked = fakeServer({ '/api/shots/5/camera/edits': null })
    const { container } = show(<PathKeys stage={stage} bake={bake} perSecond={2} {...at} flat />)
    expect(
      [...container.querySelectorAll('text')].map((t) => t.textContent),
      'a number a second',
    ).toEqual(['0', '1', '2'])
    pull(container.querySelector('[data-path-key="1005"]') as Element, 300, 140)
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    const [body] = bodies(asked)
    expect(body).toMatchObject({ kind: 'FILM_FROM', frame: 1005, reach: 'HERE', keepAim: true })
    expect(body?.placed.slice(12, 15)).toEqual([expect.closeTo(5), expect.closeTo(2), expect.closeTo(2)])
  })

  it('is another camera with all of its movement; one that is finished stays', async () => {
    const line = (id: number, name: string, locked: boolean) => ({
      id,
      name,
      locked,
      frame: 1001,
      shots: [],
      placed: [...new Matrix4().makeTranslation(-3, 1, 1).elements],
    })
    const asked = fakeServer({
      '/api/scenes/1/cameras': [line(9, 'crane', false), line(10, 'done', true)],
      '/api/cameras/9/edits': null,
    })
    const { container } = show(<CameraMarks projectId={3} stage={stage} bake={bake} k={0} shotFrame={1001} {...at} />)
    await waitFor(() => expect(container.querySelector('[data-other-camera=crane]')).toBeTruthy())
    expect(container.querySelector('[data-other-camera=done]')?.getAttribute('class')).toBe('')
    pull(container.querySelector('[data-other-camera=crane]') as Element, 200, 100)
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]?.path).toBe('/api/cameras/9/edits')
    expect(bodies(asked)[0]).toMatchObject({ kind: 'FILM_FROM', frame: 1001, reach: 'ALL_KEYS' })
    expect(bodies(asked)[0]?.placed.slice(12, 15)).toEqual([expect.closeTo(0), expect.closeTo(1), expect.closeTo(0)])
  })
})

describe('a camera that is dragged in plan', () => {
  const marks = (edit: number, of: StageShot = stage) => (
    <QueryClientProvider client={queryClient}>
      <PathKeys stage={of} bake={{ ...bake, edit } as Bake} perSecond={2} {...at} flat />
      <CameraMarks projectId={3} stage={of} bake={{ ...bake, edit } as Bake} k={0} shotFrame={1001} {...at} />
    </QueryClientProvider>
  )
  const press = (mark: Element) => fireEvent.pointerDown(mark, { buttons: 1, pointerId: 1 })
  const move = (mark: Element, x: number) => fireEvent.pointerMove(mark, { buttons: 1, pointerId: 1, clientX: x, clientY: 100 })
  const letGo = (mark: Element) => fireEvent.pointerUp(mark, { pointerId: 1 })
  const went = (server: HeldServer) => server.done.flatMap((e) => (e.body.placed ? [Math.round((e.body.placed as number[])[12] ?? 0)] : []))

  it.each([
    ['its own mark', '[data-camera-mark]'],
    ['a key of its path', '[data-path-key="1005"]'],
  ])('by %s is dragged again while the first answer is under way: both are written', async (_, which) => {
    const server = new HeldServer(() => undefined)
    const { container } = render(marks(0))
    const mark = () => container.querySelector(which) as Element
    press(mark())
    move(mark(), 300)
    letGo(mark())
    press(mark())
    move(mark(), 320)
    // the table of cameras was asked for before
    await act(() => server.answerOne())
    await act(() => server.answerOne())
    move(mark(), 340)
    letGo(mark())
    await act(() => server.answerOne())
    expect(went(server)).toEqual([5, 7])
  })

  it('is written where somebody takes the key away under the hand, or one goes elsewhere', async () => {
    const server = new HeldServer(() => undefined)
    const { container, rerender, unmount } = render(marks(0))
    press(container.querySelector('[data-path-key="1005"]') as Element)
    move(container.querySelector('[data-path-key="1005"]') as Element, 300)
    rerender(marks(1, { ...stage, channels: { x: [key(1001), key(1003)] } } as unknown as StageShot))
    press(container.querySelector('[data-camera-mark]') as Element)
    move(container.querySelector('[data-camera-mark]') as Element, 260)
    unmount()
    for (let i = 0; i < 3; i++) {
      await act(() => server.answerOne())
    }
    expect(server.done.filter((e) => e.body.kind).map((e) => [e.body.frame, Math.round((e.body.placed as number[])[12] ?? 0)])).toEqual([
      [1005, 5],
      [1001, 3],
    ])
  })
})

it('says in plan from where to where is sharp, and that there is no end', async () => {
  fakeServer({ '/api/shots/5/focus': { focus: 5, near: 3.9, hyper: 17, degrees: 39, stop: 2.8, things: [] } })
  const { container } = show(<Frustum projectId={3} stage={stage} bake={bake} k={0} shotFrame={1001} {...at} />)
  await waitFor(() => expect(container.querySelectorAll('text').length).toBeGreaterThan(0))
  const words = [...container.querySelectorAll('text')].map((t) => t.textContent?.trim())
  expect(words).toEqual(['near 3.9', 'focus 5.0', 'far without end'])
})
