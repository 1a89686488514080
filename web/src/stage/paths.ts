/** A camera's way through the set, with a tick for every frame. */
import { Vector3 } from 'three'
import type { Lines } from '../painting/orders'
import type { Bake } from '../pictures/bake'
import { standing } from './hands/matrices'

/** A tick is so high, metres. */
const TICK = 0.04
/** A way shorter than this is none, metres: the camera stands. */
const STILL = 0.01

export const eyeAt = (bake: Bake, k: number) => new Vector3().setFromMatrixPosition(standing(bake.view(k)))

export function pathLines(bake: Bake): Lines[] {
  const eyes = Array.from({ length: bake.frames }, (_, k) => eyeAt(bake, k))
  const first = eyes[0]
  if (!first || eyes.every((e) => e.distanceTo(first) < STILL)) {
    return []
  }
  const way: number[] = []
  const ticks: number[] = []
  eyes.forEach((e, k) => {
    const next = eyes[k + 1]
    if (next) {
      way.push(e.x, e.y, e.z, next.x, next.y, next.z)
    }
    ticks.push(e.x, e.y - TICK, e.z, e.x, e.y + TICK, e.z)
  })
  return [
    { points: new Float32Array(way), colour: '#ffffff' },
    { points: new Float32Array(ticks), colour: '#b3b3b3' },
  ]
}
