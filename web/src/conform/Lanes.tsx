import { memo, useEffect, useReducer, useRef } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk, useOfDesk } from '../desk/desk'
import type { Place, Written } from '../parts/draft'
import { LABELS, toFrame, toX } from '../parts/scale'
import { useDraft } from '../parts/useDraft'
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
import { type PeekAt, peek, usePeek } from './peek'
import type { Drag } from './scene'
import { panBy, useScale, zoomBy } from './useZoom'

type Hold =
  | { kind: 'playhead' }
  | { kind: 'overview' }
  | { kind: 'edit'; x: number; moved: boolean; of: (frames: number, at: { x: number; y: number }) => Edited; place: Place<Edited> }

/** What a hand edits: shown while it is held, one edit when it is let go. */
type Edited =
  | { kind: 'sound'; id: number; frames: number }
  | { kind: 'seam'; at: number; frames: number }
  | { kind: 'pull'; pull: Pull; frames: number; x: number; y: number }

/** The three lanes with their seams, sound and the strip of the whole. */
export const Lanes = memo(function Lanes({ project, sequence }: { project: Project; sequence: Sequence }) {
  const holder = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width, height } = useSize(holder)
  const [, again] = useReducer((n: number) => n + 1, 0)
  // a seam stays where it was put until the new state is there, or goes back when it was refused
  const draft = useDraft<Edited>(sequence.seq)
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

  const edited = draft.open
  const last = edited ?? draft.waiting.at(-1)
  const drag: Drag | undefined = last?.kind === 'seam' && last.frames !== 0 ? { at: last.at, delta: last.frames } : undefined
  const pulled = edited?.kind === 'pull' ? edited : undefined
  const moved = edited?.kind === 'sound' ? edited : undefined

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

  /** A hand takes hold of what it edits, as it is now. */
  const take = (x: number, of: (frames: number, at: { x: number; y: number }) => Edited) => {
    const says = () => ({ of: undefined, value: of(0, { x, y: 0 }) })
    hold.current = { kind: 'edit', x, moved: false, of, place: { key: 'hand', says, write: (to) => write(sequence, to) } }
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
      take(x, (frames) => ({ kind: 'sound', id: heard.id, frames }))
    } else if (pull) {
      // pulling content to the right shows earlier frames, as a film strip would
      take(x, (frames, at) => ({ kind: 'pull', pull, frames: pull.kind === 'SLIP' ? -frames : frames, ...at }))
      setDesk({ pieces: [pull.section] })
    } else if (y >= layout.overview[0] - 4) {
      hold.current = { kind: 'overview' }
      toOverview(x)
    } else if (near) {
      take(x, (frames) => ({ kind: 'seam', at: near.at, frames }))
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
    } else if (held.moved && !draft.isOpen) {
      // it was written already, where the window lost the focus: the hand holds nothing any more
      hold.current = undefined
    } else {
      const now = held.of(Math.round((x - held.x) / scale.perFrame), { x, y })
      held.moved = true
      if (now.kind === 'seam' && now.frames !== (edited?.frames ?? 0)) {
        scrub(now.at + now.frames)
      }
      draft.put(held.place, now)
      peek(sequence, looked(now))
    }
  }

  const up = () => {
    hold.current = undefined
    peek(sequence, undefined)
    draft.write()
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
        draft.drop()
      }
    }
    window.addEventListener('keydown', letGo)
    return () => window.removeEventListener('keydown', letGo)
  }, [draft])

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

/** What of it both sides of a line show while it is pulled. */
function looked(edited: Edited): PeekAt | undefined {
  return edited.kind === 'pull'
    ? { ...edited.pull, frames: edited.frames }
    : edited.kind === 'seam' && edited.frames !== 0
      ? { kind: 'ROLL', at: edited.at, frames: edited.frames }
      : undefined
}

async function write(sequence: Sequence, edited: Edited): Promise<Written | undefined> {
  if (edited.frames === 0) {
    return {}
  }
  if (edited.kind === 'seam') {
    return moveSeam(sequence, edited.at, edited.frames)
  }
  if (edited.kind === 'sound') {
    await ask('/api/sounds/{id}', { ...of(edited.id), body: { offset: edited.frames } })
  } else {
    const { kind, section, ripple } = edited.pull
    await edit(sequence, { kind, sections: [section], frames: edited.frames, ripple })
  }
  return {}
}
