import { setDesk, useDesk } from '../desk/desk'
import type { Sequence } from '../server/types'
import { LABELS } from './lanes'
import type { Scale } from './scale'

const LEAST_SPAN = 12

/** What of the master is seen; the whole of it until somebody zooms. */
export function useScale(sequence: Sequence | undefined, width: number): Scale {
  const zoom = useDesk((d) => d.zoom)
  const start = sequence?.start ?? 0
  const end = sequence?.end ?? 1
  const from = zoom?.from ?? start
  const span = zoom?.span ?? end - start
  const room = Math.max(1, width - LABELS - 16)
  return { from, perFrame: room / Math.max(1, span), left: LABELS, width: room }
}

/** Zooms about a frame; a factor under 1 goes nearer. */
export function zoomBy(sequence: Sequence, factor: number, about: number) {
  const whole = sequence.end - sequence.start
  const now = useDesk.getState().zoom ?? { from: sequence.start, span: whole }
  const span = Math.max(LEAST_SPAN, Math.min(whole, now.span * factor))
  if (span >= whole) {
    setDesk({ zoom: undefined })
    return
  }
  setDesk({ zoom: held(sequence, about - ((about - now.from) / now.span) * span, span) })
}

export function panBy(sequence: Sequence, frames: number) {
  const now = useDesk.getState().zoom
  if (now) {
    setDesk({ zoom: held(sequence, now.from + frames, now.span) })
  }
}

/** Keeps a frame in view. */
export function follow(sequence: Sequence, frame: number) {
  const now = useDesk.getState().zoom
  if (now && (frame < now.from || frame >= now.from + now.span)) {
    setDesk({ zoom: held(sequence, frame - now.span * 0.1, now.span) })
  }
}

function held(sequence: Sequence, from: number, span: number) {
  return { from: Math.max(sequence.start, Math.min(sequence.end - span, from)), span }
}
