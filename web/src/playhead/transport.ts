/**
 * Plays the master: sound is the clock forwards at normal and double speed, the machine's clock at others. Only counts
 * frames; what is seen at a frame is the server's answer.
 */
import { create } from 'zustand'
import { setDesk, useDesk } from '../desk/desk'
import type { LaidSound } from '../server/types'
import { Grain } from './grain'
import { slowDrawing } from './slowDrawing'
import { heardFrame, pauseSound, scrub, setSound, startSound } from './sound'

/** @property masterEnd where playing stops: the cut may reach further */
type Score = { start: number; end: number; masterEnd: number; framesPerSecond: number; sound: LaidSound[] }
type Part = { in: number; out: number }

/**
 * @property dropped frames that were not shown since playing began, at normal speed
 * @property grain   how finely the set is drawn while it plays, as a share of its full size
 */
export const useTransport = create<{ speed: number; dropped: number; grain: number }>(() => ({ speed: 0, dropped: 0, grain: 1 }))

/** How finely a set is drawn now, as a share of its full size. */
export const useGrain = () => useTransport((t) => (t.speed === 0 ? 1 : t.grain))

let score: Score = { start: 0, end: 1, masterEnd: 1, framesPerSecond: 24, sound: [] }
let begun = { at: 0, frame: 0 }
let ticking = 0
let ticked = 0
let grain: Grain | undefined
let range: Part | undefined
let loops = false

export function setScore(next: Score) {
  score = next
  setSound(next.sound, next.framesPerSecond)
  const { frame } = useDesk.getState()
  if (frame < score.start || frame >= score.end) {
    setDesk({ frame: Math.max(score.start, Math.min(score.end - 1, frame)) })
  }
}

export function goTo(frame: number) {
  const at = Math.max(score.start, Math.min(score.end - 1, Math.round(frame)))
  const moved = at !== useDesk.getState().frame
  setDesk({ frame: at })
  if (useTransport.getState().speed !== 0) {
    play(useTransport.getState().speed)
  } else if (moved) {
    scrub(at)
  }
}

/** Playing that begins beyond the master goes through what the cut has there. */
const lastOf = (frame: number) => (frame < score.masterEnd ? score.masterEnd : score.end)

export const step = (frames: number) => {
  stop()
  goTo(useDesk.getState().frame + frames)
}

/** @param loop begins again at the end of the range until it is stopped */
export function play(speed: number, only?: Part, loop = false) {
  cancelAnimationFrame(ticking)
  range = only
  loops = loop
  let { frame } = useDesk.getState()
  const from = only?.in ?? score.start
  const to = only?.out ?? lastOf(frame)
  if (speed > 0 && frame >= to - 1) {
    frame = from
  }
  if (only && (frame < from || frame >= to)) {
    frame = from
  }
  begun = { at: performance.now(), frame }
  setDesk({ frame })
  const goesOn = useTransport.getState().speed === speed && loop
  if (!goesOn) {
    grain ??= new Grain(slowDrawing() ? 0.5 : 1)
    grain.begin()
  }
  ticked = begun.at
  useTransport.setState((t) => ({ speed, dropped: goesOn ? t.dropped : 0, grain: grain?.share ?? 1 }))
  startSound(speed, frame)
  ticking = requestAnimationFrame(tick)
}

export function stop() {
  cancelAnimationFrame(ticking)
  pauseSound()
  useTransport.setState({ speed: 0 })
}

export const playOrStop = () => (useTransport.getState().speed === 0 ? play(1) : stop())

/** Each press of L or J goes one step faster that way. */
export function shuttle(way: 1 | -1) {
  const { speed } = useTransport.getState()
  play(Math.sign(speed) === way ? Math.max(-8, Math.min(8, speed * 2)) : way)
}

/** The range from in to out, where both are set in order. */
export function wholeRange(): Part | undefined {
  const { range: marked } = useDesk.getState()
  return marked.in !== undefined && marked.out !== undefined && marked.in < marked.out ? { in: marked.in, out: marked.out } : undefined
}

export function setIn() {
  const { frame, range: marked } = useDesk.getState()
  setDesk({ range: { in: frame, out: marked.out !== undefined && marked.out > frame ? marked.out : undefined } })
}

/** The frame at the playhead is the last one inside. */
export function setOut() {
  const { frame, range: marked } = useDesk.getState()
  setDesk({ range: { in: marked.in !== undefined && marked.in <= frame ? marked.in : undefined, out: frame + 1 } })
}

export function playRange() {
  const part = wholeRange()
  if (part) {
    setDesk({ frame: part.in })
    play(1, part, true)
  }
}

function lookAtPace() {
  const now = performance.now()
  grain?.frame(now - ticked)
  ticked = now
  if (grain && grain.share !== useTransport.getState().grain) {
    useTransport.setState({ grain: grain.share })
  }
}

function tick() {
  lookAtPace()
  const { speed } = useTransport.getState()
  const passed = ((performance.now() - begun.at) / 1000) * score.framesPerSecond * speed
  const frame = Math.floor((heardFrame(speed) ?? begun.frame + passed) + 1e-3)
  const from = range?.in ?? score.start
  const to = range?.out ?? lastOf(begun.frame)
  if (frame >= to && loops && range) {
    setDesk({ frame: range.in })
    play(speed, range, true)
    return
  }
  if (frame >= to || frame < from) {
    setDesk({ frame: frame >= to ? to - 1 : from })
    stop()
    return
  }
  const before = useDesk.getState().frame
  if (frame !== before) {
    // faster than normal, frames are left out on purpose
    const left = Math.abs(speed) === 1 ? Math.abs(frame - before) - 1 : 0
    if (left > 0) {
      useTransport.setState((t) => ({ dropped: t.dropped + left }))
    }
    setDesk({ frame })
  }
  ticking = requestAnimationFrame(tick)
}
