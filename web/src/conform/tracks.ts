/** Where the tracks lie, from top to bottom, in pixels. */

/** Room over the main track for the brackets of nested masters. */
const NEST_ROOM = 13

type Span = [number, number]

export type Layout = {
  height: number
  ruler: number
  cut: Span
  /** tracks above the main one, from the bottom up, as the master counts them */
  upper: Span[]
  shots: Span
  renders: Span
  sound: Span[]
  overview: Span
}

/** Tracks share what height there is; the gaps between them hold the retimeKeys. */
export function layOut(height: number, soundTracks: number, upperTracks = 0): Layout {
  const gap = 24
  const ruler = 28
  const overview = 20
  const sounds = Math.min(soundTracks, 4)
  const soundHeight = sounds ? 26 : 0
  const upperHeight = upperTracks > 3 ? 19 : 24
  const above = upperTracks > 0 ? upperTracks * (upperHeight + 2) + NEST_ROOM - 2 : 0
  const rest = Math.max(90, height - ruler - 8 - 3 * gap - sounds * (soundHeight + 2) - above - overview - 26)
  const tall = Math.min(110, rest * 0.36)
  const low = Math.min(80, rest * 0.28)
  let y = ruler + 10
  const take = (h: number, after: number): Span => {
    const track: Span = [y, y + h]
    y += h + after
    return track
  }
  const cut = take(tall, gap)
  const upper = Array.from({ length: upperTracks }, (_, i) => take(upperHeight, i === upperTracks - 1 ? NEST_ROOM : 2)).reverse()
  const shots = take(tall, gap)
  const renders = take(low, 14)
  const sound = Array.from({ length: sounds }, () => take(soundHeight, 2))
  y += sounds ? 10 : 6
  return { height: y + overview + 12, ruler, cut, upper, shots, renders, sound, overview: take(overview, 0) }
}

/** The top of all tracks of shots: retimeKeys against the cut are drawn above it. */
export const shotsTop = (layout: Layout): number => layout.upper[layout.upper.length - 1]?.[0] ?? layout.shots[0]
