/** What somebody has chosen in Turnover and not given yet. It is there again when they come back, and after a reload. */
import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { calmStorage } from '../desk/calmStorage'

/**
 * @property left       of each list, ids of the changes that are not taken
 * @property at         of each list, the id of the change that is looked at
 * @property format     of the list that goes back
 * @property gap        whether that leaves a gap where no render is
 * @property shortReels whether its reels have eight letters
 */
type Choices = { left: Record<string, string[]>; at: Record<string, string>; format: string; gap: boolean; shortReels: boolean }

export const NOTHING_CHOSEN: Choices = { left: {}, at: {}, format: 'edl', gap: false, shortReels: false }

export const useChoices = create<Choices>()(persist(() => NOTHING_CHOSEN, { name: 'turnover', storage: calmStorage() }))

/** A cut that is held against a master. */
export const listOf = (cutId: number, masterId: number) => `${cutId} ${masterId}`

export const setLeft = (list: string, left: string[]) => useChoices.setState((c) => ({ left: { ...c.left, [list]: left } }))

export const lookAt = (list: string, change: string) => useChoices.setState((c) => ({ at: { ...c.at, [list]: change } }))
