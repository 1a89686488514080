/** The free view in hands: flown or walked, with a lens of its own, kept per scene, with an undo of its own. */
import { useCallback, useEffect, useRef } from 'react'
import { Euler, Vector3 } from 'three'
import type { Bake } from '../../pictures/bake'
import type { StageShot } from '../../server/types'
import { setStage, useStageDesk } from '../stageDesk'
import { EYES, type FlatPlace, placeOf, type ScoutPlace, standing } from './matrices'
import { useFlight } from './useFlight'

/** So many places of the view are gone back to. */
const PAST = 100
const TURN_A_PIXEL = 0.004
const ACROSS = 40

export function useScout(stage: StageShot, bake: Bake, k: number) {
  const { scouts, flats, free, walking, pace } = useStageDesk()
  const key = `${stage.sceneId} ${free}`
  const place = scouts[stage.sceneId] ?? behind(bake, k)
  const flat = flats[key] ?? around(bake, k)
  const past = useRef<ScoutPlace[]>([])
  const hold = useRef<{ x: number; y: number; button: number } | undefined>(undefined)

  // the first place is kept at once: the camera may go elsewhere, and the view stays
  useEffect(() => {
    if (!useStageDesk.getState().scouts[stage.sceneId]) {
      put(stage.sceneId, behind(bake, k))
    }
  }, [stage.sceneId, bake, k])

  const remember = useCallback(() => {
    past.current = [...past.current.slice(1 - PAST), scoutNow(stage.sceneId) ?? place]
  }, [stage.sceneId, place])

  const change = (by: (p: ScoutPlace) => ScoutPlace) => {
    const from = scoutNow(stage.sceneId) ?? place
    const to = by(from)
    put(stage.sceneId, useStageDesk.getState().walking ? { ...to, y: EYES } : to)
  }
  const fly = (ahead: number, right: number, up: number) =>
    change((p) => {
      const way = new Vector3(right, 0, -ahead).applyEuler(new Euler(walking ? 0 : p.tilt, p.turn, 0, 'YXZ'))
      return { ...p, x: p.x + way.x, y: p.y + way.y + up, z: p.z + way.z }
    })
  const flight = useFlight(pace, fly, ([ahead, right, up]) => {
    remember()
    fly(ahead * 0.6 * pace, right * 0.6 * pace, up * 0.4 * pace)
  })
  const slide = (dx: number, dy: number, pixels: number) => {
    const metres = flat.across / Math.max(1, pixels)
    const next: FlatPlace =
      free === 'plan'
        ? { ...flat, x: flat.x - dx * metres, z: flat.z - dy * metres }
        : free === 'front'
          ? { ...flat, x: flat.x - dx * metres, y: flat.y + dy * metres }
          : { ...flat, z: flat.z + dx * metres, y: flat.y + dy * metres }
    setStage({ flats: { ...useStageDesk.getState().flats, [key]: next } })
  }

  return {
    place,
    flat,
    words:
      free !== 'scout'
        ? 'drag to slide, wheel for more or less'
        : walking
          ? 'walking at eye height'
          : 'free; nothing here moves a shot camera',
    goTo: (to: ScoutPlace) => {
      remember()
      put(stage.sceneId, to)
    },
    /** @param key that it is on: as long as it is down, it goes on */
    go: (key: string, ahead: number, right: number, up: number) => flight(key, [ahead, right, up]),
    turn: (by: number) => {
      remember()
      change((p) => ({ ...p, turn: p.turn + by }))
    },
    lens: (factor: number) => {
      remember()
      change((p) => ({ ...p, lens: Math.max(8, Math.min(1200, p.lens * factor)) }))
    },
    pace: (factor: number) => setStage({ pace: Math.max(0.05, Math.min(20, pace * factor)) }),
    walk: () => {
      setStage({ walking: !walking })
      change((p) => p)
    },
    back: () => {
      const before = past.current.pop()
      if (before) {
        put(stage.sceneId, before)
      }
    },
    wheel: (e: React.WheelEvent) => {
      if (free !== 'scout') {
        const across = Math.max(0.5, Math.min(5000, flat.across * Math.exp(e.deltaY * 0.001)))
        setStage({ flats: { ...flats, [key]: { ...flat, across } } })
      } else if (e.ctrlKey) {
        change((p) => ({ ...p, lens: Math.max(8, Math.min(1200, p.lens * Math.exp(-e.deltaY * 0.001))) }))
      } else if (e.altKey) {
        setStage({ pace: Math.max(0.05, Math.min(20, pace * Math.exp(-e.deltaY * 0.002))) })
      } else {
        fly(-e.deltaY * 0.001 * far() * pace, 0, 0)
      }
    },
    empty: {
      begin: (e: React.PointerEvent) => {
        remember()
        hold.current = { x: e.clientX, y: e.clientY, button: e.button }
      },
      move: (e: React.PointerEvent) => {
        const from = hold.current
        if (!from) {
          return
        }
        const dx = e.clientX - from.x
        const dy = e.clientY - from.y
        hold.current = { ...from, x: e.clientX, y: e.clientY }
        if (free !== 'scout') {
          slide(dx, dy, e.currentTarget.clientWidth)
        } else if (from.button === 0 && !e.shiftKey) {
          change((p) => ({
            ...p,
            turn: p.turn + dx * TURN_A_PIXEL,
            tilt: Math.max(-1.5, Math.min(1.5, p.tilt + dy * TURN_A_PIXEL)),
          }))
        } else {
          fly(0, -dx * 0.003 * far() * pace, dy * 0.003 * far() * pace)
        }
      },
      end: () => {
        hold.current = undefined
      },
    },
  }
}

/** Metres to what is under the pointer: hands go faster by it, and slowly where it is near. */
function far(): number {
  const { under } = useStageDesk.getState()
  return Math.max(1, Math.min(100, under?.pane === 'scout' ? under.metres : 10))
}

const scoutNow = (sceneId: number) => useStageDesk.getState().scouts[sceneId]

const put = (sceneId: number, place: ScoutPlace) => setStage({ scouts: { ...useStageDesk.getState().scouts, [sceneId]: place } })

/** To begin with: above and behind the camera, looking its way. */
function behind(bake: Bake, k: number): ScoutPlace {
  const p = placeOf(standing(bake.view(k)), bake.lens(k))
  const back = new Vector3(2.5, 0, 7).applyEuler(new Euler(0, p.turn, 0))
  return { ...p, x: p.x + back.x, y: p.y + 3, z: p.z + back.z, tilt: -0.28 }
}

function around(bake: Bake, k: number): FlatPlace {
  const p = placeOf(standing(bake.view(k)), 35)
  return { x: p.x, y: p.y, z: p.z, across: ACROSS }
}
