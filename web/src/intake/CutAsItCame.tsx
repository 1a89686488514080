import { useEffect, useReducer, useRef, useState } from 'react'
import { useActions } from '../desk/actions'
import { rightOf, strip } from '../parts/brush'
import { LABELS, panned, scaleOf, toFrame, toX, withFrame, type Zoom, zoomed } from '../parts/scale'
import { useDrawing } from '../parts/useDrawing'
import { useWheel } from '../parts/useWheel'
import { plural } from '../parts/words'
import { image, loudness } from '../pictures/images'
import { useSize } from '../pictures/useSize'
import type { IntakeCut } from '../server/types'

const HEIGHT = { picture: 62, title: 30, shots: 30, sound: 24, more: 18 }

const LEFT = LABELS + 12

/** How much of a clip is seen that is switched off. */
const OFF = 0.4

type Props = { cut: IntakeCut; shot: number; choose: (index: number) => void }

/** The cut as it came above, the shots as they will be under it, a bracket with a count where clips become one shot. */
export function CutAsItCame({ cut, shot, choose }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width } = useSize(holder)
  const [, again] = useReducer((n: number) => n + 1, 0)
  const pictures = cut.tracks.filter((l) => l.kind === 'picture').reverse()
  const soundTracks = [...new Set(cut.sound.map((s) => s.track))]
  const sounds = soundTracks.slice(0, 3)
  const notShown = soundTracks.length - sounds.length
  const height =
    28 +
    (pictures.length - 1) * (HEIGHT.title + 6) +
    HEIGHT.picture +
    22 +
    HEIGHT.shots +
    12 +
    sounds.length * (HEIGHT.sound + 4) +
    (notShown ? HEIGHT.more : 0) +
    8
  const [zoom, setZoom] = useState<Zoom>()
  const scale = scaleOf(cut, zoom, LEFT, width)
  const x = (frame: number) => toX(scale, frame)
  const chosen = cut.shots[shot]
  // what is chosen in the table is seen here
  useEffect(() => setZoom((now) => (chosen ? withFrame(cut, now, chosen.in) : now)), [cut, chosen])
  useWheel(
    canvas,
    (factor, at) => setZoom((now) => zoomed(cut, now, factor, toFrame(scale, at))),
    (pixels) => setZoom((now) => panned(cut, now, pixels / scale.perFrame)),
  )
  const about = chosen ? (chosen.in + chosen.out) / 2 : (cut.start + cut.end) / 2
  useActions('cut-tracks', [
    { group: 'Intake', name: 'Zoom in', keys: '= Ctrl+ArrowUp', run: () => setZoom((now) => zoomed(cut, now, 0.6, about)) },
    { group: 'Intake', name: 'Zoom out', keys: 'Ctrl+ArrowDown Z', run: () => setZoom((now) => zoomed(cut, now, 1 / 0.6, about)) },
    { group: 'Intake', name: 'Show the whole cut', keys: 'Shift+Home H', run: () => setZoom(undefined) },
  ])

  useDrawing(canvas, width, height, (g) => {
    draw(g)
  })

  function draw(g: CanvasRenderingContext2D) {
    g.font = '12.5px "Atkinson Hyperlegible Mono", monospace'
    g.fillStyle = '#b3b3b3'
    g.fillText(zoom ? `${Math.round(zoom.span)} of ${plural(cut.end - cut.start, 'frame')}` : cut.startTimecode, LEFT, 16)
    g.textAlign = 'right'
    g.fillText(zoom ? 'H shows the whole cut' : cut.endTimecode, width - 16, 16)
    g.textAlign = 'left'
    let y = 26
    pictures.forEach((track, i) => {
      const h = i === pictures.length - 1 ? HEIGHT.picture : HEIGHT.title
      const count = plural(track.events.length, 'clip')
      name(g, track.name, track.enabled ? count : `${count}, off`, y + h / 2)
      rightOf(g, LEFT - 1, width, height, () => drawTrack(g, track, y, h))
      y += h + 6
    })
    const shotsAt = y + 16
    name(g, 'Shots', !cut.first ? 'as we have them' : cut.received ? 'as made' : 'as they will be', shotsAt + HEIGHT.shots / 2)
    rightOf(g, LEFT - 1, width, height, () => drawShots(g, shotsAt))
    y += 16 + HEIGHT.shots + 12
    sounds.forEach((track) => {
      nameSound(g, track, y)
      rightOf(g, LEFT - 1, width, height, () => drawSound(g, track, y))
      y += HEIGHT.sound + 4
    })
    if (notShown) {
      g.font = '12px "Atkinson Hyperlegible Next", sans-serif'
      g.fillStyle = '#b3b3b3'
      g.fillText(`and ${plural(notShown, 'more sound track')}`, 16, y + 12)
    }
  }

  const inView = (clip: { in: number; out: number }) => x(clip.out) > LEFT - 2 && x(clip.in) < width

  function drawTrack(g: CanvasRenderingContext2D, track: IntakeCut['tracks'][number], y: number, h: number) {
    for (const event of track.events.filter(inView)) {
      g.globalAlpha = track.enabled && event.enabled ? 1 : OFF
      const x0 = x(event.in)
      const w = Math.max(0.6, x(event.out) - x0 - 1)
      g.fillStyle = event.mediaId ? '#e9e4d8' : '#3a3a3a'
      g.fillRect(x0, y, w, h)
      if (event.mediaId && w > 12) {
        strip(g, [LEFT, width], x0, y, w, h, () => image(`/api/media/${event.mediaId}/picture?width=240&frame=${event.mediaFrame}`, again))
      }
      if (!event.mediaId && !event.slate && w > 3) {
        g.strokeStyle = '#f0a648'
        g.setLineDash([4, 3])
        g.strokeRect(x0 + 1, y + 1, w - 2, h - 2)
        g.setLineDash([])
      }
      if (w > 40) {
        g.fillStyle = event.mediaId ? 'rgba(34,34,34,0.72)' : 'transparent'
        g.fillRect(x0, y + h - 16, w, 16)
        g.fillStyle = '#ededed'
        g.save()
        g.beginPath()
        g.rect(x0, y, w - 4, h)
        g.clip()
        g.font = '12px "Atkinson Hyperlegible Next", sans-serif'
        g.fillText(event.enabled ? event.name : `${event.name}, off`, Math.max(x0, LEFT) + 5, y + h - 4.5)
        g.restore()
      }
    }
    g.globalAlpha = 1
  }

  function drawShots(g: CanvasRenderingContext2D, y: number) {
    cut.shots.forEach((s, i) => {
      if (!inView(s)) {
        return
      }
      const x0 = x(s.in)
      const w = Math.max(0.6, x(s.out) - x0 - 1)
      g.strokeStyle = s.parts > 1 ? '#5ec2b7' : '#6a6a6a'
      g.lineWidth = s.parts > 1 ? 2 : 1
      g.beginPath()
      g.moveTo(x0 + 1, y - 16)
      g.lineTo(x0 + 1, y - 11)
      g.lineTo(x0 + w - 1, y - 11)
      g.lineTo(x0 + w - 1, y - 16)
      g.stroke()
      if (s.parts > 1 && w > 14) {
        g.fillStyle = '#5ec2b7'
        g.beginPath()
        g.roundRect(x0 + w / 2 - 11, y - 20, 22, 17, 8)
        g.fill()
        g.fillStyle = '#10201e'
        g.font = '600 12px "Atkinson Hyperlegible Mono", monospace'
        g.textAlign = 'center'
        g.fillText(String(s.parts), x0 + w / 2, y - 7)
        g.textAlign = 'left'
      }
      g.fillStyle = '#6b7a81'
      g.fillRect(x0, y, w, HEIGHT.shots)
      if (i === shot) {
        g.strokeStyle = '#5ec2b7'
        g.lineWidth = 2.5
        g.strokeRect(x0 + 1, y + 1, w - 2, HEIGHT.shots - 2)
      }
      if (w > 38) {
        g.fillStyle = '#ffffff'
        g.font = '600 12.5px "Atkinson Hyperlegible Mono", monospace'
        g.fillText(w > 60 ? s.code : s.code.replace(/^[a-z]+/, ''), Math.max(x0, LEFT) + 6, y + 19)
        if (w > 92) {
          g.textAlign = 'right'
          g.font = '12px "Atkinson Hyperlegible Mono", monospace'
          g.fillText(String(s.out - s.in), x0 + w - 6, y + 19)
          g.textAlign = 'left'
        }
      }
    })
  }

  function nameSound(g: CanvasRenderingContext2D, track: string, y: number) {
    const first = cut.sound.find((s) => s.track === track)
    g.font = '600 13px "Atkinson Hyperlegible Next", sans-serif'
    g.fillStyle = '#ededed'
    g.fillText(track, 16, y + HEIGHT.sound / 2 + 5)
    g.font = '12px "Atkinson Hyperlegible Next", sans-serif'
    g.fillStyle = '#b3b3b3'
    g.fillText((first?.name.replace(/\.[a-z0-9]+$/i, '') ?? '').slice(0, 10), 38, y + HEIGHT.sound / 2 + 5)
  }

  function drawSound(g: CanvasRenderingContext2D, track: string, y: number) {
    for (const clip of cut.sound.filter((s) => s.track === track && inView(s))) {
      const x0 = x(clip.in)
      const x1 = x(clip.out)
      g.fillStyle = '#2a2a2a'
      g.fillRect(x0, y, x1 - x0, HEIGHT.sound)
      const peaks = clip.mediaId ? loudness(clip.mediaId, again) : undefined
      if (peaks) {
        g.fillStyle = sounds.indexOf(track) % 2 ? '#7d7768' : '#6b7b82'
        for (let px = Math.max(x0, LEFT - 2); px < Math.min(x1, width); px += 2) {
          const h = Math.max(1, ((peaks[Math.floor(((px - x0) / (x1 - x0)) * peaks.length)] ?? 0) / 255) * (HEIGHT.sound - 2))
          g.fillRect(px, y + HEIGHT.sound / 2 - h / 2, 1.4, h)
        }
      }
    }
  }

  function name(g: CanvasRenderingContext2D, title: string, quiet: string, middle: number) {
    g.font = '600 14px "Atkinson Hyperlegible Next", sans-serif'
    g.fillStyle = '#ededed'
    g.fillText(title, 16, middle - 2)
    g.font = '12px "Atkinson Hyperlegible Next", sans-serif'
    g.fillStyle = '#b3b3b3'
    g.fillText(quiet.slice(0, 16), 16, middle + 13)
  }

  const press = (e: React.MouseEvent) => {
    const at = e.clientX - e.currentTarget.getBoundingClientRect().left
    const index = cut.shots.findIndex((s) => at >= x(s.in) && at < x(s.out))
    if (index >= 0) {
      choose(index)
    }
  }

  return (
    <div ref={holder} className="shrink-0 border-b border-black/40 bg-deep">
      <canvas
        ref={canvas}
        style={{ width, height, display: 'block' }}
        onClick={press}
        role="img"
        aria-label={`${cut.tracks.reduce((n, l) => n + l.events.length, 0)} clips become ${plural(cut.shots.length, 'shot')}`}
        data-picture="cut"
      />
    </div>
  )
}
