import { expect, test } from 'vitest'
import type { Change } from '../server/types'
import { takenOf, toggled } from './taken'

const change = (index: number, id: string) => ({ index, id, kind: 'TRIMMED' }) as Change

test('what was left stays left wherever it comes to stand, and nothing else inherits it', () => {
  const left = toggled([], 'trimmed 12')
  expect(takenOf([change(0, 'trimmed 11'), change(1, 'trimmed 12')], left).map((c) => c.id)).toEqual(['trimmed 11'])
  expect(takenOf([change(0, 'trimmed 12'), change(1, 'trimmed 13')], left).map((c) => c.id)).toEqual(['trimmed 13'])
  expect(takenOf([change(0, 'trimmed 12')], toggled(left, 'trimmed 12'))).toHaveLength(1)
})
