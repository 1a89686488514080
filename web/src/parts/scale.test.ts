import { describe, expect, it } from 'vitest'
import { panned, ruledFrames, rulerStep, toFrame, toX, withFrame, zoomed } from './scale'

describe('scale', () => {
  const scale = { from: 86400, perFrame: 0.73, left: 92, width: 1000 }

  it('goes from frames to pixels and back', () => {
    expect(toFrame(scale, toX(scale, 86911))).toBeCloseTo(86911, 9)
    expect(toX(scale, 86400)).toBe(92)
  })

  it('steps in whole seconds and their parts at every rate', () => {
    for (const [rate, second] of [
      [23.976, 24],
      [24, 24],
      [25, 25],
      [29.97, 30],
      [48, 48],
      [59.94, 60],
    ] as [number, number][]) {
      for (let perFrame = 0.001; perFrame < 120; perFrame *= 1.3) {
        const step = rulerStep(perFrame, 92, rate)
        expect(step % second === 0 || second % step === 0, `${step} at ${rate}`).toBe(true)
      }
    }
  })

  it('gives labels room, and single frames when near', () => {
    expect(rulerStep(0.73, 92, 24)).toBe(240)
    expect(rulerStep(100, 92, 24)).toBe(1)
    expect(rulerStep(0.00001, 92, 24)).toBe(24 * 3600)
  })

  it('labels from the frame that it counts from, in both directions', () => {
    expect(ruledFrames({ from: 95, perFrame: 1, left: 0, width: 30 }, 10, 102)).toEqual([92, 102, 112, 122, 132])
    expect(ruledFrames({ from: 200, perFrame: 2, left: 92, width: 0 }, 10, 0)).toEqual([200])
  })

  it('zooms about a frame, and stays inside the line', () => {
    const whole = { start: 100, end: 1100 }
    const near = zoomed(whole, undefined, 0.5, 600)!
    expect(near).toEqual({ from: 350, span: 500 })
    expect(zoomed(whole, near, 0.0001, 600)!.span).toBe(12)
    expect(panned(whole, near, 5000)).toEqual({ from: 600, span: 500 })
    expect(withFrame(whole, near, 400)).toBe(near)
    expect(withFrame(whole, near, 1000)!.from).toBe(600)
    expect(zoomed(whole, near, 2, 600)).toBeUndefined()
  })
})
