import type { Section } from '../server/types'

/** The first piece of each shot: black, slates and renders are pieces of the master and no shots. */
export function shotsOf(sections: Section[]): Section[] {
  const seen = new Set<number>([0])
  return sections.filter((s) => !seen.has(s.shotId) && seen.add(s.shotId))
}
