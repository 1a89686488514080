import { describe, expect, it } from 'vitest'
import { changedList, changedView } from './changes'
import type { MasterView } from './types'

const kept = (keep: number, by: Record<string, number> = {}) => ({ keep, skip: 0, by, put: [] })
const skipped = (skip: number) => ({ keep: 0, skip, by: {}, put: [] })
const put = (...records: object[]) => ({ keep: 0, skip: 0, by: {}, put: records })
const clip = (id: number, from: number) => ({ id, in: from, out: from + 10 })

describe('changed lists', () => {
  const older = [clip(1, 0), clip(2, 10), clip(3, 20), clip(4, 30)]

  it('keep records as the same objects, push others, leave out and put in', () => {
    const made = changedList(older, { stretches: [kept(1), skipped(1), put(clip(9, 10)), kept(2, { in: 5, out: 5 })] })
    expect(made).toEqual([clip(1, 0), clip(9, 10), { id: 3, in: 25, out: 35 }, { id: 4, in: 35, out: 45 }])
    expect(made[0]).toBe(older[0])
    expect(older[2]).toEqual(clip(3, 20))
  })

  it('are the same list where nothing changed, and another where the end went', () => {
    expect(changedList(older, { stretches: [kept(4)] })).toBe(older)
    expect(changedList(older, { stretches: [kept(3)] })).toEqual(older.slice(0, 3))
    expect(changedList(older, { stretches: [] })).toEqual([])
  })
})

describe('changed tracks', () => {
  const view = (clips: object[], stamp: string) =>
    ({
      stamp,
      name: 'M',
      clips,
      live: [],
      seams: [],
      renders: [],
      gaps: [],
      shots: [],
      differences: [],
      sound: [],
      markers: [],
      upper: [{ track: { id: 7 }, clips: [clip(5, 0)] }],
    }) as unknown as MasterView

  it('take what is short from the newer view and put the lists together from the older one', () => {
    const older = view([clip(1, 0)], 'a')
    const whole = { ...view([], 'b'), upper: [{ track: { id: 7, name: 'Track 2' }, clips: [] }] } as unknown as MasterView
    const made = changedView(older, {
      whole,
      since: 'a',
      lists: { clips: { stretches: [kept(1, { in: 2 })] }, 'upper.0': { stretches: [kept(1)] } },
    })
    expect(made.stamp).toBe('b')
    expect(made.clips).toEqual([{ id: 1, in: 2, out: 10 }])
    expect(made.upper[0]).toEqual({ track: { id: 7, name: 'Track 2' }, clips: [clip(5, 0)] })
    expect(made.upper[0]?.clips).toBe(older.upper[0]?.clips)
  })

  it('are the whole view where that is what came', () => {
    const whole = view([clip(3, 0)], 'c')
    expect(changedView(view([], 'a'), { whole, lists: {} })).toBe(whole)
    expect(changedView(undefined, { whole, lists: {}, since: 'a' })).toBe(whole)
  })
})
