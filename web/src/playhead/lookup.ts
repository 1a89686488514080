/** Look-ups in the tracks that the server laid out; nothing is worked out here. */

import { itemAt } from '../parts/lists'
import type { Clip, CutClip, LaidRender, Master } from '../server/types'

function lastBeginningBy<T extends { in: number }>(clips: T[], frame: number): number {
  let low = 0
  let high = clips.length
  while (low < high) {
    const middle = (low + high) >>> 1
    if (itemAt(clips, middle).in <= frame) {
      low = middle + 1
    } else {
      high = middle
    }
  }
  return low - 1
}

export function clipIndexAt(master: Master, frame: number): number {
  const { clips } = master
  const index = lastBeginningBy(clips, frame)
  const next = clips[index + 1]
  if (next?.enabled && frame >= next.seenIn) {
    return index + 1
  }
  return index >= 0 && frame < itemAt(clips, index).seenOut && itemAt(clips, index).enabled ? index : -1
}

/** What is live at a frame, the clip before it that it may pass in from, and its index on the main track or −1. */
export type Live = { clip: Clip | undefined; before: Clip | undefined; index: number; upper: number }

export function liveAt(master: Master | undefined, frame: number): Live {
  if (!master) {
    return { clip: undefined, before: undefined, index: -1, upper: -1 }
  }
  const above = master.live[lastBeginningBy(master.live, frame)]
  if (above && frame < above.out) {
    const { clips } = itemAt(master.upper, above.upper)
    return { clip: clips[above.index], before: clips[above.index - 1], index: -1, upper: above.upper }
  }
  const index = master.main.enabled ? clipIndexAt(master, frame) : -1
  return { clip: master.clips[index], before: master.clips[index - 1], index, upper: -1 }
}

export const clipAt = (master: Master | undefined, frame: number): Clip | undefined => liveAt(master, frame).clip

/** The clip of one track at a frame, live or not. @param upper index of a track above, −1 for the main one */
export function onTrack(master: Master, upper: number, frame: number): Clip | undefined {
  const clips = upper < 0 ? master.clips : (master.upper[upper]?.clips ?? [])
  const clip = clips[lastBeginningBy(clips, frame)]
  return clip && frame < clip.out ? clip : undefined
}

/** Clips of all tracks. */
export const allClips = (master: Master): Clip[] => [...master.clips, ...master.upper.flatMap((u) => u.clips)]

export function cutClipAt(master: Master | undefined, frame: number): CutClip | undefined {
  return mixedClips(master, frame).clip
}

/** A clip of the cut at a frame; where it passes in over the one before it, that one too. */
export function mixedClips(master: Master | undefined, frame: number): { clip?: CutClip; before?: CutClip } {
  const clips = master?.cut.clips ?? []
  const index = lastBeginningBy(clips, frame)
  const next = clips[index + 1]
  const at = next && frame >= next.seenIn ? index + 1 : index
  const clip = clips[at]
  if (!clip || frame >= Math.max(clip.out, clip.in)) {
    return {}
  }
  return { clip, before: passingFrom(clip, clips[at - 1], frame) }
}

export type Passing = { in: number; out: number; seenIn: number; headWeights: number[]; tailWeights: number[]; enabled?: boolean }

export const passesIn = (p: Passing, frame: number) => frame < p.seenIn + p.headWeights.length

/** The clip before one, where that passes in over it at a frame; over one that is switched off it passes in from black. */
export const passingFrom = <T extends Passing>(clip: T | undefined, before: T | undefined, frame: number): T | undefined =>
  clip && before && before.enabled !== false && before.out === clip.in && passesIn(clip, frame) ? before : undefined

/** The share of a clip's picture at a frame, as the server counts it: 1 but where it passes in or fades out. */
export const shareAt = (p: Passing, frame: number) =>
  (p.headWeights[frame - p.seenIn] ?? 1) * (p.tailWeights[frame - p.out + p.tailWeights.length] ?? 1)

/** The frame of its movie that a clip of the cut shows. */
export const mediaFrameAt = (clip: CutClip, frame: number) => clip.mediaFrames[frame - clip.seenIn] ?? 0

const NONE: never[] = []

/** A list of the master by the clip that each belongs to, laid out once for each state of the master: drawing asks at every frame. */
function byClip<T extends { clip: number }>(list: (master: Master) => T[]): (master: Master, clip: number) => T[] {
  const laidOf = new WeakMap<Master, T[][]>()
  return (master, clip) => {
    let laid = laidOf.get(master)
    if (!laid) {
      laid = []
      for (const one of list(master)) {
        const ofClip = laid[one.clip] ?? []
        ofClip.push(one)
        laid[one.clip] = ofClip
      }
      laidOf.set(master, laid)
    }
    return laid[clip] ?? NONE
  }
}

/** The renders that stand for a clip, in record order. */
export const rendersOf = byClip((master) => master.renders)

/** What of a clip none of its renders has. */
export const gapsOf = byClip((master) => master.gaps)

/** The render of a clip that is seen at a record frame; where none is, the nearest before it, or the first. */
export function renderAt(master: Master | undefined, clipIndex: number, frame: number): LaidRender | undefined {
  const all = master ? rendersOf(master, clipIndex) : NONE
  return all.findLast((r) => r.in <= frame) ?? all[0]
}

/** Shot frame shown at a record frame. */
export function shotFrameAt(clip: Clip, frame: number): number {
  return clip.shotFrames[frame - clip.in] ?? clip.shotFirst + frame - clip.in
}
