/** Things moved by hands: shown at once, one gesture is one step, shown where it was let go until the server has it. */
import { useEffect, useState } from 'react'
import { Draft, type Place, type Written } from '../../parts/draft'
import { useLifeOf } from '../../parts/useDraft'
import type { Bake } from '../../pictures/bake'
import type { StageShot } from '../../server/types'
import { editSet } from '../edits'
import { setStage } from '../stageDesk'
import { type By, type Moved, movedPlaces, NOWHERE } from './drag'

/** A draft of the set's things that both pictures show. @param action at the playhead: what was moved at another is written */
export function useMovedThings(stage: StageShot, bake: Bake, action: number): Draft<Moved> {
  const [draft] = useState(() => {
    const made: Draft<Moved> = new Draft(() => setStage({ moving: made.open, laid: made.waiting }))
    return made
  })
  useLifeOf(draft, bake.edit, keyOf(stage.sceneId, action))
  // after it has been written: what is shown of it goes with the pictures
  useEffect(() => () => void setStage({ moving: undefined, laid: [] }), [])
  return draft
}

const keyOf = (sceneId: number, action: number) => `${sceneId} ${action}`

/** Where a gesture with things is written. */
export const placeOfThings = (sceneId: number, action: number): Place<Moved> => ({
  key: keyOf(sceneId, action),
  says: () => ({ of: undefined, value: { action, ids: [], by: NOWHERE, pivot: [0, 0], to: new Map() } }),
  write: (moved) => write(sceneId, moved),
})

/** What things stand where they were let go. */
export function laidPlaces(places: Float32Array, stage: StageShot, laid: Moved[], action: number): Float32Array {
  const here = laid.filter((l) => l.action === action)
  if (here.length === 0) {
    return places
  }
  const shown = places.slice()
  stage.items.forEach((item, i) => {
    const at = here.findLast((l) => l.to.has(item.id))?.to.get(item.id)
    if (at) {
      shown.set(at, i * 16)
    }
  })
  return shown
}

/** Where things come to stand, by their ids. @param places of all things, without this gesture */
export function movedTo(places: Float32Array, stage: StageShot, ids: number[], by: By, pivot: [number, number]): Map<number, Float32Array> {
  const indexes = stage.items.flatMap((item, i) => (ids.includes(item.id) ? [i] : []))
  const moved = movedPlaces(places, indexes, by, pivot)
  return new Map(indexes.map((i) => [stage.items[i]?.id ?? 0, moved.slice(i * 16, i * 16 + 16)]))
}

async function write(sceneId: number, { action, ids, by, pivot }: Moved): Promise<Written | undefined> {
  const same = Object.entries(NOWHERE).every(([k, v]) => by[k as keyof By] === v)
  const fine = (v: number) => Math.round(v * 1000) / 1000
  return same
    ? {}
    : editSet(sceneId, {
        kind: 'MOVE',
        frame: action,
        items: ids,
        x: fine(by.x),
        y: fine(by.y),
        z: fine(by.z),
        turn: fine(by.turn),
        size: by.size,
        pivot: ids.length > 1 ? pivot : undefined,
      })
}
