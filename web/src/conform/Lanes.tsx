import { memo, useEffect, useReducer, useRef, useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk, useOfDesk } from '../desk/desk'
import { LABELS, toFrame, toX } from '../parts/scale'
import { useDrawing } from '../parts/useDrawing'
import { useWheel } from '../parts/useWheel'
import { plural, signed } from '../parts/words'
import { useSize } from '../pictures/useSize'
import { useLabels, useWholeSeconds } from '../playhead/labels'
import { allPieces } from '../playhead/lookup'
import { scrub } from '../playhead/sound'
import { goTo } from '../playhead/transport'
import { of } from '../server/client'
import { useOthers } from '../server/others'
import { useCutPieces, usePast } from '../server/queries'
import type { Project, Sequence } from '../server/types'
import { drawStill } from './drawLanes'
import { ask, choosePiece, edit, moveSeam, type Pull, pullWords } from './edits'
import { Hits } from './hits'
import { LaneMenu, openMenu } from './LaneMenu'
import { LaneNames } from './LaneNames'
import { LaneReader } from './LaneReader'
import { layOut } from './lanes'
import { goInside } from './MasterBox'
import { MovingLanes } from './MovingLanes'
import { peek, usePeek } from './peek'
import type { Drag } from './scene'
import { panBy, useScale, zoomBy } from './useZoom'

type Hold =
  | { kind: 'sound'; id: number; x: number }
  | { kind: 'playhead' }
  | { kind: 'overview' }
  | { kind: 'seam'; at: number; x: number }
  | { kind: 'pull'; pull: Pull; x: number }

/** The three lanes with their seams, sound and the strip of the whole. */
export const Lanes = memo(function Lanes({ project, sequence }: { project: Project; sequence: Sequence }) {
  const holder = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width, height } = useSize(holder)
  const [, again] = useReducer((n: number) => n + 1, 0)
  const [drag, setDrag] = useState<Drag>()
  const [pulled, setPulled] = useState<{ pull: Pull; frames: number; x: number; y: number }>()
  const [moved, setMoved] = useState<{ id: number; frames: number }>()
  const hold = useRef<Hold | undefined>(undefined)
  const { units, seam, pieces, range, over, past, sound } = useOfDesk('units', 'seam', 'pieces', 'range', 'over', 'past', 'sound')
  const overCut = useCutPieces(project.id, over).data
  const pastPieces = usePast(project.id, sequence.id, past).data
  const others = useOthers(sequence.id)
  const scale = useScale(sequence, width)
  const wholeSeconds = useWholeSeconds(sequence.id, sequence.framesPerSecond)
  const label = useLabels(sequence.id, sequence.masterStart, sequence.framesPerSecond, units)
  const lanes = [...new Set(sequence.sound.map((s) => s.lane))]
  const layout = layOut(height, lanes.length, sequence.upper.length)

  useEffect(() => setDrag(undefined), [sequence])

  const scene = {
    sequence,
    layout,
    scale,
    width,
    seam,
    pieces,
    drag,
    units,
    label,
    wholeSeconds,
    again,
    range,
    sound,
    others,
    over: over ? overCut : undefined,
    past: past ? pastPieces : undefined,
  }
  useDrawing(canvas, width, layout.height, (g) => drawStill(g, scene))

  const place = (e: { clientX: number; clientY: number; currentTarget: Element }) => {
    const box = e.currentTarget.getBoundingClientRect()
    return { x: e.clientX - box.left, y: e.clientY - box.top }
  }

  const hits = new Hits(scene, lanes)
  useActions('lane-menu', [
    {
      group: 'Conform',
      name: 'What can be done here, as a menu',
      keys: 'ContextMenu Shift+F10',
      run: () => openMenu(canvas.current, toX(scale, useDesk.getState().frame), layout.shots[0]),
    },
  ])

  /** What Alt or Ctrl with a drag does: at a seam the side under the pointer is trimmed, inside a piece it slips or slides. */
  const pullFrom = (e: React.PointerEvent, x: number, y: number): Pull | undefined => {
    const piece = hits.piece(x, y)
    const edge = hits.edge(piece, x, y)
    if (piece && edge) {
      return { kind: edge, section: piece.id, ripple: e.ctrlKey }
    }
    if (!e.altKey && !e.ctrlKey) {
      return undefined
    }
    const near = hits.seam(x, y)
    if (near && piece) {
      return { kind: piece.in === near.at ? 'HEAD' : 'TAIL', section: piece.id, ripple: e.ctrlKey }
    }
    return piece && { kind: e.altKey ? 'SLIP' : 'SLIDE', section: piece.id, ripple: false }
  }

  const toOverview = (x: number) => {
    const share = (x - LABELS) / Math.max(1, width - LABELS - 16)
    goTo(sequence.start + share * (sequence.end - sequence.start))
  }

  /** What is under the right button is chosen, for the menu; nothing is pulled, and several that are chosen stay so. */
  const chooseUnder = (x: number, y: number) => {
    const heard = hits.sound(x, y)
    const near = hits.seam(x, y)
    const piece = hits.piece(x, y)
    if (heard) {
      setDesk({ sound: heard.id, pieces: [], seam: undefined })
    } else if (near) {
      setDesk({ seam: near.at })
    } else if (piece && !pieces.includes(piece.id)) {
      setDesk({ sound: undefined })
      choosePiece(sequence, piece.id, false, false)
    }
    if (x > LABELS && y < layout.overview[0] - 4) {
      goTo(near ? near.at : Math.floor(toFrame(scale, x)))
    }
  }

  const down = (e: React.PointerEvent) => {
    const { x, y } = place(e)
    if (e.button === 2) {
      chooseUnder(x, y)
      return
    }
    e.currentTarget.setPointerCapture(e.pointerId)
    const near = hits.seam(x, y)
    const pull = pullFrom(e, x, y)
    const piece = hits.piece(x, y)
    const heard = hits.sound(x, y)
    if (heard) {
      setDesk({ sound: heard.id, pieces: [], seam: undefined })
      hold.current = { kind: 'sound', id: heard.id, x }
    } else if (pull) {
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
      setDesk({ seam: undefined, sound: undefined, ...hits.lane(y) })
      goTo(Math.floor(toFrame(scale, x)))
      if (piece) {
        choosePiece(sequence, piece.id, e.metaKey, e.shiftKey)
      }
    }
  }

  const move = (e: React.PointerEvent<HTMLElement>) => {
    const { x, y } = place(e)
    const held = hold.current
    if (!held) {
      e.currentTarget.style.cursor = hits.seam(x, y) || hits.edge(hits.piece(x, y), x, y) ? 'ew-resize' : 'default'
    } else if (held.kind === 'playhead') {
      goTo(Math.floor(toFrame(scale, x)))
    } else if (held.kind === 'overview') {
      toOverview(x)
    } else if (held.kind === 'sound') {
      setMoved({ id: held.id, frames: Math.round((x - held.x) / scale.perFrame) })
    } else if (held.kind === 'pull') {
      // pulling content to the right shows earlier frames, as a film strip would
      const along = Math.round((x - held.x) / scale.perFrame)
      peek(sequence, { ...held.pull, frames: held.pull.kind === 'SLIP' ? -along : along })
      setPulled({ pull: held.pull, frames: held.pull.kind === 'SLIP' ? -along : along, x, y })
    } else {
      const delta = Math.round((x - held.x) / scale.perFrame)
      if (delta !== drag?.delta) {
        scrub(held.at + delta)
      }
      setDrag(delta === 0 ? undefined : { at: held.at, delta })
      peek(sequence, delta === 0 ? undefined : { kind: 'ROLL', at: held.at, frames: delta })
    }
  }

  const up = () => {
    hold.current = undefined
    if (moved && moved.frames !== 0) {
      void ask('/api/sounds/{id}', { ...of(moved.id), body: { offset: moved.frames } })
    }
    setMoved(undefined)
    peek(sequence, undefined)
    if (pulled && pulled.frames !== 0) {
      void edit(sequence, { kind: pulled.pull.kind, sections: [pulled.pull.section], frames: pulled.frames, ripple: pulled.pull.ripple })
    }
    setPulled(undefined)
    if (drag) {
      // the seam stays where it was put until the new state is there, or jumps back when it was refused
      void moveSeam(sequence, drag.at, drag.delta).then((moved) => moved || setDrag(undefined))
    }
  }

  useWheel(
    canvas,
    (factor, x) => zoomBy(sequence, factor, toFrame(scale, x)),
    (pixels) => panBy(sequence, pixels / scale.perFrame),
  )

  useEffect(() => {
    const letGo = (e: KeyboardEvent) => {
      if (e.key === 'Escape') {
        hold.current = undefined
        usePeek.setState({ seen: undefined })
        setDrag(undefined)
        setPulled(undefined)
        setMoved(undefined)
      }
    }
    window.addEventListener('keydown', letGo)
    return () => window.removeEventListener('keydown', letGo)
  }, [])

  return (
    <div ref={holder} className="relative min-h-0 flex-1 overflow-hidden bg-deep max-[900px]:h-[460px] max-[900px]:flex-none">
      <LaneNames layout={layout} sequence={sequence} sounds={lanes} />
      <LaneReader sequence={sequence} label={label} />
      <LaneMenu>
        <canvas
          ref={canvas}
          className="absolute left-0 top-0 touch-none"
          style={{ width, height: layout.height }}
          onPointerDown={down}
          onPointerMove={move}
          onPointerUp={up}
          onPointerCancel={up}
          onDoubleClick={(e) => {
            const { x, y } = place(e)
            const piece = hits.piece(x, y)
            if (piece?.nest) {
              void goInside(sequence, Math.floor(toFrame(scale, x)), piece.id)
            }
          }}
          data-picture="lanes"
          data-shows={`${sequence.id} ${sequence.seq}`}
          role="img"
          aria-label={`${plural(sequence.sections.length, 'piece')} on ${plural(sequence.upper.length + 1, 'lane')}, ${plural(sequence.counts.bentSeams, 'seam')} bent`}
        />
      </LaneMenu>
      <MovingLanes scene={scene} />
      {moved && (
        <div
          className="num pointer-events-none absolute bottom-10 left-1/2 z-20 rounded border border-live bg-raised px-2 py-1 text-[13px]"
          role="status"
        >
          sound {signed(moved.frames)} {Math.abs(moved.frames) === 1 ? 'frame' : 'frames'} against the picture
        </div>
      )}
      {pulled && (
        <div
          className="num pointer-events-none absolute z-20 whitespace-nowrap rounded border border-live bg-raised px-2 py-1 text-[13px]"
          role="status"
          style={{ left: Math.min(pulled.x + 12, width - 320), top: Math.max(4, pulled.y - 36) }}
        >
          {pullWords(
            pulled.pull,
            allPieces(sequence).find((s) => s.id === pulled.pull.section),
            pulled.frames,
          )}
        </div>
      )}
    </div>
  )
})
