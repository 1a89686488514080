import { expect, it } from 'vitest'
import { bytesInWords, plural, signed } from './words'

it('numbers and their nouns agree', () => {
  expect([0, 1, 2].map((n) => plural(n, 'shot'))).toEqual(['0 shots', '1 shot', '2 shots'])
  expect([0, 1, 2].map((n) => plural(n, 'is', 'are'))).toEqual(['0 are', '1 is', '2 are'])
})

it('differences have their sign, and a minus as long as a plus', () => {
  expect([3, 0, -3].map(signed)).toEqual(['+3', '0', '−3'])
})

it('sizes never are 0 of a unit', () => {
  expect([0, 1, 2, 999].map(bytesInWords)).toEqual(['0 bytes', '1 byte', '2 bytes', '999 bytes'])
  expect([1000, 41_512, 999_949].map(bytesInWords)).toEqual(['1 kB', '42 kB', '1000 kB'])
  expect([999_950, 12_340_000, 2_560_000_000].map(bytesInWords)).toEqual(['1.0 MB', '12.3 MB', '2.6 GB'])
})
