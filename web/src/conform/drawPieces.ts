/** The three lanes of pieces: the cut's, the shots, the renders. */
import type { LaidRender, Section } from '../server/types'
import { renderOf, shotFrameAt } from '../playhead/lookup'
import { image } from './images'
import { LABELS } from './lanes'
import { toFrame, toX } from './scale'
import { CELLS, draggedEdge, forEachInView, INK, inView, MONO, SANS, type Scene, seen } from './scene'

function cover(g: CanvasRenderingContext2D, picture: CanvasImageSource & { width: number; height: number }, x: number, y: number, w: number, h: number) {
  const scale = Math.max(w / picture.width, h / picture.height)
  const cw = w / scale
  const ch = h / scale
  g.drawImage(picture, (picture.width - cw) / 2, (picture.height - ch) / 2, cw, ch, x, y, w, h)
}

function dashed(g: CanvasRenderingContext2D, colour: string, dash: number[], x: number, y: number, w: number, h: number) {
  g.strokeStyle = colour
  g.lineWidth = 1
  g.setLineDash(dash)
  g.strokeRect(x, y, w, h)
  g.setLineDash([])
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

export function drawCut(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.cut
  const { pieces } = s.sequence.cut
  const looks: Record<string, string> = { found: INK.paper, missing: '#3a3a3a' }
  forEachInView(s, pieces, (i) => (pieces[i].mediaId ? 'found' : 'missing'), ({ index, x, width: w, look }) => {
    const piece = pieces[index]
    g.fillStyle = looks[look]
    g.fillRect(x, top, w, bottom - top)
    if (piece.mediaId && w > 18) {
      const middle = piece.mediaFrames[Math.floor(piece.mediaFrames.length / 2)] ?? 0
      const picture = image(`/api/media/${piece.mediaId}/picture?width=240&frame=${middle}`, s.again)
      if (picture) {
        cover(g, picture, x, top, w, bottom - top)
      }
    }
    if (!piece.mediaId && w > 6) {
      dashed(g, INK.bent, [4, 3], x + 1, top + 1, w - 2, bottom - top - 2)
    }
    if (w > 34) {
      g.fillStyle = 'rgba(34,34,34,0.72)'
      g.fillRect(x, bottom - 17, w, 17)
      g.fillStyle = INK.text
      g.font = `12px ${SANS}`
      clipped(g, piece.name, x + 5, bottom - 4.5, w - 8)
    }
    drawCells(g, s, piece.in, piece.out, top, 13, (f) => s.label(f).slice(-2))
  }, ({ x, width, look }) => {
    g.fillStyle = looks[look]
    g.fillRect(x, top, width, bottom - top)
    if (look === 'missing') {
      dashed(g, INK.bent, [4, 3], x, top + 1, width, 0)
    }
  })
}

export function drawShots(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.shots
  const { sections } = s.sequence
  const colour = (look: string) => (look === 'staged' ? INK.shot : '#3d3d3d')
  forEachInView(s, sections, (i) => (sections[i].staged ? 'staged' : 'empty'), ({ index, x, width }) => {
    drawShot(g, s, sections[index], x, width, top, bottom)
  }, ({ x, width, look }) => {
    g.fillStyle = colour(look)
    g.fillRect(x, top, width, bottom - top)
  })
  drawChosen(g, s)
  const here = sections.find((section) => s.frame >= section.in && s.frame < section.out)
  if (here) {
    const x = toX(s.scale, draggedEdge(s, here.in))
    const w = toX(s.scale, draggedEdge(s, here.out)) - x
    g.strokeStyle = INK.live
    g.lineWidth = 2
    g.strokeRect(x + 1, top + 1, Math.max(1, w - 3), bottom - top - 2)
  }
}

function drawChosen(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.shots
  const chosen = new Set(s.pieces)
  g.fillStyle = 'rgba(94,194,183,0.28)'
  for (const section of chosen.size ? s.sequence.sections : []) {
    const x = toX(s.scale, draggedEdge(s, section.in))
    const w = toX(s.scale, draggedEdge(s, section.out)) - x
    if (chosen.has(section.id) && seen(s, x, x + w)) {
      g.fillRect(x, top, Math.max(1, w - 1), bottom - top)
      g.fillStyle = INK.live
      g.fillRect(x, bottom - 4, Math.max(1, w - 1), 4)
      g.fillStyle = 'rgba(94,194,183,0.28)'
    }
  }
}

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
  if (w > 12) {
    g.fillStyle = 'rgba(24,24,24,0.66)'
    g.fillRect(x, top, w, head)
  }
  if (w > 40) {
    g.font = `600 12.5px ${MONO}`
    g.fillStyle = INK.text
    const long = g.measureText(section.code).width + 8 < w
    clipped(g, long ? section.code : section.code.replace(/^[a-z]+/, ''), x + 5, top + 13, w - 8)
    const count = `${speedOf(section)}${section.out - section.in}`
    g.font = `12px ${MONO}`
    if (w > g.measureText(section.code + count).width + 30) {
      g.fillStyle = INK.quiet
      g.textAlign = 'right'
      g.fillText(count, x + w - 5, top + 13)
      g.textAlign = 'left'
    }
  }
  if (!section.enabled) {
    g.fillStyle = 'rgba(24,24,24,0.72)'
    g.fillRect(x, top + head, w, room)
    g.fillStyle = INK.quiet
    g.font = `12.5px ${SANS}`
    clipped(g, 'off', x + 6, top + head + room / 2 + 4, w - 8)
  }
  drawCells(g, s, section.in, section.out, bottom - 15, 15, (f) => String(shotFrameAt(section, f)).slice(s.scale.perFrame > 40 ? 0 : -3))
}

/** A piece that goes at another speed says so before its length. */
function speedOf(section: Section): string {
  const [num, den] = section.speed.split('/').map(Number)
  return section.speed === '1' ? '' : num === 0 ? 'held ' : `${Math.round((num / (den || 1)) * 100)} % `
}

export function drawRenders(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.renders
  const [first, last] = inView(s, s.sequence.sections)
  for (let index = first; index < last; index++) {
    const render = renderOf(s.sequence, index)
    const { in: from, out: to } = render ?? s.sequence.sections[index]
    const x = toX(s.scale, from)
    const w = Math.max(0.6, toX(s.scale, to) - x - 1)
    if (render) {
      drawRender(g, render, x, w, top, bottom)
    } else if (w > 5) {
      dashed(g, '#5a5a5a', [3, 3], x + 1, top + 0.5, w - 2, bottom - top - 1)
    }
  }
}

function drawRender(g: CanvasRenderingContext2D, render: LaidRender, x: number, w: number, top: number, bottom: number) {
  g.fillStyle = '#59636a'
  g.fillRect(x, top, w, bottom - top)
  const stale = render.stale.length > 0
  if (stale) {
    hatch(g, x, top, w, bottom - top)
  }
  if (w > 40) {
    g.font = `12.5px ${MONO}`
    g.fillStyle = INK.text
    g.fillText(`v${String(render.version).padStart(3, '0')}`, x + 5, top + 15)
    if (stale) {
      g.font = `12.5px ${SANS}`
      const whole = `stale, ${render.stale.join(' and ')}`
      clipped(g, g.measureText(whole).width < w - 8 ? whole : 'stale', x + 5, bottom - 7, w - 8)
    }
  }
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
