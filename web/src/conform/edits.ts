/** Asks the server for edits of the master; what can be done and what comes of it is decided there. */
import { setDesk, useDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import type { Written } from '../parts/draft'
import { lastOf } from '../parts/lists'
import { plural } from '../parts/words'
import { allPieces } from '../playhead/lookup'
import { type Answer, type Asking, of, type post, seen } from '../server/client'
import { postInOrder, postNumberedInOrder } from '../server/inOrder'
import type { MasterEdit, Section, Sequence } from '../server/types'

/** An edit as it is asked for: of the chosen pieces where none are named. */
export type Asked = MasterEdit extends infer One
  ? One extends { sections: number[] }
    ? Omit<One, 'sections'> & { sections?: number[] }
    : One & { sections?: number[] }
  : never

/** Asks for something that changes the project; a sentence says why where it cannot be done. */
export const ask = (async (...asked: Parameters<typeof postInOrder>) => {
  try {
    return await postInOrder(...asked)
  } catch (e) {
    sayError(e)
    return undefined
  }
}) as <P extends Parameters<typeof post>[0]>(...asked: Asking<P>) => Promise<Answer<P, 'post'> | undefined>

/** What these make is what is meant next. */
const CHOOSES_MADE = new Set(['COPY_UP', 'DUPLICATE', 'PASTE', 'PUT'])

/** Does an edit to the chosen pieces, or to others. */
export async function edit(sequence: Sequence, asked: Asked): Promise<boolean> {
  try {
    const { pieces, along, soundStays } = useDesk.getState()
    const done = await postInOrder('/api/masters/{id}/edits', {
      ...of(sequence.id),
      body: { sections: pieces, along, soundStays, ...asked } as MasterEdit,
      ...seen(sequence.seq),
    })
    done.said.forEach(say)
    if (CHOOSES_MADE.has(asked.kind) && done.made.length > 0) {
      setDesk({ pieces: done.made })
    }
    return true
  } catch (e) {
    sayError(e)
    return false
  }
}

/** Makes pieces as they are in the cut; all of them where none is named. */
export async function asInCut(sequence: Sequence, sections: number[]) {
  await ask('/api/cuts/{id}/as-in-cut', { ...of(sequence.cut.id, { master: sequence.id }), body: { sections } })
}

/** The chosen pieces that are still there, lane by lane in order; a nested master once, with all that it shows. */
export function chosenPieces(sequence: Sequence, ids: number[]): Section[] {
  const wanted = new Set(ids)
  return ids.length === 0 ? [] : allPieces(sequence).filter((s) => wanted.has(s.id))
}

/** Chooses a piece; with `more` beside those chosen, with `upTo` all of its lane from the last one chosen. */
export function choosePiece(sequence: Sequence, id: number, more: boolean, upTo: boolean) {
  const { pieces } = useDesk.getState()
  const lane = [sequence.sections, ...sequence.upper.map((u) => u.sections)].find((l) => l.some((s) => s.id === id)) ?? []
  const index = (piece: number) => lane.findIndex((s) => s.id === piece)
  if (upTo && pieces.length > 0) {
    const ends = [index(lastOf(pieces)), index(id)]
    setDesk({ pieces: [...new Set(lane.slice(Math.max(0, Math.min(...ends)), Math.max(...ends) + 1).map((s) => s.id))] })
  } else if (more) {
    setDesk({ pieces: pieces.includes(id) ? pieces.filter((p) => p !== id) : [...pieces, id] })
  } else {
    setDesk({ pieces: [id] })
  }
}

/**
 * Moves a seam in the shots lane, and the selection with it where it is still that.
 *
 * @return undefined where it was refused, and why is said
 */
export async function moveSeam(sequence: Sequence, at: number, frames: number): Promise<Written | undefined> {
  try {
    const { edit } = await postNumberedInOrder('/api/masters/{id}/seam', {
      ...of(sequence.id),
      body: { at, frames },
      ...seen(sequence.seq),
    })
    if (useDesk.getState().seam === at) {
      setDesk({ seam: at + frames })
    }
    return { edit }
  } catch (e) {
    sayError(e)
    return undefined
  }
}

export type Pull = { kind: 'HEAD' | 'TAIL' | 'SLIP' | 'SLIDE'; section: number; ripple: boolean }

const WORDS = { HEAD: 'head', TAIL: 'tail', SLIP: 'slip', SLIDE: 'slide' }

/** What a pull of so many frames is, to be read while it is done. */
export function pullWords(pull: Pull, section: Section | undefined, frames: number): string {
  const by = `${frames > 0 ? '+' : frames < 0 ? '−' : ''}${Math.abs(frames)}`
  const length = section ? section.out - section.in + (pull.kind === 'TAIL' ? frames : pull.kind === 'HEAD' ? -frames : 0) : 0
  return `${section?.nest?.name ?? section?.code ?? ''} ${WORDS[pull.kind]} ${by}${pull.ripple ? ', the rest moves along' : ''} · ${plural(length, 'frame')}`
}

/** Lays a file of sound at the playhead, and chooses it. */
export async function putSound(sequence: Sequence, mediaId: number) {
  const { frame } = useDesk.getState()
  const lane = sequence.sound.find((s) => s.id === useDesk.getState().sound)?.lane
  const id = await ask('/api/masters/{id}/sounds', { ...of(sequence.id), body: { mediaId, at: frame, lane } })
  if (id) {
    setDesk({ sound: id, pieces: [], seam: undefined })
  }
}
