// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { putAwayAll } from '../../desk/messages'
import type { SetPainter } from '../../painting/SetPainter'
import { fakeWindow } from '../../parts/fakeWindow'
import type { Bake } from '../../pictures/bake'
import { HeldServer, turns } from '../../server/heldServer'
import type { StageShot } from '../../server/types'
import { choose, setStage, useStageDesk } from '../stageDesk'
import { laidPlaces, useMovedThings } from './movedThings'
import { useHands } from './useHands'

const stage = {
  shotId: 5,
  sceneId: 1,
  items: [
    { id: 21, name: 'gull 1', locked: false },
    { id: 22, name: 'pole', locked: false },
  ],
} as unknown as StageShot
const ACTION = 40

/** What is under the pointer, while that is told late; undefined where it is told at once. */
let late: (() => void)[] | undefined
/** Where both things stand on the server, along x. */
let at: [number, number]
let server: HeldServer

const places = () => {
  const all = new Float32Array(32)
  at.forEach((x, i) => all.set([1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, x, 0, 0, 1], i * 16))
  return all
}
/** Twenty metres across two hundred pixels from straight above: a pixel is a decimetre. */
const SEEN = {
  view: new Float32Array([1, 0, 0, 0, 0, 0, 1, 0, 0, -1, 0, 0, 0, 0, -50, 1]),
  projection: new Float32Array([0.1, 0, 0, 0, 0, 0.1, 0, 0, 0, 0, -0.01, 0, 0, 0, 0, 1]),
}

type Props = { edit: number; action?: number; known: Float32Array }

function Hands({ edit, action = ACTION, known }: Props) {
  const things = useMovedThings(stage, { edit } as Bake, action)
  const laid = useStageDesk((d) => d.laid)
  const base = laidPlaces(known, stage, laid, action)
  const look = (_: unknown, answer: (hit: unknown) => void) => {
    const hit = () => answer({ index: 0, metres: 3, point: [at[0], 0, 0] })
    if (late) {
      late.push(hit)
    } else {
      hit()
    }
  }
  const painter = { pick: look, hover: look } as unknown as SetPainter
  const hands = useHands({
    pane: 'scout',
    painter,
    seen: () => ({ ...SEEN, places: base, base }),
    stage,
    things,
    action,
    shotFrame: 1001,
    empty: { begin: () => undefined, move: () => undefined, end: () => undefined },
    off: false,
  })
  return <div data-testid="picture" {...hands.handlers} data-x={base[12]} />
}

const element = (action?: number) => <Hands edit={server.edits} action={action} known={places()} />
const picture = () => screen.getByTestId('picture')
const point = (kind: 'pointerDown' | 'pointerMove' | 'pointerUp', x: number, y = 0, more = {}) =>
  fireEvent[kind](picture(), { clientX: 100 + x, clientY: 100 + y, button: 0, pointerId: 1, ...more })
const begin = () => {
  point('pointerMove', 0)
  point('pointerDown', 0, 0, { buttons: 1 })
}
const to = (x: number, y = 0, more = {}) => point('pointerMove', x, y, { buttons: 1, ...more })
const bodies = () => server.done.map((e) => e.body)

beforeEach(() => {
  fakeWindow(200, 200)
  at = [0, 5]
  server = new HeldServer(({ body }) => {
    const moved = body as { items: number[]; x: number }
    moved.items.forEach((id) => {
      at[id - 21] = (at[id - 21] ?? 0) + moved.x
    })
  })
  late = undefined
  setStage({ moving: undefined, laid: [], snap: 'freely', chosen: [] })
  choose(21)
})
afterEach(() => {
  cleanup()
  putAwayAll()
  vi.unstubAllGlobals()
})

describe('a press before the name of what is under it came', () => {
  const answer = () =>
    act(() => {
      for (const tell of late?.splice(0) ?? []) {
        tell()
      }
    })

  it('is one on the thing that lies there: it is chosen', () => {
    setStage({ chosen: [] })
    late = []
    render(element())
    point('pointerDown', 0, 0, { buttons: 1 })
    point('pointerUp', 0)
    expect(useStageDesk.getState().chosen).toEqual([])
    answer()
    expect(useStageDesk.getState().chosen).toEqual([21])
  })

  it('begins a drag of what is chosen', async () => {
    late = []
    const { rerender } = render(element())
    point('pointerDown', 0, 0, { buttons: 1 })
    answer()
    rerender(element())
    to(10)
    point('pointerUp', 10)
    await act(() => server.answerOne())
    expect(bodies()).toEqual([expect.objectContaining({ kind: 'MOVE', items: [21], x: 1 })])
  })

  it('chooses nothing where the hand has gone on meanwhile', () => {
    setStage({ chosen: [] })
    late = []
    render(element())
    point('pointerDown', 0, 0, { buttons: 1 })
    to(40)
    point('pointerUp', 40)
    answer()
    expect(useStageDesk.getState().chosen).toEqual([])
  })

  it('is not one on what was named where the pointer stood before', () => {
    setStage({ chosen: [] })
    render(element())
    point('pointerMove', 0)
    late = []
    point('pointerDown', 60, 0, { buttons: 1 })
    point('pointerUp', 60)
    expect(useStageDesk.getState().chosen, 'until it is known what lies there').toEqual([])
    answer()
    expect(useStageDesk.getState().chosen).toEqual([21])
  })
})

describe('a thing that is dragged', () => {
  it('goes on being dragged whatever comes meanwhile, over where others put it, and is written once', async () => {
    const { rerender } = render(element())
    begin()
    to(10)
    server.another(() => {
      at[0] = 3
    })
    rerender(element())
    expect(useStageDesk.getState().moving?.by.x, 'still in the hand').toBeCloseTo(1)
    point('pointerUp', 10)
    await act(() => server.answerOne())
    expect(bodies()).toEqual([expect.objectContaining({ kind: 'MOVE', frame: ACTION, items: [21], x: 1 })])
    expect(at[0]).toBe(4)
  })

  it('is shown where it was let go until the server has it, and never moved twice', async () => {
    const { rerender } = render(element())
    begin()
    to(10)
    point('pointerUp', 10)
    await act(turns)
    const shown = () => Number(picture().dataset.x)
    rerender(element())
    expect(shown(), 'an answer without it').toBeCloseTo(1)
    const answered = act(() => server.answerOne())
    await answered
    rerender(element())
    expect([shown(), useStageDesk.getState().laid]).toEqual([1, []])
  })

  it('is dragged again before the first answer is there: both are written, in order', async () => {
    const { rerender } = render(element())
    begin()
    to(10)
    point('pointerUp', 10)
    rerender(element())
    begin()
    to(5)
    await act(() => server.answerOne())
    rerender(element())
    to(20)
    point('pointerUp', 20)
    await act(() => server.answerOne())
    expect(bodies().map((b) => b.x)).toEqual([1, 2])
  })

  it.each([
    ['the playhead moves', (rerender: (e: React.ReactElement) => void) => rerender(element(ACTION + 9))],
    ['the window loses the focus', () => act(() => void window.dispatchEvent(new Event('blur')))],
    ['the shot or the view is left', (_: unknown, unmount: () => void) => unmount()],
  ])('is written at once when %s, at the frame at which it was taken', async (_, leave) => {
    const { rerender, unmount } = render(element())
    begin()
    to(10)
    leave(rerender, unmount)
    if (screen.queryByTestId('picture')) {
      // the hand holds nothing any more
      to(30)
      point('pointerUp', 30)
    }
    await act(() => server.answerOne())
    await act(turns)
    expect(bodies()).toEqual([expect.objectContaining({ frame: ACTION, x: 1 })])
    expect(server.isAsked).toBe(false)
  })

  it('goes back on Escape, and nothing is written', async () => {
    render(element())
    begin()
    to(10)
    fireEvent.keyDown(window, { key: 'Escape' })
    point('pointerUp', 10)
    await act(turns)
    expect([server.isAsked, useStageDesk.getState().moving]).toEqual([false, undefined])
  })

  it('straight up or down moves too', async () => {
    render(element())
    begin()
    to(0, 10)
    point('pointerUp', 0, 10)
    await act(() => server.answerOne())
    expect(Math.abs(Number(bodies()[0]?.z))).toBeCloseTo(1)
  })

  it('stays chosen when it is lifted straight up with Shift', async () => {
    render(element())
    begin()
    to(0, -10, { shiftKey: true })
    point('pointerUp', 0, -10, { shiftKey: true })
    expect(useStageDesk.getState().chosen).toEqual([21])
  })

  it('goes by a number that is typed before the hand moved, and Enter lets it go', async () => {
    render(element())
    begin()
    for (const key of ['x', '2', '.', '5', 'Enter']) {
      fireEvent.keyDown(window, { key })
    }
    point('pointerUp', 0)
    await act(() => server.answerOne())
    expect(bodies()).toEqual([expect.objectContaining({ x: 2.5, z: 0 })])
  })

  it('is chosen by what was pressed, whoever puts things in before it meanwhile', () => {
    choose(undefined)
    const { rerender } = render(element())
    point('pointerMove', 0)
    point('pointerDown', 0, 0, { buttons: 1 })
    const items = stage.items
    stage.items = [{ id: 99, name: 'new' } as (typeof items)[number], ...items]
    rerender(element())
    point('pointerUp', 0)
    stage.items = items
    expect(useStageDesk.getState().chosen).toEqual([21])
  })
})
