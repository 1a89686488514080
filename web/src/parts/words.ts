/** A number with its noun: "1 shot", "0 shots". @param many where that is not the noun with an s */
export const plural = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`

/** A difference as people write it: +5, −3, 0. */
export const signed = (n: number) => (n > 0 ? `+${n}` : n < 0 ? `−${-n}` : '0')
