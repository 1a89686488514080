/** Asks the server for edits of the master; what can be done and what comes of it is decided there. */
import { setDesk, useDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import type { Written } from '../parts/draft'
import { lastOf } from '../parts/lists'
import { plural } from '../parts/words'
import { allClips } from '../playhead/lookup'
import { type Answer, type Asking, of, type post, seen } from '../server/client'
import { postInOrder, postNumberedInOrder } from '../server/inOrder'
import type { Clip, Master, MasterEdit } from '../server/types'

/** An edit as it is asked for: of the chosen clips where none are named. */
export type Asked = MasterEdit extends infer One
  ? One extends { clips: number[] }
    ? Omit<One, 'clips'> & { clips?: number[] }
    : One & { clips?: number[] }
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

/** Does an edit to the chosen clips, or to others. */
export async function edit(master: Master, asked: Asked): Promise<boolean> {
  try {
    const { clips, along, soundStays } = useDesk.getState()
    const done = await postInOrder('/api/masters/{id}/edits', {
      ...of(master.id),
      body: { clips: clips, along, soundStays, ...asked } as MasterEdit,
      ...seen(master.seq),
    })
    done.said.forEach(say)
    if (CHOOSES_MADE.has(asked.kind) && done.made.length > 0) {
      setDesk({ clips: done.made })
    }
    return true
  } catch (e) {
    sayError(e)
    return false
  }
}

/** Makes clips as they are in the cut; all of them where none is named. */
export async function asInCut(master: Master, clips: number[]) {
  await ask('/api/cuts/{id}/as-in-cut', { ...of(master.cut.id, { master: master.id }), body: { clips } })
}

/** The chosen clips that are still there, track by track in order; a nested master once, with all that it shows. */
export function chosenClips(master: Master, ids: number[]): Clip[] {
  const wanted = new Set(ids)
  return ids.length === 0 ? [] : allClips(master).filter((s) => wanted.has(s.id))
}

/** Chooses a clip; with `more` beside those chosen, with `upTo` all of its track from the last one chosen. */
export function chooseClip(master: Master, id: number, more: boolean, upTo: boolean) {
  const { clips } = useDesk.getState()
  const track = [master.clips, ...master.upper.map((u) => u.clips)].find((l) => l.some((s) => s.id === id)) ?? []
  const index = (clip: number) => track.findIndex((s) => s.id === clip)
  if (upTo && clips.length > 0) {
    const ends = [index(lastOf(clips)), index(id)]
    setDesk({ clips: [...new Set(track.slice(Math.max(0, Math.min(...ends)), Math.max(...ends) + 1).map((s) => s.id))] })
  } else if (more) {
    setDesk({ clips: clips.includes(id) ? clips.filter((p) => p !== id) : [...clips, id] })
  } else {
    setDesk({ clips: [id] })
  }
}

/**
 * Moves a seam of the shots, and the selection with it where it is still that.
 *
 * @return undefined where it was refused, and why is said
 */
export async function moveSeam(master: Master, at: number, frames: number): Promise<Written | undefined> {
  try {
    const { edit } = await postNumberedInOrder('/api/masters/{id}/seam', {
      ...of(master.id),
      body: { at, frames },
      ...seen(master.seq),
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

export type Pull = { kind: 'HEAD' | 'TAIL' | 'SLIP' | 'SLIDE'; clip: number; ripple: boolean }

const WORDS = { HEAD: 'head', TAIL: 'tail', SLIP: 'slip', SLIDE: 'slide' }

/** What a pull of so many frames is, to be read while it is done. */
export function pullWords(pull: Pull, clip: Clip | undefined, frames: number): string {
  const by = `${frames > 0 ? '+' : frames < 0 ? '−' : ''}${Math.abs(frames)}`
  const length = clip ? clip.out - clip.in + (pull.kind === 'TAIL' ? frames : pull.kind === 'HEAD' ? -frames : 0) : 0
  return `${clip?.nest?.name ?? clip?.code ?? ''} ${WORDS[pull.kind]} ${by}${pull.ripple ? ', ripple' : ''} · ${plural(length, 'frame')}`
}

/** Lays a file of sound at the playhead, and chooses it. */
export async function putSound(master: Master, mediaId: number) {
  const { frame } = useDesk.getState()
  const track = master.sound.find((s) => s.id === useDesk.getState().sound)?.track
  const id = await ask('/api/masters/{id}/sounds', { ...of(master.id), body: { mediaId, at: frame, track } })
  if (id) {
    setDesk({ sound: id, clips: [], seam: undefined })
  }
}
