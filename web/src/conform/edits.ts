/** Asks the server for edits of the master; what can be done and what comes of it is decided there. */
import { setDesk, useDesk } from '../desk/desk'
import { sayError } from '../desk/messages'
import { postInOrder } from '../server/client'
import type { MasterEdit, Section, Sequence } from '../server/types'

export type Asked = Omit<MasterEdit, 'sections'> & { sections?: number[] }

/** Does an edit to the chosen pieces, or to others; a sentence says why where it cannot be done. */
export async function edit(sequence: Sequence, asked: Asked): Promise<boolean> {
  try {
    await postInOrder(`/api/masters/${sequence.id}/edits`, { sections: useDesk.getState().pieces, ...asked })
    return true
  } catch (e) {
    sayError(e)
    return false
  }
}

/** Makes the chosen pieces as they are in the cut. */
export async function asInCut(sequence: Sequence, sections: number[]) {
  try {
    await postInOrder(`/api/cuts/${sequence.cut.id}/as-in-cut`, { sections })
  } catch (e) {
    sayError(e)
  }
}

/** The chosen pieces that are still there, in order. */
export const chosenPieces = (sequence: Sequence, ids: number[]): Section[] => sequence.sections.filter((s) => ids.includes(s.id))

/** Chooses a piece; with `more` beside those chosen, with `upTo` all from the last one chosen. */
export function choosePiece(sequence: Sequence, id: number, more: boolean, upTo: boolean) {
  const { pieces } = useDesk.getState()
  const index = (piece: number) => sequence.sections.findIndex((s) => s.id === piece)
  if (upTo && pieces.length > 0) {
    const ends = [index(pieces[pieces.length - 1]), index(id)].sort((a, b) => a - b)
    setDesk({ pieces: sequence.sections.slice(Math.max(0, ends[0]), ends[1] + 1).map((s) => s.id) })
  } else if (more) {
    setDesk({ pieces: pieces.includes(id) ? pieces.filter((p) => p !== id) : [...pieces, id] })
  } else {
    setDesk({ pieces: [id] })
  }
}

export type Pull = { kind: 'HEAD' | 'TAIL' | 'SLIP' | 'SLIDE'; section: number; ripple: boolean }

const WORDS = { HEAD: 'head', TAIL: 'tail', SLIP: 'slip', SLIDE: 'slide' }

/** What a pull of so many frames is, to be read while it is done. */
export function pullWords(pull: Pull, section: Section | undefined, frames: number): string {
  const by = `${frames > 0 ? '+' : frames < 0 ? '−' : ''}${Math.abs(frames)}`
  const length = section ? section.out - section.in + (pull.kind === 'TAIL' ? frames : pull.kind === 'HEAD' ? -frames : 0) : 0
  return `${section?.code ?? ''} ${WORDS[pull.kind]} ${by}${pull.ripple ? ', the rest moves along' : ''} · ${length} frames`
}
