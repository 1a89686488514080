import { useEffect, useReducer, useRef } from 'react'
import { Draft } from './draft'
import { keepUnwritten } from './unwritten'

/**
 * A draft that is written where the component goes, and where the window loses the focus or ends.
 *
 * @param edits after so many edits of the project the server said what it says now; undefined where nobody knows
 * @param key   where somebody is: what was made elsewhere is written
 */
export function useDraft<V>(edits: number | undefined, key?: string): Draft<V> {
  const [, again] = useReducer((n: number) => n + 1, 0)
  const kept = useRef<Draft<V>>(undefined)
  kept.current ??= new Draft<V>(again)
  useLifeOf(kept.current, edits, key)
  return kept.current
}

/** Lets a draft hear of what {@link useDraft} says, where the component shows it in a way of its own. */
export function useLifeOf<V>(draft: Draft<V>, edits: number | undefined, key?: string) {
  useEffect(() => draft.knows(edits), [draft, edits])
  useEffect(() => {
    if (key !== undefined) {
      draft.leave(key)
    }
  }, [draft, key])
  useEffect(() => {
    const forget = keepUnwritten(() => draft.write())
    return () => {
      forget()
      draft.write()
    }
  }, [draft])
}
