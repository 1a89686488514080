/** Keys that were meant for a box that has just gone: somebody was typing and it was closed under their hands. */

/** How long after that, and after the last key of it, a letter is still taken for typing; ms. */
export const LATE = 1000

let until = 0

/** A box was closed by something else than its own keys. */
export function boxWentAway(now: number) {
  until = now + LATE
}

/** Whether a key goes on with what was typed before. Letters and digits alone do: Enter, arrows and Ctrl are meant. */
export function isLate(key: string, now: number): boolean {
  if (/^(Arrow|Enter|Escape|Tab)/.test(key)) {
    // whoever presses these has seen that the box is gone
    until = 0
  }
  if (now >= until || key.length !== 1) {
    return false
  }
  until = now + LATE
  return true
}
