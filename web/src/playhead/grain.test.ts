import { describe, expect, it } from 'vitest'
import { Grain } from './grain'

const frames = (grain: Grain, milliseconds: number, count: number) => Array.from({ length: count }, () => grain.frame(milliseconds))

describe('how finely the set is drawn while it plays', () => {
  it('stays whole while frames come in time', () => {
    const grain = new Grain(1)
    grain.begin()
    frames(grain, 16.7, 500)
    expect(grain.share).toBe(1)
  })

  it('bears a late frame now and then', () => {
    const grain = new Grain(1)
    for (let i = 0; i < 50; i++) {
      frames(grain, 16.7, 15)
      frames(grain, 80, 1)
    }
    expect(grain.share).toBe(1)
  })

  it('gets coarser step by step while they come late, and no coarser than can be read', () => {
    const grain = new Grain(1)
    frames(grain, 50, 5)
    expect(grain.share).toBeCloseTo(0.7)
    frames(grain, 50, 5)
    expect(grain.share).toBeCloseTo(0.49)
    frames(grain, 50, 500)
    expect(grain.share).toBeCloseTo(0.35)
  })

  it('tries a step finer each time that playing begins, up to the whole', () => {
    const grain = new Grain(0.49)
    grain.begin()
    expect(grain.share).toBeCloseTo(0.7)
    grain.begin()
    grain.begin()
    expect(grain.share).toBe(1)
  })
})
