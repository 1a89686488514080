import { useMemo } from 'react'
import { useBake } from '../server/queries'
import type { Section } from '../server/types'
import { type Bake, readBake } from './bake'

/** The movement of all that a piece shows, a step for each record frame from its first seen one on. */
export function useSectionBake(projectId: number, section: Section | undefined): Bake | undefined {
  const shot = section?.shotId || undefined
  const bytes = useBake(
    projectId,
    shot,
    section && {
      from: section.seenFrom,
      speed: section.speed,
      frames: section.seenOut - section.seenIn,
      bends: section.bends,
    },
  ).data
  return useMemo(() => (bytes ? readBake(bytes) : undefined), [bytes])
}
