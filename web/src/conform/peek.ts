/** What is seen on both sides of a line while it is pulled. The server says what; asked again as soon as it has answered. */
import { create } from 'zustand'
import { get, of } from '../server/client'
import type { PullView, Sequence } from '../server/types'

export type PeekAt = { kind: 'ROLL' | 'HEAD' | 'TAIL' | 'SLIP' | 'SLIDE'; section?: number; at?: number; frames: number; ripple?: boolean }

export const usePeek = create<{ seen: PullView | undefined }>(() => ({ seen: undefined }))

let wanted: PeekAt | undefined
let asking = false

/** Looks at a pull as it is now; nothing ends the look. Only the newest is asked for. */
export function peek(sequence: Sequence, at: PeekAt | undefined) {
  wanted = at
  if (!at) {
    usePeek.setState({ seen: undefined })
  } else if (!asking) {
    void ask(sequence)
  }
}

async function ask(sequence: Sequence) {
  asking = true
  while (wanted) {
    const { kind, section = 0, at = 0, frames, ripple = false } = wanted
    const now = wanted
    try {
      const seen = await get('/api/masters/{id}/pull', of(sequence.id, { kind, section, at, frames, ripple }))
      usePeek.setState({ seen: wanted ? seen : undefined })
    } catch {
      // the edit itself will say what is wrong
      break
    }
    if (wanted === now) {
      break
    }
  }
  asking = false
}
