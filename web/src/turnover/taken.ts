import type { Change } from '../server/types'

/**
 * The changes that are taken: all but those that were left. What was left is remembered by what each change is, so that no
 * other one that comes to stand in its place is left with it; one that has moved on is another one.
 */
export const takenOf = (changes: Change[], left: ReadonlySet<string>): Change[] => changes.filter((c) => !left.has(c.id))

/** Leaves a change, or takes it again. */
export function toggled(left: ReadonlySet<string>, id: string): Set<string> {
  const next = new Set(left)
  if (!next.delete(id)) {
    next.add(id)
  }
  return next
}
