/** Seams that differ too close to be told apart: what is read of them from afar is where they are, how many, and how far off. */

import { itemAt, lastOf } from '../parts/lists'
import type { Seam } from '../server/types'

/** Seams that differ nearer than this, in pixels, would be a wall of lines. */
export const CROWDED = 5

export type Crowd = { from: number; to: number; count: number; cut: number; render: number }

type Place = (seam: Seam) => number

/** Splits seams that differ into those that stand by themselves and crowds, in order. `keep` is never put into a crowd. */
export function crowdsOf(seams: Seam[], x: Place, keep: (seam: Seam) => boolean): { alone: Set<Seam>; crowds: Crowd[] } {
  const alone = new Set<Seam>()
  const crowds: Crowd[] = []
  let run: Seam[] = []
  const close = () => {
    if (run.length > 2) {
      crowds.push({
        from: x(itemAt(run, 0)),
        to: x(lastOf(run)),
        count: run.length,
        cut: Math.max(...run.map((s) => Math.abs(s.cutOffset))),
        render: Math.max(...run.map((s) => Math.abs(s.renderOffset))),
      })
    } else {
      run.forEach((s) => alone.add(s))
    }
    run = []
  }
  for (const seam of seams) {
    if (keep(seam)) {
      alone.add(seam)
      continue
    }
    if (run.length > 0 && x(seam) - x(lastOf(run)) > CROWDED) {
      close()
    }
    run.push(seam)
  }
  close()
  return { alone, crowds }
}
