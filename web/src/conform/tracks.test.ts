import { describe, expect, it } from 'vitest'
import { LABELS } from '../parts/scale'
import { layOut, shotsTop } from './tracks'

describe('where the tracks lie', () => {
  const all = [200, 391, 700, 1400].flatMap((height) =>
    [0, 1, 3, 6].flatMap((sound) => [0, 1, 5].map((upper) => ({ height, sound, upper }))),
  )

  it.each(all)('none lies over another: $height pixels, $sound tracks of sound, $upper above', ({ height, sound, upper }) => {
    const layout = layOut(height, sound, upper)
    const spans = [layout.cut, ...[...layout.upper].reverse(), layout.shots, layout.renders, ...layout.sound, layout.overview]
    expect(spans[0]![0]).toBeGreaterThan(layout.ruler)
    spans.forEach(([top, bottom], i) => {
      expect(bottom).toBeGreaterThan(top)
      expect(top).toBeGreaterThanOrEqual(i === 0 ? 0 : spans[i - 1]![1])
    })
    expect(layout.height).toBeGreaterThanOrEqual(layout.overview[1])
  })

  it('counts the tracks above from the bottom up, as the master does', () => {
    const layout = layOut(500, 0, 3)
    expect(layout.upper[0]![0]).toBeGreaterThan(layout.upper[2]![0])
    expect(shotsTop(layout)).toBe(layout.upper[2]![0])
    expect(shotsTop(layOut(500, 0))).toBe(layOut(500, 0).shots[0])
  })

  it('keeps every track as tall as its words, however little room there is', () => {
    const layout = layOut(120, 4, 5)
    expect(layout.shots[1] - layout.shots[0]).toBeGreaterThanOrEqual(32)
    expect(LABELS).toBeGreaterThan(100)
  })
})
