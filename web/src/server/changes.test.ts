import { describe, expect, it } from 'vitest'
import { changedList, changedView } from './changes'
import type { SequenceView } from './types'

const kept = (keep: number, by: Record<string, number> = {}) => ({ keep, skip: 0, by, put: [] })
const skipped = (skip: number) => ({ keep: 0, skip, by: {}, put: [] })
const put = (...records: object[]) => ({ keep: 0, skip: 0, by: {}, put: records })
const piece = (id: number, from: number) => ({ id, in: from, out: from + 10 })

describe('changed lists', () => {
  const older = [piece(1, 0), piece(2, 10), piece(3, 20), piece(4, 30)]

  it('keep records as the same objects, push others, leave out and put in', () => {
    const made = changedList(older, { stretches: [kept(1), skipped(1), put(piece(9, 10)), kept(2, { in: 5, out: 5 })] })
    expect(made).toEqual([piece(1, 0), piece(9, 10), { id: 3, in: 25, out: 35 }, { id: 4, in: 35, out: 45 }])
    expect(made[0]).toBe(older[0])
    expect(older[2]).toEqual(piece(3, 20))
  })

  it('are the same list where nothing changed, and another where the end went', () => {
    expect(changedList(older, { stretches: [kept(4)] })).toBe(older)
    expect(changedList(older, { stretches: [kept(3)] })).toEqual(older.slice(0, 3))
    expect(changedList(older, { stretches: [] })).toEqual([])
  })
})

describe('changed lanes', () => {
  const view = (sections: object[], stamp: string) =>
    ({
      stamp,
      name: 'M',
      sections,
      live: [],
      seams: [],
      renders: [],
      gaps: [],
      shots: [],
      differences: [],
      sound: [],
      marks: [],
      upper: [{ lane: { id: 7 }, sections: [piece(5, 0)] }],
    }) as unknown as SequenceView

  it('take what is short from the newer view and put the lists together from the older one', () => {
    const older = view([piece(1, 0)], 'a')
    const whole = { ...view([], 'b'), upper: [{ lane: { id: 7, name: 'Lane 2' }, sections: [] }] } as unknown as SequenceView
    const made = changedView(older, {
      whole,
      since: 'a',
      lists: { sections: { stretches: [kept(1, { in: 2 })] }, 'upper.0': { stretches: [kept(1)] } },
    })
    expect(made.stamp).toBe('b')
    expect(made.sections).toEqual([{ id: 1, in: 2, out: 10 }])
    expect(made.upper[0]).toEqual({ lane: { id: 7, name: 'Lane 2' }, sections: [piece(5, 0)] })
    expect(made.upper[0]?.sections).toBe(older.upper[0]?.sections)
  })

  it('are the whole view where that is what came', () => {
    const whole = view([piece(3, 0)], 'c')
    expect(changedView(view([], 'a'), { whole, lists: {} })).toBe(whole)
    expect(changedView(undefined, { whole, lists: {}, since: 'a' })).toBe(whole)
  })
})
