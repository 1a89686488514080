import { describe, expect, it } from 'vitest'
import { byOf, byWords, type Drag, movedPlaces, NOWHERE, type Ray } from './drag'

const drag: Drag = {
  how: 'slide',
  axis: undefined,
  from: { x: 1, y: 0, z: 2 },
  origin: { x: 1, y: 0, z: 2 },
  pixels: 0,
  typed: '',
  snap: 'freely',
  others: [],
}
/** From 10 m above, straight down onto a place. */
const down = (x: number, z: number): Ray => ({ origin: { x, y: 10, z }, direction: { x: 0, y: -1, z: 0 } })
/** Level, from 10 m away, so high over the point that is held. */
const level = (y: number): Ray => ({ origin: { x: 1, y, z: 12 }, direction: { x: 0, y: 0, z: -1 } })

describe('what hands do to things', () => {
  it('slides on the ground to where the line of sight meets it, along an axis where asked', () => {
    expect(byOf(drag, down(4, 7))).toEqual({ ...NOWHERE, x: 3, z: 5 })
    expect(byOf({ ...drag, axis: 'x' }, down(4, 7))).toEqual({ ...NOWHERE, x: 3 })
    expect(byOf({ ...drag, axis: 'z' }, down(4, 7))).toEqual({ ...NOWHERE, z: 5 })
    expect(byOf(drag, { origin: { x: 0, y: 2, z: 0 }, direction: { x: 0, y: 0.4, z: -1 } }), 'looking up meets no ground').toEqual(NOWHERE)
  })

  it('lifts by what the line of sight passes over it', () => {
    expect(byOf({ ...drag, how: 'up' }, level(1.5)).y).toBeCloseTo(1.5)
  })

  it('goes by a typed number, along the way of the hand or the axis', () => {
    expect(byOf({ ...drag, typed: '10' }, down(4, 6))).toEqual({ ...NOWHERE, x: 6, z: 8 })
    expect(byOf({ ...drag, axis: 'z', typed: '-2,5' }, down(4, 6))).toEqual({ ...NOWHERE, z: -2.5 })
    expect(byOf({ ...drag, how: 'turn', typed: '90' }, down(0, 0)).turn).toBe(90)
    expect(byOf({ ...drag, how: 'size', typed: '2' }, down(0, 0)).size).toBe(2)
    expect(byOf({ ...drag, how: 'size', typed: '-' }, down(0, 0)).size, 'no number yet').toBe(1)
  })

  it('comes to lie on the ground, at eye height, or where another thing stands', () => {
    const high: Drag = { ...drag, origin: { x: 1, y: 0.7, z: 2 }, from: { x: 1, y: 0.7, z: 2 }, others: [{ x: 4.2, y: 0.3, z: 6.9 }] }
    expect(byOf({ ...high, snap: 'ground' }, down(4, 7))).toMatchObject({ x: 3, y: -0.7, z: 5 })
    expect(byOf({ ...high, snap: 'eye height' }, down(4, 7)).y).toBeCloseTo(0.9)
    const met = byOf({ ...high, snap: 'things' }, down(4, 7))
    expect([met.x, met.z]).toEqual([expect.closeTo(3.2), expect.closeTo(4.9)])
    expect(byOf({ ...high, snap: 'things' }, down(9, 9)), 'too far from any').toMatchObject({ x: 8, z: 7 })
    expect(byOf({ ...high, snap: 'things', axis: 'x' }, down(4, 7)), 'along its axis alone').toMatchObject({ x: expect.closeTo(3.2), z: 0 })
    expect(byOf({ ...high, how: 'up', snap: 'ground' }, level(0.2)).y).toBeCloseTo(-0.7)
    expect(byOf({ ...high, how: 'up', snap: 'ground' }, level(3)).y, 'far from the ground it is free').toBeCloseTo(2.3)
    expect(byOf({ ...high, how: 'up', snap: 'things' }, level(0.4)).y).toBeCloseTo(-0.4)
  })

  it('snaps to the grid of the world, not to steps from where it stood', () => {
    const off: Drag = { ...drag, snap: 'grid' as const, origin: { x: 1.1, y: 0, z: 2 }, from: { x: 1.1, y: 0, z: 2 } }
    expect(byOf(off, down(2.2, 2)).x).toBeCloseTo(1.15)
    expect(byOf({ ...off, how: 'turn', pixels: 50 }, down(0, 0)).turn).toBe(30)
  })

  it('says how far in words', () => {
    expect(byWords('slide', { ...NOWHERE, x: 1.5, z: -0.25 })).toBe('x +1.50 m  z −0.25 m')
    expect(byWords('turn', { ...NOWHERE, turn: -15 })).toBe('−15.0°')
    expect(byWords('size', { ...NOWHERE, size: 1.5 })).toBe('× 1.50')
  })
})

it('shows moved things where they go, and others where they are', () => {
  const places = new Float32Array(32)
  places.set([1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 2, 0, 0, 1])
  places.set([1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 9, 9, 9, 1], 16)
  const moved = movedPlaces(places, [0], { ...NOWHERE, turn: 90, size: 2, y: 1 }, [0, 0])
  expect(
    [...moved.slice(12, 15)].map((v) => Math.round(v * 1000) / 1000 + 0),
    'turned to the left about the pivot',
  ).toEqual([0, 1, -2])
  expect(Math.round((moved[2] ?? 0) * 1000)).toBe(-2000)
  expect([...moved.slice(16)]).toEqual([...places.slice(16)])
})
