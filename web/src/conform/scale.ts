/** Record frames to pixels and back. */
export type Scale = { from: number; perFrame: number; left: number; width: number }

export const toX = (s: Scale, frame: number) => s.left + (frame - s.from) * s.perFrame
export const toFrame = (s: Scale, x: number) => s.from + (x - s.left) / s.perFrame

const STEPS = [1, 2, 6, 12, 24, 48, 120, 240, 480, 1440, 2880, 7200, 14400, 43200]

/** Frames from one label of the ruler to the next, so that labels have room. */
export function rulerStep(perFrame: number, room: number): number {
  return STEPS.find((step) => step * perFrame >= room) ?? STEPS[STEPS.length - 1]
}
