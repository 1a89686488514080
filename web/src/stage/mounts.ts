import type { StageShot } from '../server/types'

/** What carries a shot's camera at a frame; one without a thing where it was freed, undefined where nothing ever did. */
export const mountAt = (stage: StageShot, shotFrame: number) =>
  stage.mounts.filter((m) => m.from === undefined || m.from <= shotFrame).at(-1)
