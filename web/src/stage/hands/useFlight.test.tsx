// @vitest-environment jsdom
import { cleanup, render } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useFlight } from './useFlight'

const fly = vi.fn()
const struck = vi.fn()
let go: ReturnType<typeof useFlight>

function Pilot() {
  go = useFlight(2, fly, struck)
  return null
}

/** @param at when the key went down or up, where the window comes to it later */
const key = (kind: 'keydown' | 'keyup', name: string, at = performance.now()) => {
  const event = new KeyboardEvent(kind, { key: name })
  Object.defineProperty(event, 'timeStamp', { value: at })
  window.dispatchEvent(event)
}

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['requestAnimationFrame', 'cancelAnimationFrame', 'performance', 'setTimeout'] })
  render(<Pilot />)
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.clearAllMocks()
})

it('goes one step for a key that is struck, or that is asked for without its key', () => {
  key('keydown', 'w')
  go('w', [1, 0, 0])
  vi.advanceTimersByTime(100)
  key('keyup', 'w')
  expect(struck).toHaveBeenCalledExactlyOnceWith([1, 0, 0])
  expect(fly).not.toHaveBeenCalled()
  go('e', [0, 0, 1])
  expect(struck).toHaveBeenLastCalledWith([0, 0, 1])
})

it('flies as long as keys are down, each its way, at the pace and by the clock', () => {
  key('keydown', 'w')
  go('w', [1, 0, 0])
  key('keydown', 'd')
  go('d', [0, 1, 0])
  // the key repeats: that is no second flight
  go('w', [1, 0, 0])
  vi.advanceTimersByTime(1220)
  key('keyup', 'w')
  vi.advanceTimersByTime(500)
  key('keyup', 'd')
  vi.advanceTimersByTime(500)
  const sum = (i: number) => fly.mock.calls.reduce((n, call) => n + (call[i] as number), 0)
  expect(sum(0)).toBeCloseTo(1.4 * 2 * 1, 0)
  expect(sum(1)).toBeCloseTo(1.4 * 2 * 1.5, 0)
  expect(struck).not.toHaveBeenCalled()
})

it('goes one step for a key that was struck, however late a busy window comes to it', () => {
  const at = performance.now()
  key('keydown', 'w')
  go('w', [1, 0, 0])
  vi.advanceTimersByTime(900)
  expect(fly).toHaveBeenCalled()
  key('keyup', 'w', at + 60)
  expect(struck).toHaveBeenCalledExactlyOnceWith([1, 0, 0])
  const gone = fly.mock.calls.reduce((n, call) => n + (call[0] as number), 0)
  expect(gone, 'what it flew meanwhile is taken back').toBeCloseTo(0)
})
