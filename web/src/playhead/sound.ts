/** What is heard: pieces of sound at their places, as loud as the server says, and a short piece of each frame gone to. */

import { itemAt } from '../parts/lists'
import type { LaidSound } from '../server/types'

type Player = { piece: LaidSound; element: HTMLAudioElement; gain?: GainNode }

/** How long a frame is heard when somebody goes to it, seconds. */
const SCRUB = 0.09
/** Faster than this, sound is only noise. */
const FASTEST_HEARD = 2

let players: Player[] = []
let framesPerSecond = 24
let machine: AudioContext | undefined
let waiting: number[] = []
let scrubbed = 0

const file = (piece: LaidSound) => `/api/media/${piece.mediaId}/sound`

export function setSound(sound: LaidSound[], rate: number) {
  framesPerSecond = rate
  const wanted = sound.filter((s) => s.mediaId)
  const same =
    wanted.length === players.length && wanted.every((s, i) => s.id === players[i]?.piece.id && s.mediaId === players[i]?.piece.mediaId)
  if (same) {
    wanted.forEach((piece, i) => (itemAt(players, i).piece = piece))
    return
  }
  players.forEach((p) => p.element.pause())
  players = wanted.map((piece) => {
    const element = new Audio(file(piece))
    element.preload = 'auto'
    return { piece, element }
  })
}

/**
 * Louder than it was recorded, or one channel alone, needs the machine's mixer; it may begin only after somebody pressed
 * something.
 */
function mixed(player: Player): GainNode {
  if (!player.gain) {
    machine ??= new AudioContext()
    player.gain = machine.createGain()
    const source = machine.createMediaElementSource(player.element)
    const heard = player.piece.channel > 0 ? oneChannel(machine, source, player.piece.channel) : source
    heard.connect(player.gain).connect(machine.destination)
  }
  void machine?.resume()
  return player.gain
}

/** One channel of a file on its side: odd ones at the left, even ones at the right. A file of one channel has it on both. */
function oneChannel(context: AudioContext, source: AudioNode, channel: number): AudioNode {
  const all = context.createGain()
  all.channelCount = Math.max(2, channel)
  all.channelCountMode = 'explicit'
  all.channelInterpretation = channel > 2 ? 'discrete' : 'speakers'
  const split = context.createChannelSplitter(all.channelCount)
  const sides = context.createChannelMerger(2)
  source.connect(all).connect(split)
  split.connect(sides, channel - 1, (channel - 1) % 2)
  return sides
}

/** The share that is heard at a frame of a piece, by its fades. */
function faded(piece: LaidSound, frame: number): number {
  const rise = piece.fadeIn > 0 ? Math.min(1, (frame - piece.in) / piece.fadeIn) : 1
  const fall = piece.fadeOut > 0 ? Math.min(1, (piece.out - frame) / piece.fadeOut) : 1
  return Math.max(0, Math.min(rise, fall))
}

function setLoudness(player: Player, frame: number) {
  const loud = player.piece.gain * faded(player.piece, frame)
  if (loud > 1 || player.gain || player.piece.channel > 0) {
    mixed(player).gain.value = loud
  } else {
    player.element.volume = loud
  }
}

export function pauseSound() {
  waiting.forEach((timer) => window.clearTimeout(timer))
  waiting = []
  players.forEach((p) => p.element.pause())
}

const secondsInto = (piece: LaidSound, frame: number) => piece.fromSeconds + Math.max(0, frame - piece.in) / framesPerSecond

/** Forwards at normal and double speed sound is heard; at others it is silent. */
export function startSound(speed: number, frame: number) {
  pauseSound()
  if (speed < 1 || speed > FASTEST_HEARD) {
    return
  }
  for (const player of players) {
    const { piece, element } = player
    if (frame < piece.out && piece.gain > 0) {
      element.playbackRate = speed
      element.currentTime = secondsInto(piece, frame)
      setLoudness(player, Math.max(frame, piece.in))
      const wait = Math.max(0, piece.in - frame) / framesPerSecond / speed
      waiting.push(window.setTimeout(() => void element.play().catch(() => undefined), wait * 1000))
    }
  }
}

/** The frame that the sound stands at; undefined while none is heard. Also sets how loud it is there. */
export function heardFrame(speed: number): number | undefined {
  if (speed < 1 || speed > FASTEST_HEARD) {
    return undefined
  }
  let heard: number | undefined
  for (const player of players) {
    const { piece, element } = player
    const runs = !element.paused && element.currentTime > piece.fromSeconds && element.readyState > 2
    if (runs) {
      const frame = piece.in + (element.currentTime - piece.fromSeconds) * framesPerSecond
      if (frame >= piece.out) {
        element.pause()
        continue
      }
      setLoudness(player, frame)
      heard ??= frame
    }
  }
  return heard
}

/** A frame that somebody goes to is heard, as a tape is heard when it is moved by hand. */
export function scrub(frame: number) {
  window.clearTimeout(scrubbed)
  for (const player of players) {
    const { piece, element } = player
    if (frame < piece.in || frame >= piece.out || piece.gain === 0) {
      element.pause()
    } else {
      element.playbackRate = 1
      element.currentTime = secondsInto(piece, frame)
      setLoudness(player, frame)
      // before somebody pressed anything a browser stays silent
      void element.play().catch(() => undefined)
    }
  }
  scrubbed = window.setTimeout(pauseSound, SCRUB * 1000)
}
