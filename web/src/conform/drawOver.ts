/** What is laid over the tracks to be compared with them: another version of the cut, the master as it once was. */

import { clipped } from '../parts/brush'
import { toX } from '../parts/scale'
import type { CutClips } from '../server/types'
import { INK, inView, MONO, SANS, type Scene } from './scene'

/** Another version of the cut along the foot of the cut's track, and the master as it once was along the foot of its own. */
export function drawOver(g: CanvasRenderingContext2D, s: Scene) {
  if (s.over) {
    drawLaidOver(g, s, s.over, `version ${s.over.version}`, s.layout.cut, s.master.cut.clips)
  }
}

export function drawPast(g: CanvasRenderingContext2D, s: Scene) {
  if (s.past) {
    drawLaidOver(g, s, s.past, `after “${s.past.name}”`, s.layout.shots, s.master.clips)
  }
}

/** A strip of clips: an edge that the track under it does not have is drawn in full. */
function drawLaidOver(
  g: CanvasRenderingContext2D,
  s: Scene,
  over: CutClips,
  title: string,
  track: [number, number],
  under: { in: number; out: number }[],
) {
  const bottom = track[1]
  const high = Math.max(16, Math.min(34, (bottom - track[0]) * 0.45))
  const top = bottom - high
  const known = new Set(under.flatMap((p) => [p.in, p.out]))
  const { clips } = over
  const [first, last] = inView(s, clips)
  for (const clip of clips.slice(first, last)) {
    const x = toX(s.scale, clip.in)
    const w = Math.max(0.6, toX(s.scale, clip.out) - x - 1)
    g.fillStyle = 'rgba(40,40,40,0.86)'
    g.fillRect(x, top, w, bottom - top)
    if (w > 34) {
      g.fillStyle = INK.text
      g.font = `12px ${SANS}`
      clipped(g, clip.name, x + 5, top + 13, w - 8)
      if (high > 30) {
        g.fillStyle = INK.quiet
        g.font = `12px ${MONO}`
        clipped(g, String(clip.out - clip.in), x + 5, bottom - 5, w - 8)
      }
    }
    for (const edge of [clip.in, clip.out]) {
      if (!known.has(edge)) {
        g.fillStyle = INK.offset
        g.fillRect(Math.round(toX(s.scale, edge)) - 1, top, 2.5, bottom - top)
      }
    }
  }
  g.font = `12px ${SANS}`
  const width = g.measureText(title).width + 10
  g.fillStyle = 'rgba(24,24,24,0.85)'
  g.fillRect(s.width - width - 16, bottom - 16, width, 16)
  g.fillStyle = INK.quiet
  g.fillText(title, s.width - width - 11, bottom - 4)
}
