/** How much of its board lies over each shot's picture, and how; a shot that nobody staged begins with half of it. */
import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { useActions } from '../desk/actions'
import { calmStorage } from '../desk/calmStorage'
import type { Clip } from '../server/types'
import { useFitting } from './fitting'

export const BLENDS = ['plain', 'lines', 'difference'] as const
export type Blend = (typeof BLENDS)[number]

type BoardOvers = { overs: Record<number, number>; blend: Blend; back: Record<number, number> }

export const useBoardOvers = create<BoardOvers>()(
  persist(() => ({ overs: {}, blend: 'plain', back: {} }) as BoardOvers, { name: 'boards', storage: calmStorage() }),
)

const UNSTAGED = 0.5
const USUAL = 0.4

const overOf = (overs: Record<number, number>, clip: Clip | undefined) =>
  clip?.shotId ? (overs[clip.shotId] ?? (clip.staged ? 0 : UNSTAGED)) : 0

export function useBoardOver(clip: Clip | undefined): { over: number; blend: Blend } {
  const over = useBoardOvers((b) => overOf(b.overs, clip))
  const blend = useBoardOvers((b) => b.blend)
  return { over, blend }
}

export const setBoardOver = (shotId: number, over: number) => useBoardOvers.setState((b) => ({ overs: { ...b.overs, [shotId]: over } }))

/** Away, or back to what it was. */
function toggleBoardOver(clip: Clip) {
  const { overs, back } = useBoardOvers.getState()
  const now = overOf(overs, clip)
  if (now > 0) {
    useBoardOvers.setState({ back: { ...back, [clip.shotId]: now } })
    setBoardOver(clip.shotId, 0)
  } else {
    setBoardOver(clip.shotId, back[clip.shotId] ?? USUAL)
  }
}

const nextBlend = () => {
  const { blend } = useBoardOvers.getState()
  useBoardOvers.setState({ blend: BLENDS[(BLENDS.indexOf(blend) + 1) % BLENDS.length] })
}

/** Held longer than this a key is meant for as long as it is down, milliseconds. */
const HELD = 350

let down = false

/** Struck it stays so; held it is so until the key is let go. A key that is held repeats: the first counts. */
function strike(clip: Clip) {
  if (down) {
    return
  }
  down = true
  toggleBoardOver(clip)
  const since = performance.now()
  const release = () => {
    down = false
    if (performance.now() - since > HELD) {
      toggleBoardOver(clip)
    }
  }
  window.addEventListener('keyup', release, { once: true })
}

/** Offers the keys for the board over a picture. @param keys that take it away and bring it back */
export function useBoardKeys(clip: Clip | undefined, keys = 'Alt+O') {
  const byHand = useFitting((f) => f.byHand)
  useActions(
    'board-over',
    clip?.shotId
      ? [
          { group: 'Pictures', name: 'Board over the camera picture', keys, run: () => strike(clip) },
          { group: 'Pictures', name: 'Board plain, lines alone or difference', keys: 'Shift+B', run: nextBlend },
          {
            group: 'Pictures',
            name: byHand ? 'Leave the board where it lies' : 'Lay the board by hand',
            keys: 'Alt+B',
            run: () => useFitting.setState({ byHand: !byHand }),
          },
        ]
      : [],
  )
}
