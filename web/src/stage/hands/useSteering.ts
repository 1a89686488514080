/**
 * A shot's camera moved by hands in its own picture. It is entered and left on purpose, shown at once, and each gesture is written as
 * one step when the hand rests.
 */
import { useCallback, useEffect, useRef, useState } from 'react'
import { Euler, Matrix4, Quaternion, Vector3 } from 'three'
import type { Bake } from '../../pictures/bake'
import type { StageShot } from '../../server/types'
import { changeCamera, heldAt } from '../edits'
import { setStage, useStageDesk } from '../stageDesk'
import { standing } from './matrices'

/** Where a steered camera is until the server has it. @property lens mm */
export type Steered = { placed: Matrix4; lens: number }

/** A wheel or a key is followed by others: so long after the last it is written, in milliseconds. */
const REST = 300
const DEGREES_A_PIXEL = 0.12
const SLOW = 0.15

export function useSteering(stage: StageShot, bake: Bake, k: number, shotFrame: number) {
  const steering = useStageDesk((d) => d.steering)
  const [steered, setSteered] = useState<Steered>()
  const now = useRef<Steered | undefined>(undefined)
  const timer = useRef(0)
  const hold = useRef<{ x: number; y: number } | undefined>(undefined)

  // what was steered is shown until the server's own movement has it
  useEffect(() => {
    now.current = undefined
    setSteered(undefined)
  }, [bake, shotFrame])
  useEffect(() => () => window.clearTimeout(timer.current), [])

  const write = useCallback(async () => {
    window.clearTimeout(timer.current)
    timer.current = 0
    const at = now.current
    if (!at) {
      return
    }
    const done = await changeCamera(stage, {
      kind: 'FILM_FROM',
      frame: shotFrame,
      placed: [...at.placed.elements],
      lens: Math.round(at.lens * 100) / 100,
      keepAim: true,
    })
    if (!done || heldAt(stage.shotId, shotFrame)) {
      now.current = undefined
      setSteered(undefined)
    }
  }, [stage, shotFrame])

  const change = useCallback(
    (by: (from: Steered) => Steered, rests = false) => {
      const held = heldAt(stage.shotId, shotFrame)
      const from =
        now.current ??
        (held ? { placed: new Matrix4().fromArray(held.placed), lens: held.lens } : { placed: standing(bake.view(k)), lens: bake.lens(k) })
      now.current = by(from)
      setSteered(now.current)
      window.clearTimeout(timer.current)
      if (rests) {
        timer.current = window.setTimeout(() => void write(), REST)
      }
    },
    [bake, k, write, stage.shotId, shotFrame],
  )

  /** Metres to what is focused on: gestures go by it. */
  const far = Math.max(0.5, bake.focus(k))

  const drag = (e: React.PointerEvent) => {
    const from = hold.current
    if (!from) {
      return
    }
    const slow = e.metaKey || e.getModifierState('CapsLock') ? SLOW : 1
    const dx = (e.clientX - from.x) * slow
    const dy = (e.clientY - from.y) * slow
    hold.current = { x: e.clientX, y: e.clientY }
    change(({ placed, lens }) => ({
      lens,
      placed: e.shiftKey
        ? moved(placed, -dx * far * 0.0015, dy * far * 0.0015, 0)
        : e.altKey
          ? circled(placed, far, dx, dy)
          : e.ctrlKey
            ? rolled(placed, dx * DEGREES_A_PIXEL)
            : turned(placed, dx * DEGREES_A_PIXEL, dy * DEGREES_A_PIXEL),
    }))
  }

  return {
    steering,
    steered,
    leave: () => setStage({ steering: false }),
    /** by keys: metres ahead, right and up */
    go: (ahead: number, right: number, up: number) =>
      change(({ placed, lens }) => ({ lens, placed: moved(placed, (right * far) / 12, (up * far) / 12, (-ahead * far) / 12) }), true),
    zoom: (factor: number) => change(({ placed, lens }) => ({ placed, lens: Math.max(1, Math.min(2000, lens * factor)) }), true),
    wheel: (e: React.WheelEvent) => {
      const slow = e.metaKey ? SLOW : 1
      if (e.ctrlKey) {
        change(({ placed, lens }) => ({ placed, lens: Math.max(1, Math.min(2000, lens * Math.exp(-e.deltaY * 0.0008 * slow))) }), true)
      } else {
        change(({ placed, lens }) => ({ lens, placed: moved(placed, 0, 0, e.deltaY * 0.0012 * far * slow) }), true)
      }
    },
    empty: {
      begin: (e: React.PointerEvent) => {
        hold.current = { x: e.clientX, y: e.clientY }
      },
      move: drag,
      end: () => {
        hold.current = undefined
        if (now.current) {
          void write()
        }
      },
    },
  }
}

/** Along its own right, up and back. */
const moved = (placed: Matrix4, right: number, up: number, back: number) =>
  placed.clone().multiply(new Matrix4().makeTranslation(right, up, back))

const rolled = (placed: Matrix4, degrees: number) => placed.clone().multiply(new Matrix4().makeRotationZ((-degrees * Math.PI) / 180))

/** About the upright and its own level: a drag takes the picture along. */
function turned(placed: Matrix4, pan: number, tilt: number): Matrix4 {
  const at = new Vector3()
  const now = new Quaternion()
  placed.decompose(at, now, new Vector3())
  const angles = new Euler().setFromQuaternion(now, 'YXZ')
  const limit = Math.PI / 2 - 1e-4
  const next = new Euler(
    Math.max(-limit, Math.min(limit, angles.x + (tilt * Math.PI) / 180)),
    angles.y + (pan * Math.PI) / 180,
    angles.z,
    'YXZ',
  )
  return new Matrix4().compose(at, new Quaternion().setFromEuler(next), new Vector3(1, 1, 1))
}

/** About what lies at a distance before it, which stays in the middle. */
function circled(placed: Matrix4, far: number, dx: number, dy: number): Matrix4 {
  const middle = new Vector3(0, 0, -far).applyMatrix4(placed)
  const next = turned(placed, -dx * DEGREES_A_PIXEL * 2, -dy * DEGREES_A_PIXEL * 2)
  const off = new Vector3(0, 0, far).applyMatrix4(new Matrix4().extractRotation(next))
  return next.setPosition(middle.add(off))
}
