import { create } from 'zustand'

/**
 * What the server counts along the line of frames, asked for by the chunk as it comes into sight.
 * @param fetch asks for a chunk of a master: its first frame, how many, and how it is counted
 */
export function chunksOf<T>(fetch: (masterId: number, from: number, count: number, how: number) => Promise<T>) {
  const useChunks = create<{ known: Map<string, T> }>(() => ({ known: new Map() }))
  const asked = new Set<string>()

  function ask(key: string, masterId: number, from: number, count: number, how: number) {
    if (asked.has(key)) {
      return
    }
    asked.add(key)
    fetch(masterId, from, count, how)
      .then((chunk) => useChunks.setState((s) => ({ known: new Map(s.known).set(key, chunk) })))
      .catch(() => asked.delete(key))
  }

  /** The chunk that a frame is in, once it is there, and the chunk's first frame. */
  return function useChunkAt(masterId: number | undefined) {
    const known = useChunks((s) => s.known)
    return (frame: number, count: number, how = 0): { from: number; chunk: T | undefined } => {
      const from = Math.floor(frame / count) * count
      const key = `${masterId} ${how} ${from}`
      const chunk = known.get(key)
      if (!chunk && masterId) {
        ask(key, masterId, from, count, how)
      }
      return { from, chunk }
    }
  }
}
