import { expect, it } from 'vitest'
import { readBake } from './bake'

it('reads the layout that the server describes', () => {
  const bytes = new ArrayBuffer(4 * (2 + 2 * 2 + 2 * 2 + 2 * 16 + 2 * 16 + 2 * 16))
  const ints = new Int32Array(bytes)
  const floats = new Float32Array(bytes)
  ints.set([2, 1, 1001, 5, 1002, 6])
  floats.set([35, 4, 36, 4], 6)
  floats[10] = 0.5
  floats[10 + 16 + 3] = 7
  floats[10 + 32] = 8
  floats[10 + 64 + 16] = 9
  const bake = readBake(bytes)
  expect([bake.frames, bake.items, bake.shotFrame(1), bake.actionFrame(0), bake.lens(1)]).toEqual([2, 1, 1002, 5, 36])
  expect(bake.view(0)[0]).toBe(0.5)
  expect(bake.view(1)[3]).toBe(7)
  expect(bake.projection(0)[0]).toBe(8)
  expect(bake.places(1)[0]).toBe(9)
  expect(bake.shotFrame(99)).toBe(1002)
})
