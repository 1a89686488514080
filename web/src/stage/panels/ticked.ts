/** What is ticked in the lists of the stage, to be given at once. It stays while one looks at other shots. */
import { create } from 'zustand'

/**
 * @property cameras ids of those that are set at once
 * @property views   ids of the viewpoints of a move
 * @property frames  of a move, from a viewpoint to the next, where they were typed
 * @property halts   ids of the viewpoints at which the move stands still
 */
type Ticked = { cameras: number[]; views: number[]; frames: Record<number, number>; halts: number[] }

export const NOTHING_TICKED: Ticked = { cameras: [], views: [], frames: {}, halts: [] }

export const useTicked = create<Ticked>(() => NOTHING_TICKED)
