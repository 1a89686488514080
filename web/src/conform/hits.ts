/** What of the drawn tracks lies under the pointer. */

import { itemAt } from '../parts/lists'
import { toFrame, toX } from '../parts/scale'
import { onTrack } from '../playhead/lookup'
import type { Clip, LaidSound, Seam } from '../server/types'
import type { Scene } from './scene'

/** So near to a line, in pixels, the line is meant. */
const GRAB = 7

export class Hits {
  constructor(
    private readonly scene: Scene,
    private readonly soundTracks: string[],
  ) {}

  private upperAt = (y: number) => this.scene.layout.upper.findIndex(([top, bottom]) => y >= top && y < bottom + 2)

  private onMain = (y: number) => y >= this.scene.layout.shots[0] && y <= this.scene.layout.shots[1]

  /** The nearest seam; in short clips only its outer thirds count for seams, so that the clip can be pressed too. */
  seam(x: number, y: number): Seam | undefined {
    const { layout, scale, master } = this.scene
    if (y < layout.cut[0] - 10 || y > layout.renders[1] + 8 || this.upperAt(y) >= 0) {
      return undefined
    }
    const clip = this.onMain(y) ? onTrack(master, -1, toFrame(scale, x)) : undefined
    let reach = clip ? Math.min(GRAB, ((clip.out - clip.in) * scale.perFrame) / 3) : GRAB
    let nearest: Seam | undefined
    for (const seam of master.seams) {
      const off = Math.abs(toX(scale, seam.at) - x)
      if (off <= reach) {
        nearest = seam
        reach = off
      }
    }
    return nearest
  }

  clip(x: number, y: number): Clip | undefined {
    const { layout, scale, master } = this.scene
    const upper = this.upperAt(y)
    // a nest's bracket above the main track belongs to its clips
    const main = y >= layout.shots[0] - 12 && y <= layout.shots[1]
    return upper >= 0 || main ? onTrack(master, upper, toFrame(scale, x)) : undefined
  }

  /** On a track above, the edges of a clip are pulled by themselves: nothing meets there that must. */
  edge(clip: Clip | undefined, x: number, y: number): 'HEAD' | 'TAIL' | undefined {
    const { scale } = this.scene
    if (!clip || this.upperAt(y) < 0) {
      return undefined
    }
    return x - toX(scale, clip.in) <= GRAB ? 'HEAD' : toX(scale, clip.out) - x <= GRAB ? 'TAIL' : undefined
  }

  sound(x: number, y: number): LaidSound | undefined {
    const { layout, scale, master } = this.scene
    const track = this.soundTracks[layout.sound.findIndex(([top, bottom]) => y >= top && y <= bottom)]
    const at = toFrame(scale, x)
    return master.sound.find((p) => p.track === track && at >= p.in && at < p.out)
  }

  /** The track that was pressed takes what is put in next. */
  track(y: number): { track?: number } {
    const { master } = this.scene
    const upper = this.upperAt(y)
    return upper >= 0 ? { track: itemAt(master.upper, upper).track.id } : this.onMain(y) ? { track: master.main.id } : {}
  }
}
