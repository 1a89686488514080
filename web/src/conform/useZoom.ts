import { setDesk, useDesk } from '../desk/desk'
import { LABELS, panned, type Scale, scaleOf, withFrame, zoomed } from '../parts/scale'
import type { Master } from '../server/types'

/** What of the master is seen; the whole of it until somebody zooms. */
export function useScale(master: Master | undefined, width: number): Scale {
  const zoom = useDesk((d) => d.zoom)
  return scaleOf(master ?? { start: 0, end: 1 }, zoom, LABELS, width)
}

/** Zooms about a frame; a factor under 1 goes nearer. */
export const zoomBy = (master: Master, factor: number, about: number) =>
  setDesk({ zoom: zoomed(master, useDesk.getState().zoom, factor, about) })

export const panBy = (master: Master, frames: number) => setDesk({ zoom: panned(master, useDesk.getState().zoom, frames) })

/** Keeps a frame in view. */
export function follow(master: Master, frame: number) {
  const now = useDesk.getState().zoom
  const next = withFrame(master, now, frame)
  if (next !== now) {
    setDesk({ zoom: next })
  }
}
