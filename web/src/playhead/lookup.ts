/** Look-ups in the lanes that the server laid out; nothing is worked out here. */

import { itemAt } from '../parts/lists'
import type { LaidRender, Piece, Section, Sequence } from '../server/types'

function lastBeginningBy<T extends { in: number }>(pieces: T[], frame: number): number {
  let low = 0
  let high = pieces.length
  while (low < high) {
    const middle = (low + high) >>> 1
    if (itemAt(pieces, middle).in <= frame) {
      low = middle + 1
    } else {
      high = middle
    }
  }
  return low - 1
}

export function sectionIndexAt(sequence: Sequence, frame: number): number {
  const { sections } = sequence
  const index = lastBeginningBy(sections, frame)
  const next = sections[index + 1]
  if (next?.enabled && frame >= next.seenIn) {
    return index + 1
  }
  return index >= 0 && frame < itemAt(sections, index).seenOut && itemAt(sections, index).enabled ? index : -1
}

/** What is live at a frame, the piece before it that it may pass in from, and its index on the main lane or −1. */
export type Live = { section: Section | undefined; before: Section | undefined; index: number; upper: number }

export function liveAt(sequence: Sequence | undefined, frame: number): Live {
  if (!sequence) {
    return { section: undefined, before: undefined, index: -1, upper: -1 }
  }
  const above = sequence.live[lastBeginningBy(sequence.live, frame)]
  if (above && frame < above.out) {
    const { sections } = itemAt(sequence.upper, above.upper)
    return { section: sections[above.index], before: sections[above.index - 1], index: -1, upper: above.upper }
  }
  const index = sequence.main.enabled ? sectionIndexAt(sequence, frame) : -1
  return { section: sequence.sections[index], before: sequence.sections[index - 1], index, upper: -1 }
}

export const sectionAt = (sequence: Sequence | undefined, frame: number): Section | undefined => liveAt(sequence, frame).section

/** The piece of one lane at a frame, live or not. @param upper index of a lane above, −1 for the main one */
export function onLane(sequence: Sequence, upper: number, frame: number): Section | undefined {
  const sections = upper < 0 ? sequence.sections : (sequence.upper[upper]?.sections ?? [])
  const piece = sections[lastBeginningBy(sections, frame)]
  return piece && frame < piece.out ? piece : undefined
}

/** Pieces of all lanes. */
export const allPieces = (sequence: Sequence): Section[] => [...sequence.sections, ...sequence.upper.flatMap((u) => u.sections)]

export function pieceAt(sequence: Sequence | undefined, frame: number): Piece | undefined {
  return mixedPieces(sequence, frame).piece
}

/** A piece of the cut at a frame; where it passes in over the one before it, that one too. */
export function mixedPieces(sequence: Sequence | undefined, frame: number): { piece?: Piece; before?: Piece } {
  const pieces = sequence?.cut.pieces ?? []
  const index = lastBeginningBy(pieces, frame)
  const next = pieces[index + 1]
  const at = next && frame >= next.seenIn ? index + 1 : index
  const piece = pieces[at]
  if (!piece || frame >= Math.max(piece.out, piece.in)) {
    return {}
  }
  return { piece, before: passingFrom(piece, pieces[at - 1], frame) }
}

export type Passing = { in: number; out: number; seenIn: number; headWeights: number[]; tailWeights: number[]; enabled?: boolean }

export const passesIn = (p: Passing, frame: number) => frame < p.seenIn + p.headWeights.length

/** The piece before one, where that passes in over it at a frame; over one that is switched off it passes in from black. */
export const passingFrom = <T extends Passing>(piece: T | undefined, before: T | undefined, frame: number): T | undefined =>
  piece && before && before.enabled !== false && before.out === piece.in && passesIn(piece, frame) ? before : undefined

/** The share of a piece's picture at a frame, as the server counts it: 1 but where it passes in or fades out. */
export const shareAt = (p: Passing, frame: number) =>
  (p.headWeights[frame - p.seenIn] ?? 1) * (p.tailWeights[frame - p.out + p.tailWeights.length] ?? 1)

/** The frame of its movie that a piece of the cut shows. */
export const mediaFrameAt = (piece: Piece, frame: number) => piece.mediaFrames[frame - piece.seenIn] ?? 0

const NONE: never[] = []

/** A list of the master by the section that each belongs to, laid out once for each state of the master: drawing asks at every frame. */
function bySection<T extends { section: number }>(list: (sequence: Sequence) => T[]): (sequence: Sequence, section: number) => T[] {
  const laidOf = new WeakMap<Sequence, T[][]>()
  return (sequence, section) => {
    let laid = laidOf.get(sequence)
    if (!laid) {
      laid = []
      for (const one of list(sequence)) {
        const ofSection = laid[one.section] ?? []
        ofSection.push(one)
        laid[one.section] = ofSection
      }
      laidOf.set(sequence, laid)
    }
    return laid[section] ?? NONE
  }
}

/** The renders that stand for a section, in record order. */
export const rendersOf = bySection((sequence) => sequence.renders)

/** What of a section none of its renders has. */
export const gapsOf = bySection((sequence) => sequence.gaps)

/** The render of a section that is seen at a record frame; where none is, the nearest before it, or the first. */
export function renderAt(sequence: Sequence | undefined, sectionIndex: number, frame: number): LaidRender | undefined {
  const all = sequence ? rendersOf(sequence, sectionIndex) : NONE
  return all.findLast((r) => r.in <= frame) ?? all[0]
}

/** Shot frame shown at a record frame. */
export function shotFrameAt(section: Section, frame: number): number {
  return section.shotFrames[frame - section.in] ?? section.shotFirst + frame - section.in
}
