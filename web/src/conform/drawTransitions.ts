/** What is mixed: a dissolve as two lines that cross, a fade as one, at every zoom. */

import { itemAt } from '../parts/lists'
import { toX } from '../parts/scale'
import type { Passing } from '../playhead/lookup'
import { INK, inView, type Scene, seen } from './scene'

/** @param meets whether a clip passes in from the one before it, and not from black */
export function drawTransitions<T extends Passing>(
  g: CanvasRenderingContext2D,
  s: Scene,
  clips: T[],
  [top, bottom]: [number, number],
  meets: (i: number) => boolean,
) {
  const [first, last] = inView(s, clips)
  for (let i = first; i < last; i++) {
    const clip = itemAt(clips, i)
    if (clip.headWeights.length > 0) {
      drawOne(g, s, clip.seenIn, clip.seenIn + clip.headWeights.length, top, bottom, meets(i) ? 'both' : 'in')
    }
    if (clip.tailWeights.length > 0) {
      drawOne(g, s, clip.out - clip.tailWeights.length, clip.out, top, bottom, 'out')
    }
  }
}

export const meetsBefore = (clips: { in: number; out: number }[]) => (i: number) =>
  i > 0 && itemAt(clips, i - 1).out === itemAt(clips, i).in

/** However short it is, it is wide enough to be seen. */
const LEAST = 7

function drawOne(g: CanvasRenderingContext2D, s: Scene, from: number, to: number, top: number, bottom: number, way: 'in' | 'out' | 'both') {
  const middle = (toX(s.scale, from) + toX(s.scale, to)) / 2
  const half = Math.max(LEAST, toX(s.scale, to) - toX(s.scale, from)) / 2
  const [left, right] = [middle - half, middle + half]
  if (!seen(s, left, right)) {
    return
  }
  g.fillStyle = 'rgba(20,20,20,0.45)'
  g.fillRect(left, top, right - left, bottom - top)
  g.strokeStyle = INK.text
  g.lineWidth = 1.4
  g.beginPath()
  if (way !== 'out') {
    g.moveTo(left, bottom)
    g.lineTo(right, top)
  }
  if (way !== 'in') {
    g.moveTo(left, top)
    g.lineTo(right, bottom)
  }
  g.stroke()
  g.strokeRect(left + 0.5, top + 0.5, right - left - 1, bottom - top - 1)
}
