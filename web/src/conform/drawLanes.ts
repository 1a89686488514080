/**
 * The drawing of the seams: three lanes, one line through all where they agree, bent by the frames where they do not.
 */
import type { Seam, Section, Sequence } from '../server/types'
import { shotFrameAt } from '../playhead/lookup'
import { image, loudness } from './images'
import { LABELS, type Layout } from './lanes'
import { rulerStep, type Scale, toFrame, toX } from './scale'
import type { ShotThumbs } from './ShotThumbs'

export type Drag = { at: number; delta: number }

export type Scene = {
  sequence: Sequence
  layout: Layout
  scale: Scale
  width: number
  frame: number
  seam: number | undefined
  drag: Drag | undefined
  label: (frame: number) => string
  thumbs: ShotThumbs | undefined
  again: () => void
}

const INK = { text: '#ededed', quiet: '#b3b3b3', live: '#5ec2b7', bent: '#f0a648', stale: '#b79cf0', line: '#ededed', deep: '#222222', shot: '#566067', paper: '#e9e4d8' }
const SANS = '"Atkinson Hyperlegible Next", sans-serif'
const MONO = '"Atkinson Hyperlegible Mono", monospace'
/** From so many pixels a frame on, every frame is a cell with its number. */
const CELLS = 26

export function drawLanes(g: CanvasRenderingContext2D, s: Scene) {
  g.clearRect(0, 0, s.width, s.layout.height)
  g.save()
  g.beginPath()
  g.rect(LABELS, 0, s.width - LABELS, s.layout.height)
  g.clip()
  drawRuler(g, s)
  drawCut(g, s)
  drawShots(g, s)
  drawRenders(g, s)
  drawSound(g, s)
  s.sequence.seams.forEach((seam) => drawSeam(g, s, seam))
  drawPlayhead(g, s)
  s.sequence.seams.forEach((seam) => drawCounts(g, s, seam))
  g.restore()
  drawOverview(g, s)
}

const seen = (s: Scene, x0: number, x1: number) => x1 >= LABELS && x0 <= s.width

function drawRuler(g: CanvasRenderingContext2D, s: Scene) {
  const step = rulerStep(s.scale.perFrame, 92)
  const first = Math.floor(toFrame(s.scale, LABELS) / step) * step
  g.font = `12.5px ${MONO}`
  g.textBaseline = 'alphabetic'
  for (let f = first; toX(s.scale, f) < s.width; f += step) {
    const x = toX(s.scale, f)
    g.fillStyle = '#6f6f6f'
    g.fillRect(Math.round(x), s.layout.ruler - 6, 1, 8)
    g.fillStyle = INK.quiet
    g.fillText(s.label(f), x + 4, 18)
  }
}

function cover(g: CanvasRenderingContext2D, picture: CanvasImageSource & { width: number; height: number }, x: number, y: number, w: number, h: number) {
  const scale = Math.max(w / picture.width, h / picture.height)
  const cw = w / scale
  const ch = h / scale
  g.drawImage(picture, (picture.width - cw) / 2, (picture.height - ch) / 2, cw, ch, x, y, w, h)
}

function drawCut(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.cut
  for (const piece of s.sequence.cut.pieces) {
    const x0 = toX(s.scale, piece.in)
    const x1 = toX(s.scale, piece.out)
    if (!seen(s, x0, x1)) {
      continue
    }
    const w = Math.max(0.6, x1 - x0 - 1)
    g.fillStyle = piece.mediaId ? INK.paper : '#3a3a3a'
    g.fillRect(x0, top, w, bottom - top)
    if (w > 18 && piece.mediaId) {
      const middle = piece.mediaFrames[Math.floor(piece.mediaFrames.length / 2)] ?? 0
      const picture = image(`/api/media/${piece.mediaId}/picture?width=240&frame=${middle}`, s.again)
      if (picture) {
        cover(g, picture, x0, top, w, bottom - top)
      }
    }
    if (!piece.mediaId && w > 4) {
      g.strokeStyle = INK.bent
      g.setLineDash([4, 3])
      g.strokeRect(x0 + 1, top + 1, w - 2, bottom - top - 2)
      g.setLineDash([])
    }
    if (w > 34) {
      g.fillStyle = 'rgba(34,34,34,0.72)'
      g.fillRect(x0, bottom - 17, w, 17)
      g.fillStyle = INK.text
      g.font = `12px ${SANS}`
      clipped(g, piece.name, x0 + 5, bottom - 4.5, w - 8)
    }
    drawCells(g, s, piece.in, piece.out, top, 13, (f) => s.label(f).slice(-2))
  }
}

function clipped(g: CanvasRenderingContext2D, text: string, x: number, y: number, room: number) {
  let shown = text
  while (shown.length > 1 && g.measureText(shown).width > room) {
    shown = shown.slice(0, -1)
  }
  if (room > 8) {
    g.fillText(shown, x, y)
  }
}

/** At full zoom: a cell for every frame, with its number. */
function drawCells(g: CanvasRenderingContext2D, s: Scene, from: number, to: number, top: number, height: number, number: (f: number) => string) {
  if (s.scale.perFrame < CELLS) {
    return
  }
  const first = Math.max(from, Math.floor(toFrame(s.scale, LABELS)))
  const last = Math.min(to, Math.ceil(toFrame(s.scale, s.width)))
  g.font = `11px ${MONO}`
  for (let f = first; f < last; f++) {
    const x = toX(s.scale, f)
    g.fillStyle = 'rgba(20,20,20,0.62)'
    g.fillRect(x, top, s.scale.perFrame - 1, height)
    g.fillStyle = INK.text
    g.fillText(number(f), x + 3, top + height - 3)
  }
}

function drawShots(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.shots
  const here = s.sequence.sections.find((x) => s.frame >= x.in && s.frame < x.out)
  for (const section of s.sequence.sections) {
    const x0 = toX(s.scale, draggedEdge(s, section.in))
    const x1 = toX(s.scale, draggedEdge(s, section.out))
    if (!seen(s, x0, x1)) {
      continue
    }
    drawShot(g, s, section, x0, Math.max(0.6, x1 - x0 - 1), top, bottom)
    if (section === here && x1 - x0 > 4) {
      g.strokeStyle = INK.live
      g.lineWidth = 2
      g.strokeRect(x0 + 1, top + 1, x1 - x0 - 3, bottom - top - 2)
    }
  }
}

const draggedEdge = (s: Scene, frame: number) => (s.drag && s.drag.at === frame ? frame + s.drag.delta : frame)

function drawShot(g: CanvasRenderingContext2D, s: Scene, section: Section, x: number, w: number, top: number, bottom: number) {
  const head = 18
  g.fillStyle = section.staged ? INK.shot : '#3d3d3d'
  g.fillRect(x, top, w, bottom - top)
  const room = bottom - top - head
  if (section.staged && w > 18) {
    const picture = s.thumbs?.of(section)
    if (picture) {
      cover(g, picture, x, top + head, w, room)
    }
  } else if (w > 74) {
    g.fillStyle = INK.quiet
    g.font = `12.5px ${SANS}`
    g.fillText('not staged', x + 6, top + head + room / 2 + 4)
  }
  g.fillStyle = 'rgba(24,24,24,0.66)'
  g.fillRect(x, top, w, head)
  if (w > 40) {
    g.font = `600 12.5px ${MONO}`
    g.fillStyle = INK.text
    const long = g.measureText(section.code).width + 8 < w
    clipped(g, long ? section.code : section.code.replace(/^[a-z]+/, ''), x + 5, top + 13, w - 8)
    const count = String(section.out - section.in)
    g.font = `12px ${MONO}`
    if (w > g.measureText(section.code + count).width + 30) {
      g.fillStyle = INK.quiet
      g.textAlign = 'right'
      g.fillText(count, x + w - 5, top + 13)
      g.textAlign = 'left'
    }
  }
  drawCells(g, s, section.in, section.out, bottom - 15, 15, (f) => String(shotFrameAt(section, f)).slice(s.scale.perFrame > 40 ? 0 : -3))
}

function drawRenders(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.renders
  s.sequence.sections.forEach((section, index) => {
    const render = s.sequence.renders.find((r) => r.section === index)
    const x0 = toX(s.scale, render ? render.in : section.in)
    const x1 = toX(s.scale, render ? render.out : section.out)
    if (!seen(s, x0, x1)) {
      return
    }
    const w = Math.max(0.6, x1 - x0 - 1)
    if (!render) {
      if (w > 5) {
        g.strokeStyle = '#5a5a5a'
        g.setLineDash([3, 3])
        g.strokeRect(x0 + 1, top + 0.5, w - 2, bottom - top - 1)
        g.setLineDash([])
      }
      return
    }
    g.fillStyle = '#59636a'
    g.fillRect(x0, top, w, bottom - top)
    const stale = render.stale.length > 0
    if (stale) {
      hatch(g, x0, top, w, bottom - top)
    }
    if (w > 40) {
      g.font = `12.5px ${MONO}`
      g.fillStyle = INK.text
      g.fillText(`v${String(render.version).padStart(3, '0')}`, x0 + 5, top + 15)
      if (stale) {
        g.font = `12.5px ${SANS}`
        const whole = `stale, ${render.stale.join(' and ')}`
        clipped(g, g.measureText(whole).width < w - 8 ? whole : 'stale', x0 + 5, bottom - 7, w - 8)
      }
    }
  })
}

function hatch(g: CanvasRenderingContext2D, x: number, y: number, w: number, h: number) {
  g.save()
  g.beginPath()
  g.rect(x, y, w, h)
  g.clip()
  g.fillStyle = '#4c4262'
  g.fillRect(x, y, w, h)
  g.strokeStyle = 'rgba(183,156,240,0.75)'
  g.lineWidth = 2
  g.beginPath()
  for (let k = -h; k < w; k += 8) {
    g.moveTo(x + k, y + h)
    g.lineTo(x + k + h, y)
  }
  g.stroke()
  g.restore()
}

function drawSound(g: CanvasRenderingContext2D, s: Scene) {
  const lanes = [...new Set(s.sequence.sound.map((p) => p.lane))]
  s.sequence.sound.forEach((piece) => {
    const lane = s.layout.sound[lanes.indexOf(piece.lane)]
    if (!lane) {
      return
    }
    const [top, bottom] = lane
    const x0 = Math.max(LABELS, toX(s.scale, piece.in))
    const x1 = Math.min(s.width, toX(s.scale, piece.out))
    g.fillStyle = '#2a2a2a'
    g.fillRect(x0, top, x1 - x0, bottom - top)
    if (!piece.mediaId) {
      g.fillStyle = INK.bent
      g.font = `12px ${SANS}`
      g.fillText(`${piece.name}: sound to find`, x0 + 6, bottom - 8)
      return
    }
    const peaks = loudness(piece.mediaId, s.again)
    if (!peaks) {
      return
    }
    g.fillStyle = lanes.indexOf(piece.lane) % 2 ? '#7d7768' : '#6b7b82'
    const middle = (top + bottom) / 2
    for (let x = x0; x < x1; x += 2) {
      const a = soundAt(s, piece.in, piece.fromSeconds, x)
      const b = Math.max(a + 1, soundAt(s, piece.in, piece.fromSeconds, x + 2))
      let loud = 0
      for (let i = Math.floor(a); i < b && i < peaks.length; i++) {
        loud = Math.max(loud, peaks[i])
      }
      const h = Math.max(1, (loud / 255) * (bottom - top - 4))
      g.fillRect(x, middle - h / 2, 1.4, h)
    }
  })
}

const soundAt = (s: Scene, pieceIn: number, fromSeconds: number, x: number) =>
  ((toFrame(s.scale, x) - pieceIn) / s.sequence.framesPerSecond + fromSeconds) * 50

function drawSeam(g: CanvasRenderingContext2D, s: Scene, seam: Seam) {
  const shots = toX(s.scale, draggedEdge(s, seam.at))
  const cut = seam.cut === undefined ? shots : toX(s.scale, seam.cut)
  const render = seam.render === undefined ? shots : toX(s.scale, seam.render)
  if (!seen(s, Math.min(shots, cut, render) - 30, Math.max(shots, cut, render) + 30)) {
    return
  }
  const dragged = s.drag?.at === seam.at
  const bent = seam.cutBend !== 0 || seam.renderBend !== 0 || dragged
  const selected = s.seam === seam.at
  const [cutTop, cutBottom] = s.layout.cut
  const [shotsTop, shotsBottom] = s.layout.shots
  const [rendersTop, rendersBottom] = s.layout.renders
  g.lineWidth = selected ? 3 : bent ? 2.4 : s.scale.perFrame < 0.15 ? 0.5 : 1.2
  g.strokeStyle = selected ? INK.live : INK.line
  g.lineJoin = 'round'
  const line = (colour: string, points: [number, number][]) => {
    g.strokeStyle = selected ? INK.live : colour
    g.beginPath()
    points.forEach(([x, y], i) => (i ? g.lineTo(Math.round(x), y) : g.moveTo(Math.round(x), y)))
    g.stroke()
  }
  const above = seam.cutBend !== 0 || dragged ? INK.bent : INK.line
  const below = seam.renderBend !== 0 ? INK.bent : INK.line
  const gapAbove = (cutBottom + shotsTop) / 2
  const gapBelow = (shotsBottom + rendersTop) / 2
  if (seam.cut !== undefined) {
    line(above, [[cut, cutTop - 8], [cut, cutBottom], [cut, gapAbove - 5], [shots, gapAbove + 5], [shots, shotsTop]])
  }
  line(seam.cutBend !== 0 || dragged ? INK.bent : below, [[shots, shotsTop], [shots, shotsBottom]])
  if (seam.render !== undefined) {
    line(below, [[shots, shotsBottom], [shots, gapBelow - 5], [render, gapBelow + 5], [render, rendersBottom + 6]])
  }
}

function drawCounts(g: CanvasRenderingContext2D, s: Scene, seam: Seam) {
  const shots = toX(s.scale, draggedEdge(s, seam.at))
  const dragged = s.drag?.at === seam.at ? s.drag.delta : 0
  const above = seam.cutBend + dragged
  if (above !== 0 && seam.cut !== undefined) {
    pill(g, s, above, (shots + toX(s.scale, seam.cut)) / 2, (s.layout.cut[1] + s.layout.shots[0]) / 2)
  }
  if (seam.renderBend !== 0 && seam.render !== undefined) {
    pill(g, s, seam.renderBend, (shots + toX(s.scale, seam.render)) / 2, (s.layout.shots[1] + s.layout.renders[0]) / 2)
  }
}

function pill(g: CanvasRenderingContext2D, s: Scene, count: number, x: number, y: number) {
  if (!seen(s, x - 24, x + 24)) {
    return
  }
  const text = count > 0 ? `+${count}` : `\u2212${-count}`
  g.font = `600 13px ${MONO}`
  const w = g.measureText(text).width + 18
  g.fillStyle = INK.bent
  g.beginPath()
  g.roundRect(x - w / 2, y - 10, w, 20, 10)
  g.fill()
  g.fillStyle = '#241703'
  g.textAlign = 'center'
  g.fillText(text, x, y + 4.5)
  g.textAlign = 'left'
}

function drawPlayhead(g: CanvasRenderingContext2D, s: Scene) {
  const x = Math.round(toX(s.scale, s.frame))
  const bottom = s.layout.overview[0] - 8
  if (s.scale.perFrame > 3) {
    g.fillStyle = 'rgba(255,255,255,0.12)'
    g.fillRect(x, s.layout.ruler, s.scale.perFrame, bottom - s.layout.ruler)
  }
  g.fillStyle = '#ffffff'
  g.fillRect(x, s.layout.ruler - 4, 1.5, bottom - s.layout.ruler + 4)
  g.beginPath()
  g.moveTo(x - 6, s.layout.ruler - 12)
  g.lineTo(x + 7, s.layout.ruler - 12)
  g.lineTo(x + 7, s.layout.ruler - 4)
  g.lineTo(x + 0.5, s.layout.ruler + 3)
  g.lineTo(x - 6, s.layout.ruler - 4)
  g.closePath()
  g.fill()
}

/** The whole master at a glance; where it is marked, something is bent. */
function drawOverview(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.overview
  const width = s.width - LABELS - 16
  const x = (frame: number) => LABELS + ((frame - s.sequence.start) / Math.max(1, s.sequence.end - s.sequence.start)) * width
  const bent = new Set<number>()
  s.sequence.seams.filter((m) => m.cutBend !== 0 || m.renderBend !== 0).forEach((m) => [m.left, m.right].forEach((i) => bent.add(i)))
  s.sequence.sections.forEach((section, i) => {
    g.fillStyle = bent.has(i) ? '#8a6427' : '#484848'
    g.fillRect(x(section.in), top + 4, Math.max(0.5, x(section.out) - x(section.in) - 1), bottom - top - 8)
  })
  g.strokeStyle = '#8a8a8a'
  g.lineWidth = 1
  const from = Math.max(s.sequence.start, toFrame(s.scale, LABELS))
  const to = Math.min(s.sequence.end, toFrame(s.scale, s.width))
  g.beginPath()
  g.roundRect(x(from) + 0.5, top + 0.5, Math.max(6, x(to) - x(from)), bottom - top - 1, 4)
  g.stroke()
  g.fillStyle = '#ffffff'
  g.fillRect(x(s.frame), top, 1.5, bottom - top)
}
