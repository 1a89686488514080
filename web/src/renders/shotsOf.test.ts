import { expect, test } from 'vitest'
import type { Section } from '../server/types'
import { shotsOf } from './shotsOf'

const piece = (shotId: number, at: number) => ({ shotId, in: at, out: at + 10 }) as Section

test('each shot once, by its first piece; black and slates are no shots', () => {
  const sections = [piece(0, 0), piece(7, 10), piece(0, 20), piece(8, 30), piece(7, 40)]
  expect(shotsOf(sections).map((s) => [s.shotId, s.in])).toEqual([[7, 10], [8, 30]])
  expect(shotsOf([piece(0, 0)])).toEqual([])
})
