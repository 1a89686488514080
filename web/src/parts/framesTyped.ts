/**
 * So many frames as people type them: a number, or seconds such as "5 s" or "1.5s".
 *
 * @returns undefined where it is neither, or less than a frame
 */
export function framesTyped(typed: string, framesPerSecond: number): number | undefined {
  const seconds = /^(\d+(?:[.,]\d+)?)\s*s$/i.exec(typed.trim())
  const frames = seconds
    ? Math.round(Number(seconds[1]?.replace(',', '.')) * framesPerSecond)
    : /^\d+$/.test(typed.trim())
      ? Number(typed)
      : 0
  return frames >= 1 ? frames : undefined
}

/** Frames/s of a rate as the server writes it, "24000/1001". */
export function perSecond(rate: string): number {
  const [frames = 24, seconds = 1] = rate.split('/').map(Number)
  return frames / seconds
}
