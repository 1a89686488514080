// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk, useDesk } from '../desk/desk'
import { goTo, play, playOrStop, playRange, setIn, setOut, setScore, shuttle, step, stop, useTransport, wholeRange } from './transport'

// without sound the machine's clock counts: sound is tested where it is
vi.mock('./sound', () => ({
  heardFrame: () => undefined,
  pauseSound: () => undefined,
  scrub: () => undefined,
  setSound: () => undefined,
  startSound: () => undefined,
}))
vi.mock('./slowDrawing', () => ({ slowDrawing: () => false }))

let now = 0
let ticks: FrameRequestCallback[] = []

/** Lets time go on, a picture of the window every sixtieth of a second. */
function run(milliseconds: number) {
  for (let t = 0; t < milliseconds; t += 1000 / 60) {
    now += 1000 / 60
    const due = ticks
    ticks = []
    due.forEach((tick) => tick(now))
  }
}
const frame = () => useDesk.getState().frame
const speed = () => useTransport.getState().speed

beforeEach(() => {
  now = 0
  ticks = []
  vi.spyOn(performance, 'now').mockImplementation(() => now)
  vi.stubGlobal('requestAnimationFrame', (tick: FrameRequestCallback) => ticks.push(tick))
  vi.stubGlobal('cancelAnimationFrame', () => {
    ticks = []
  })
  setScore({ start: 100, end: 220, masterEnd: 200, framesPerSecond: 24, sound: [] })
  setDesk({ frame: 100, range: {} })
})
afterEach(() => {
  stop()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

describe('playing', () => {
  it('shows the frame that the clock has come to, at the master’s rate', () => {
    play(1)
    run(1000)
    expect(frame()).toBe(124)
    run(500)
    expect(frame()).toBe(136)
  })

  it('stops on the master’s last frame, and begins again from its first', () => {
    setDesk({ frame: 190 })
    play(1)
    run(1000)
    expect([frame(), speed()]).toEqual([199, 0])
    playOrStop()
    run(20)
    expect(frame()).toBeLessThan(103)
  })

  it('beyond the master goes through what the cut has there', () => {
    setDesk({ frame: 205 })
    play(1)
    run(2000)
    expect([frame(), speed()]).toEqual([219, 0])
  })

  it('backwards stops on the first frame', () => {
    setDesk({ frame: 110 })
    shuttle(-1)
    run(2000)
    expect([frame(), speed()]).toEqual([100, 0])
  })

  it('goes faster with each press of one way, up to eight times, and back to normal the other way', () => {
    const speeds = [1, 1, 1, 1, 1].map(() => {
      shuttle(1)
      return speed()
    })
    expect(speeds).toEqual([1, 2, 4, 8, 8])
    shuttle(-1)
    expect(speed()).toBe(-1)
  })

  it('counts what was not shown at normal speed alone', () => {
    play(1)
    now += 500
    run(20)
    expect(useTransport.getState().dropped).toBeGreaterThan(10)
    stop()
    play(4)
    now += 500
    run(20)
    expect(useTransport.getState().dropped).toBe(0)
  })

  it('goes on from where somebody goes meanwhile', () => {
    play(1)
    run(200)
    goTo(150)
    expect(frame()).toBe(150)
    run(1000)
    expect(frame()).toBe(174)
    step(-3)
    expect([frame(), speed()]).toEqual([171, 0])
  })
})

describe('the playhead', () => {
  it('stays within what there is', () => {
    goTo(5)
    expect(frame()).toBe(100)
    goTo(900)
    expect(frame()).toBe(219)
    goTo(133.6)
    expect(frame()).toBe(134)
  })

  it('comes into another master that it lies outside of', () => {
    setDesk({ frame: 215 })
    setScore({ start: 0, end: 48, masterEnd: 48, framesPerSecond: 25, sound: [] })
    expect(frame()).toBe(47)
  })
})

describe('a range', () => {
  it('is from in to out, the frame at out inside', () => {
    setDesk({ frame: 120 })
    setIn()
    expect(wholeRange()).toBeUndefined()
    setDesk({ frame: 131 })
    setOut()
    expect(wholeRange()).toEqual({ in: 120, out: 132 })
  })

  it('gives up its other end where that would come before it', () => {
    setDesk({ range: { in: 120, out: 132 }, frame: 140 })
    setIn()
    expect(useDesk.getState().range).toEqual({ in: 140, out: undefined })
    setDesk({ range: { in: 120, out: 132 }, frame: 110 })
    setOut()
    expect(useDesk.getState().range).toEqual({ in: undefined, out: 111 })
  })

  it('is played over and over until it is stopped', () => {
    setDesk({ range: { in: 120, out: 144 }, frame: 190 })
    playRange()
    expect(frame()).toBe(120)
    run(900)
    expect(frame()).toBeGreaterThan(139)
    run(200)
    expect(frame()).toBeLessThan(126)
    expect(speed()).toBe(1)
    stop()
    run(500)
    expect(speed()).toBe(0)
  })
})
