/** What is drawn, and in which ink. */
import type { Units } from '../desk/desk'
import { itemAt } from '../parts/lists'
import { LABELS, type Scale, toFrame, toX } from '../parts/scale'
import type { CutClips, Master } from '../server/types'
import type { Layout } from './tracks'

export type Drag = { at: number; delta: number }

export type Scene = {
  master: Master
  layout: Layout
  scale: Scale
  width: number
  seam: number | undefined
  /** ids of the chosen clips */
  clips: number[]
  drag: Drag | undefined
  /** the marked range, whole or half */
  range: { in?: number; out?: number }
  /** another version of the cut, laid over */
  over: CutClips | undefined
  /** this master as it was after a step, laid over */
  past: CutClips | undefined
  /** id of the chosen clip of sound */
  sound: number | undefined
  /** where others are */
  others: { who: string; frame: number; clips: number[] }[]
  units: Units
  label: (frame: number) => string
  /** frames from one to another whose labels begin a multiple of so many seconds */
  wholeSeconds: (first: number, last: number, every: number) => number[]
  again: () => void
}

export { INK, MONO, SANS } from '../parts/ink'
/** From so many pixels a frame on, every frame is a cell with its number. */
export const CELLS = 26
/** Clips narrower than this are drawn as runs of the same look: nobody could tell them apart. */
const NARROW = 3

export const seen = (s: Scene, x0: number, x1: number) => x1 >= LABELS && x0 <= s.width

/** Where a frame is drawn while a seam is dragged. */
export const draggedEdge = (s: Scene, frame: number) => (s.drag && s.drag.at === frame ? frame + s.drag.delta : frame)

type Spanned = { in: number; out: number }

/** First and last index of the clips in view, one more at each side for what is drawn over an edge. */
export function inView(s: Scene, clips: Spanned[]): [number, number] {
  const from = toFrame(s.scale, LABELS)
  const to = toFrame(s.scale, s.width)
  return [Math.max(0, firstWhere(clips, (p) => p.out > from) - 1), Math.min(clips.length, firstWhere(clips, (p) => p.in >= to) + 1)]
}

function firstWhere<T>(sorted: T[], test: (t: T) => boolean): number {
  let low = 0
  let high = sorted.length
  while (low < high) {
    const middle = (low + high) >>> 1
    if (test(itemAt(sorted, middle))) {
      high = middle
    } else {
      low = middle + 1
    }
  }
  return low
}

type Drawn<L> = { index: number; x: number; width: number; look: L }

/**
 * Gives each clip in view to `one`, its edges where `edge` has them; neighbours too narrow to be told apart and of the same look go to `run` together.
 */
export function forEachInView<L extends string>(
  s: Scene,
  clips: Spanned[],
  look: (index: number) => L,
  one: (d: Drawn<L>) => void,
  run: (d: Drawn<L>) => void,
  edge: (s: Scene, frame: number) => number = (_, frame) => frame,
) {
  const [first, last] = inView(s, clips)
  let open: Drawn<L> | undefined
  for (let index = first; index < last; index++) {
    const x = toX(s.scale, edge(s, itemAt(clips, index).in))
    const width = Math.max(0.6, toX(s.scale, edge(s, itemAt(clips, index).out)) - x - 1)
    const its = look(index)
    if (width >= NARROW || !open || open.look !== its || x - open.x - open.width > NARROW) {
      if (open) {
        run(open)
      }
      open = undefined
      if (width >= NARROW) {
        one({ index, x, width, look: its })
      } else {
        open = { index, x, width, look: its }
      }
    } else {
      open.width = x + width - open.x
    }
  }
  if (open) {
    run(open)
  }
}
