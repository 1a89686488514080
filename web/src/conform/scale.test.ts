import { describe, expect, it } from 'vitest'
import { rulerStep, toFrame, toX } from './scale'

describe('scale', () => {
  const scale = { from: 86400, perFrame: 0.73, left: 92, width: 1000 }

  it('goes from frames to pixels and back', () => {
    expect(toFrame(scale, toX(scale, 86911))).toBeCloseTo(86911, 9)
    expect(toX(scale, 86400)).toBe(92)
  })

  it('gives labels room, and single frames when near', () => {
    expect(rulerStep(0.73, 92)).toBe(240)
    expect(rulerStep(100, 92)).toBe(1)
    expect(rulerStep(0.00001, 92)).toBe(43200)
  })
})
