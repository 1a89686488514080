/** Look-ups in the lanes that the server laid out; nothing is worked out here. */
import type { LaidRender, Piece, Section, Sequence } from '../server/types'

function lastBeginningBy<T extends { in: number }>(pieces: T[], frame: number): number {
  let low = 0
  let high = pieces.length
  while (low < high) {
    const middle = (low + high) >>> 1
    if (pieces[middle].in <= frame) {
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
  if (next && next.enabled && frame >= next.seenIn) {
    return index + 1
  }
  return index >= 0 && frame < sections[index].seenOut && sections[index].enabled ? index : -1
}

export function sectionAt(sequence: Sequence | undefined, frame: number): Section | undefined {
  return sequence?.sections[sectionIndexAt(sequence, frame)]
}

export function pieceAt(sequence: Sequence | undefined, frame: number): Piece | undefined {
  const pieces = sequence?.cut.pieces ?? []
  const piece = pieces[lastBeginningBy(pieces, frame)]
  return piece && frame < piece.out ? piece : undefined
}

const laidOf = new WeakMap<Sequence, (LaidRender | undefined)[]>()

/** The render of a section. All are laid out by section once for each state of the master: drawing asks at every frame. */
export function renderOf(sequence: Sequence | undefined, sectionIndex: number): LaidRender | undefined {
  if (!sequence) {
    return undefined
  }
  let laid = laidOf.get(sequence)
  if (!laid) {
    laid = []
    for (const render of sequence.renders) {
      laid[render.section] ??= render
    }
    laidOf.set(sequence, laid)
  }
  return laid[sectionIndex]
}

/** Shot frame shown at a record frame. */
export function shotFrameAt(section: Section, frame: number): number {
  return section.shotFrames[frame - section.in] ?? section.shotFirst + frame - section.in
}
