/** Numbers for tests from a seed: the same ones again, whatever fails. Not part of the application. */
export function dice(seed: number): (sides: number) => number {
  let state = seed
  return (sides) => {
    state = (Math.imul(state, 1103515245) + 12345) & 0x7fffffff
    return Math.floor((state / 0x80000000) * sides)
  }
}
