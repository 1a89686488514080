// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk } from '../desk/desk'
import { type Asked, fakeServer, posts } from './fakeServer'
import { heardOf, useOthers, useTellingWhere } from './others'

const other = (window: string, more: object = {}) => ({ window, who: 'Ann', masterId: 9, frame: 12, clips: [] as number[], ...more })

let asked: Asked[]
let today = Date.parse('2030-01-01')
beforeEach(() => {
  vi.useFakeTimers()
  // nobody of one test is heard of in the next
  today += 3600_000
  vi.setSystemTime(today)
  asked = fakeServer()
  setDesk({ frame: 100, clips: [4] })
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

/** Lets what was begun come to the server. */
const later = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms))
const told = () => posts(asked).map((p) => p.body as { frame: number; clips: number[]; masterId: number; window: string; who: string })

describe('where others are', () => {
  it('is what each window told last, in this master', () => {
    const { result } = renderHook(() => useOthers(9))
    act(() => {
      heardOf(other('w1'))
      heardOf(other('w2', { masterId: 8 }))
      heardOf(other('w1', { frame: 40 }))
      heardOf(other('w3', { who: 'Ben' }))
    })
    expect(result.current.map((o) => [o.window, o.frame])).toEqual([
      ['w1', 40],
      ['w3', 12],
    ])
  })

  it('is nowhere once nothing is heard for a while', () => {
    const { result } = renderHook(() => useOthers(9))
    act(() => heardOf(other('w4')))
    act(() => vi.advanceTimersByTime(15_000))
    act(() => heardOf(other('w5')))
    expect(result.current.map((o) => o.window)).toEqual(['w4', 'w5'])
    act(() => vi.advanceTimersByTime(15_000))
    expect(result.current.map((o) => o.window)).toEqual(['w5'])
  })
})

describe('where this window is', () => {
  const open = () =>
    renderHook(({ master }: { master?: number }) => useTellingWhere(3, master), { initialProps: { master: 9 } as { master?: number } })

  it('is told at once, soon after it moved, and not more often than that', async () => {
    open()
    await later(0)
    expect(told()).toMatchObject([{ masterId: 9, frame: 100, clips: [4] }])
    expect(posts(asked)[0]?.path).toBe('/api/projects/3/here')
    for (let frame = 101; frame < 120; frame++) {
      setDesk({ frame })
    }
    await later(500)
    expect(told().map((t) => t.frame)).toEqual([100, 119])
  })

  it('is told no more while nothing of it changes, but for every few seconds', async () => {
    open()
    await later(0)
    setDesk({ view: 'Stage' })
    await later(5000)
    expect(told()).toHaveLength(1)
    await later(6000)
    expect(told()).toHaveLength(2)
  })

  it('is not taken for somebody else when it comes back', async () => {
    open()
    await later(0)
    const { result } = renderHook(() => useOthers(9))
    act(() => heardOf({ ...other('x'), ...told()[0] }))
    expect(result.current.map((o) => o.window)).not.toContain(told()[0]?.window)
  })

  it('tells at most fifty clips, and nothing without a master or when the view is left', async () => {
    setDesk({ clips: Array.from({ length: 80 }, (_, i) => i) })
    const { rerender, unmount } = open()
    await later(0)
    expect(told()[0]?.clips).toHaveLength(50)
    rerender({ master: undefined })
    setDesk({ frame: 7 })
    await later(30_000)
    expect(told()).toHaveLength(1)
    unmount()
    await later(30_000)
    expect(told()).toHaveLength(1)
  })
})
