/** Ways through the set, with a tick for every frame. */
import { Vector3 } from 'three'
import type { Lines } from '../painting/orders'
import type { Bake } from '../pictures/bake'
import { standing } from './hands/matrices'

/** A tick is so high, metres. */
const TICK = 0.04
/** A way shorter than this is none, metres: the camera stands. */
const STILL = 0.01

export const eyeAt = (bake: Bake, k: number) => new Vector3().setFromMatrixPosition(standing(bake.view(k)))

/** The camera's way. */
export const pathLines = (bake: Bake): Lines[] =>
  wayOf(
    Array.from({ length: bake.frames }, (_, k) => eyeAt(bake, k)),
    '#ffffff',
  )

/** The ways of some things: of those that move. @param items indexes among the scene's */
export const thingLines = (bake: Bake, items: number[]): Lines[] =>
  items
    .filter((item) => bake.place(0, item))
    .flatMap((item) => {
      const at = (k: number) => new Vector3().fromArray(bake.place(k, item) as Float32Array, 12)
      return wayOf(
        Array.from({ length: bake.frames }, (_, k) => at(k)),
        '#e8b04b',
      )
    })

/** A line from frame to frame, with a tick at each; none of what stands. */
function wayOf(points: Vector3[], colour: string): Lines[] {
  const first = points[0]
  if (!first || points.every((e) => e.distanceTo(first) < STILL)) {
    return []
  }
  const way: number[] = []
  const ticks: number[] = []
  points.forEach((e, k) => {
    const next = points[k + 1]
    if (next) {
      way.push(e.x, e.y, e.z, next.x, next.y, next.z)
    }
    ticks.push(e.x, e.y - TICK, e.z, e.x, e.y + TICK, e.z)
  })
  return [
    { points: new Float32Array(way), colour },
    { points: new Float32Array(ticks), colour: '#b3b3b3' },
  ]
}
