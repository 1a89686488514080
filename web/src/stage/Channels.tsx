import { useRef, useState } from 'react'
import type { Place } from '../parts/draft'
import { lastOf } from '../parts/lists'
import { useDraft } from '../parts/useDraft'
import { useDrawing } from '../parts/useDrawing'
import { useSize } from '../pictures/useSize'
import { step } from '../playhead/transport'
import type { CameraMove, StageItem, StageShot } from '../server/types'
import { setStage } from './stageDesk'
import { type KeyAt, keysIn, LEFT, type Line, type Row, rowsOf } from './tracks'

const MONO = '"Atkinson Hyperlegible Mono", monospace'
const SANS = '"Atkinson Hyperlegible Next", sans-serif'
const HEAD = 30
/** A key is taken hold of so near, pixels. */
const NEAR = 6

type Props = {
  stage: StageShot
  item?: StageItem
  move?: CameraMove
  shotFrame: number
  chosen: KeyAt[]
  choose: (keys: KeyAt[]) => void
  moveKeys: (by: number, keys: KeyAt[]) => void
  moveLayer: (use: number, by: number) => void
}

type Hold =
  | { what: 'keys'; keys: KeyAt[]; from: number; to: number }
  | { what: 'layer'; use: number; from: number; to: number }
  | { what: 'box'; x: number; y: number; toX: number; toY: number }
  | { what: 'playhead' }

/** One axis of frames for every channel; the handles are shaded. Keys are chosen by a press or a box, over several channels. */
export function Channels({ stage, item, move, shotFrame, chosen, choose, moveKeys, moveLayer }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width, height } = useSize(holder)
  const [hold, setHold] = useState<Hold>()
  // what is drawn along is written where it is, and as what it was when it was taken hold of
  const keyOfOwn = item ? `thing ${item.id}` : `camera ${stage.cameraId}`
  const along = useDraft<number>(undefined, keyOfOwn)
  const write = useRef<Place<number>['write']>(undefined)
  const rows = rowsOf(stage, item, move)
  const first = stage.framesFirst
  const last = stage.framesLast
  const x = (f: number) => LEFT + 10 + ((f - first) / Math.max(1, last - first)) * (width - LEFT - 34)
  const rowHeight = (height - HEAD - 4) / rows.length
  const top = (i: number) => HEAD + i * rowHeight
  const isChosen = (row: Line, frame: number) => chosen.some((k) => k.channel === row.channel && k.frame === frame)

  useDrawing(canvas, width, height, (g) => {
    drawRuler(g)
    rows.forEach((row, i) => drawRow(g, row, top(i), rowHeight - 4))
    if (hold && hold.what !== 'box' && hold.what !== 'playhead' && hold.from !== hold.to) {
      g.fillStyle = '#5ec2b7'
      g.fillRect(x(hold.to), 14, 2, height - 14)
      g.font = `12.5px ${MONO}`
      g.fillText(`${hold.what === 'keys' ? 'key' : 'layer'} to ${hold.to}`, x(hold.to) + 6, 42)
    }
    if (hold?.what === 'box') {
      g.strokeStyle = '#5ec2b7'
      g.lineWidth = 1
      g.strokeRect(Math.min(hold.x, hold.toX), Math.min(hold.y, hold.toY), Math.abs(hold.toX - hold.x), Math.abs(hold.toY - hold.y))
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

  function drawRow(g: CanvasRenderingContext2D, row: Row, at: number, h: number) {
    g.fillStyle = 'rgba(255,255,255,0.035)'
    g.fillRect(LEFT, at, width - LEFT, h)
    g.font = `600 14px ${SANS}`
    g.fillStyle = '#ededed'
    g.fillText(row.title, 16, at + h / 2 + 5)
    g.font = `12.5px ${SANS}`
    g.fillStyle = '#b3b3b3'
    g.fillText(row.quiet.length > 18 ? `${row.quiet.slice(0, 17)}…` : row.quiet, 96, at + h / 2 + 5)
    // keys before the shown frames lie to the left: they run through no name
    g.save()
    g.beginPath()
    g.rect(LEFT, 0, width - LEFT, height)
    g.clip()
    if (row.layer) {
      drawLayer(g, row.layer, at, h)
    } else if (row.clearance) {
      drawClearance(g, row.clearance, at, h)
    } else {
      drawLines(g, row, at, h)
    }
    g.restore()
  }

  function drawLines(g: CanvasRenderingContext2D, row: Row, at: number, h: number) {
    const all = row.lines.flatMap((l) => [...l.keys.map((k) => k.value), ...l.curve])
    if (row.lines.every((l) => l.keys.length === 0)) {
      g.fillStyle = '#b3b3b3'
      g.fillText(row.says ?? 'no keys', LEFT + 14, at + h / 2 + 5)
      return
    }
    const low = Math.min(...all)
    const high = Math.max(...all)
    const y = (v: number) => (high === low ? at + h / 2 : at + h - 8 - ((v - low) / (high - low)) * (h - 16))
    row.lines.forEach((line) => drawLine(g, line, y))
  }

  function drawLine(g: CanvasRenderingContext2D, line: Line, y: (v: number) => number) {
    const { keys } = line
    if (keys.length === 0) {
      return
    }
    g.strokeStyle = '#ededed'
    g.lineWidth = 1.6
    g.setLineDash(line.dash)
    g.beginPath()
    line.curve.forEach((v, i) => (i === 0 ? g.moveTo(x(first), y(v)) : g.lineTo(x(first + i), y(v))))
    g.stroke()
    g.setLineDash([])
    for (const key of keys) {
      g.fillStyle = isChosen(line, key.frame) ? '#5ec2b7' : '#ffffff'
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

  function drawLayer(g: CanvasRenderingContext2D, layer: NonNullable<Row['layer']>, at: number, h: number) {
    const shift = hold?.what === 'layer' && hold.use === layer.use ? hold.to - hold.from : 0
    const left = x(layer.from + shift)
    const right = x(layer.from + shift + layer.frames)
    g.fillStyle = layer.on ? '#3a3a3a' : '#2a2a2a'
    g.fillRect(left, at + 2, right - left, h - 4)
    g.strokeStyle = layer.on ? '#ededed' : '#8a8a8a'
    g.lineWidth = 1.2
    g.beginPath()
    const most = Math.max(1e-9, ...layer.curve.map(Math.abs))
    layer.curve.forEach((v, i) => {
      const px = left + ((right - left) * i) / layer.curve.length
      const py = at + h / 2 - (v / most) * (h / 2 - 5)
      if (i === 0) {
        g.moveTo(px, py)
      } else {
        g.lineTo(px, py)
      }
    })
    g.stroke()
  }

  /** A cell a frame; those that are too close are warm, with the least of them in words. */
  function drawClearance(g: CanvasRenderingContext2D, move: CameraMove, at: number, h: number) {
    const cell = x(first + 1) - x(first)
    move.clearance.forEach((metres, i) => {
      g.fillStyle = metres < move.enough ? '#f0a648' : '#4a4a4a'
      g.fillRect(x(move.speed.first + i), at + h / 2 - 6, Math.max(1, cell - 1), 12)
    })
    const least = move.clearance[move.closest - move.speed.first] ?? 0
    if (least < move.enough) {
      g.font = `12.5px ${MONO}`
      g.fillStyle = '#f0a648'
      g.fillText(`${least.toFixed(2)} m from ${move.things[move.closest - move.speed.first]}`, x(move.closest) + cell + 6, at + h / 2 + 5)
    }
  }

  const place = (e: React.PointerEvent) => {
    const box = e.currentTarget.getBoundingClientRect()
    const px = e.clientX - box.left
    const f = Math.round(first + ((px - LEFT - 10) / (width - LEFT - 34)) * (last - first))
    return { px, py: e.clientY - box.top, frame: Math.max(first, Math.min(last, f)) }
  }
  const rowAt = (py: number) => rows[Math.floor((py - HEAD) / rowHeight)]

  /** A key or a layer is taken hold of and drawn along; on the ruler the playhead goes there; elsewhere a box begins. */
  const press = (e: React.PointerEvent) => {
    setStage({ area: 'tracks' })
    e.currentTarget.setPointerCapture(e.pointerId)
    const { px, py, frame } = place(e)
    const row = rowAt(py)
    if (e.button !== 0 || py < HEAD || !row) {
      setHold({ what: 'playhead' })
      step(frame - shotFrame)
      return
    }
    if (row.layer && px >= x(row.layer.from) && px <= x(row.layer.from + row.layer.frames)) {
      const { use } = row.layer
      write.current = async (by) => {
        moveLayer(use, by)
        return {}
      }
      setHold({ what: 'layer', use, from: frame, to: frame })
      return
    }
    const near = keysIn([row])
      .filter((k) => Math.abs(x(k.frame) - px) < NEAR)
      .sort((a, b) => Math.abs(x(a.frame) - px) - Math.abs(x(b.frame) - px))[0]
    if (!near) {
      setHold({ what: 'box', x: px, y: py, toX: px, toY: py })
      return
    }
    const there = keysIn([row]).filter((k) => k.frame === near.frame)
    const held = there.every((k) => chosen.some((c) => c.channel === k.channel && c.frame === k.frame))
    const keys = held ? chosen : e.shiftKey ? [...chosen, ...there] : there
    if (!held) {
      choose(keys)
    }
    write.current = async (by) => {
      moveKeys(by, keys)
      return {}
    }
    setHold({ what: 'keys', keys, from: near.frame, to: near.frame })
    step(near.frame - shotFrame)
  }

  const go = (e: React.PointerEvent) => {
    if (!hold) {
      return
    }
    const { px, py, frame } = place(e)
    if (hold.what === 'playhead') {
      step(frame - shotFrame)
    } else if (hold.what === 'box') {
      setHold({ ...hold, toX: px, toY: py })
    } else if (hold.to !== hold.from && !along.isOpen) {
      // it was written already: the hand holds nothing any more
      setHold(undefined)
    } else if (write.current) {
      setHold({ ...hold, to: frame })
      along.put({ key: keyOfOwn, says: () => ({ of: undefined, value: 0 }), write: write.current }, frame - hold.from)
    }
  }

  const release = (e: React.PointerEvent) => {
    if (hold?.what === 'keys' || hold?.what === 'layer') {
      if (hold.to === hold.from) {
        along.drop()
      }
      along.write()
    } else if (hold?.what === 'box') {
      const small = Math.abs(hold.toX - hold.x) + Math.abs(hold.toY - hold.y) < 4
      if (small) {
        choose([])
        step(place(e).frame - shotFrame)
      } else {
        const [a, b] = [Math.min(hold.x, hold.toX), Math.max(hold.x, hold.toX)]
        const [u, v] = [Math.min(hold.y, hold.toY), Math.max(hold.y, hold.toY)]
        choose(keysIn(rows.filter((_, i) => top(i) < v && top(i) + rowHeight > u)).filter((k) => x(k.frame) >= a && x(k.frame) <= b))
      }
    }
    setHold(undefined)
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
        onPointerCancel={() => {
          along.drop()
          setHold(undefined)
        }}
        role="img"
        aria-label={`Keys of ${item?.name ?? stage.camera}, frames ${first} to ${last}`}
        data-picture="channels"
      />
      <span className="absolute left-4 top-1 max-w-[190px] truncate text-[12.5px] text-quiet">
        <b className="font-semibold text-live">{item?.name ?? stage.camera}</b>{' '}
        {item ? '· K keys it' : `· handles ${stage.first - first}, ${stage.last - stage.first + 1} frames`}
      </span>
    </div>
  )
}
