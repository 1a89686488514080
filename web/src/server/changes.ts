/** Long lists travel as what changed in them: the server finds that, this puts it together again. */
import type { ListChange, MasterChange, MasterView } from './types'

/** A list as a change makes it. Records that stayed are the same objects, a list that stayed is the same list. */
export function changedList<T extends object>(older: T[], { stretches }: ListChange): T[] {
  const made: T[] = []
  let at = 0
  for (const { keep, skip, by, put } of stretches) {
    const moved = Object.entries(by)
    for (const record of older.slice(at, at + keep)) {
      made.push(moved.length === 0 ? record : movedRecord(record, moved))
    }
    at += keep + skip
    made.push(...(put as T[]))
  }
  return made.length === older.length && made.every((record, i) => record === older[i]) ? older : made
}

function movedRecord<T extends object>(record: T, moved: [string, number][]): T {
  const copy = { ...record } as Record<string, unknown>
  moved.forEach(([field, by]) => (copy[field] = (copy[field] as number) + by))
  return copy as T
}

/** The tracks as a change makes them of those that a window has. */
export function changedView(older: MasterView | undefined, { whole, lists, since }: MasterChange): MasterView {
  if (!older || since === undefined) {
    return whole
  }
  const of = <T extends object>(name: string, list: T[]) => {
    const change = lists[name]
    return change ? changedList(list, change) : []
  }
  return {
    ...whole,
    clips: of('clips', older.clips),
    live: of('live', older.live),
    seams: of('seams', older.seams),
    renders: of('renders', older.renders),
    gaps: of('gaps', older.gaps),
    shots: of('shots', older.shots),
    differences: of('differences', older.differences),
    sound: of('sound', older.sound),
    markers: of('markers', older.markers),
    upper: whole.upper.map((track, i) => ({ ...track, clips: of(`upper.${i}`, older.upper[i]?.clips ?? []) })),
  }
}
