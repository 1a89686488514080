import { expect, it } from 'vitest'
import { readNumber } from './typed'

it('reads a comma and a true minus, and what is no number as none', () => {
  expect(readNumber(' −7,5 ')).toBe(-7.5)
  expect(readNumber('12.25')).toBe(12.25)
  expect(readNumber('wide')).toBeNaN()
})
