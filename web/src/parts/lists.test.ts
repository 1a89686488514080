import { expect, it } from 'vitest'
import { following, itemAt, lastOf } from './lists'

it('says a mistake where it is made', () => {
  expect(itemAt(['a', 'b'], 1)).toBe('b')
  expect(() => itemAt(['a'], 1)).toThrow('Place 1 of 1')
  expect(() => itemAt([], -1)).toThrow(RangeError)
  expect(() => lastOf([])).toThrow(RangeError)
  expect(lastOf(new Float32Array([1, 2]))).toBe(2)
})

it('goes round at the end', () => {
  expect(following(['a', 'b', undefined], 'b')).toBeUndefined()
  expect(following(['a', 'b'], 'b')).toBe('a')
  expect(following(['a', 'b'], 'not in it')).toBe('a')
})
