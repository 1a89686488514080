/** Sound tracks: what is heard, and how loud. */

import { LABELS, toFrame, toX } from '../parts/scale'
import { loudness } from '../pictures/images'
import type { LaidSound } from '../server/types'
import { INK, SANS, type Scene } from './scene'

export function drawSound(g: CanvasRenderingContext2D, s: Scene) {
  const tracks = [...new Set(s.master.sound.map((p) => p.track))]
  s.master.sound.forEach((clip) => {
    const track = s.layout.sound[tracks.indexOf(clip.track)]
    if (!track) {
      return
    }
    const [top, bottom] = track
    const x0 = Math.max(LABELS, toX(s.scale, clip.in))
    const x1 = Math.min(s.width, toX(s.scale, clip.out))
    g.fillStyle = s.sound === clip.id ? '#33403e' : '#2a2a2a'
    g.fillRect(x0, top, x1 - x0, bottom - top)
    if (!clip.mediaId) {
      g.fillStyle = INK.offset
      g.font = `12px ${SANS}`
      g.fillText(`${clip.name}: sound to find`, x0 + 6, bottom - 8)
      return
    }
    const peaks = loudness(clip.mediaId, s.again)
    if (!peaks) {
      return
    }
    g.fillStyle = tracks.indexOf(clip.track) % 2 ? '#7d7768' : '#6b7b82'
    const middle = (top + bottom) / 2
    for (let x = x0; x < x1; x += 2) {
      const a = soundAt(s, clip.in, clip.fromSeconds, x)
      const b = Math.max(a + 1, soundAt(s, clip.in, clip.fromSeconds, x + 2))
      let loud = 0
      for (let i = Math.floor(a); i < b && i < peaks.length; i++) {
        loud = Math.max(loud, peaks[i] ?? 0)
      }
      const h = Math.max(1, (loud / 255) * Math.min(1.6, clip.gain) * (bottom - top - 4))
      g.fillRect(x, middle - h / 2, 1.4, h)
    }
    drawFades(g, s, clip, top, bottom)
  })
}

/** Fades as slanting lines; a clip that is not heard is crossed by a line. */
function drawFades(g: CanvasRenderingContext2D, s: Scene, clip: LaidSound, top: number, bottom: number) {
  g.strokeStyle = INK.text
  g.lineWidth = 1.2
  const line = (from: number, y0: number, to: number, y1: number) => {
    g.beginPath()
    g.moveTo(toX(s.scale, from), y0)
    g.lineTo(toX(s.scale, to), y1)
    g.stroke()
  }
  if (clip.fadeIn > 0) {
    line(clip.in, bottom, clip.in + clip.fadeIn, top)
  }
  if (clip.fadeOut > 0) {
    line(clip.out - clip.fadeOut, top, clip.out, bottom)
  }
  if (clip.gain === 0) {
    g.strokeStyle = INK.quiet
    line(clip.in, (top + bottom) / 2, clip.out, (top + bottom) / 2)
  }
  if (s.sound === clip.id) {
    g.strokeStyle = INK.live
    g.strokeRect(toX(s.scale, clip.in) + 1, top + 0.5, toX(s.scale, clip.out) - toX(s.scale, clip.in) - 2, bottom - top - 1)
  }
}

const soundAt = (s: Scene, clipIn: number, fromSeconds: number, x: number) =>
  ((toFrame(s.scale, x) - clipIn) / s.master.framesPerSecond + fromSeconds) * 50
