/** A board laid by hand: while somebody does so, a drag in the picture shifts it and the wheel scales it. */
import { create } from 'zustand'
import { say, sayError } from '../desk/messages'
import type { Place, Written } from '../parts/draft'
import { plural } from '../parts/words'
import { of, postNumbered } from '../server/client'
import { inOrder } from '../server/inOrder'
import type { BoardFit, ShotEdit } from '../server/types'

export const useFitting = create<{ byHand: boolean }>(() => ({ byHand: false }))

export const leaveByHand = () => useFitting.setState({ byHand: false })

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

/**
 * @param all whether every board of this shape is to lie so
 * @return undefined where it was refused, and why is said
 */
export async function layBoard(shotId: number, lying: Lying, all = false): Promise<Written | undefined> {
  try {
    const { data: shots, edit } = await inOrder(() =>
      postNumbered('/api/shots/{id}/edits', { ...of(shotId), body: { kind: 'FIT_BOARD', ...lying, all } }),
    )
    if (all) {
      say(`The boards of ${plural(shots, 'shot')} lie so`)
    }
    return { edit }
  } catch (e) {
    sayError(e)
    return undefined
  }
}

const fine = (v: number) => Math.round(v * 10_000) / 10_000

/** Where a shot's board is laid: over how the server says that it lies. @param lies as the server says now */
export const placeOfBoard = (shotId: number, lies: () => BoardFit | undefined): Place<Lying> => ({
  key: String(shotId),
  says: () => ({ of: lies(), value: lyingOf(lies()) }),
  write: (lying) => layBoard(shotId, { ...lying, scale: fine(lying.scale), right: fine(lying.right), up: fine(lying.up) }),
})
