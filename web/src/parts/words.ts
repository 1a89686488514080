/** A number with its noun: "1 shot", "0 shots". @param many where that is not the noun with an s */
export const plural = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`

/** A difference as people write it: +5, −3, 0. */
export const signed = (n: number) => (n > 0 ? `+${n}` : n < 0 ? `−${-n}` : '0')

const UNITS: [number, string, number][] = [
  [1e9, 'GB', 1],
  [1e6, 'MB', 1],
  [1e3, 'kB', 0],
]

/** So many bytes as a disk tells them, never 0 of a unit that is too large. */
export function bytesInWords(bytes: number): string {
  // from where on it rounds to 1 of the unit
  const [size, unit, places] = UNITS.find(([size, , digits]) => bytes >= size - (size / 1000) * 0.5 * 10 ** -digits) ?? [1, '', 0]
  return unit ? `${(bytes / size).toFixed(places)} ${unit}` : plural(bytes, 'byte')
}

/** A version as names of renders have it. */
export const versionName = (version: number) => `v${String(version).padStart(3, '0')}`
