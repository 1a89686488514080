import { useRef, useState } from 'react'
import { itemAt, lastOf } from '../parts/lists'
import { useDrawing } from '../parts/useDrawing'
import { useSize } from '../pictures/useSize'
import { step } from '../playhead/transport'
import type { StageItem, StageKey, StageShot } from '../server/types'

const LEFT = 214
const MONO = '"Atkinson Hyperlegible Mono", monospace'

type Row = { title: string; quiet: string; lines: { name: string; keys: StageKey[]; dash: number[] }[] }

type Props = { stage: StageShot; item?: StageItem; shotFrame: number; moveKey: (from: number, to: number) => void }

/** One axis of frames for every channel; the handles are shaded. */
export function Channels({ stage, item, shotFrame, moveKey }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width, height } = useSize(holder)
  const [held, setHeld] = useState<{ from: number; to: number }>()
  const rows = item ? itemRows(item, stage) : cameraRows(stage)
  const first = stage.framesFirst
  const last = stage.framesLast
  const x = (f: number) => LEFT + 10 + ((f - first) / Math.max(1, last - first)) * (width - LEFT - 34)

  useDrawing(canvas, width, height, (g) => {
    drawRuler(g)
    const rowHeight = (height - 34) / rows.length
    rows.forEach((row, i) => drawRow(g, row, 30 + i * rowHeight, rowHeight - 4))
    if (held && held.from !== held.to) {
      g.fillStyle = '#5ec2b7'
      g.fillRect(x(held.to), 14, 2, height - 14)
      g.fillText(`key to ${held.to}`, x(held.to) + 6, 42)
    }
    g.fillStyle = '#ffffff'
    g.fillRect(x(shotFrame), 14, 1.5, height - 14)
    g.beginPath()
    g.arc(x(shotFrame) + 0.75, 20, 5, 0, 7)
    g.fill()
  })

  function drawRuler(g: CanvasRenderingContext2D) {
    g.fillStyle = '#1c1c1c'
    g.fillRect(LEFT, 28, x(stage.first) - LEFT, height)
    g.fillRect(x(stage.last), 28, width - x(stage.last), height)
    g.font = `12.5px ${MONO}`
    const every = [5, 10, 20, 25, 50, 100, 250].find((n) => (n / (last - first + 1)) * (width - LEFT) > 60) ?? 500
    for (let f = Math.ceil(first / every) * every; f <= last; f += every) {
      g.fillStyle = '#6f6f6f'
      g.fillRect(x(f), 20, 1, 6)
      g.fillStyle = f < stage.first || f > stage.last ? '#8f8f8f' : '#ededed'
      g.fillText(String(f), x(f) + 4, 16)
    }
  }

  function drawRow(g: CanvasRenderingContext2D, row: Row, top: number, h: number) {
    g.fillStyle = 'rgba(255,255,255,0.035)'
    g.fillRect(LEFT, top, width - LEFT, h)
    g.font = '600 14px "Atkinson Hyperlegible Next", sans-serif'
    g.fillStyle = '#ededed'
    g.fillText(row.title, 16, top + h / 2 + 5)
    g.font = '12.5px "Atkinson Hyperlegible Next", sans-serif'
    g.fillStyle = '#b3b3b3'
    g.fillText(row.quiet, 96, top + h / 2 + 5)
    const all = row.lines.flatMap((l) => l.keys.map((k) => k.value))
    if (all.length === 0) {
      g.fillText('no keys', LEFT + 14, top + h / 2 + 5)
      return
    }
    const low = Math.min(...all)
    const high = Math.max(...all)
    const y = (v: number) => (high === low ? top + h / 2 : top + h - 8 - ((v - low) / (high - low)) * (h - 16))
    // keys before the shown frames lie to the left: they run through no name
    g.save()
    g.beginPath()
    g.rect(LEFT, 0, width - LEFT, height)
    g.clip()
    row.lines.forEach((line) => drawLine(g, line, y))
    g.restore()
  }

  function drawLine(g: CanvasRenderingContext2D, line: Row['lines'][number], y: (v: number) => number) {
    const { keys } = line
    if (keys.length === 0) {
      return
    }
    g.strokeStyle = '#ededed'
    g.lineWidth = 1.6
    g.setLineDash(line.dash)
    g.beginPath()
    g.moveTo(LEFT, y(itemAt(keys, 0).value))
    g.lineTo(x(itemAt(keys, 0).frame), y(itemAt(keys, 0).value))
    for (let i = 1; i < keys.length; i++) {
      const [a, b] = [itemAt(keys, i - 1), itemAt(keys, i)]
      const [xa, xb] = [x(a.frame), x(b.frame)]
      if (a.easing === 'EASED') {
        // 3t² − 2t³ is exactly this curve
        g.bezierCurveTo(xa + (xb - xa) / 3, y(a.value), xb - (xb - xa) / 3, y(b.value), xb, y(b.value))
      } else if (a.easing === 'STEPPED') {
        g.lineTo(xb, y(a.value))
        g.lineTo(xb, y(b.value))
      } else {
        g.lineTo(xb, y(b.value))
      }
    }
    g.lineTo(width, y(lastOf(keys).value))
    g.stroke()
    g.setLineDash([])
    for (const key of keys) {
      g.fillStyle = key.frame === shotFrame ? '#5ec2b7' : '#ffffff'
      g.save()
      g.translate(x(key.frame), y(key.value))
      g.rotate(Math.PI / 4)
      g.fillRect(-4, -4, 8, 8)
      g.restore()
    }
    g.font = `12px ${MONO}`
    const end = lastOf(keys)
    if (line.name && x(end.frame) < width - 16) {
      const w = g.measureText(line.name).width
      g.fillStyle = '#222222'
      g.fillRect(x(end.frame) + 7, y(end.value) - 6, w + 4, 12)
      g.fillStyle = '#b3b3b3'
      g.fillText(line.name, x(end.frame) + 9, y(end.value) + 4)
    }
  }

  const frameAt = (e: React.PointerEvent) => {
    const at = e.clientX - e.currentTarget.getBoundingClientRect().left
    const f = Math.round(first + ((at - LEFT - 10) / (width - LEFT - 34)) * (last - first))
    return Math.max(first, Math.min(last, f))
  }
  /** A key is taken hold of and drawn along; anywhere else the playhead goes there. */
  const press = (e: React.PointerEvent) => {
    const f = frameAt(e)
    const near = rows
      .flatMap((row) => row.lines.flatMap((l) => l.keys.map((key) => key.frame)))
      .filter((key) => Math.abs(x(key) - x(f)) < 6)
      .sort((a, b) => Math.abs(a - f) - Math.abs(b - f))[0]
    if (e.button === 0 && near !== undefined && e.clientY - e.currentTarget.getBoundingClientRect().top > 28) {
      e.currentTarget.setPointerCapture(e.pointerId)
      setHeld({ from: near, to: near })
    }
    go(e)
  }
  const go = (e: React.PointerEvent) => {
    if (held) {
      setHeld({ ...held, to: frameAt(e) })
    } else if (e.buttons === 1) {
      step(frameAt(e) - shotFrame)
    }
  }
  const release = () => {
    if (held && held.from !== held.to) {
      moveKey(held.from, held.to)
    }
    setHeld(undefined)
  }

  return (
    <div ref={holder} className="relative min-h-[170px] flex-1 bg-deep max-[900px]:h-[300px] max-[900px]:flex-none">
      <canvas
        ref={canvas}
        className="absolute inset-0 touch-none"
        style={{ width, height }}
        onPointerDown={press}
        onPointerMove={go}
        onPointerUp={release}
        onPointerCancel={() => setHeld(undefined)}
        role="img"
        aria-label={`Keys of ${item?.name ?? stage.camera}, frames ${first} to ${last}`}
        data-picture="channels"
      />
      <span className="absolute left-4 top-1 text-[12.5px] text-quiet">
        <b className="font-semibold text-live">{item?.name ?? stage.camera}</b>{' '}
        {item ? '· K keys it' : `· handles ${stage.first - first}, ${stage.last - stage.first + 1} frames`}
      </span>
    </div>
  )
}

function cameraRows(stage: StageShot): Row[] {
  const keys = (name: string) => stage.channels[name] ?? []
  const line = (name: string, dash: number[] = []) => ({ name, keys: keys(name), dash })
  return [
    { title: 'Place', quiet: 'x y z, m', lines: [line('x'), line('y', [6, 4]), line('z', [2, 3])] },
    { title: 'Aim', quiet: 'pan tilt, °', lines: [line('pan'), line('tilt', [6, 4]), line('roll', [2, 3])] },
    { title: 'Lens', quiet: 'mm', lines: [{ ...line('lens'), name: '' }] },
    { title: 'Focus', quiet: 'm', lines: [{ ...line('focus'), name: '' }] },
  ]
}

function itemRows(item: StageItem, stage: StageShot): Row[] {
  const line = (name: string, dash: number[] = []) => ({
    name,
    keys: (item.channels[name] ?? []).map((k) => ({ ...k, frame: k.frame - stage.actionOffset })),
    dash,
  })
  return [
    { title: 'Place', quiet: 'x y z, m', lines: [line('x'), line('y', [6, 4]), line('z', [2, 3])] },
    { title: 'Turn', quiet: '°', lines: [line('turn'), line('lean', [6, 4])] },
    { title: 'In the set', quiet: '', lines: [line('shown')] },
  ]
}
