/**
 * Hands on things in a picture: what is under the pointer is named, a press chooses it, and a chosen thing is dragged. Elsewhere the
 * picture's own drag begins.
 */
import { useCallback, useEffect, useRef, useState } from 'react'
import { useActions } from '../../desk/actions'
import { sayError } from '../../desk/messages'
import type { Hit, Seen } from '../../painting/orders'
import { sight } from '../../painting/picking'
import type { SetPainter } from '../../painting/SetPainter'
import type { StageShot } from '../../server/types'
import { editCamera, editSet } from '../edits'
import { choose, setStage, useStageDesk } from '../stageDesk'
import { type Axis, type By, byOf, byWords, type Drag, type How, NOWHERE, type Point } from './drag'

type Held = { hit: Hit; x: number; moved: boolean; drag?: Drag; ray?: { x: number; y: number }; ids: number[] }

type Props = {
  pane: string
  painter: SetPainter | undefined
  /** what the picture shows now */
  seen: () => (Seen & { places: Float32Array }) | undefined
  stage: StageShot
  /** action frame that things are moved at */
  action: number
  shotFrame: number
  /** a drag that means the picture, not a thing */
  empty: { begin: (e: React.PointerEvent) => void; move: (e: React.PointerEvent) => void; end: () => void }
  /** whether all drags mean the picture */
  off: boolean
}

/** Less than this is a press and no drag, pixels. */
const STILL = 4
const HOW: Partial<Record<string, How>> = { u: 'up', t: 'turn', b: 'size', g: 'slide' }

const inPicture = (e: { clientX: number; clientY: number; currentTarget: EventTarget }) => {
  const box = (e.currentTarget as HTMLElement).getBoundingClientRect()
  return { x: ((e.clientX - box.left) / box.width) * 2 - 1, y: 1 - ((e.clientY - box.top) / box.height) * 2 }
}

export function useHands({ pane, painter, seen, stage, action, shotFrame, empty, off }: Props) {
  const [under, setUnder] = useState<Hit & { left: number; top: number }>()
  const [words, setWords] = useState<string>()
  const held = useRef<Held | undefined>(undefined)
  const looks = useRef(false)

  const name = (hit: Hit) => stage.items[hit.index]

  const nameIt = (e: React.PointerEvent) => {
    const shown = seen()
    if (!painter || !shown) {
      return
    }
    const box = e.currentTarget.getBoundingClientRect()
    const [left, top] = [e.clientX - box.left, e.clientY - box.top]
    painter.pick({ ...shown, ...inPicture(e) }, (hit) => {
      const item = hit && stage.items[hit.index]
      setUnder(hit && item ? { ...hit, left, top } : undefined)
      setStage({ under: hit && item ? { id: item.id, pane, metres: hit.metres } : undefined })
    })
  }

  const show = useCallback(
    (h: Held, by: By) => {
      const origins = h.ids.map((id) => originOf(stage, id, seen()?.places))
      const middle = (pick: (p: Point) => number) => origins.reduce((sum, p) => sum + pick(p), 0) / Math.max(1, origins.length)
      setStage({ moving: { ids: h.ids, by, pivot: [middle((p) => p.x), middle((p) => p.z)] } })
      setWords(h.drag && byWords(h.drag.how, by))
    },
    [stage, seen],
  )

  const follow = useCallback(() => {
    const h = held.current
    const shown = seen()
    if (!h?.drag || !h.ray || !shown) {
      return
    }
    const ray = sight({ ...shown, ...h.ray })
    show(h, byOf(h.drag, ray))
  }, [seen, show])

  const begin = (h: Held) => {
    const { chosen, snap } = useStageDesk.getState()
    const item = name(h.hit)
    if (!item) {
      return
    }
    h.ids = chosen.includes(item.id) ? chosen : [item.id]
    const [x, y, z] = h.hit.point
    h.drag = {
      how: 'slide',
      axis: undefined,
      from: { x, y, z },
      origin: originOf(stage, item.id, seen()?.places),
      pixels: 0,
      typed: '',
      snap,
      others: stage.items.filter((i) => !h.ids.includes(i.id)).map((i) => originOf(stage, i.id, seen()?.places)),
    }
  }

  const down = (e: React.PointerEvent) => {
    setStage({ area: 'pictures' })
    const hit = under
    const item = hit && name(hit)
    e.currentTarget.setPointerCapture(e.pointerId)
    const { chosen } = useStageDesk.getState()
    if (!off && e.button === 0 && hit && item && (chosen.includes(item.id) || e.ctrlKey)) {
      held.current = { hit, x: e.clientX, moved: false, ids: [item.id] }
      return
    }
    held.current = hit && item && !off && e.button === 0 ? { hit, x: e.clientX, moved: false, ids: [] } : undefined
    looks.current = true
    empty.begin(e)
  }

  const move = (e: React.PointerEvent) => {
    const h = held.current
    if (h && Math.abs(e.movementX) + Math.abs(e.movementY) > 0 && Math.hypot(e.clientX - h.x, 0) > STILL) {
      h.moved = true
    }
    if (looks.current) {
      empty.move(e)
      return
    }
    if (!h) {
      if (e.buttons === 0) {
        nameIt(e)
      }
      return
    }
    if (!h.drag && !h.moved) {
      return
    }
    if (!h.drag) {
      begin(h)
    }
    if (h.drag) {
      const how: How | undefined = e.shiftKey ? 'up' : e.altKey ? 'turn' : undefined
      h.drag = { ...h.drag, pixels: e.clientX - h.x, how: how ?? h.drag.how }
    }
    h.ray = inPicture(e)
    follow()
  }

  const drop = () => {
    held.current = undefined
    looks.current = false
    setWords(undefined)
  }

  const up = (e: React.PointerEvent) => {
    const h = held.current
    const moving = useStageDesk.getState().moving
    if (looks.current) {
      empty.end()
    }
    if (h?.drag && moving) {
      void write(stage, action, moving)
    } else if (h && !h.moved && !off) {
      choose(name(h.hit)?.id, e.ctrlKey || e.shiftKey)
      setStage({ panel: 'Things' })
    }
    drop()
  }

  const cancel = useCallback(() => {
    held.current = undefined
    looks.current = false
    setWords(undefined)
    setStage({ moving: undefined })
  }, [])

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const h = held.current
      if (!h?.drag) {
        return
      }
      const d = h.drag
      const key = e.key.toLowerCase()
      if (key === 'escape') {
        cancel()
      } else if (key === 'x' || key === 'z') {
        h.drag = { ...d, axis: d.axis === key ? undefined : (key as Axis) }
      } else if (HOW[key]) {
        h.drag = { ...d, how: HOW[key] }
      } else if (/^[0-9.,-]$/.test(key)) {
        h.drag = { ...d, typed: d.typed + key }
      } else if (key === 'backspace') {
        h.drag = { ...d, typed: d.typed.slice(0, -1) }
      } else {
        return
      }
      e.preventDefault()
      e.stopImmediatePropagation()
      follow()
    }
    window.addEventListener('keydown', press, true)
    return () => window.removeEventListener('keydown', press, true)
  }, [cancel, follow])

  const focusThere = () => {
    const shown = seen()
    const item = under && name(under)
    if (!under || !item || !shown) {
      sayError(new Error('Point at what should be in focus first'))
      return
    }
    const [x, y, z] = pointOn(shown.places, under)
    void editCamera(stage.shotId, { kind: 'FOCUS_ON', frame: shotFrame, item: item.id, x, y, z })
  }
  const aimThere = () => {
    const shown = seen()
    const item = under && name(under)
    if (under && item && shown) {
      const [x, y, z] = pointOn(shown.places, under)
      void editCamera(stage.shotId, { kind: 'AIM', frame: shotFrame, item: item.id, x, y, z, lag: 0 })
    }
  }
  useActions(`hands-${pane}`, [
    { group: 'Stage', name: 'Keep the focus on what is under the pointer', keys: 'Y', run: focusThere, disabled: !under },
    { group: 'Stage', name: 'Aim at what is under the pointer', keys: 'Shift+Y', run: aimThere, disabled: !under },
  ])

  const item = under && name(under)
  return {
    handlers: {
      onPointerDown: down,
      onPointerMove: move,
      onPointerUp: up,
      onPointerCancel: cancel,
      onPointerLeave: () => {
        setUnder(undefined)
        setStage({ under: undefined })
      },
    },
    label:
      under && item
        ? { left: under.left, top: under.top, text: words ?? `${item.name}, ${under.metres.toFixed(1)} m${item.locked ? ', locked' : ''}` }
        : undefined,
    under,
  }
}

const originOf = (stage: StageShot, id: number, places: Float32Array | undefined): Point => {
  const at = stage.items.findIndex((i) => i.id === id) * 16
  return { x: places?.[at + 12] ?? 0, y: places?.[at + 13] ?? 0, z: places?.[at + 14] ?? 0 }
}

/** A point that was met, in its thing's own axes: turned and moved only, in metres. */
function pointOn(places: Float32Array, hit: Hit): [number, number, number] {
  const at = (k: number) => places[hit.index * 16 + k] ?? 0
  const off = [0, 1, 2].map((k) => (hit.point[k] ?? 0) - at(12 + k))
  const along = (column: number) => {
    const axis = [0, 1, 2].map((k) => at(column * 4 + k))
    const length = Math.hypot(...axis) || 1
    return Math.round((axis.reduce((sum, v, k) => sum + v * (off[k] ?? 0), 0) / length) * 1000) / 1000
  }
  return [along(0), along(1), along(2)]
}

/** One gesture is one step. It is shown where it was let go until the server has it. */
async function write(stage: StageShot, action: number, { ids, by, pivot }: { ids: number[]; by: By; pivot: [number, number] }) {
  const same = Object.entries(NOWHERE).every(([k, v]) => by[k as keyof By] === v)
  const fine = (v: number) => Math.round(v * 1000) / 1000
  const done =
    same ||
    (await editSet(stage.sceneId, {
      kind: 'MOVE',
      frame: action,
      items: ids,
      x: fine(by.x),
      y: fine(by.y),
      z: fine(by.z),
      turn: fine(by.turn),
      size: by.size,
      pivot: ids.length > 1 ? pivot : undefined,
    }))
  if (!done || same) {
    setStage({ moving: undefined })
  }
}
