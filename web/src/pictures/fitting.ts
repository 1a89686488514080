/** A board laid by hand: while somebody does so, a drag in the picture shifts it and the wheel scales it. */
import { create } from 'zustand'
import { say, sayError } from '../desk/messages'
import { plural } from '../parts/words'
import { of, post } from '../server/client'
import type { BoardFit, Section, ShotEdit } from '../server/types'

export const useFitting = create<{ byHand: boolean }>(() => ({ byHand: false }))

/** How a board lies, as the server's edit has it. */
export type Lying = Omit<Extract<ShotEdit, { kind: 'FIT_BOARD' }>, 'kind' | 'all'>

export const WHOLE: Lying = { filled: false, scale: 1, right: 0, up: 0, cropLeft: 0, cropRight: 0, cropTop: 0, cropBottom: 0 }

export function lyingOf(fit: BoardFit | undefined): Lying {
  if (!fit) {
    return WHOLE
  }
  const { filled, scale, right, up, crop } = fit.as
  return { filled, scale, right, up, cropLeft: crop.left, cropRight: crop.right, cropTop: crop.top, cropBottom: crop.bottom }
}

/** @param all whether every board of this shape is to lie so */
export async function layBoard(section: Section, lying: Lying, all = false): Promise<boolean> {
  try {
    const shots = await post('/api/shots/{id}/edits', { ...of(section.shotId), body: { kind: 'FIT_BOARD', ...lying, all } })
    if (all) {
      say(`The boards of ${plural(shots, 'shot')} lie so`)
    }
    return true
  } catch (e) {
    sayError(e)
    return false
  }
}
