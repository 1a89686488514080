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
import type { Draft } from '../../parts/draft'
import { stop, useTransport } from '../../playhead/transport'
import type { StageShot } from '../../server/types'
import { editCamera } from '../edits'
import { choose, setStage, useStageDesk } from '../stageDesk'
import { type Axis, byOf, byWords, type Drag, type How, type Moved, type Point } from './drag'
import { movedTo, placeOfThings } from './movedThings'

/**
 * What a hand has pressed.
 *
 * @property id     of the thing that was pressed
 * @property ids    what a drag of it moves; none where a drag means the picture
 * @property action frame of the action that the drag began at
 */
type Held = {
  hit: Hit
  id: number
  x: number
  y: number
  moved: boolean
  ray: { x: number; y: number }
  ids: number[]
  drag?: Drag
  action: number
}

type Props = {
  pane: string
  painter: SetPainter | undefined
  /** what the picture shows now; `base` are the places without what hands move now */
  seen: () => (Seen & { places: Float32Array; base: Float32Array }) | undefined
  stage: StageShot
  /** what hands move in all pictures of the set */
  things: Draft<Moved>
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
/** What says how far or which way a drag goes. */
const DRAGS = /^[xzutbg0-9.,-]$/
const HOW: Partial<Record<string, How>> = { u: 'up', t: 'turn', b: 'size', g: 'slide' }

/** A press under which it is still looked for a thing. */
type Press = { x: number; y: number; moved: boolean; up: boolean }

const inPicture = (e: { clientX: number; clientY: number; currentTarget: EventTarget }) => {
  const box = (e.currentTarget as HTMLElement).getBoundingClientRect()
  return { x: ((e.clientX - box.left) / box.width) * 2 - 1, y: 1 - ((e.clientY - box.top) / box.height) * 2 }
}

export function useHands({ pane, painter, seen, stage, things, action, shotFrame, empty, off }: Props) {
  const [under, setUnder] = useState<Hit & { left: number; top: number }>()
  const [words, setWords] = useState<string>()
  const held = useRef<Held | undefined>(undefined)
  const looks = useRef(false)
  const press = useRef<Press | undefined>(undefined)

  const name = (hit: Hit) => stage.items[hit.index]

  const nameIt = (e: React.PointerEvent) => {
    const shown = seen()
    if (!painter || !shown) {
      return
    }
    const box = e.currentTarget.getBoundingClientRect()
    const [left, top] = [e.clientX - box.left, e.clientY - box.top]
    painter.hover({ ...shown, ...inPicture(e) }, (hit) => {
      const item = hit && stage.items[hit.index]
      setUnder(hit && item ? { ...hit, left, top } : undefined)
      setStage({ under: hit && item ? { id: item.id, pane, metres: hit.metres } : undefined })
    })
  }

  const follow = useCallback(() => {
    const h = held.current
    const shown = seen()
    if (!h?.drag || !shown) {
      return
    }
    const by = byOf(h.drag, sight({ ...shown, ...h.ray }))
    const origins = h.ids.map((id) => originOf(stage, id, shown.base))
    const middle = (pick: (p: Point) => number) => origins.reduce((sum, p) => sum + pick(p), 0) / Math.max(1, origins.length)
    const pivot: [number, number] = [middle((p) => p.x), middle((p) => p.z)]
    const to = movedTo(shown.base, stage, h.ids, by, pivot)
    things.put(placeOfThings(stage.sceneId, h.action), { action: h.action, ids: h.ids, by, pivot, to })
    setWords(byWords(h.drag.how, by))
  }, [seen, stage, things])

  const begin = useCallback(
    (h: Held) => {
      if (useTransport.getState().speed !== 0) {
        // things are moved at a frame: none runs away under the hand
        stop()
      }
      const { chosen, snap } = useStageDesk.getState()
      h.ids = chosen.includes(h.id) ? chosen : [h.id]
      const [x, y, z] = h.hit.point
      h.drag = {
        how: 'slide',
        axis: undefined,
        from: { x, y, z },
        origin: originOf(stage, h.id, seen()?.base),
        pixels: 0,
        typed: '',
        snap,
        others: stage.items.filter((i) => !h.ids.includes(i.id)).map((i) => originOf(stage, i.id, seen()?.base)),
      }
    },
    [stage, seen],
  )

  const drop = useCallback(() => {
    held.current = undefined
    looks.current = false
    setWords(undefined)
  }, [])

  /** Looks what lies under a press for which no name came yet: it is meant as if it had. */
  const pickAtPress = (e: React.PointerEvent) => {
    const shown = seen()
    const at: Press = { x: e.clientX, y: e.clientY, moved: false, up: false }
    const [ray, several, adds] = [inPicture(e), e.ctrlKey || e.shiftKey, e.ctrlKey]
    press.current = at
    if (!painter || !shown || off || e.button !== 0) {
      return
    }
    painter.pick({ ...shown, ...ray }, (hit) => {
      const item = hit && stage.items[hit.index]
      if (!item || press.current !== at || at.moved) {
        return
      }
      if (at.up) {
        choose(item.id, several)
        setStage({ panel: 'Things' })
        return
      }
      const own = useStageDesk.getState().chosen.includes(item.id) || adds
      held.current = { hit, id: item.id, x: at.x, y: at.y, moved: false, ray, ids: own ? [item.id] : [], action }
      if (own) {
        looks.current = false
        empty.end()
      }
    })
  }

  /** Whether the name that is shown is of what is pressed, and not of where the pointer was before. */
  const isNamed = (e: React.PointerEvent) => {
    const box = e.currentTarget.getBoundingClientRect()
    return !!under && Math.hypot(e.clientX - box.left - under.left, e.clientY - box.top - under.top) <= STILL
  }

  const down = (e: React.PointerEvent) => {
    setStage({ area: 'pictures' })
    const hit = isNamed(e) ? under : undefined
    const item = hit && name(hit)
    press.current = undefined
    if (!hit) {
      pickAtPress(e)
    }
    e.currentTarget.setPointerCapture(e.pointerId)
    const { chosen } = useStageDesk.getState()
    const pressed = hit && item && !off && e.button === 0
    const own = pressed && (chosen.includes(item.id) || e.ctrlKey)
    held.current = pressed
      ? { hit, id: item.id, x: e.clientX, y: e.clientY, moved: false, ray: inPicture(e), ids: own ? [item.id] : [], action }
      : undefined
    if (!own) {
      looks.current = true
      empty.begin(e)
    }
  }

  const move = (e: React.PointerEvent) => {
    const p = press.current
    if (p && !p.up && Math.hypot(e.clientX - p.x, e.clientY - p.y) > STILL) {
      p.moved = true
    }
    const h = held.current
    if (h && Math.hypot(e.clientX - h.x, e.clientY - h.y) > STILL) {
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
    if (h.drag && !things.isOpen) {
      // it was written already, where the window lost the focus or the playhead went on: the hand holds nothing any more
      drop()
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

  const up = (e: React.PointerEvent) => {
    const h = held.current
    if (press.current) {
      press.current.up = true
    }
    if (looks.current) {
      empty.end()
    }
    if (h?.drag) {
      things.write()
    } else if (h && !h.moved && !off) {
      choose(h.id, e.ctrlKey || e.shiftKey)
      setStage({ panel: 'Things' })
    }
    drop()
  }

  const cancel = useCallback(() => {
    drop()
    things.drop()
  }, [drop, things])

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const h = held.current
      const key = e.key.toLowerCase()
      if (!h || h.ids.length === 0 || !(h.drag || DRAGS.test(key))) {
        return
      }
      if (!h.drag) {
        // typed before the hand has moved
        begin(h)
      }
      const d = h.drag
      if (!d) {
        return
      }
      if (key === 'escape') {
        cancel()
      } else if (key === 'enter') {
        things.write()
        drop()
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
  }, [cancel, follow, begin, drop, things])

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
