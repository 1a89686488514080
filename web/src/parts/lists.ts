/** What a list holds at a place that it has for sure; a mistake of ours is said where it is made. */
export function itemAt<T>(list: ArrayLike<T>, index: number): T {
  if (index < 0 || index >= list.length) {
    throw new RangeError(`Place ${index} of ${list.length}`)
  }
  return list[index] as T
}

export const lastOf = <T>(list: ArrayLike<T>): T => itemAt(list, list.length - 1)

/** The one after another, the first after the last. */
export const following = <T>(list: readonly T[], one: T): T => itemAt(list, (list.indexOf(one) + 1) % list.length)
