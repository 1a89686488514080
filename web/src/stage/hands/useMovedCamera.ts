/** A camera dragged to another place in a picture: it goes there as it looks, and is shown there until the server has it. */
import { useMemo, useRef } from 'react'
import type { Matrix4, Vector3 } from 'three'
import type { Place, Written } from '../../parts/draft'
import { useDraft } from '../../parts/useDraft'

type Drag = {
  /** which key or camera, at which frame */
  key: string
  /** how it stands now, as the server says */
  stands: () => Matrix4
  write: (placed: number[]) => Promise<Written | undefined>
}

type Hold = { place: Place<Vector3 | undefined>; moved: boolean }

/**
 * @param edits after so many edits of the project the server said where it stands
 * @param at    where somebody is: what was dragged elsewhere is written
 */
export function useMovedCamera(edits: number | undefined, at?: string) {
  const draft = useDraft<Vector3 | undefined>(edits, at)
  const hold = useRef<Hold | undefined>(undefined)
  return useMemo(
    () => ({
      /** Where it was dragged to; undefined where the server's own state is all there is. */
      shown: (key: string) => draft.shown(key),
      isHeld: () => hold.current !== undefined,
      begin: ({ key, stands, write }: Drag) => {
        hold.current = {
          moved: false,
          place: {
            key,
            says: () => ({ of: undefined, value: undefined }),
            // it keeps how it is turned by then
            write: async (to) => (to ? write([...stands().clone().setPosition(to).elements]) : {}),
          },
        }
      },
      move: (to: Vector3) => {
        const held = hold.current
        if (held?.moved && !draft.isOpen) {
          // it was written already: the hand holds nothing any more
          hold.current = undefined
        } else if (held) {
          held.moved = true
          draft.put(held.place, to)
        }
      },
      end: () => {
        hold.current = undefined
        draft.write()
      },
      cancel: () => {
        hold.current = undefined
        draft.drop()
      },
    }),
    [draft],
  )
}
