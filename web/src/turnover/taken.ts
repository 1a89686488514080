import type { Change } from '../server/types'

/**
 * The changes that are taken: all but those that were left. What was left is remembered by what each change is, so that no
 * other one that comes to stand in its place is left with it; one that has moved on is another one.
 */
export const takenOf = (changes: Change[], left: readonly string[]): Change[] => {
  const ids = new Set(left)
  return changes.filter((c) => !ids.has(c.id))
}

/** Leaves a change, or takes it again. */
export const toggled = (left: readonly string[], id: string): string[] =>
  left.includes(id) ? left.filter((other) => other !== id) : [...left, id]
