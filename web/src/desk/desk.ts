import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { useShallow } from 'zustand/react/shallow'
import { calmStorage } from './calmStorage'

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
  /** record frame of the selected seam */
  seam: number | undefined
  /** ids of the chosen clips of the master */
  clips: number[]
  zoom: { from: number; span: number } | undefined
  cutId: number | undefined
  /** the open master; the project's first where none was opened */
  masterId: number | undefined
  /** masters that were opened on the way in, the outermost first */
  outer: number[]
  /** a range of the record clock, for loops and edits of ranges: in, and the frame after its last */
  range: { in?: number; out?: number }
  /** clips that were copied */
  copied: number[]
  /** the track that new clips go to; the main one where none is chosen */
  track: number | undefined
  /** the chosen clip of sound */
  sound: number | undefined
  /** another version of the cut, laid over the one that the master is held against */
  over: number | undefined
  /** a step of the history: the master as it was after it, laid over how it is */
  past: number | undefined
  /** whether numbers cut to cameras */
  cutting: boolean
  /** which tracks move along with what comes after an edit; the usual where nobody chose: with the main track all, with another that one */
  along: 'OWN_TRACK' | 'ALL_TRACKS' | undefined
  /** whether sound stays where it is when its picture moves */
  soundStays: boolean
}

export const useDesk = create<Desk>()(
  persist(
    () =>
      ({
        view: 'Conform',
        projectId: undefined,
        frame: 0,
        units: 'timecode',
        large: 'camera',
        seam: undefined,
        clips: [],
        zoom: undefined,
        cutId: undefined,
        masterId: undefined,
        outer: [],
        range: {},
        copied: [],
        track: undefined,
        sound: undefined,
        over: undefined,
        past: undefined,
        cutting: false,
        along: undefined,
        soundStays: false,
      }) as Desk,
    { name: 'desk', storage: calmStorage() },
  ),
)

/** Some of the desk; called again only when one of those changes, which the playhead does at every frame. */
export const useOfDesk = <K extends keyof Desk>(...keys: K[]): Pick<Desk, K> =>
  useDesk(useShallow((desk) => Object.fromEntries(keys.map((k) => [k, desk[k]])) as Pick<Desk, K>))

/** One thing is chosen at a time: a seam, clips, or a sound. All keys mean that. */
function alone(part: Partial<Desk>): Partial<Desk> {
  if (part.seam !== undefined) {
    return { ...part, clips: part.clips ?? [], sound: part.sound }
  }
  return part.clips?.length ? { ...part, seam: undefined, sound: part.sound } : part
}

export const setDesk = (part: Partial<Desk>) => useDesk.setState(alone(part))

/** What belongs to one master: ids and frames of it mean nothing in another. */
const OF_MASTER: Partial<Desk> = {
  clips: [],
  seam: undefined,
  zoom: undefined,
  range: {},
  track: undefined,
  sound: undefined,
  past: undefined,
}

/** Opens another master. */
export const openInDesk = (masterId: number | undefined, part: Partial<Desk> = {}) => setDesk({ ...OF_MASTER, masterId, ...part })

/** Goes to another project, or to the list of them: nothing of the one before goes along. */
export function setProject(projectId: number | undefined, part: Partial<Desk> = {}) {
  setDesk({
    ...OF_MASTER,
    masterId: undefined,
    outer: [],
    copied: [],
    over: undefined,
    cutting: false,
    cutId: undefined,
    frame: 0,
    projectId,
    ...part,
  })
}
