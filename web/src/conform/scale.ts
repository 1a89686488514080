/** Record frames to pixels and back. */
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
