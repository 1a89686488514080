import { describe, expect, it } from 'vitest'
import { strip, stripOf } from './brush'

describe('strip', () => {
  it('shows one picture as long as it is not stretched, then as many as keep their shape', () => {
    expect(stripOf(20, 45)).toBe(1)
    expect(stripOf(159, 45)).toBe(1)
    expect(stripOf(161, 45)).toBe(2)
    expect(stripOf(120, 14)).toBe(1)
    expect(stripOf(130, 14)).toBe(2)
    expect(stripOf(80 * 13, 45)).toBe(8)
  })

  it('asks for what is in sight alone, evenly over the clip', () => {
    const asked: number[] = []
    strip({} as CanvasRenderingContext2D, [100, 300], -500, 0, 1280, 45, (share) => void asked.push(share))
    expect(asked).toEqual([7.5 / 16, 8.5 / 16, 9.5 / 16])
    asked.length = 0
    strip({} as CanvasRenderingContext2D, [100, 300], 120, 0, 30, 45, (share) => void asked.push(share))
    expect(asked).toEqual([0.5])
  })
})
