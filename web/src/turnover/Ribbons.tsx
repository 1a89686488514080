import { useRef } from 'react'
import { clippedName } from '../parts/brush'
import { itemAt } from '../parts/lists'
import { LABELS } from '../parts/scale'
import { useDrawing } from '../parts/useDrawing'
import { plural } from '../parts/words'
import { useSize } from '../pictures/useSize'
import { useAtPlayhead } from '../playhead/atPlayhead'
import type { Change, Master, Turnover } from '../server/types'

const HEIGHT = 292
const OURS = [38, 90] as const
const THEIRS = [206, 258] as const

type Props = { list: Turnover; master: Master; selected?: number; choose: (index: number) => void }

/** Our master above, the newer cut below, a ribbon for every shot. */
export function Ribbons({ list, master, selected, choose }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width } = useSize(holder)
  const line = useRef<HTMLDivElement>(null)
  const start = Math.min(master.start, list.theirs[0]?.in ?? master.start)
  const span = Math.max(master.end, list.theirs[list.theirs.length - 1]?.out ?? 0) - start
  const x = (f: number) => LABELS + 12 + ((f - start) / Math.max(1, span)) * (width - LABELS - 30)

  useDrawing(canvas, width, HEIGHT, (g) => {
    drawNames(g)
    drawRibbons(g)
    list.ours.forEach((p, i) =>
      drawClip(
        g,
        p,
        OURS,
        '#647279',
        list.changes.some((c) => c.ours === i && c.index === selected),
        true,
      ),
    )
    list.theirs.forEach((p, i) =>
      drawClip(
        g,
        p,
        THEIRS,
        '#e9e4d8',
        list.changes.some((c) => c.theirs === i && c.index === selected),
        false,
      ),
    )
  })
  useAtPlayhead((frame) => {
    if (line.current) {
      line.current.style.transform = `translateX(${x(frame)}px)`
    }
  })

  function drawNames(g: CanvasRenderingContext2D) {
    const name = (title: string, quiet: string, y: number) => {
      g.fillStyle = '#ededed'
      g.font = '600 14px "Atkinson Hyperlegible Next", sans-serif'
      g.fillText(title, 16, y)
      g.fillStyle = '#b3b3b3'
      g.font = '13px "Atkinson Hyperlegible Mono", monospace'
      g.fillText(quiet, 16, y + 17)
    }
    name('Our master', String(list.oursLength), (OURS[0] + OURS[1]) / 2)
    name(`Cut ${list.version}`, String(list.theirsLength), (THEIRS[0] + THEIRS[1]) / 2)
  }

  function ribbon(g: CanvasRenderingContext2D, a0: number, a1: number, b0: number, b1: number, colour: string) {
    const middle = (OURS[1] + THEIRS[0]) / 2
    g.fillStyle = colour
    g.beginPath()
    g.moveTo(a0, OURS[1])
    g.bezierCurveTo(a0, middle, b0, middle, b0, THEIRS[0])
    g.lineTo(b1, THEIRS[0])
    g.bezierCurveTo(b1, middle, a1, middle, a1, OURS[1])
    g.fill()
  }

  function drawRibbons(g: CanvasRenderingContext2D) {
    const pills: [Change, number][] = []
    const words: [string, number, number][] = []
    for (const c of list.changes) {
      const ours = list.ours[c.ours]
      const theirs = list.theirs[c.theirs]
      const only = c.kind === 'SHIFTED'
      if (ours && theirs) {
        ribbon(
          g,
          x(ours.in),
          x(ours.out) - 1,
          x(theirs.in),
          x(theirs.out) - 1,
          only ? '#353535' : c.index === selected ? 'rgba(240,166,72,0.62)' : 'rgba(240,166,72,0.42)',
        )
        if (!only) {
          pills.push([c, (x(ours.in) + x(ours.out) + x(theirs.in) + x(theirs.out)) / 4])
        }
      } else if (ours) {
        point(g, x(ours.in), x(ours.out), OURS[1], OURS[1] + 44)
        words.push(['omitted', (x(ours.in) + x(ours.out)) / 2, OURS[1] + 40])
      } else if (theirs) {
        point(g, x(theirs.in), x(theirs.out), THEIRS[0], THEIRS[0] - 44)
        words.push(['new', (x(theirs.in) + x(theirs.out)) / 2, THEIRS[0] - 28])
      }
    }
    list.unchanged.forEach(({ ours: o, theirs: n }) => {
      const [ours, theirs] = [itemAt(list.ours, o), itemAt(list.theirs, n)]
      ribbon(g, x(ours.in), x(ours.out) - 1, x(theirs.in), x(theirs.out) - 1, '#353535')
    })
    pills.forEach(([c, at]) => pill(g, c, at))
    words.forEach(([said, at, y]) => text(g, said, at, y))
  }

  function point(g: CanvasRenderingContext2D, x0: number, x1: number, from: number, to: number) {
    g.fillStyle = 'rgba(240,166,72,0.5)'
    g.beginPath()
    g.moveTo(x0, from)
    g.lineTo(x1, from)
    g.lineTo((x0 + x1) / 2, to)
    g.fill()
  }

  function text(g: CanvasRenderingContext2D, words: string, at: number, y: number) {
    g.font = '13px "Atkinson Hyperlegible Next", sans-serif'
    g.textAlign = 'center'
    const w = g.measureText(words).width + 12
    g.fillStyle = 'rgba(34,34,34,0.85)'
    g.fillRect(at - w / 2, y - 13, w, 18)
    g.fillStyle = '#f0a648'
    g.fillText(words, at, y)
    g.textAlign = 'left'
  }

  function pill(g: CanvasRenderingContext2D, c: Change, at: number) {
    const n = c.slip || c.head + c.tail
    const words = c.slip ? `slip ${signed(n)}` : c.kind === 'MOVED' ? 'moved' : n !== 0 ? signed(n) : c.kind.toLowerCase()
    g.font = '600 12.5px "Atkinson Hyperlegible Mono", monospace'
    const w = g.measureText(words).width + 16
    const y = (OURS[1] + THEIRS[0]) / 2
    g.fillStyle = '#f0a648'
    g.beginPath()
    g.roundRect(at - w / 2, y - 10, w, 20, 10)
    g.fill()
    g.fillStyle = '#241703'
    g.textAlign = 'center'
    g.fillText(words, at, y + 4.5)
    g.textAlign = 'left'
  }

  function drawClip(
    g: CanvasRenderingContext2D,
    p: { in: number; out: number; name: string },
    track: readonly [number, number],
    colour: string,
    chosen: boolean,
    dark: boolean,
  ) {
    const x0 = x(p.in)
    const w = Math.max(0.6, x(p.out) - x0 - 1)
    g.fillStyle = colour
    g.fillRect(x0, track[0], w, track[1] - track[0])
    if (chosen) {
      g.strokeStyle = '#5ec2b7'
      g.lineWidth = 3
      g.strokeRect(x0 + 1.5, track[0] + 1.5, w - 3, track[1] - track[0] - 3)
    }
    if (w < 26) {
      return
    }
    g.save()
    g.beginPath()
    g.rect(x0, track[0], w - 3, track[1] - track[0])
    g.clip()
    g.fillStyle = dark ? '#ffffff' : '#22282b'
    g.font = '600 12.5px "Atkinson Hyperlegible Mono", monospace'
    clippedName(g, dark && w < 50 ? p.name.replace(/^[a-z]+/, '') : p.name, x0 + 5, track[0] + 17, w - 8)
    g.font = '12px "Atkinson Hyperlegible Mono", monospace'
    g.fillStyle = dark ? '#dfe4e6' : '#4c555a'
    g.fillText(String(p.out - p.in), x0 + 5, track[1] - 8)
    g.restore()
  }

  const press = (e: React.MouseEvent) => {
    const box = e.currentTarget.getBoundingClientRect()
    const at = e.clientX - box.left
    const upper = e.clientY - box.top < HEIGHT / 2
    const clips = upper ? list.ours : list.theirs
    const i = clips.findIndex((p) => at >= x(p.in) && at < x(p.out))
    const change = list.changes.find((c) => (upper ? c.ours : c.theirs) === i)
    if (change) {
      choose(change.index)
    }
  }

  return (
    <div ref={holder} className="relative shrink-0 overflow-hidden border-t border-black/40 bg-deep" style={{ height: HEIGHT }}>
      <canvas
        ref={canvas}
        style={{ width, height: HEIGHT, display: 'block' }}
        onClick={press}
        role="img"
        aria-label={`Our master with ${plural(list.ours.length, 'clip')}, cut ${list.version} with ${list.theirs.length}`}
        data-picture="ribbons"
      />
      <div
        ref={line}
        aria-hidden
        className="pointer-events-none absolute left-0 w-[1.5px] bg-white"
        style={{ top: 22, height: HEIGHT - 40 }}
      />
    </div>
  )
}

const signed = (n: number) => (n > 0 ? `+${n}` : `−${-n}`)
