/** Lanes above the main one, nested masters, and what is chosen on any of them. */

import { clipped } from '../parts/brush'
import { itemAt } from '../parts/lists'
import { LABELS, toX } from '../parts/scale'
import type { Section } from '../server/types'
import { drawTransitions, meetsBefore } from './drawTransitions'
import { forEachInView, INK, inView, MONO, SANS, type Scene, seen } from './scene'

/** A lane above the main one: where a piece of it is live it is bright, where a higher one is, or it is off, dim. */
export function drawUpper(g: CanvasRenderingContext2D, s: Scene, upper: number) {
  const span = s.layout.upper[upper]
  const { lane, sections } = itemAt(s.sequence.upper, upper)
  if (!span) {
    return
  }
  const [top, bottom] = span
  g.fillStyle = lane.locked ? '#272727' : '#2d2d2d'
  g.fillRect(LABELS, top, s.width - LABELS, bottom - top)
  const looks = (i: number) => {
    const section = itemAt(sections, i)
    return !lane.enabled || !section.enabled ? 'off' : section.content === 'SHOT' && !section.staged ? 'empty' : 'staged'
  }
  const inks = { off: '#353535', empty: '#434343', staged: INK.shot }
  forEachInView(
    s,
    sections,
    looks,
    ({ index, x, width, look }) => {
      const section = itemAt(sections, index)
      g.fillStyle = inks[look]
      g.fillRect(x, top, width, bottom - top)
      if (width > 30) {
        g.font = `600 12px ${MONO}`
        g.fillStyle = look === 'off' ? INK.quiet : INK.text
        clipped(g, `${section.nest ? `${section.nest.name} · ` : ''}${section.code}`, x + 5, bottom - 7, width - 8)
      }
    },
    ({ x, width, look }) => {
      g.fillStyle = inks[look]
      g.fillRect(x, top, width, bottom - top)
    },
  )
  for (const live of s.sequence.live) {
    const x = toX(s.scale, live.in)
    const w = toX(s.scale, live.out) - x
    if (live.upper === upper && seen(s, x, x + w)) {
      g.fillStyle = '#c9d3d8'
      g.fillRect(x, top, Math.max(1, w - 1), 2.5)
    }
  }
  drawTransitions(g, s, sections, span, meetsBefore(sections))
  markChosen(g, s, sections, span)
}

/** Where a lane above is live, the main lane is seen behind it. */
export function coverByUpper(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.shots
  for (const live of s.sequence.live) {
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
  const { sections } = s.sequence
  const [first, last] = inView(s, sections)
  for (let i = first; i < last; i++) {
    const { nest, id } = itemAt(sections, i)
    if (!nest) {
      continue
    }
    let end = i
    while (end + 1 < sections.length && itemAt(sections, end + 1).id === id) {
      end++
    }
    let begin = i
    while (begin > 0 && itemAt(sections, begin - 1).id === id) {
      begin--
    }
    const x0 = toX(s.scale, itemAt(sections, begin).in)
    const x1 = toX(s.scale, itemAt(sections, end).out) - 1
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

export function markChosen(
  g: CanvasRenderingContext2D,
  s: Scene,
  sections: Section[],
  [top, bottom]: [number, number],
  edge: (s: Scene, frame: number) => number = (_, frame) => frame,
) {
  const chosen = new Set(s.pieces)
  g.fillStyle = 'rgba(94,194,183,0.28)'
  for (const section of chosen.size ? sections : []) {
    const x = toX(s.scale, edge(s, section.in))
    const w = toX(s.scale, edge(s, section.out)) - x
    if (chosen.has(section.id) && seen(s, x, x + w)) {
      g.fillRect(x, top, Math.max(1, w - 1), bottom - top)
      g.fillStyle = INK.live
      g.fillRect(x, bottom - 4, Math.max(1, w - 1), 4)
      g.fillStyle = 'rgba(94,194,183,0.28)'
    }
  }
}
