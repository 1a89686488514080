/** A speed as the server writes it, `1` or `13/24`, as a number. */
export function timesOf(speed: string): number {
  const [parts = 0, of = 1] = speed.split('/').map(Number)
  return parts / of
}
