/** The scout view flown as long as a key is down; a key that is only struck goes one step. */
import { useEffect, useRef } from 'react'

/** Metres ahead, right and up. */
export type Way = [number, number, number]

/** Metres a second at pace 1: walking. */
const SPEED = 1.4
/** Held longer than this it flies, milliseconds. */
const STRUCK = 220

/** @param fly goes so many metres; @param struck one step of a key that is let go at once */
export function useFlight(pace: number, fly: (ahead: number, right: number, up: number) => void, struck: (way: Way) => void) {
  const down = useRef(new Set<string>())
  const flying = useRef(new Map<string, { way: Way; since: number }>())
  const frame = useRef(0)
  const now = useRef({ pace, fly, struck })
  now.current = { pace, fly, struck }

  useEffect(() => {
    const press = (e: KeyboardEvent) => void down.current.add(e.key.toLowerCase())
    const release = (e: KeyboardEvent) => {
      const key = e.key.toLowerCase()
      down.current.delete(key)
      const held = flying.current.get(key)
      flying.current.delete(key)
      if (held && performance.now() - held.since < STRUCK) {
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
    if (!down.current.has(key)) {
      now.current.struck(way)
      return
    }
    if (flying.current.has(key)) {
      return
    }
    flying.current.set(key, { way, since: performance.now() })
    let last = performance.now()
    const step = (at: number) => {
      const seconds = Math.min(0.1, Math.max(0, (at - last) / 1000))
      last = at
      const sum: Way = [0, 0, 0]
      flying.current.forEach((f) => {
        // a key that may still be let go at once goes nowhere yet
        const ready = at - f.since >= STRUCK ? 1 : 0
        f.way.forEach((v, i) => {
          sum[i] = (sum[i] ?? 0) + v * ready
        })
      })
      const metres = SPEED * now.current.pace * seconds
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
