/**
 * What hands, fields and drags have come to and nobody has written yet. Whoever holds such a thing keeps a function here that writes
 * it; the window has all of them write when it loses the focus, is hidden, or ends.
 */
const kept = new Set<() => void>()

let ending = false

/** @return forgets it again */
export function keepUnwritten(write: () => void): () => void {
  kept.add(write)
  return () => void kept.delete(write)
}

/** Writes all that is not written yet, at once. */
export const writeUnwritten = () => [...kept].forEach((write) => write())

/** Whether the window goes away: what is asked of the server now must outlive it. */
export const isEnding = () => ending

// what has no window, as a test of functions alone, loses no focus either
const window = globalThis.window as Window | undefined
window?.addEventListener('blur', writeUnwritten)
window?.document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && writeUnwritten())
window?.addEventListener('pagehide', () => {
  ending = true
  writeUnwritten()
})
window?.addEventListener('pageshow', () => {
  ending = false
})
