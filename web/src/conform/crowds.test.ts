import { expect, it } from 'vitest'
import type { Seam } from '../server/types'
import { crowdsOf } from './crowds'

const seam = (at: number, cutOffset = 1) => ({ at, left: 0, right: 1, cutOffset, renderOffset: 0 }) as Seam

it('puts seams that differ too close to be told apart into crowds, and leaves the others', () => {
  const seams = [seam(0), seam(3, -4), seam(6), seam(40), seam(90), seam(92)]
  const { alone, crowds } = crowdsOf(
    seams,
    (s) => s.at,
    () => false,
  )
  expect(crowds).toEqual([{ from: 0, to: 6, count: 3, cut: 4, render: 0 }])
  expect([...alone].map((s) => s.at)).toEqual([40, 90, 92])
})

it('keeps the chosen seam out of them', () => {
  const seams = [seam(0), seam(1), seam(2), seam(3)]
  expect(
    [
      ...crowdsOf(
        seams,
        (s) => s.at,
        (s) => s.at === 2,
      ).alone,
    ].map((s) => s.at),
  ).toEqual([2])
})
