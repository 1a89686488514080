/** What of the drawn lanes lies under the pointer. */

import { itemAt } from '../parts/lists'
import { toFrame, toX } from '../parts/scale'
import { onLane } from '../playhead/lookup'
import type { LaidSound, Seam, Section } from '../server/types'
import type { Scene } from './scene'

/** So near to a line, in pixels, the line is meant. */
const GRAB = 7

export class Hits {
  constructor(
    private readonly scene: Scene,
    private readonly soundLanes: string[],
  ) {}

  private upperAt = (y: number) => this.scene.layout.upper.findIndex(([top, bottom]) => y >= top && y < bottom + 2)

  private onMain = (y: number) => y >= this.scene.layout.shots[0] && y <= this.scene.layout.shots[1]

  /** The nearest seam; in short pieces only its outer thirds count for seams, so that the piece can be pressed too. */
  seam(x: number, y: number): Seam | undefined {
    const { layout, scale, sequence } = this.scene
    if (y < layout.cut[0] - 10 || y > layout.renders[1] + 8 || this.upperAt(y) >= 0) {
      return undefined
    }
    const piece = this.onMain(y) ? onLane(sequence, -1, toFrame(scale, x)) : undefined
    let reach = piece ? Math.min(GRAB, ((piece.out - piece.in) * scale.perFrame) / 3) : GRAB
    let nearest: Seam | undefined
    for (const seam of sequence.seams) {
      const off = Math.abs(toX(scale, seam.at) - x)
      if (off <= reach) {
        nearest = seam
        reach = off
      }
    }
    return nearest
  }

  piece(x: number, y: number): Section | undefined {
    const { layout, scale, sequence } = this.scene
    const upper = this.upperAt(y)
    // a nest's bracket above the main lane belongs to its pieces
    const main = y >= layout.shots[0] - 12 && y <= layout.shots[1]
    return upper >= 0 || main ? onLane(sequence, upper, toFrame(scale, x)) : undefined
  }

  /** On a lane above, the edges of a piece are pulled by themselves: nothing meets there that must. */
  edge(piece: Section | undefined, x: number, y: number): 'HEAD' | 'TAIL' | undefined {
    const { scale } = this.scene
    if (!piece || this.upperAt(y) < 0) {
      return undefined
    }
    return x - toX(scale, piece.in) <= GRAB ? 'HEAD' : toX(scale, piece.out) - x <= GRAB ? 'TAIL' : undefined
  }

  sound(x: number, y: number): LaidSound | undefined {
    const { layout, scale, sequence } = this.scene
    const lane = this.soundLanes[layout.sound.findIndex(([top, bottom]) => y >= top && y <= bottom)]
    const at = toFrame(scale, x)
    return sequence.sound.find((p) => p.lane === lane && at >= p.in && at < p.out)
  }

  /** The lane that was pressed takes what is put in next. */
  lane(y: number): { lane?: number } {
    const { sequence } = this.scene
    const upper = this.upperAt(y)
    return upper >= 0 ? { lane: itemAt(sequence.upper, upper).lane.id } : this.onMain(y) ? { lane: sequence.main.id } : {}
  }
}
