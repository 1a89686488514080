/**
 * Plays the master: sound is the clock at normal speed, the machine's clock at others. Only counts frames; what is
 * seen at a frame is the server's answer.
 */
import { create } from 'zustand'
import { setDesk, useDesk } from '../desk/desk'
import type { LaidSound } from '../server/types'

type Score = { start: number; end: number; framesPerSecond: number; sound: LaidSound[] }

export const useTransport = create<{ speed: number }>(() => ({ speed: 0 }))

let score: Score = { start: 0, end: 1, framesPerSecond: 24, sound: [] }
let players: { piece: LaidSound; element: HTMLAudioElement }[] = []
let begun = { at: 0, frame: 0 }
let ticking = 0
let range: { in: number; out: number } | undefined
let loops = false

export function setScore(next: Score) {
  const same = JSON.stringify(next.sound) === JSON.stringify(score.sound)
  score = next
  if (!same) {
    players.forEach((p) => p.element.pause())
    players = next.sound.filter((s) => s.mediaId).map((piece) => {
      const element = new Audio(`/api/media/${piece.mediaId}/sound`)
      element.preload = 'auto'
      return { piece, element }
    })
  }
  const { frame } = useDesk.getState()
  if (frame < score.start || frame >= score.end) {
    setDesk({ frame: Math.max(score.start, Math.min(score.end - 1, frame)) })
  }
}

export function goTo(frame: number) {
  const at = Math.max(score.start, Math.min(score.end - 1, Math.round(frame)))
  setDesk({ frame: at })
  if (useTransport.getState().speed !== 0) {
    play(useTransport.getState().speed)
  }
}

export const step = (frames: number) => {
  stop()
  goTo(useDesk.getState().frame + frames)
}

/** @param loop begins again at the end of the range until it is stopped */
export function play(speed: number, only?: { in: number; out: number }, loop = false) {
  cancelAnimationFrame(ticking)
  range = only
  loops = loop
  let { frame } = useDesk.getState()
  const from = only?.in ?? score.start
  const to = only?.out ?? score.end
  if (speed > 0 && frame >= to - 1) {
    frame = from
  }
  if (only && (frame < from || frame >= to)) {
    frame = from
  }
  begun = { at: performance.now(), frame }
  setDesk({ frame })
  useTransport.setState({ speed })
  startSound(speed, frame)
  ticking = requestAnimationFrame(tick)
}

export function stop() {
  cancelAnimationFrame(ticking)
  players.forEach((p) => p.element.pause())
  useTransport.setState({ speed: 0 })
}

export const playOrStop = () => (useTransport.getState().speed === 0 ? play(1) : stop())

/** Each press of L or J goes one step faster that way. */
export function shuttle(way: 1 | -1) {
  const { speed } = useTransport.getState()
  play(Math.sign(speed) === way ? Math.max(-8, Math.min(8, speed * 2)) : way)
}

function startSound(speed: number, frame: number) {
  players.forEach(({ piece, element }) => {
    element.pause()
    if (speed === 1 && frame < piece.out) {
      const wait = Math.max(0, piece.in - frame) / score.framesPerSecond
      element.currentTime = piece.fromSeconds + Math.max(0, frame - piece.in) / score.framesPerSecond
      window.setTimeout(() => {
        if (useTransport.getState().speed === 1) {
          void element.play().catch(() => undefined)
        }
      }, wait * 1000)
    }
  })
}

/** The frame that the sound stands at; undefined while none is heard. */
function heardFrame(): number | undefined {
  const heard = players.find((p) => !p.element.paused && p.element.currentTime > p.piece.fromSeconds && p.element.readyState > 2)
  return heard && heard.piece.in + (heard.element.currentTime - heard.piece.fromSeconds) * score.framesPerSecond
}

function tick() {
  const { speed } = useTransport.getState()
  const passed = ((performance.now() - begun.at) / 1000) * score.framesPerSecond * speed
  const heard = speed === 1 ? heardFrame() : undefined
  const frame = Math.floor((heard ?? begun.frame + passed) + 1e-3)
  const to = range?.out ?? score.end
  if (frame >= to && loops && range) {
    setDesk({ frame: range.in })
    play(speed, range, true)
    return
  }
  if (frame >= to || frame < score.start) {
    setDesk({ frame: frame >= to ? to - 1 : score.start })
    stop()
    return
  }
  if (frame !== useDesk.getState().frame) {
    setDesk({ frame })
  }
  ticking = requestAnimationFrame(tick)
}
