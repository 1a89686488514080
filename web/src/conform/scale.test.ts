import { describe, expect, it } from 'vitest'
import { rulerStep, toFrame, toX } from './scale'

describe('scale', () => {
  const scale = { from: 86400, perFrame: 0.73, left: 92, width: 1000 }

  it('goes from frames to pixels and back', () => {
    expect(toFrame(scale, toX(scale, 86911))).toBeCloseTo(86911, 9)
    expect(toX(scale, 86400)).toBe(92)
  })

  it('steps in whole seconds and their parts at every rate', () => {
    for (const [rate, second] of [[23.976, 24], [24, 24], [25, 25], [29.97, 30], [48, 48], [59.94, 60]]) {
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
})
