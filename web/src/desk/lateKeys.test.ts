import { describe, expect, it } from 'vitest'
import { boxWentAway, isLate, LATE } from './lateKeys'

describe('keys after a box was closed under somebody who types', () => {
  it('letters go on being typed until there is a pause', () => {
    boxWentAway(10_000)
    expect(isLate('R', 10_400)).toBe(true)
    expect(isLate('O', 10_400 + LATE - 1)).toBe(true)
    expect(isLate('X', 10_400 + 3 * LATE)).toBe(false)
    expect(isLate('R', 10_400 + 3 * LATE + 1)).toBe(false)
  })

  it('keys that no text has are meant', () => {
    boxWentAway(50_000)
    expect(isLate('Enter', 50_100)).toBe(false)
    expect(isLate('ArrowDown', 50_100)).toBe(false)
    expect(isLate('Ctrl+S', 50_100)).toBe(false)
  })

  it('nothing is held back where no box went away', () => {
    expect(isLate('R', 90_000)).toBe(false)
  })
})
