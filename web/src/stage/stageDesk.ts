/** How somebody works on the stage: what is chosen, which pictures and aids are shown, how far a change reaches. */
import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { calmStorage } from '../desk/calmStorage'
import type { Reach } from '../server/types'
import type { Moved, Snap } from './hands/drag'
import type { FlatPlace, FreeView, ScoutPlace } from './hands/matrices'

export const PANELS = ['Camera', 'Cameras', 'Things', 'Viewpoints', 'Layers'] as const
export type Panel = (typeof PANELS)[number]

export const GUIDES = ['safe', 'thirds', 'centre', 'diagonals', 'shape', 'line'] as const
export type Guide = (typeof GUIDES)[number]

export type StageDesk = {
  /** ids of the chosen things, the first the one that was chosen first */
  chosen: number[]
  panel: Panel
  free: FreeView
  /** how far a change of a moving camera reaches; held is nowhere yet */
  reach: Reach | 'HOLD'
  /** how much more than the delivery frame is seen at each side, as a share of it, 0 to 0.4 */
  margin: number
  guides: Guide[]
  /** the other shape that is marked inside, width over height */
  shape: number
  /** where the line of one's own lies, 0 at the top to 1 */
  line: number
  snap: Snap
  /** eyes stay so far over what is walked on */
  walking: boolean
  /** factor of the scout's speed */
  pace: number
  path: boolean
  scouts: Record<number, ScoutPlace>
  flats: Record<string, FlatPlace>
  /** whether hands move the shot's camera in its picture */
  steering: boolean
  /** things that are being moved: shown at once, written when they are let go */
  moving?: Moved
  /** things that were let go, and are not yet where the server says that they are */
  laid: Moved[]
  /** a camera as it would be, shown before it is taken */
  ghost?: { placed: number[]; lens: number }
  /** a camera that was moved at a frame without a key: shown there, and offered as one */
  unkept?: { shotId: number; code: string; frame: number; values: Record<string, number>; placed: number[]; lens: number }
  /** how far a recorded move may be from what was walked */
  keeps: { metres: number; degrees: number }
  /** whether a picture is being saved */
  saving?: boolean
  /** what is under the pointer */
  under?: { id: number; pane: string; metres: number }
  /** where hands were last: keys that take something away mean what is there */
  area: 'pictures' | 'tracks'
}

const KEPT = [
  'panel',
  'free',
  'reach',
  'margin',
  'guides',
  'shape',
  'line',
  'snap',
  'keeps',
  'walking',
  'pace',
  'path',
  'scouts',
  'flats',
] as const

export const useStageDesk = create<StageDesk>()(
  persist(
    () =>
      ({
        chosen: [],
        panel: 'Camera',
        free: 'scout',
        reach: 'HERE',
        margin: 0.08,
        guides: ['safe'],
        shape: 2.39,
        line: 0.5,
        snap: 'freely',
        keeps: { metres: 0.05, degrees: 1 },
        walking: false,
        pace: 1,
        path: true,
        scouts: {},
        flats: {},
        laid: [],
        steering: false,
        area: 'pictures',
      }) as StageDesk,
    {
      name: 'stage',
      storage: calmStorage(),
      partialize: (desk) => Object.fromEntries(KEPT.map((k) => [k, desk[k]])) as unknown as StageDesk,
    },
  ),
)

export const setStage = (part: Partial<StageDesk>) => useStageDesk.setState(part)

/** Chooses a thing, or with others. */
export function choose(id: number | undefined, more = false) {
  const { chosen } = useStageDesk.getState()
  setStage({
    chosen: id === undefined ? [] : !more ? [id] : chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id],
  })
}
