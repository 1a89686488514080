/** Seams through all tracks: one straight line where they agree, bent by the frames where they do not. */

import { itemAt } from '../parts/lists'
import { LABELS, toX } from '../parts/scale'
import type { Seam } from '../server/types'
import { type Crowd, crowdsOf } from './crowds'
import { draggedEdge, INK, inView, MONO, type Scene, seen } from './scene'
import { shotsTop } from './tracks'

/** Straight seams nearer to a neighbour than this would only be a grey smear. */
const LEAST_GAP = 4

export function drawSeams(g: CanvasRenderingContext2D, s: Scene) {
  const seams = seamsInView(s)
  const room = (i: number) => {
    const [before, after] = [seams[i - 1]?.at ?? -Infinity, seams[i + 1]?.at ?? Infinity]
    return Math.min(itemAt(seams, i).at - before, after - itemAt(seams, i).at) * s.scale.perFrame
  }
  const { alone, crowds } = offsetsOf(s, seams)
  crowds.forEach((crowd) => drawHeat(g, s, crowd))
  seams.forEach((seam, i) => {
    if (isOffset(s, seam) ? alone.has(seam) : s.seam === seam.at || room(i) >= LEAST_GAP) {
      drawSeam(g, s, seam)
    }
  })
}

export function drawSeamCounts(g: CanvasRenderingContext2D, s: Scene) {
  const seams = seamsInView(s)
  const { alone, crowds } = offsetsOf(s, seams)
  drawCounts(
    g,
    s,
    seams.filter((m) => !isOffset(s, m) || alone.has(m)),
    crowds,
  )
}

const offsetsOf = (s: Scene, seams: Seam[]) =>
  crowdsOf(
    seams.filter((m) => isOffset(s, m)),
    (m) => toX(s.scale, m.at),
    (m) => m.at === s.seam || m.at === s.drag?.at,
  )

/** Where many seams in a row differ, a band in the gap between the tracks, the stronger the further they are off. */
function drawHeat(g: CanvasRenderingContext2D, s: Scene, crowd: Crowd) {
  const band = (offset: number, top: number, bottom: number) => {
    if (offset > 0) {
      g.globalAlpha = Math.min(1, 0.35 + Math.log10(1 + offset) * 0.4)
      g.fillStyle = INK.offset
      g.fillRect(crowd.from, (top + bottom) / 2 - 2.5, Math.max(3, crowd.to - crowd.from), 5)
      g.globalAlpha = 1
    }
  }
  band(crowd.cut, s.layout.cut[1], shotsTop(s.layout))
  band(crowd.render, s.layout.shots[1], s.layout.renders[0])
}

const seamsInView = (s: Scene): Seam[] => {
  // an offset reaches to its cut or render: both count as in view
  const spans = s.master.seams.map((m) => ({ in: m.at, out: m.at }))
  const [first, last] = inView(s, spans)
  return s.master.seams.slice(Math.max(0, first - 2), last + 2)
}

const isOffset = (s: Scene, seam: Seam) => seam.cutOffset !== 0 || seam.renderOffset !== 0 || s.drag?.at === seam.at

function drawSeam(g: CanvasRenderingContext2D, s: Scene, seam: Seam) {
  const shots = toX(s.scale, draggedEdge(s, seam.at))
  const cut = seam.cut === undefined ? shots : toX(s.scale, seam.cut)
  const render = seam.render === undefined ? shots : toX(s.scale, seam.render)
  if (!seen(s, Math.min(shots, cut, render) - 30, Math.max(shots, cut, render) + 30)) {
    return
  }
  const dragged = s.drag?.at === seam.at
  const off = isOffset(s, seam)
  const selected = s.seam === seam.at
  const [cutTop, cutBottom] = s.layout.cut
  const shotsBottom = s.layout.shots[1]
  const top = shotsTop(s.layout)
  const [rendersTop, rendersBottom] = s.layout.renders
  g.lineWidth = selected ? 3 : off ? 2.4 : s.scale.perFrame < 0.15 ? 0.5 : 1.2
  g.strokeStyle = selected ? INK.live : INK.line
  g.lineJoin = 'round'
  const line = (colour: string, points: [number, number][]) => {
    g.strokeStyle = selected ? INK.live : colour
    g.beginPath()
    points.forEach(([x, y], i) => (i ? g.lineTo(Math.round(x), y) : g.moveTo(Math.round(x), y)))
    g.stroke()
  }
  const above = seam.cutOffset !== 0 || dragged ? INK.offset : INK.line
  const below = seam.renderOffset !== 0 ? INK.offset : INK.line
  const gapAbove = (cutBottom + top) / 2
  const gapBelow = (shotsBottom + rendersTop) / 2
  if (seam.cut !== undefined) {
    line(above, [
      [cut, cutTop - 8],
      [cut, cutBottom],
      [cut, gapAbove - 5],
      [shots, gapAbove + 5],
      [shots, top],
    ])
  }
  line(seam.cutOffset !== 0 || dragged ? INK.offset : below, [
    [shots, top],
    [shots, shotsBottom],
  ])
  if (seam.render !== undefined) {
    line(below, [
      [shots, shotsBottom],
      [shots, gapBelow - 5],
      [render, gapBelow + 5],
      [render, rendersBottom + 6],
    ])
  }
}

/** Counts at the retimeKeys. Where they would lie over each other the first stands for its neighbours; the line stays. */
function drawCounts(g: CanvasRenderingContext2D, s: Scene, seams: Seam[], crowds: Crowd[]) {
  const [cut, shots, renders] = [s.layout.cut, s.layout.shots, s.layout.renders]
  const above = new Pills((cut[1] + shotsTop(s.layout)) / 2)
  const below = new Pills((shots[1] + renders[0]) / 2)
  for (const crowd of crowds) {
    const middle = (Math.max(LABELS, crowd.from) + Math.min(s.width, crowd.to)) / 2
    if (crowd.cut > 0) {
      above.draw(g, s, `${crowd.count} off, up to ${crowd.cut}`, middle)
    }
    if (crowd.render > 0) {
      below.draw(g, s, `${crowd.count} off, up to ${crowd.render}`, middle)
    }
  }
  above.again()
  below.again()
  for (const seam of seams) {
    const x = toX(s.scale, draggedEdge(s, seam.at))
    const offset = seam.cutOffset + (s.drag?.at === seam.at ? s.drag.delta : 0)
    if (offset !== 0 && seam.cut !== undefined) {
      above.draw(g, s, signed(offset), (x + toX(s.scale, seam.cut)) / 2)
    }
    if (seam.action && seen(s, x - 6, x + 6)) {
      // the action does not quite run on here: a notch at the foot of the line
      g.fillStyle = INK.offset
      g.beginPath()
      g.moveTo(x - 6, shots[1])
      g.lineTo(x + 6, shots[1])
      g.lineTo(x, shots[1] - 9)
      g.closePath()
      g.fill()
    }
    if (seam.renderOffset !== 0 && seam.render !== undefined) {
      below.draw(g, s, signed(seam.renderOffset), (x + toX(s.scale, seam.render)) / 2)
    }
  }
}

const signed = (count: number) => (count > 0 ? `+${count}` : `\u2212${-count}`)

class Pills {
  private end = -Infinity

  constructor(private readonly y: number) {}

  private readonly crowds: [number, number][] = []

  /** Those drawn so far stand for crowds: the others keep clear of them, whatever their order. */
  again() {
    this.end = -Infinity
  }

  draw(g: CanvasRenderingContext2D, s: Scene, text: string, x: number) {
    g.font = `600 13px ${MONO}`
    const w = g.measureText(text).width + 18
    const hidden = this.crowds.some(([from, to]) => x + w / 2 > from && x - w / 2 < to)
    if (hidden || !seen(s, x - w / 2, x + w / 2) || x - w / 2 < this.end + 2) {
      return
    }
    this.end = x + w / 2
    if (text.includes(' ')) {
      this.crowds.push([x - w / 2, x + w / 2])
    }
    g.fillStyle = INK.offset
    g.beginPath()
    g.roundRect(x - w / 2, this.y - 10, w, 20, 10)
    g.fill()
    g.fillStyle = '#241703'
    g.textAlign = 'center'
    g.fillText(text, x, this.y + 4.5)
    g.textAlign = 'left'
  }
}
