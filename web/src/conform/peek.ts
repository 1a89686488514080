/** What is seen on both sides of a line while it is pulled. The server says what; asked again as soon as it has answered. */
import { create } from 'zustand'
import { get, of } from '../server/client'
import type { Master, PullView } from '../server/types'

export type PeekAt = { kind: 'ROLL' | 'HEAD' | 'TAIL' | 'SLIP' | 'SLIDE'; clip?: number; at?: number; frames: number; ripple?: boolean }

export const usePeek = create<{ seen: PullView | undefined }>(() => ({ seen: undefined }))

let wanted: PeekAt | undefined
let asking = false

/** Looks at a pull as it is now; nothing ends the look. Only the newest is asked for. */
export function peek(master: Master, at: PeekAt | undefined) {
  wanted = at
  if (!at) {
    usePeek.setState({ seen: undefined })
  } else if (!asking) {
    void ask(master)
  }
}

async function ask(master: Master) {
  asking = true
  while (wanted) {
    const { kind, clip = 0, at = 0, frames, ripple = false } = wanted
    const now = wanted
    try {
      const seen = await get('/api/masters/{id}/pull', of(master.id, { kind, clip, at, frames, ripple }))
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
