/** Tracks above the main one, nested masters, and what is chosen on any of them. */

import { clipped } from '../parts/brush'
import { itemAt } from '../parts/lists'
import { LABELS, toX } from '../parts/scale'
import type { Clip } from '../server/types'
import { drawTransitions, meetsBefore } from './drawTransitions'
import { forEachInView, INK, inView, MONO, SANS, type Scene, seen } from './scene'

/** A track above the main one: where a clip of it is live it is bright, where a higher one is, or it is off, dim. */
export function drawUpper(g: CanvasRenderingContext2D, s: Scene, upper: number) {
  const span = s.layout.upper[upper]
  const { track, clips } = itemAt(s.master.upper, upper)
  if (!span) {
    return
  }
  const [top, bottom] = span
  g.fillStyle = track.locked ? '#272727' : '#2d2d2d'
  g.fillRect(LABELS, top, s.width - LABELS, bottom - top)
  const looks = (i: number) => {
    const clip = itemAt(clips, i)
    return !track.enabled || !clip.enabled ? 'off' : clip.content === 'SHOT' && !clip.staged ? 'empty' : 'staged'
  }
  const inks = { off: '#353535', empty: '#434343', staged: INK.shot }
  forEachInView(
    s,
    clips,
    looks,
    ({ index, x, width, look }) => {
      const clip = itemAt(clips, index)
      g.fillStyle = inks[look]
      g.fillRect(x, top, width, bottom - top)
      if (width > 30) {
        g.font = `600 12px ${MONO}`
        g.fillStyle = look === 'off' ? INK.quiet : INK.text
        clipped(g, `${clip.nest ? `${clip.nest.name} · ` : ''}${clip.code}`, x + 5, bottom - 7, width - 8)
      }
    },
    ({ x, width, look }) => {
      g.fillStyle = inks[look]
      g.fillRect(x, top, width, bottom - top)
    },
  )
  for (const live of s.master.live) {
    const x = toX(s.scale, live.in)
    const w = toX(s.scale, live.out) - x
    if (live.upper === upper && seen(s, x, x + w)) {
      g.fillStyle = '#c9d3d8'
      g.fillRect(x, top, Math.max(1, w - 1), 2.5)
    }
  }
  drawTransitions(g, s, clips, span, meetsBefore(clips))
  outlineSelected(g, s, clips, span)
}

/** Where a track above is live, the main track is seen behind it. */
export function coverByUpper(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.shots
  for (const live of s.master.live) {
    const x = toX(s.scale, live.in)
    const w = toX(s.scale, live.out) - x
    if (seen(s, x, x + w)) {
      g.fillStyle = 'rgba(30,30,30,0.55)'
      g.fillRect(x, top, w, bottom - top)
    }
  }
}

/** A bracket with its name over all that a nested master shows. */
export function drawNests(g: CanvasRenderingContext2D, s: Scene) {
  const [top] = s.layout.shots
  const { clips } = s.master
  const [first, last] = inView(s, clips)
  for (let i = first; i < last; i++) {
    const { nest, id } = itemAt(clips, i)
    if (!nest) {
      continue
    }
    let end = i
    while (end + 1 < clips.length && itemAt(clips, end + 1).id === id) {
      end++
    }
    let begin = i
    while (begin > 0 && itemAt(clips, begin - 1).id === id) {
      begin--
    }
    const x0 = toX(s.scale, itemAt(clips, begin).in)
    const x1 = toX(s.scale, itemAt(clips, end).out) - 1
    g.strokeStyle = '#d8d8d8'
    g.lineWidth = 1.6
    g.beginPath()
    g.moveTo(x0 + 1, top + 4)
    g.lineTo(x0 + 1, top - 5)
    g.lineTo(x1 - 1, top - 5)
    g.lineTo(x1 - 1, top + 4)
    g.stroke()
    g.font = `600 12px ${SANS}`
    const width = g.measureText(nest.name).width + 10
    const at = Math.max(x0 + 8, LABELS + 4)
    if (x1 - at > width) {
      g.fillStyle = INK.deep
      g.fillRect(at, top - 12, width, 14)
      g.fillStyle = INK.text
      g.fillText(nest.name, at + 5, top - 1)
    }
    i = end
  }
}

export function outlineSelected(
  g: CanvasRenderingContext2D,
  s: Scene,
  clips: Clip[],
  [top, bottom]: [number, number],
  edge: (s: Scene, frame: number) => number = (_, frame) => frame,
) {
  const chosen = new Set(s.clips)
  g.fillStyle = 'rgba(94,194,183,0.28)'
  for (const clip of chosen.size ? clips : []) {
    const x = toX(s.scale, edge(s, clip.in))
    const w = toX(s.scale, edge(s, clip.out)) - x
    if (chosen.has(clip.id) && seen(s, x, x + w)) {
      g.fillRect(x, top, Math.max(1, w - 1), bottom - top)
      g.fillStyle = INK.live
      g.fillRect(x, bottom - 4, Math.max(1, w - 1), 4)
      g.fillStyle = 'rgba(94,194,183,0.28)'
    }
  }
}
