/** The three lanes of pieces: the cut's, the shots, the renders. */
import type { CutPieces, LaidRender, Section } from '../server/types'
import { renderOf, shotFrameAt } from '../playhead/lookup'
import { image } from './images'
import { LABELS } from './lanes'
import { toFrame, toX } from './scale'
import { shotPicture } from './shotPictures'
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

/** Another version of the cut along the foot of the cut's lane, and the master as it once was along the foot of its own. */
export function drawOver(g: CanvasRenderingContext2D, s: Scene) {
  if (s.over) {
    drawLaidOver(g, s, s.over, `version ${s.over.version}`, s.layout.cut, s.sequence.cut.pieces)
  }
}

export function drawPast(g: CanvasRenderingContext2D, s: Scene) {
  if (s.past) {
    drawLaidOver(g, s, s.past, `after “${s.past.name}”`, s.layout.shots, s.sequence.sections)
  }
}

/** A strip of pieces: an edge that the lane under it does not have is drawn in full. */
function drawLaidOver(g: CanvasRenderingContext2D, s: Scene, over: CutPieces, title: string, lane: [number, number], under: { in: number; out: number }[]) {
  const bottom = lane[1]
  const high = Math.max(16, Math.min(34, (bottom - lane[0]) * 0.45))
  const top = bottom - high
  const known = new Set(under.flatMap((p) => [p.in, p.out]))
  const { pieces } = over
  const [first, last] = inView(s, pieces)
  for (const piece of pieces.slice(first, last)) {
    const x = toX(s.scale, piece.in)
    const w = Math.max(0.6, toX(s.scale, piece.out) - x - 1)
    g.fillStyle = 'rgba(40,40,40,0.86)'
    g.fillRect(x, top, w, bottom - top)
    if (w > 34) {
      g.fillStyle = INK.text
      g.font = `12px ${SANS}`
      clipped(g, piece.name, x + 5, top + 13, w - 8)
      if (high > 30) {
        g.fillStyle = INK.quiet
        g.font = `12px ${MONO}`
        clipped(g, String(piece.out - piece.in), x + 5, bottom - 5, w - 8)
      }
    }
    for (const edge of [piece.in, piece.out]) {
      if (!known.has(edge)) {
        g.fillStyle = INK.bent
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

/** A lane above the main one: where a piece of it is live it is bright, where a higher one is, or it is off, dim. */
export function drawUpper(g: CanvasRenderingContext2D, s: Scene, upper: number) {
  const span = s.layout.upper[upper]
  const { lane, sections } = s.sequence.upper[upper]
  if (!span) {
    return
  }
  const [top, bottom] = span
  g.fillStyle = lane.locked ? '#272727' : '#2d2d2d'
  g.fillRect(LABELS, top, s.width - LABELS, bottom - top)
  const looks = (i: number) => (!lane.enabled || !sections[i].enabled ? 'off' : sections[i].content === 'SHOT' && !sections[i].staged ? 'empty' : 'staged')
  const inks: Record<string, string> = { off: '#353535', empty: '#434343', staged: INK.shot }
  forEachInView(s, sections, looks, ({ index, x, width, look }) => {
    const section = sections[index]
    g.fillStyle = inks[look]
    g.fillRect(x, top, width, bottom - top)
    if (width > 30) {
      g.font = `600 12px ${MONO}`
      g.fillStyle = look === 'off' ? INK.quiet : INK.text
      clipped(g, `${section.nest ? `${section.nest.name} · ` : ''}${section.code}`, x + 5, bottom - 7, width - 8)
    }
  }, ({ x, width, look }) => {
    g.fillStyle = inks[look]
    g.fillRect(x, top, width, bottom - top)
  })
  for (const live of s.sequence.live) {
    const x = toX(s.scale, live.in)
    const w = toX(s.scale, live.out) - x
    if (live.upper === upper && seen(s, x, x + w)) {
      g.fillStyle = '#c9d3d8'
      g.fillRect(x, top, Math.max(1, w - 1), 2.5)
    }
  }
  markChosen(g, s, sections, span)
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
  drawNests(g, s)
  coverByUpper(g, s)
  markChosen(g, s, sections, s.layout.shots)
}

/** Where a lane above is live, the main lane is seen behind it. */
function coverByUpper(g: CanvasRenderingContext2D, s: Scene) {
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
function drawNests(g: CanvasRenderingContext2D, s: Scene) {
  const [top] = s.layout.shots
  const { sections } = s.sequence
  const [first, last] = inView(s, sections)
  for (let i = first; i < last; i++) {
    const { nest, id } = sections[i]
    if (!nest) {
      continue
    }
    let end = i
    while (end + 1 < sections.length && sections[end + 1].id === id) {
      end++
    }
    let begin = i
    while (begin > 0 && sections[begin - 1].id === id) {
      begin--
    }
    const x0 = toX(s.scale, sections[begin].in)
    const x1 = toX(s.scale, sections[end].out) - 1
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

function markChosen(g: CanvasRenderingContext2D, s: Scene, sections: Section[], [top, bottom]: [number, number]) {
  const chosen = new Set(s.pieces)
  g.fillStyle = 'rgba(94,194,183,0.28)'
  for (const section of chosen.size ? sections : []) {
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
  if (section.content !== 'SHOT') {
    drawOther(g, section, x, w, top + head, room)
  } else if (section.staged && w > 18) {
    const picture = shotPicture(section, s.sequence.seq, s.again)
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
  drawKeys(g, s, section, bottom)
  drawCells(g, s, section.in, section.out, bottom - 15, 15, (f) => String(shotFrameAt(section, f)).slice(s.scale.perFrame > 40 ? 0 : -3))
}

/** Keys of a changing speed, at the foot of the piece. */
function drawKeys(g: CanvasRenderingContext2D, s: Scene, section: Section, bottom: number) {
  g.fillStyle = INK.text
  for (const key of section.keys) {
    const x = toX(s.scale, key.at)
    if (seen(s, x - 5, x + 5)) {
      g.beginPath()
      g.moveTo(x, bottom - 10)
      g.lineTo(x + 4.5, bottom - 5)
      g.lineTo(x, bottom)
      g.lineTo(x - 4.5, bottom - 5)
      g.closePath()
      g.fill()
    }
  }
}

/** Black, a slate, or a finished render. */
function drawOther(g: CanvasRenderingContext2D, section: Section, x: number, w: number, y: number, h: number) {
  g.fillStyle = section.content === 'BLACK' ? '#111111' : section.content === 'SLATE' ? '#2b2b2b' : '#59636a'
  g.fillRect(x, y, w, h)
  if (w > 40 && section.content !== 'BLACK') {
    g.fillStyle = INK.quiet
    g.font = `12.5px ${SANS}`
    clipped(g, section.content === 'SLATE' ? `“${section.code}”` : 'render', x + 6, y + h / 2 + 4, w - 10)
  }
}

/** A piece that goes at another speed says so before its length. */
function speedOf(section: Section): string {
  const [num, den] = section.speed.split('/').map(Number)
  return section.keys.length > 0 || section.bends ? `bent ${Math.round((num / (den || 1)) * 100)} % ` : section.speed === '1' ? '' : num === 0 ? 'held ' : `${Math.round((num / (den || 1)) * 100)} % `
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
      drawRender(g, s, render, x, w, top, bottom)
    } else if (w > 5) {
      dashed(g, '#5a5a5a', [3, 3], x + 1, top + 0.5, w - 2, bottom - top - 1)
    }
  }
}

function drawRender(g: CanvasRenderingContext2D, s: Scene, render: LaidRender, x: number, w: number, top: number, bottom: number) {
  g.fillStyle = '#59636a'
  g.fillRect(x, top, w, bottom - top)
  const stale = render.stale.length > 0
  if (stale) {
    hatch(g, x, top, w, bottom - top)
  }
  const middle = Math.floor((render.out - render.in) / 2)
  const picture = w > 60 && !stale ? image(`/api/renders/${render.renderId}/picture?frame=${middle}`, s.again) : undefined
  if (picture) {
    cover(g, picture, x, top + 20, w, bottom - top - 20)
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
