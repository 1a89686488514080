import { create } from 'zustand'

export const VIEWS = ['Intake', 'Conform', 'Stage', 'Renders', 'Review', 'Turnover'] as const
export type View = (typeof VIEWS)[number]
export type Units = 'timecode' | 'frames' | 'seconds'
export type PictureKind = 'cut' | 'camera' | 'render'

/** Where somebody is. One playhead and one selection go through all views; a reload comes back here. */
type Desk = {
  view: View
  projectId: number | undefined
  /** record frame */
  frame: number
  units: Units
  large: PictureKind
  boardOver: number
  /** record frame of the selected seam */
  seam: number | undefined
  /** ids of the chosen pieces of the master */
  pieces: number[]
  zoom: { from: number; span: number } | undefined
  cutId: number | undefined
}

const KEPT = 'desk'

function kept(): Partial<Desk> {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Desk>
  } catch {
    return {}
  }
}

export const useDesk = create<Desk>(() => ({
  view: 'Conform',
  projectId: undefined,
  frame: 0,
  units: 'timecode',
  large: 'camera',
  boardOver: 0,
  seam: undefined,
  pieces: [],
  zoom: undefined,
  cutId: undefined,
  ...kept(),
}))

useDesk.subscribe((desk) => localStorage.setItem(KEPT, JSON.stringify(desk)))

export const setDesk = (part: Partial<Desk>) => useDesk.setState(part)
