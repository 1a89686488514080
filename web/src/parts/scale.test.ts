import { describe, expect, it } from 'vitest'
import { panned, ruledFrames, rulerStep, toFrame, toX, withFrame, zoomed } from './scale'

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

  /** Drop-frame labels of 29.97, by counting every frame and leaving out :00 and :01 of each minute but the tenth (SMPTE ST 12-1). */
  function dropLabels(count: number): string[] {
    const two = (n: number) => String(n).padStart(2, '0')
    const labels: string[] = []
    for (let n = 0; labels.length < count; n++) {
      const [seconds, ff] = [Math.floor(n / 30), n % 30]
      const minute = Math.floor(seconds / 60)
      if (!(ff < 2 && seconds % 60 === 0 && minute % 10 !== 0)) {
        labels.push(`${two(Math.floor(minute / 60))}:${two(minute % 60)}:${two(seconds % 60)};${two(ff)}`)
      }
    }
    return labels
  }

  it('labels whole seconds where labels are dropped too', () => {
    const labels = dropLabels(120_000)
    for (const from of [0, 17_000, 107_892]) {
      for (const perFrame of [0.05, 0.3, 1, 3]) {
        const step = rulerStep(perFrame, 92, 29.97)
        const frames = ruledFrames({ from, perFrame, left: 0, width: 1000 }, step, 1234, 30, (f) => labels[f] ?? '')
        expect(frames.length).toBeGreaterThan(2)
        for (const f of frames.filter((f) => f >= 0 && f < labels.length - 200)) {
          expect(labels[f]).toMatch(/:00;02$|;00$/)
          const [h, m, s] = labels[f].split(/[:;]/).map(Number)
          expect((h * 3600 + m * 60 + s) % (step / 30)).toBe(0)
        }
      }
    }
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
