import { expect, it } from 'vitest'
import { isTouched } from './touched'

it('asks again for what shows what an edit touched, and for nothing else', () => {
  expect(isTouched('looks', ['TRACKS', 'SHOTS'])).toBe(false)
  expect(isTouched('looks', ['SET'])).toBe(true)
  expect(isTouched('turnover', ['CAMERAS'])).toBe(true)
  expect(isTouched('intake', ['CAMERAS'])).toBe(false)
})

it('asks for everything where nobody knows, and always for what is made of everything', () => {
  expect(isTouched('looks', [])).toBe(true)
  expect(isTouched('master', ['SET'])).toBe(true)
  expect(isTouched('renders', ['CUTS'])).toBe(true)
})
