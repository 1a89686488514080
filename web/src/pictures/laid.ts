/** Where a board lies over the delivery frame, as the server worked it out. */
import type { CSSProperties } from 'react'
import type { BoardFit } from '../server/types'

const percent = (share: number) => `${share * 100}%`

/** The part that is left of it, and the whole picture in that part. */
export function laid({ as: { crop }, place }: BoardFit): { part: CSSProperties; whole: CSSProperties } {
  const [across, down] = [1 - crop.left - crop.right, 1 - crop.top - crop.bottom]
  return {
    part: { left: percent(place.left), top: percent(place.top), width: percent(place.width), height: percent(place.height) },
    whole: {
      left: percent(-crop.left / across),
      top: percent(-crop.top / down),
      width: percent(1 / across),
      height: percent(1 / down),
    },
  }
}
