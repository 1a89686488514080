/** Sound lanes: what is heard, and how loud. */

import { LABELS, toFrame, toX } from '../parts/scale'
import { loudness } from '../pictures/images'
import type { LaidSound } from '../server/types'
import { INK, SANS, type Scene } from './scene'

export function drawSound(g: CanvasRenderingContext2D, s: Scene) {
  const lanes = [...new Set(s.sequence.sound.map((p) => p.lane))]
  s.sequence.sound.forEach((piece) => {
    const lane = s.layout.sound[lanes.indexOf(piece.lane)]
    if (!lane) {
      return
    }
    const [top, bottom] = lane
    const x0 = Math.max(LABELS, toX(s.scale, piece.in))
    const x1 = Math.min(s.width, toX(s.scale, piece.out))
    g.fillStyle = s.sound === piece.id ? '#33403e' : '#2a2a2a'
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
        loud = Math.max(loud, peaks[i] ?? 0)
      }
      const h = Math.max(1, (loud / 255) * Math.min(1.6, piece.gain) * (bottom - top - 4))
      g.fillRect(x, middle - h / 2, 1.4, h)
    }
    drawFades(g, s, piece, top, bottom)
  })
}

/** Fades as slanting lines; a piece that is not heard is crossed by a line. */
function drawFades(g: CanvasRenderingContext2D, s: Scene, piece: LaidSound, top: number, bottom: number) {
  g.strokeStyle = INK.text
  g.lineWidth = 1.2
  const line = (from: number, y0: number, to: number, y1: number) => {
    g.beginPath()
    g.moveTo(toX(s.scale, from), y0)
    g.lineTo(toX(s.scale, to), y1)
    g.stroke()
  }
  if (piece.fadeIn > 0) {
    line(piece.in, bottom, piece.in + piece.fadeIn, top)
  }
  if (piece.fadeOut > 0) {
    line(piece.out - piece.fadeOut, top, piece.out, bottom)
  }
  if (piece.gain === 0) {
    g.strokeStyle = INK.quiet
    line(piece.in, (top + bottom) / 2, piece.out, (top + bottom) / 2)
  }
  if (s.sound === piece.id) {
    g.strokeStyle = INK.live
    g.strokeRect(toX(s.scale, piece.in) + 1, top + 0.5, toX(s.scale, piece.out) - toX(s.scale, piece.in) - 2, bottom - top - 1)
  }
}

const soundAt = (s: Scene, pieceIn: number, fromSeconds: number, x: number) =>
  ((toFrame(s.scale, x) - pieceIn) / s.sequence.framesPerSecond + fromSeconds) * 50
