/** The three tracks of clips: the cut's, the shots, the renders. */

import { clipped, clippedName, dashed, hatch, strip } from '../parts/brush'
import { itemAt } from '../parts/lists'
import { LABELS, toFrame, toX } from '../parts/scale'
import { timesOf } from '../parts/speed'
import { versionName } from '../parts/words'
import { image } from '../pictures/images'
import { cutClipAt, gapsOf, mediaFrameAt, rendersOf, shotFrameAt } from '../playhead/lookup'
import type { Clip, LaidRender } from '../server/types'
import { drawTransitions, meetsBefore } from './drawTransitions'
import { coverByUpper, drawNests, outlineSelected } from './drawUpper'
import { CELLS, draggedEdge, forEachInView, INK, inView, MONO, SANS, type Scene, seen } from './scene'
import { shotPicture } from './shotPictures'

/** At full zoom: a cell for every frame, with its number. */
function drawCells(
  g: CanvasRenderingContext2D,
  s: Scene,
  from: number,
  to: number,
  top: number,
  height: number,
  number: (f: number) => string,
) {
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

/** Zoomed in, what is written on a clip stays in sight as long as any of it is. */
export function inSight(s: Scene, x: number, w: number, write: (at: number, room: number) => void) {
  const at = Math.max(x, LABELS) + 5
  write(at, Math.min(x + w, s.width) - at - 3)
}

const inSightOf = (s: Scene): [number, number] => [LABELS, s.width]

const frameAt = (clip: { in: number; out: number }, share: number) => Math.floor(clip.in + (clip.out - clip.in) * share)

const boardPicture = (s: Scene, mediaId: number, frame: number) => image(`/api/media/${mediaId}/picture?width=240&frame=${frame}`, s.again)

export function drawCut(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.cut
  const { clips } = s.master.cut
  const looks = { found: '#77746c', missing: '#3a3a3a', slate: '#2b2b2b' }
  forEachInView(
    s,
    clips,
    (i) => (itemAt(clips, i).mediaId ? 'found' : itemAt(clips, i).slate ? 'slate' : 'missing'),
    ({ index, x, width: w, look }) => {
      const clip = itemAt(clips, index)
      g.fillStyle = looks[look]
      g.fillRect(x, top, w, bottom - top)
      const { mediaId } = clip
      if (mediaId && w > 3) {
        strip(g, inSightOf(s), x, top, w, bottom - top, (share) => boardPicture(s, mediaId, mediaFrameAt(clip, frameAt(clip, share))))
      }
      if (!clip.mediaId && !clip.slate && w > 6) {
        dashed(g, INK.offset, [4, 3], x + 1, top + 1, w - 2, bottom - top - 2)
      }
      if (w > 34) {
        g.fillStyle = 'rgba(34,34,34,0.72)'
        g.fillRect(x, bottom - 17, w, 17)
        g.fillStyle = INK.text
        g.font = `12px ${SANS}`
        inSight(s, x, w, (at, room) => clippedName(g, clip.name, at, bottom - 4.5, room))
      }
      drawCells(g, s, clip.in, clip.out, top, 13, (f) => s.label(f).slice(-2))
    },
    ({ x, width, look }) => {
      g.fillStyle = looks[look]
      g.fillRect(x, top, width, bottom - top)
      if (look === 'missing') {
        dashed(g, INK.offset, [4, 3], x, top + 1, width, 0)
      }
    },
  )
  drawTransitions(g, s, clips, s.layout.cut, meetsBefore(clips))
}

export function drawShots(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.shots
  const { clips } = s.master
  const colour = (look: string) => (look === 'staged' ? INK.shot : '#3d3d3d')
  forEachInView(
    s,
    clips,
    (i) => (itemAt(clips, i).staged ? 'staged' : 'empty'),
    ({ index, x, width }) => {
      drawShot(g, s, itemAt(clips, index), x, width, top, bottom)
    },
    ({ x, width, look }) => {
      g.fillStyle = colour(look)
      g.fillRect(x, top, width, bottom - top)
    },
    draggedEdge,
  )
  drawTransitions(g, s, clips, s.layout.shots, meetsBefore(clips))
  drawNests(g, s)
  coverByUpper(g, s)
  outlineSelected(g, s, clips, s.layout.shots, draggedEdge)
}

function drawShot(g: CanvasRenderingContext2D, s: Scene, clip: Clip, x: number, w: number, top: number, bottom: number) {
  const head = 18
  g.fillStyle = clip.staged ? INK.shot : '#3d3d3d'
  g.fillRect(x, top, w, bottom - top)
  const room = bottom - top - head
  if (clip.content !== 'SHOT') {
    drawOther(g, clip, x, w, top + head, room)
  } else if (clip.staged && w > 18) {
    strip(g, inSightOf(s), x, top + head, w, room, (share) =>
      shotPicture(clip, shotFrameAt(clip, frameAt(clip, share)), s.master.seq, s.again),
    )
  } else {
    drawUnstaged(g, s, clip, x, w, top + head, room)
  }
  if (w > 12) {
    g.fillStyle = 'rgba(24,24,24,0.66)'
    g.fillRect(x, top, w, head)
  }
  // one that is too short for its speed in words has a line in the colour of what differs
  if (clip.speed !== '1' || clip.retimeKeys) {
    g.fillStyle = INK.offset
    g.fillRect(x, top, w, 2)
  }
  if (w > 40) {
    g.font = `600 12.5px ${MONO}`
    g.fillStyle = INK.text
    const long = g.measureText(clip.code).width + 8 < w
    inSight(s, x, w, (at, room) => clipped(g, long ? clip.code : clip.code.replace(/^[a-z]+/, ''), at, top + 13, room))
    const count = `${speedOf(clip)}${draggedEdge(s, clip.out) - draggedEdge(s, clip.in)}`
    g.font = `12px ${MONO}`
    if (w > g.measureText(clip.code + count).width + 30) {
      g.fillStyle = INK.quiet
      g.textAlign = 'right'
      g.fillText(count, x + w - 5, top + 13)
      g.textAlign = 'left'
    }
  }
  if (!clip.enabled) {
    g.fillStyle = 'rgba(24,24,24,0.72)'
    g.fillRect(x, top + head, w, room)
    g.fillStyle = INK.quiet
    g.font = `12.5px ${SANS}`
    clipped(g, 'off', x + 6, top + head + room / 2 + 4, w - 8)
  }
  drawKeys(g, s, clip, bottom)
  drawCells(g, s, clip.in, clip.out, bottom - 15, 15, (f) => String(shotFrameAt(clip, f)).slice(s.scale.perFrame > 40 ? 0 : -3))
}

/** Nobody staged it yet: its board, faint. */
function drawUnstaged(g: CanvasRenderingContext2D, s: Scene, clip: Clip, x: number, w: number, y: number, h: number) {
  const board = (share: number) => {
    const at = frameAt(clip, share)
    const inCut = cutClipAt(s.master, at)
    const frame = !clip.boardMoves ? 0 : inCut?.mediaId === clip.mediaId && inCut ? mediaFrameAt(inCut, at) : undefined
    return clip.mediaId && frame !== undefined && w > 3 ? boardPicture(s, clip.mediaId, frame) : undefined
  }
  g.globalAlpha = 0.38
  strip(g, inSightOf(s), x, y, w, h, board)
  g.globalAlpha = 1
  if (w > 74) {
    g.fillStyle = clip.mediaId ? INK.text : INK.quiet
    g.font = `12.5px ${SANS}`
    g.fillText('not staged', x + 6, y + h / 2 + 4)
  }
}

/** Keys of a changing speed, at the foot of the clip. */
function drawKeys(g: CanvasRenderingContext2D, s: Scene, clip: Clip, bottom: number) {
  g.fillStyle = INK.text
  for (const key of clip.keys) {
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
function drawOther(g: CanvasRenderingContext2D, clip: Clip, x: number, w: number, y: number, h: number) {
  g.fillStyle = clip.content === 'BLACK' ? '#111111' : clip.content === 'SLATE' ? '#2b2b2b' : '#59636a'
  g.fillRect(x, y, w, h)
  if (w > 40 && clip.content !== 'BLACK') {
    g.fillStyle = INK.quiet
    g.font = `12.5px ${SANS}`
    clipped(g, clip.content === 'SLATE' ? `“${clip.code}”` : 'render', x + 6, y + h / 2 + 4, w - 10)
  }
}

/** A clip that goes at another speed says so before its length. */
function speedOf(clip: Clip): string {
  const shown = Math.round(timesOf(clip.speed) * 100)
  return clip.keys.length > 0 || clip.retimeKeys
    ? `keyed ${shown} % `
    : clip.speed === '1'
      ? ''
      : clip.speed === '0'
        ? 'held '
        : `${shown} % `
}

export function drawRenders(g: CanvasRenderingContext2D, s: Scene) {
  const [top, bottom] = s.layout.renders
  const [first, last] = inView(s, s.master.clips)
  for (let index = first; index < last; index++) {
    const renders = rendersOf(s.master, index)
    for (const render of renders) {
      const x = toX(s.scale, render.in)
      drawRender(g, s, render, x, Math.max(0.6, toX(s.scale, render.out) - x - 1), top, bottom)
    }
    const { in: from, out: to } = itemAt(s.master.clips, index)
    const x = toX(s.scale, from)
    const w = toX(s.scale, to) - x - 1
    if (renders.length === 0 && w > 5) {
      dashed(g, '#5a5a5a', [3, 3], x + 1, top + 0.5, w - 2, bottom - top - 1)
    }
  }
  // over all of them: where a seam was moved, the neighbour's render lies on the frames that this one's have not
  for (let index = first; index < last; index++) {
    for (const gap of gapsOf(s.master, index)) {
      drawGap(g, s, gap.in, gap.out, top, bottom)
    }
  }
}

/** Frames that no render has, counted. */
function drawGap(g: CanvasRenderingContext2D, s: Scene, from: number, to: number, top: number, bottom: number) {
  const x = toX(s.scale, from)
  const w = Math.max(2, toX(s.scale, to) - x - 1)
  dashed(g, INK.offset, [3, 3], x + 0.5, top + 0.5, Math.max(1, w - 1), bottom - top - 1)
  g.font = `12.5px ${MONO}`
  const count = `${to - from}`
  if (g.measureText(count).width < w - 4) {
    g.fillStyle = INK.offset
    clipped(g, count, x + 3, top + 15, w - 4)
  }
}

function drawRender(g: CanvasRenderingContext2D, s: Scene, render: LaidRender, x: number, w: number, top: number, bottom: number) {
  g.fillStyle = '#59636a'
  g.fillRect(x, top, w, bottom - top)
  const stale = render.stale.length > 0
  if (stale) {
    hatch(g, x, top, w, bottom - top)
  }
  if (w > 60 && !stale) {
    strip(g, inSightOf(s), x, top + 20, w, bottom - top - 20, (share) =>
      image(`/api/renders/${render.renderId}/picture?frame=${frameAt(render, share) - render.zero}`, s.again),
    )
  }
  if (w > 40) {
    g.font = `12.5px ${MONO}`
    g.fillStyle = INK.text
    const version = versionName(render.version)
    const low = bottom - top < 34
    const both = `${version} stale`
    clipped(g, !low || !stale ? version : g.measureText(both).width < w - 8 ? both : 'stale', x + 5, top + 15, w - 8)
    if (stale && !low) {
      g.font = `12.5px ${SANS}`
      const whole = `stale, ${render.stale.join(' and ')}`
      clipped(g, g.measureText(whole).width < w - 8 ? whole : 'stale', x + 5, bottom - 7, w - 8)
    }
  }
}
