/**
 * The drawing of the seams: three tracks, one line through all where they agree, bent by the frames where they do not.
 */

import { rightOf } from '../parts/brush'
import { LABELS, ruledFrames, rulerStep, toFrame, toX } from '../parts/scale'
import { drawCut, drawRenders, drawShots } from './drawClips'
import { drawMarkers, drawOthers, drawRange } from './drawMarkers'
import { drawOver, drawPast } from './drawOver'
import { drawSeamCounts, drawSeams } from './drawSeams'
import { drawSound } from './drawSound'
import { drawUpper } from './drawUpper'
import { INK, MONO, type Scene } from './scene'

/** Everything that stays while the playhead moves. */
export function drawStill(g: CanvasRenderingContext2D, s: Scene) {
  rightOf(g, LABELS, s.width, s.layout.height, () => {
    drawRuler(g, s)
    drawCut(g, s)
    drawOver(g, s)
    s.master.upper.forEach((_, i) => drawUpper(g, s, i))
    drawShots(g, s)
    drawPast(g, s)
    drawRenders(g, s)
    drawSound(g, s)
    drawSeams(g, s)
    drawRange(g, s)
    drawOthers(g, s)
    drawSeamCounts(g, s)
    drawMarkers(g, s)
  })
  drawOverview(g, s)
}

function drawRuler(g: CanvasRenderingContext2D, s: Scene) {
  const { framesPerSecond, masterStart, dropFrame } = s.master
  const step = rulerStep(s.scale.perFrame, 92, framesPerSecond)
  const byTimecode = s.units === 'timecode'
  // frames are counted from 1, seconds from 0
  const origin = byTimecode && !dropFrame ? 0 : s.units === 'frames' ? masterStart - 1 : masterStart
  const second = Math.round(framesPerSecond)
  // where labels are dropped, whole seconds are not whole steps of frames: the server knows which frames they begin at
  const counted = byTimecode && dropFrame && step % second === 0
  const frames = counted
    ? s.wholeSeconds(Math.floor(s.scale.from) - step, Math.ceil(toFrame(s.scale, s.width + 16)), step / second)
    : ruledFrames(s.scale, step, origin)
  g.font = `12.5px ${MONO}`
  g.textBaseline = 'alphabetic'
  for (const f of frames) {
    const x = toX(s.scale, f)
    g.fillStyle = '#6f6f6f'
    g.fillRect(Math.round(x), s.layout.ruler - 6, 1, 8)
    const label = s.label(f)
    if (x >= LABELS - 1 && x + 4 + g.measureText(label).width <= s.width - 6) {
      g.fillStyle = INK.quiet
      g.fillText(label, x + 4, 18)
    }
  }
}

/** The whole master at a glance; where it is marked, a seam differs. Each column of the strip is drawn once. */
function drawOverview(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.overview
  const x = (frame: number) => overviewX(s, frame)
  const off = new Set<number>()
  s.master.seams.filter((m) => m.cutOffset !== 0 || m.renderOffset !== 0).forEach((m) => [m.left, m.right].forEach((i) => off.add(i)))
  let drawnTo = -Infinity
  s.master.clips.forEach((clip, i) => {
    const from = x(clip.in)
    const to = x(clip.out)
    if (to - drawnTo < 1 && !off.has(i)) {
      return
    }
    g.fillStyle = off.has(i) ? '#8a6427' : '#484848'
    g.fillRect(from, top + 4, Math.max(1, to - from - (to - from > 3 ? 1 : 0)), bottom - top - 8)
    drawnTo = to
  })
  g.strokeStyle = '#8a8a8a'
  g.lineWidth = 1
  const from = Math.max(s.master.start, toFrame(s.scale, LABELS))
  const to = Math.min(s.master.end, toFrame(s.scale, s.width))
  g.beginPath()
  g.roundRect(x(from) + 0.5, top + 0.5, Math.max(6, x(to) - x(from)), bottom - top - 1, 4)
  g.stroke()
}

/** Where a frame stands in the strip of the whole. */
export const overviewX = (s: Scene, frame: number) =>
  LABELS + ((frame - s.master.start) / Math.max(1, s.master.end - s.master.start)) * (s.width - LABELS - 16)
