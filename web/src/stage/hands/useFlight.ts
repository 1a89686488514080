/** The scout view flown as long as a key is down; a key that is only struck goes one step. */
import { useEffect, useRef } from 'react'

/** Metres ahead, right and up. */
export type Way = [number, number, number]

/** Metres a second at pace 1: walking. */
const SPEED = 1.4
/** Held longer than this it flies, milliseconds. */
const STRUCK = 220

/**
 * A key that is down. How long it was down is told by when it was pressed and let go, not by when the window came to that: on a slow
 * machine a key that was struck is still one that was struck.
 *
 * @property since when it was asked for, on the window's clock
 * @property flown metres that it has gone so far
 */
type Flying = { way: Way; pressed: number; since: number; flown: number }

/** @param fly goes so many metres; @param struck one step of a key that is let go at once */
export function useFlight(pace: number, fly: (ahead: number, right: number, up: number) => void, struck: (way: Way) => void) {
  /** keys that are down, and when they were pressed */
  const down = useRef(new Map<string, number>())
  const flying = useRef(new Map<string, Flying>())
  const frame = useRef(0)
  const now = useRef({ pace, fly, struck })
  now.current = { pace, fly, struck }

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const key = e.key.toLowerCase()
      // one that is held repeats: the first counts
      if (!down.current.has(key)) {
        down.current.set(key, e.timeStamp)
      }
    }
    const release = (e: KeyboardEvent) => {
      const key = e.key.toLowerCase()
      down.current.delete(key)
      const held = flying.current.get(key)
      flying.current.delete(key)
      if (held && e.timeStamp - held.pressed < STRUCK) {
        const [ahead, right, up] = held.way
        if (held.flown > 0) {
          now.current.fly(-ahead * held.flown, -right * held.flown, -up * held.flown)
        }
        now.current.struck(held.way)
      }
    }
    const away = () => {
      down.current.clear()
      flying.current.clear()
    }
    window.addEventListener('keydown', press, true)
    window.addEventListener('keyup', release, true)
    window.addEventListener('blur', away)
    return () => {
      window.removeEventListener('keydown', press, true)
      window.removeEventListener('keyup', release, true)
      window.removeEventListener('blur', away)
      cancelAnimationFrame(frame.current)
    }
  }, [])

  /** @param key that it is on; where that is not down, it was asked for otherwise and goes one step */
  return (key: string, way: Way) => {
    const pressed = down.current.get(key)
    if (pressed === undefined) {
      now.current.struck(way)
      return
    }
    if (flying.current.has(key)) {
      return
    }
    flying.current.set(key, { way, pressed, since: performance.now(), flown: 0 })
    let last = performance.now()
    const step = (at: number) => {
      const seconds = Math.min(0.1, Math.max(0, (at - last) / 1000))
      last = at
      const sum: Way = [0, 0, 0]
      const metres = SPEED * now.current.pace * seconds
      flying.current.forEach((f) => {
        // a key that may still be let go at once goes nowhere yet
        const ready = at - f.since >= STRUCK ? 1 : 0
        f.flown += metres * ready
        f.way.forEach((v, i) => {
          sum[i] = (sum[i] ?? 0) + v * ready
        })
      })
      if (sum.some((v) => v !== 0)) {
        now.current.fly(sum[0] * metres, sum[1] * metres, sum[2] * metres)
      }
      frame.current = flying.current.size > 0 ? requestAnimationFrame(step) : 0
    }
    if (frame.current === 0) {
      frame.current = requestAnimationFrame(step)
    }
  }
}
