/** Record frames to pixels and back. */

/** Room for the names of lanes at the left of all rulers, in pixels, so that frames stand under each other in all views. */
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
  return steps.find((step) => step * perFrame >= room) ?? steps[steps.length - 1]
}

/** Drop-frame labels run ahead of the frames by 3.6 seconds an hour: this far away the one that is meant is found for three hours. */
const DROP_REACH_SECONDS = 12

/**
 * Frames that get a label on the ruler. Counted with dropped labels, a step of whole seconds lands on a label of whole
 * seconds: the nearest that the labels themselves have.
 * @param origin the frame that the ruler counts from
 */
export function ruledFrames(s: Scale, step: number, origin: number, second: number, dropped: ((frame: number) => string) | undefined): number[] {
  const frames: number[] = []
  const wanted = dropped && step % second === 0 ? dropped : undefined
  const begin = wanted ? lastLabelled(origin, step / second, second, wanted) : origin
  for (let f = begin + Math.floor((s.from - begin) / step) * step; toX(s, f) < s.left + s.width + 16; f += step) {
    const at = wanted ? wholeSecond(f, step / second, second, wanted) : f
    if (at !== frames[frames.length - 1]) {
      frames.push(at)
    }
  }
  return frames
}

const fieldsOf = (label: string) => {
  const [h, m, s, f] = label.split(/[:;]/).map(Number)
  return { seconds: h * 3600 + m * 60 + s, frames: f, s, m }
}

/** About where the label before a frame stands that is a multiple of so many seconds. */
function lastLabelled(frame: number, seconds: number, second: number, label: (frame: number) => string): number {
  const at = fieldsOf(label(frame))
  return Number.isNaN(at.frames) || at.frames === undefined ? frame : frame - (at.seconds % seconds) * second - at.frames
}

function wholeSecond(frame: number, seconds: number, second: number, label: (frame: number) => string): number {
  for (let away = 0; away <= DROP_REACH_SECONDS * second; away++) {
    const found = [frame - away, frame + away].find((f) => {
      const at = fieldsOf(label(f))
      // the first two labels of most minutes are dropped: :02 is then the first
      return (at.frames === 0 || (at.frames === 2 && at.s === 0 && at.m % 10 !== 0)) && at.seconds % seconds === 0
    })
    if (found !== undefined) {
      return found
    }
  }
  return frame
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

export const panned = (whole: Whole, now: Zoom | undefined, frames: number): Zoom | undefined => now && held(whole, now.from + frames, now.span)

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
