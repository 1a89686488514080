import { useMemo } from 'react'
import { useBake } from '../server/queries'
import type { Clip } from '../server/types'
import { type Bake, readBake } from './bake'

/** The movement of all that a clip shows, a step for each record frame from its first seen one on. */
export function useClipBake(projectId: number, clip: Clip | undefined): Bake | undefined {
  const shot = clip?.shotId || undefined
  const bytes = useBake(
    projectId,
    shot,
    clip && {
      from: clip.seenFrom,
      speed: clip.speed,
      frames: clip.seenOut - clip.seenIn,
      retimeKeys: clip.retimeKeys,
    },
  ).data
  return useMemo(() => (bytes ? readBake(bytes) : undefined), [bytes])
}
