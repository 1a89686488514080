import { expect, it } from 'vitest'
import { plural, signed } from './words'

it('numbers and their nouns agree', () => {
  expect([0, 1, 2].map((n) => plural(n, 'shot'))).toEqual(['0 shots', '1 shot', '2 shots'])
  expect([0, 1, 2].map((n) => plural(n, 'is', 'are'))).toEqual(['0 are', '1 is', '2 are'])
})

it('differences have their sign, and a minus as long as a plus', () => {
  expect([3, 0, -3].map(signed)).toEqual(['+3', '0', '−3'])
})
