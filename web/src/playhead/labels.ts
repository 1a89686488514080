import type { Units } from '../desk/desk'
import { fetchLabels, fetchWholeSeconds } from '../server/queries'
import { chunksOf } from './chunks'

const CHUNK = 4800
/** So many labels of the ruler are asked for at once. */
const RULER_LABELS = 100

const useLabelChunk = chunksOf(fetchLabels)
const useRulerChunk = chunksOf(fetchWholeSeconds)

/** @param start the master's first frame: frames are counted from 1 there, seconds from 0 */
export function useLabels(masterId: number | undefined, start: number, framesPerSecond: number, units: Units) {
  const chunkAt = useLabelChunk(masterId)
  return (frame: number): string => {
    if (units === 'frames') {
      return String(frame - start + 1)
    }
    if (units === 'seconds') {
      return ((frame - start) / framesPerSecond).toFixed(2)
    }
    const { from, chunk } = chunkAt(frame, CHUNK)
    return chunk?.[frame - from] ?? ''
  }
}

/** Frames from one to another whose labels begin a multiple of so many seconds, as far as they are known yet. */
export function useWholeSeconds(masterId: number | undefined, framesPerSecond: number) {
  const chunkAt = useRulerChunk(masterId)
  return (first: number, last: number, every: number): number[] => {
    const count = RULER_LABELS * every * Math.round(framesPerSecond)
    const frames: number[] = []
    for (let at = first; at <= last; ) {
      const { from, chunk } = chunkAt(at, count, every)
      frames.push(...(chunk ?? []))
      at = from + count
    }
    return frames.filter((f) => f >= first && f <= last)
  }
}
