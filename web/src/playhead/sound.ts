/** What is heard: clips of sound at their places, as loud as the server says, and a short clip of each frame gone to. */

import { itemAt } from '../parts/lists'
import type { LaidSound } from '../server/types'

type Player = { clip: LaidSound; element: HTMLAudioElement; gain?: GainNode }

/** How long a frame is heard when somebody goes to it, seconds. */
const SCRUB = 0.09
/** Faster than this, sound is only noise. */
const FASTEST_HEARD = 2

let players: Player[] = []
let framesPerSecond = 24
let machine: AudioContext | undefined
let waiting: number[] = []
let scrubbed = 0

const file = (clip: LaidSound) => `/api/media/${clip.mediaId}/sound`

export function setSound(sound: LaidSound[], rate: number) {
  framesPerSecond = rate
  const wanted = sound.filter((s) => s.mediaId)
  const same =
    wanted.length === players.length && wanted.every((s, i) => s.id === players[i]?.clip.id && s.mediaId === players[i]?.clip.mediaId)
  if (same) {
    wanted.forEach((clip, i) => (itemAt(players, i).clip = clip))
    return
  }
  players.forEach((p) => p.element.pause())
  players = wanted.map((clip) => {
    const element = new Audio(file(clip))
    element.preload = 'auto'
    return { clip, element }
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
    const heard = player.clip.channel > 0 ? oneChannel(machine, source, player.clip.channel) : source
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

/** The share that is heard at a frame of a clip, by its fades. */
function faded(clip: LaidSound, frame: number): number {
  const rise = clip.fadeIn > 0 ? Math.min(1, (frame - clip.in) / clip.fadeIn) : 1
  const fall = clip.fadeOut > 0 ? Math.min(1, (clip.out - frame) / clip.fadeOut) : 1
  return Math.max(0, Math.min(rise, fall))
}

function setLoudness(player: Player, frame: number) {
  const loud = player.clip.gain * faded(player.clip, frame)
  if (loud > 1 || player.gain || player.clip.channel > 0) {
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

const secondsInto = (clip: LaidSound, frame: number) => clip.fromSeconds + Math.max(0, frame - clip.in) / framesPerSecond

/** Forwards at normal and double speed sound is heard; at others it is silent. */
export function startSound(speed: number, frame: number) {
  pauseSound()
  if (speed < 1 || speed > FASTEST_HEARD) {
    return
  }
  for (const player of players) {
    const { clip, element } = player
    if (frame < clip.out && clip.gain > 0) {
      element.playbackRate = speed
      element.currentTime = secondsInto(clip, frame)
      setLoudness(player, Math.max(frame, clip.in))
      const wait = Math.max(0, clip.in - frame) / framesPerSecond / speed
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
    const { clip, element } = player
    const runs = !element.paused && element.currentTime > clip.fromSeconds && element.readyState > 2
    if (runs) {
      const frame = clip.in + (element.currentTime - clip.fromSeconds) * framesPerSecond
      if (frame >= clip.out) {
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
    const { clip, element } = player
    if (frame < clip.in || frame >= clip.out || clip.gain === 0) {
      element.pause()
    } else {
      element.playbackRate = 1
      element.currentTime = secondsInto(clip, frame)
      setLoudness(player, frame)
      // before somebody pressed anything a browser stays silent
      void element.play().catch(() => undefined)
    }
  }
  scrubbed = window.setTimeout(pauseSound, SCRUB * 1000)
}
