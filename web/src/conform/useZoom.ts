import { setDesk, useDesk } from '../desk/desk'
import { LABELS, panned, type Scale, scaleOf, withFrame, zoomed } from '../parts/scale'
import type { Sequence } from '../server/types'

/** What of the master is seen; the whole of it until somebody zooms. */
export function useScale(sequence: Sequence | undefined, width: number): Scale {
  const zoom = useDesk((d) => d.zoom)
  return scaleOf(sequence ?? { start: 0, end: 1 }, zoom, LABELS, width)
}

/** Zooms about a frame; a factor under 1 goes nearer. */
export const zoomBy = (sequence: Sequence, factor: number, about: number) =>
  setDesk({ zoom: zoomed(sequence, useDesk.getState().zoom, factor, about) })

export const panBy = (sequence: Sequence, frames: number) => setDesk({ zoom: panned(sequence, useDesk.getState().zoom, frames) })

/** Keeps a frame in view. */
export function follow(sequence: Sequence, frame: number) {
  const now = useDesk.getState().zoom
  const next = withFrame(sequence, now, frame)
  if (next !== now) {
    setDesk({ zoom: next })
  }
}
