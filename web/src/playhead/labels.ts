import { create } from 'zustand'
import type { Units } from '../desk/desk'
import { fetchLabels } from '../server/queries'

const CHUNK = 4800

/** Timecode labels as the server counts them, fetched by the chunk. */
const useChunks = create<{ masterId: number; chunks: Map<number, string[]>; asked: Set<number> }>(() => ({
  masterId: 0,
  chunks: new Map(),
  asked: new Set(),
}))

/** @param start the master's first frame: frames are counted from 1 there, seconds from 0 */
export function useLabels(masterId: number | undefined, start: number, framesPerSecond: number, units: Units) {
  const chunks = useChunks((s) => s.chunks)
  return (frame: number): string => {
    if (units === 'frames') {
      return String(frame - start + 1)
    }
    if (units === 'seconds') {
      return ((frame - start) / framesPerSecond).toFixed(2)
    }
    const chunk = Math.floor(frame / CHUNK)
    if (masterId) {
      ask(masterId, chunk)
    }
    return chunks.get(chunk)?.[frame - chunk * CHUNK] ?? ''
  }
}

function ask(masterId: number, chunk: number) {
  const state = useChunks.getState()
  if (state.masterId !== masterId) {
    state.asked.clear()
    queueMicrotask(() => useChunks.setState({ masterId, chunks: new Map(), asked: new Set() }))
    return
  }
  if (state.asked.has(chunk)) {
    return
  }
  state.asked.add(chunk)
  fetchLabels(masterId, chunk * CHUNK, CHUNK)
    .then((labels) => useChunks.setState((s) => ({ chunks: new Map(s.chunks).set(chunk, labels) })))
    .catch(() => state.asked.delete(chunk))
}
