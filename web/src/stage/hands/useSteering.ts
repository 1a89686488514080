/**
 * A shot's camera moved by hands in its own picture. It is entered and left on purpose, shown at once, and each gesture is written as
 * one step: a drag when it is let go, a wheel or keys when they rest, and all of it at once when one goes elsewhere.
 */
import { useEffect, useMemo, useRef } from 'react'
import { Euler, Matrix4, Quaternion, Vector3 } from 'three'
import type { Place } from '../../parts/draft'
import { useDraft } from '../../parts/useDraft'
import type { Bake } from '../../pictures/bake'
import { stop, useTransport } from '../../playhead/transport'
import type { StageShot } from '../../server/types'
import { changeCamera, heldAt } from '../edits'
import { setStage, useStageDesk } from '../stageDesk'
import { standing } from './matrices'

/** Where a steered camera is until the server has it. @property lens mm */
export type Steered = { placed: Matrix4; lens: number }

const DEGREES_A_PIXEL = 0.12
const SLOW = 0.15

/** A lens to the hundredth of a millimetre. */
const fine = (lens: number) => Math.round(lens * 100) / 100

export function useSteering(stage: StageShot, bake: Bake, shotFrame: number) {
  const steering = useStageDesk((d) => d.steering)
  const reach = useStageDesk((d) => d.reach)
  const hold = useRef<{ x: number; y: number } | undefined>(undefined)
  // what a gesture is laid over is what the server says when it is looked at, at the frame at which the gesture is made
  const latest = useRef({ stage, bake })
  latest.current = { stage, bake }

  const place = useMemo(
    (): Place<Steered> => ({
      key: `${stage.shotId} ${shotFrame} ${reach}`,
      says: () => {
        const held = heldAt(stage.shotId, shotFrame)
        const { bake: now, stage: on } = latest.current
        const k = shotFrame - on.framesFirst
        return held
          ? { of: held, value: { placed: new Matrix4().fromArray(held.placed), lens: held.lens } }
          : { of: now, value: { placed: standing(now.view(k)), lens: now.lens(k) } }
      },
      write: ({ placed, lens }, before) =>
        changeCamera(
          latest.current.stage,
          {
            kind: 'FILM_FROM',
            frame: shotFrame,
            placed: [...placed.elements],
            // nobody's lens is put back by a gesture that turned or moved the camera alone
            lens: lens === before.lens && reach !== 'HOLD' ? undefined : fine(lens),
            keepAim: true,
          },
          reach,
        ),
    }),
    [stage.shotId, shotFrame, reach],
  )
  const draft = useDraft<Steered>(bake.edit, place.key)
  useEffect(() => {
    if (!steering) {
      draft.write()
    }
  }, [draft, steering])

  const change = (by: (from: Steered) => Steered, rests = false) => {
    if (useTransport.getState().speed !== 0) {
      // a camera is moved at a frame: none runs away under the hand
      stop()
    }
    draft.change(place, by, rests)
  }

  /** Metres to what is focused on: gestures go by it. */
  const far = Math.max(0.5, bake.focus(shotFrame - stage.framesFirst))

  const drag = (e: React.PointerEvent) => {
    const from = hold.current
    if (!from) {
      return
    }
    const slow = e.metaKey || e.getModifierState('CapsLock') ? SLOW : 1
    const dx = (e.clientX - from.x) * slow
    const dy = (e.clientY - from.y) * slow
    const { shiftKey, altKey, ctrlKey } = e
    hold.current = { x: e.clientX, y: e.clientY }
    change(({ placed, lens }) => ({
      lens,
      placed: shiftKey
        ? moved(placed, -dx * far * 0.0015, dy * far * 0.0015, 0)
        : altKey
          ? circled(placed, far, dx, dy)
          : ctrlKey
            ? rolled(placed, dx * DEGREES_A_PIXEL)
            : turned(placed, dx * DEGREES_A_PIXEL, dy * DEGREES_A_PIXEL),
    }))
  }
  const longer = (factor: number) => change(({ placed, lens }) => ({ placed, lens: Math.max(1, Math.min(2000, lens * factor)) }), true)

  return {
    steering,
    steered: draft.shown(place.key),
    leave: () => setStage({ steering: false }),
    /** by keys: metres ahead, right and up */
    go: (ahead: number, right: number, up: number) =>
      change(({ placed, lens }) => ({ lens, placed: moved(placed, (right * far) / 12, (up * far) / 12, (-ahead * far) / 12) }), true),
    zoom: longer,
    wheel: (e: React.WheelEvent) => {
      const slow = e.metaKey ? SLOW : 1
      const { deltaY } = e
      if (e.ctrlKey) {
        longer(Math.exp(-deltaY * 0.0008 * slow))
      } else {
        change(({ placed, lens }) => ({ lens, placed: moved(placed, 0, 0, deltaY * 0.0012 * far * slow) }), true)
      }
    },
    empty: {
      begin: (e: React.PointerEvent) => {
        // a wheel that has not rested yet is a step of its own
        draft.write()
        hold.current = { x: e.clientX, y: e.clientY }
      },
      move: drag,
      end: () => {
        hold.current = undefined
        draft.write()
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
