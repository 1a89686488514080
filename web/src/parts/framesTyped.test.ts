import { describe, expect, it } from 'vitest'
import { framesTyped, perSecond } from './framesTyped'

describe('frames as they are typed', () => {
  it('are a number, or seconds at the rate', () => {
    expect(framesTyped('48', 24)).toBe(48)
    expect(framesTyped('5 s', 25)).toBe(125)
    expect(framesTyped('5s', 100)).toBe(500)
    expect(framesTyped('1,5 s', perSecond('24'))).toBe(36)
    expect(framesTyped('10 s', perSecond('24000/1001'))).toBe(240)
  })

  it('are nothing where they are neither, or none', () => {
    for (const typed of ['', '0', '-4', '5 m', 's', '4.5', '0 s']) {
      expect(framesTyped(typed, 24), typed).toBeUndefined()
    }
  })
})
