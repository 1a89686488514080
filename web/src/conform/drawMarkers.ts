/** What lies over all tracks: the marked range, markers with words, and where others are. */

import { itemAt } from '../parts/lists'
import { LABELS, toX } from '../parts/scale'
import { INK, SANS, type Scene, seen } from './scene'

/** The range from in to out; half of one where only one end is set. */
export function drawRange(g: CanvasRenderingContext2D, s: Scene) {
  const { in: from, out: to } = s.range
  const top = s.layout.ruler
  const bottom = s.layout.overview[0] - 8
  if (from !== undefined && to !== undefined) {
    g.fillStyle = 'rgba(255,255,255,0.07)'
    g.fillRect(toX(s.scale, from), top, toX(s.scale, to) - toX(s.scale, from), bottom - top)
  }
  g.strokeStyle = INK.text
  g.lineWidth = 1.5
  for (const [frame, way] of [
    [from, 1],
    [to, -1],
  ] as const) {
    if (frame !== undefined && seen(s, toX(s.scale, frame) - 8, toX(s.scale, frame) + 8)) {
      const x = Math.round(toX(s.scale, frame))
      g.beginPath()
      g.moveTo(x + way * 6, top - 3)
      g.lineTo(x, top - 3)
      g.lineTo(x, top + 9)
      g.lineTo(x + way * 6, top + 9)
      g.stroke()
    }
  }
}

/** A marker is a small house at the ruler; its words stand beside it as far as there is room to the next one. */
export function drawMarkers(g: CanvasRenderingContext2D, s: Scene) {
  const top = s.layout.ruler + 1
  const { markers } = s.master
  markers.forEach((marker, i) => {
    const x = toX(s.scale, marker.in)
    const end = toX(s.scale, marker.out)
    if (!seen(s, x - 8, Math.max(end, x + 160))) {
      return
    }
    if (marker.out - marker.in > 1) {
      g.fillStyle = 'rgba(237,237,237,0.5)'
      g.fillRect(x, top + 6, Math.max(2, end - x), 2)
    }
    g.fillStyle = INK.text
    g.beginPath()
    g.moveTo(x - 4, top)
    g.lineTo(x + 4, top)
    g.lineTo(x + 4, top + 6)
    g.lineTo(x, top + 11)
    g.lineTo(x - 4, top + 6)
    g.closePath()
    g.fill()
    const room = (i + 1 < markers.length ? toX(s.scale, itemAt(markers, i + 1).in) : s.width) - x - 14
    if (room > 24) {
      g.font = `12px ${SANS}`
      let words = marker.words
      while (words.length > 1 && g.measureText(words).width > Math.min(room, 220) - 8) {
        words = words.slice(0, -1)
      }
      g.fillStyle = 'rgba(24,24,24,0.78)'
      g.fillRect(x + 7, top - 1, g.measureText(words).width + 8, 15)
      g.fillStyle = INK.text
      g.fillText(words, x + 11, top + 10.5)
    }
  })
}

/** A line with a name where somebody else's playhead is, and a frame around what they have chosen. */
export function drawOthers(g: CanvasRenderingContext2D, s: Scene) {
  const bottom = s.layout.overview[0] - 8
  for (const other of s.others) {
    g.setLineDash([2, 3])
    g.strokeStyle = INK.text
    g.lineWidth = 1
    for (const clip of s.master.clips.filter((p) => other.clips.includes(p.id))) {
      const x = toX(s.scale, clip.in)
      g.strokeRect(x + 1.5, s.layout.shots[0] + 1.5, Math.max(2, toX(s.scale, clip.out) - x - 4), s.layout.shots[1] - s.layout.shots[0] - 3)
    }
    const x = Math.round(toX(s.scale, other.frame)) + 0.5
    if (x >= LABELS && x < s.width) {
      g.beginPath()
      g.moveTo(x, s.layout.ruler)
      g.lineTo(x, bottom)
      g.stroke()
      g.setLineDash([])
      g.font = `12px ${SANS}`
      const width = g.measureText(other.who).width + 10
      g.fillStyle = '#4a4a4a'
      g.fillRect(x, bottom - 16, width, 16)
      g.fillStyle = INK.text
      g.fillText(other.who, x + 5, bottom - 4)
    }
    g.setLineDash([])
  }
}
