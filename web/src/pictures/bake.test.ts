import { expect, it } from 'vitest'
import { readBake } from './bake'

it('reads the layout that the server describes', () => {
  const frames = 2
  const items = 3
  const moving = [1]
  const head = [frames, items, moving.length, ...moving, 1001, 5, 1002, 6]
  const aFrame = 4 + 16 + 16 + 16
  const bytes = new ArrayBuffer(4 * (head.length + items * 16 + frames * aFrame))
  new Int32Array(bytes).set(head)
  const floats = new Float32Array(bytes, head.length * 4)
  floats[0] = 1
  floats[16] = 2
  floats[32] = 3
  const second = items * 16 + aFrame
  floats.set([36, 4, 2.8, 0.25], second)
  floats[items * 16 + 4] = 0.5
  floats[second + 4 + 3] = 7
  floats[second + 4 + 16] = 8
  floats[second + 4 + 32] = 9
  const bake = readBake({ data: bytes, edit: 12 })
  expect([bake.frames, bake.items, bake.shotFrame(1), bake.actionFrame(0), bake.lens(1), bake.focus(1)]).toEqual([2, 3, 1002, 5, 36, 4])
  expect(bake.stop(1)).toBeCloseTo(2.8)
  expect(bake.blur(1)).toEqual({ focus: 4, farCircle: 0.25 })
  expect(bake.view(0)[0]).toBe(0.5)
  expect(bake.view(1)[3]).toBe(7)
  expect(bake.projection(1)[0]).toBe(8)
  expect(
    [0, 16, 32].map((i) => bake.places(1)[i]),
    'what stands stays, what moves is where it is then',
  ).toEqual([1, 9, 3])
  const first = bake.places(0)
  bake.places(1)
  expect(first[16], 'what was answered stays when another frame is asked for').toBe(0)
  expect(bake.place(1, 1)?.[0], 'one that moves').toBe(9)
  expect(bake.place(1, 0), 'one that stands').toBeUndefined()
  expect(bake.shotFrame(99)).toBe(1002)
})
