import { useEffect, useMemo, useReducer, useRef, useState } from 'react'
import { setDesk, useDesk } from '../desk/desk'
import { sayError } from '../desk/messages'
import { useDrawing } from '../parts/useDrawing'
import { useSize } from '../pictures/useSize'
import { useLabels } from '../playhead/labels'
import { goTo } from '../playhead/transport'
import { postInOrder } from '../server/client'
import { useMeshes, useShading } from '../server/queries'
import type { Project, Sequence } from '../server/types'
import { drawLanes } from './drawLanes'
import { choosePiece, edit, type Pull, pullWords } from './edits'
import { LABELS, layOut } from './lanes'
import { peek, usePeek } from './peek'
import type { Drag } from './scene'
import { toFrame, toX } from './scale'
import { ShotThumbs } from './ShotThumbs'
import { follow, panBy, useScale, zoomBy } from './useZoom'

const GRAB = 7

type Hold = { kind: 'playhead' } | { kind: 'overview' } | { kind: 'seam'; at: number; x: number } | { kind: 'pull'; pull: Pull; x: number }

/** The three lanes with their seams, sound and the strip of the whole. */
export function Lanes({ project, sequence }: { project: Project; sequence: Sequence }) {
  const holder = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width, height } = useSize(holder)
  const [, again] = useReducer((n: number) => n + 1, 0)
  const [drag, setDrag] = useState<Drag>()
  const [pulled, setPulled] = useState<{ pull: Pull; frames: number; x: number; y: number }>()
  const hold = useRef<Hold | undefined>(undefined)
  const { frame, units, seam, pieces } = useDesk()
  const scale = useScale(sequence, width)
  const label = useLabels(sequence.id, sequence.start, sequence.framesPerSecond, units)
  const lanes = [...new Set(sequence.sound.map((s) => s.lane))]
  const layout = layOut(height, lanes.length)
  const thumbs = useThumbs(project, sequence, again)

  useEffect(() => follow(sequence, frame), [frame, sequence])

  useDrawing(canvas, width, layout.height, (g) => {
    drawLanes(g, { sequence, layout, scale, width, frame, seam, pieces, drag, label, thumbs, again })
  })

  const place = (e: { clientX: number; clientY: number }) => {
    const box = canvas.current!.getBoundingClientRect()
    return { x: e.clientX - box.left, y: e.clientY - box.top }
  }

  const seamNear = (x: number, y: number) => {
    if (y < layout.cut[0] - 10 || y > layout.renders[1] + 8) {
      return undefined
    }
    const near = sequence.seams
      .map((s) => ({ s, off: Math.abs(toX(scale, s.at) - x) }))
      .filter((n) => n.off <= GRAB)
      .sort((a, b) => a.off - b.off)[0]
    return near?.s
  }

  const pieceUnder = (x: number, y: number) => {
    const at = toFrame(scale, x)
    return y >= layout.shots[0] && y <= layout.shots[1] ? sequence.sections.find((s) => at >= s.in && at < s.out) : undefined
  }

  /** What Alt or Ctrl with a drag does: at a seam the side under the pointer is trimmed, inside a piece it slips or slides. */
  const pullFrom = (e: React.PointerEvent, x: number, y: number): Pull | undefined => {
    if (!e.altKey && !e.ctrlKey) {
      return undefined
    }
    const piece = pieceUnder(x, y)
    const near = seamNear(x, y)
    if (near && piece) {
      return { kind: piece.in === near.at ? 'HEAD' : 'TAIL', section: piece.id, ripple: e.ctrlKey }
    }
    return piece && { kind: e.altKey ? 'SLIP' : 'SLIDE', section: piece.id, ripple: false }
  }

  const toOverview = (x: number) => {
    const share = (x - LABELS) / Math.max(1, width - LABELS - 16)
    goTo(sequence.start + share * (sequence.end - sequence.start))
  }

  const down = (e: React.PointerEvent) => {
    const { x, y } = place(e)
    e.currentTarget.setPointerCapture(e.pointerId)
    const near = seamNear(x, y)
    const pull = pullFrom(e, x, y)
    const piece = pieceUnder(x, y)
    if (pull) {
      hold.current = { kind: 'pull', pull, x }
      setDesk({ pieces: [pull.section] })
    } else if (y >= layout.overview[0] - 4) {
      hold.current = { kind: 'overview' }
      toOverview(x)
    } else if (near) {
      hold.current = { kind: 'seam', at: near.at, x }
      setDesk({ seam: near.at })
      goTo(near.at)
    } else if (x > LABELS) {
      hold.current = { kind: 'playhead' }
      setDesk({ seam: undefined })
      goTo(Math.floor(toFrame(scale, x)))
      if (piece) {
        choosePiece(sequence, piece.id, e.metaKey, e.shiftKey)
      }
    }
  }

  const move = (e: React.PointerEvent) => {
    const { x, y } = place(e)
    const held = hold.current
    if (!held) {
      canvas.current!.style.cursor = seamNear(x, y) ? 'ew-resize' : 'default'
    } else if (held.kind === 'playhead') {
      goTo(Math.floor(toFrame(scale, x)))
    } else if (held.kind === 'overview') {
      toOverview(x)
    } else if (held.kind === 'pull') {
      // pulling content to the right shows earlier frames, as a film strip would
      const along = Math.round((x - held.x) / scale.perFrame)
      peek(sequence, { ...held.pull, frames: held.pull.kind === 'SLIP' ? -along : along })
      setPulled({ pull: held.pull, frames: held.pull.kind === 'SLIP' ? -along : along, x, y })
    } else {
      const delta = Math.round((x - held.x) / scale.perFrame)
      setDrag(delta === 0 ? undefined : { at: held.at, delta })
      peek(sequence, delta === 0 ? undefined : { kind: 'ROLL', at: held.at, frames: delta })
    }
  }

  const up = () => {
    hold.current = undefined
    peek(sequence, undefined)
    if (pulled && pulled.frames !== 0) {
      void edit(sequence, { kind: pulled.pull.kind, sections: [pulled.pull.section], frames: pulled.frames, ripple: pulled.pull.ripple })
    }
    setPulled(undefined)
    if (drag) {
      moveSeam(sequence, drag.at, drag.delta).finally(() => setDrag(undefined))
    }
  }

  useEffect(() => {
    const element = canvas.current
    const wheel = (e: WheelEvent) => {
      e.preventDefault()
      if (e.ctrlKey || e.altKey) {
        zoomBy(sequence, Math.exp(e.deltaY * 0.004), toFrame(scale, place(e).x))
      } else {
        panBy(sequence, (Math.abs(e.deltaX) > Math.abs(e.deltaY) ? e.deltaX : e.deltaY) / scale.perFrame)
      }
    }
    element?.addEventListener('wheel', wheel, { passive: false })
    return () => element?.removeEventListener('wheel', wheel)
  })

  useEffect(() => {
    const escape = (e: KeyboardEvent) => {
      if (e.key === 'Escape') {
        hold.current = undefined
        usePeek.setState({ seen: undefined })
        setDrag(undefined)
        setPulled(undefined)
      }
    }
    window.addEventListener('keydown', escape)
    return () => window.removeEventListener('keydown', escape)
  }, [])

  return (
    <div ref={holder} className="relative min-h-0 flex-1 overflow-hidden bg-deep">
      <LaneNames layout={layout} sequence={sequence} lanes={lanes} />
      <canvas
        ref={canvas}
        className="absolute left-0 top-0 touch-none"
        style={{ width, height: layout.height }}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={up}
        data-picture="lanes"
        role="img"
        aria-label={`${sequence.sections.length} shots, ${sequence.counts.bentSeams} seams bent`}
      />
      {pulled && (
        <div className="num pointer-events-none absolute z-20 whitespace-nowrap rounded border border-live bg-raised px-2 py-1 text-[13px]" role="status"
          style={{ left: Math.min(pulled.x + 12, width - 320), top: Math.max(4, pulled.y - 36) }}>
          {pullWords(pulled.pull, sequence.sections.find((s) => s.id === pulled.pull.section), pulled.frames)}
        </div>
      )}
    </div>
  )
}

/** Moves a seam in the shots lane, and the selection with it. */
export async function moveSeam(sequence: Sequence, at: number, frames: number) {
  try {
    await postInOrder(`/api/masters/${sequence.id}/seam`, { at, frames })
    setDesk({ seam: at + frames })
  } catch (e) {
    sayError(e)
  }
}

function LaneNames({ layout, sequence, lanes }: { layout: ReturnType<typeof layOut>; sequence: Sequence; lanes: string[] }) {
  const name = (top: number, bottom: number, title: string, quiet: string) => (
    <div className="absolute left-4 flex w-[76px] flex-col justify-center" style={{ top, height: bottom - top }}>
      <b className="font-semibold">{title}</b>
      <span className="text-[12px] leading-tight text-quiet">{quiet}</span>
    </div>
  )
  const { counts } = sequence
  const sound = layout.sound
  const names = lanes.map((l) => sequence.sound.find((s) => s.lane === l)?.name.replace(/\.[a-z0-9]+$/i, '').replaceAll('_', ' ') ?? l)
  return (
    <>
      {name(...layout.cut, 'Cut', `version ${sequence.cut.version}`)}
      {name(...layout.shots, 'Shots', `${counts.shots}, ${counts.staged} staged`)}
      {name(...layout.renders, 'Renders', `${counts.rendered} of ${counts.shots}`)}
      {sound.length > 0 && name(sound[0][0], sound[sound.length - 1][1], 'Sound', names.join(', '))}
    </>
  )
}

function useThumbs(project: Project, sequence: Sequence, again: () => void): ShotThumbs | undefined {
  const shading = useShading().data
  const meshes = useMeshes(project.id, project.sceneId).data
  const seq = useRef(sequence.seq)
  seq.current = sequence.seq
  const thumbs = useMemo(() => {
    try {
      return shading && new ShotThumbs(shading, () => seq.current, again)
    } catch {
      return undefined
    }
  }, [shading, again])
  useEffect(() => {
    if (meshes) {
      thumbs?.meshes(meshes.slice(0)).catch(sayError)
    }
  }, [meshes, thumbs])
  useEffect(() => () => thumbs?.dispose(), [thumbs])
  return thumbs
}
