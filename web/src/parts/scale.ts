import { lastOf } from './lists'
/** Record frames to pixels and back. */

/** Room for the names of tracks at the left of all rulers, in pixels, so that frames stand under each other in all views. */
export const LABELS = 116

export type Scale = { from: number; perFrame: number; left: number; width: number }

export const toX = (s: Scale, frame: number) => s.left + (frame - s.from) * s.perFrame
export const toFrame = (s: Scale, x: number) => s.from + (x - s.left) / s.perFrame

/** Whole seconds from one label to the next, up to an hour. */
const SECONDS = [1, 2, 5, 10, 20, 30, 60, 120, 300, 600, 1200, 1800, 3600]

/** Frames from one label of the ruler to the next, so that labels have room: parts of a second, or whole ones, at every rate. */
export function rulerStep(perFrame: number, room: number, framesPerSecond: number): number {
  const second = Math.round(framesPerSecond)
  const parts = Array.from({ length: second - 1 }, (_, i) => i + 1).filter((n) => second % n === 0)
  const steps = [...parts, ...SECONDS.map((s) => s * second)]
  return steps.find((step) => step * perFrame >= room) ?? lastOf(steps)
}

/** Frames that get a label on the ruler, a step from each other. @param origin the frame that the ruler counts from */
export function ruledFrames(s: Scale, step: number, origin: number): number[] {
  const frames: number[] = []
  for (let f = origin + Math.floor((s.from - origin) / step) * step; toX(s, f) < s.left + s.width + 16; f += step) {
    frames.push(f)
  }
  return frames
}

/** The part of a line that is seen. */
export type Zoom = { from: number; span: number }
export type Whole = { start: number; end: number }

const LEAST_SPAN = 12

/** Zoomed about a frame; a factor under 1 goes nearer. Undefined is the whole of it. */
export function zoomed(whole: Whole, now: Zoom | undefined, factor: number, about: number): Zoom | undefined {
  const length = whole.end - whole.start
  const { from, span: was } = now ?? { from: whole.start, span: length }
  const span = Math.max(LEAST_SPAN, Math.min(length, was * factor))
  return span >= length ? undefined : held(whole, about - ((about - from) / was) * span, span)
}

export const panned = (whole: Whole, now: Zoom | undefined, frames: number): Zoom | undefined =>
  now && held(whole, now.from + frames, now.span)

/** So that a frame is in view. */
export const withFrame = (whole: Whole, now: Zoom | undefined, frame: number): Zoom | undefined =>
  now && (frame < now.from || frame >= now.from + now.span) ? held(whole, frame - now.span * 0.1, now.span) : now

function held(whole: Whole, from: number, span: number): Zoom {
  return { from: Math.max(whole.start, Math.min(whole.end - span, from)), span }
}

/** A line as wide as there is room after its labels. */
export function scaleOf(whole: Whole, zoom: Zoom | undefined, left: number, width: number): Scale {
  const room = Math.max(1, width - left - 16)
  return { from: zoom?.from ?? whole.start, perFrame: room / Math.max(1, zoom?.span ?? whole.end - whole.start), left, width: room }
}
