/** Where the lanes lie, from top to bottom, in pixels. */
export const LABELS = 92

export type Layout = {
  height: number
  ruler: number
  cut: [number, number]
  shots: [number, number]
  renders: [number, number]
  sound: [number, number][]
  overview: [number, number]
}

/** Lanes share what height there is; the gaps between them hold the bends. */
export function layOut(height: number, soundLanes: number): Layout {
  const gap = 24
  const ruler = 28
  const overview = 20
  const sounds = Math.min(soundLanes, 4)
  const soundHeight = sounds ? 26 : 0
  const rest = Math.max(90, height - ruler - 8 - 3 * gap - sounds * (soundHeight + 2) - overview - 26)
  const tall = Math.min(110, rest * 0.36)
  const low = Math.min(80, rest * 0.28)
  let y = ruler + 10
  const take = (h: number, after: number): [number, number] => {
    const lane: [number, number] = [y, y + h]
    y += h + after
    return lane
  }
  const cut = take(tall, gap)
  const shots = take(tall, gap)
  const renders = take(low, 14)
  const sound = Array.from({ length: sounds }, () => take(soundHeight, 2))
  y += sounds ? 10 : 6
  return { height: y + overview + 12, ruler, cut, shots, renders, sound, overview: take(overview, 0) }
}
