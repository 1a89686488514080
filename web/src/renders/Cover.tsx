import { useRef } from 'react'
import { useDesk } from '../desk/desk'
import { INK, MONO, SANS } from '../parts/ink'
import { useDrawing } from '../parts/useDrawing'
import { versionName } from '../parts/words'
import { useSize } from '../pictures/useSize'
import { gapsOf, rendersOf } from '../playhead/lookup'
import { goTo } from '../playhead/transport'
import type { Master, Render } from '../server/types'

const ROW = 22
const TOP = 18
const NAMES = 64
const GRADES = ['FINAL', 'DRAFT'] as const

/** What of the master is covered by renders of which grade, shot by shot, and what is being drawn. A click chooses a shot. */
export function Cover({
  master,
  renders,
  chosen,
  choose,
}: {
  master: Master
  renders: Render[]
  chosen: ReadonlySet<number>
  choose: (shotId: number) => void
}) {
  const box = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width } = useSize(box)
  const height = TOP + ROW * GRADES.length + 6
  const span = Math.max(1, master.masterEnd - master.masterStart)
  const toX = (f: number) => NAMES + ((f - master.masterStart) / span) * (width - NAMES - 4)
  const underWay = new Map(renders.filter((r) => r.state === 'DRAWING' && r.shotId).map((r) => [r.shotId, r]))
  useDrawing(canvas, width, height, (g) => {
    g.clearRect(0, 0, width, height)
    g.font = `12.5px ${SANS}`
    g.fillStyle = INK.quiet
    g.fillText('Final', 0, TOP + 15)
    g.fillText('Draft', 0, TOP + ROW + 15)
    g.font = `12px ${MONO}`
    let free = NAMES
    master.clips.forEach((clip, index) => {
      const x = toX(clip.in)
      const w = Math.max(0.7, toX(clip.out) - x - 1)
      const on = chosen.has(clip.shotId)
      g.fillStyle = on ? '#44514e' : '#333333'
      g.fillRect(x, TOP, w, ROW * 2)
      if (x >= free && clip.shotId !== 0) {
        g.fillStyle = on ? INK.text : INK.quiet
        g.fillText(clip.code, x, 12)
        free = x + g.measureText(clip.code).width + 8
      }
      for (const render of rendersOf(master, index)) {
        const y = TOP + (render.grade === 'FINAL' ? 0 : ROW)
        const from = toX(Math.max(render.in, clip.in))
        const to = toX(Math.min(render.out, clip.out))
        g.fillStyle = render.stale.length > 0 ? '#5b4d84' : '#5f6b73'
        g.fillRect(from, y + 1, Math.max(0.7, to - from - 1), ROW - 3)
        if (to - from > 38) {
          g.fillStyle = INK.text
          g.fillText(render.stale.length > 0 ? 'stale' : versionName(render.version), from + 4, y + 15)
        }
      }
      for (const gap of gapsOf(master, index)) {
        g.strokeStyle = INK.offset
        g.setLineDash([3, 3])
        g.strokeRect(toX(gap.in) + 0.5, TOP + ROW + 1.5, Math.max(1, toX(gap.out) - toX(gap.in) - 2), ROW - 4)
        g.setLineDash([])
        const count = String(gap.out - gap.in)
        if (g.measureText(count).width < toX(gap.out) - toX(gap.in) - 4) {
          g.fillStyle = INK.offset
          g.fillText(count, toX(gap.in) + 3, TOP + ROW + 15)
        }
      }
      const drawing = underWay.get(clip.shotId)
      if (drawing && clip.shotId !== 0) {
        const y = TOP + (drawing.grade === 'FINAL' ? 0 : ROW)
        g.strokeStyle = INK.live
        g.strokeRect(x + 0.5, y + 1.5, Math.max(1, w - 1), ROW - 4)
        g.fillStyle = INK.live
        g.fillRect(x, y + 1, w * Math.min(1, drawing.framesDone / drawing.frames), ROW - 3)
      }
    })
  })
  const at = (x: number) => {
    const f = master.masterStart + ((x - NAMES) / Math.max(1, width - NAMES - 4)) * span
    return master.clips.find((s) => s.in <= f && f < s.out)
  }
  return (
    <div ref={box} className="relative w-full" style={{ height }}>
      <canvas
        ref={canvas}
        className="absolute inset-0"
        role="img"
        aria-label={`Cover: ${master.counts.rendered} of ${master.counts.shots} shots rendered, ${master.counts.outOfDate} stale or in part`}
        onClick={(e) => {
          const clip = at(e.nativeEvent.offsetX)
          if (clip) {
            goTo(clip.in)
            if (clip.shotId !== 0 && (e.ctrlKey || e.metaKey || e.shiftKey)) {
              choose(clip.shotId)
            }
          }
        }}
      />
      <Playhead toX={toX} />
    </div>
  )
}

/** By itself: the tracks are not drawn again while it runs. */
function Playhead({ toX }: { toX: (frame: number) => number }) {
  const frame = useDesk((d) => d.frame)
  return (
    <div
      className="pointer-events-none absolute w-px bg-text"
      style={{ left: toX(frame), top: TOP - 3, height: ROW * 2 + 6 }}
      aria-hidden
    />
  )
}
