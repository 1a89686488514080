import type { PersistStorage, StorageValue } from 'zustand/middleware'

/** How long nothing changes before it is written, in milliseconds. */
const CALM = 400

/**
 * The browser's storage, written when hands rest and when the window goes: the playhead changes what is kept at every frame, and
 * that must cost nothing. What cannot be read counts as not there.
 */
export function calmStorage<T>(storage: () => Storage = () => localStorage): PersistStorage<T> {
  let waiting: { name: string; value: StorageValue<T> } | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  const write = () => {
    clearTimeout(timer)
    timer = undefined
    if (waiting) {
      try {
        storage().setItem(waiting.name, JSON.stringify(waiting.value))
      } catch {
        // nowhere to keep it, because it is full or the window is gone: the next window begins as a new one does
      }
      waiting = undefined
    }
  }
  globalThis.addEventListener?.('pagehide', write)
  return {
    getItem: (name) => {
      try {
        const value = JSON.parse(storage().getItem(name) ?? 'null') as StorageValue<T> | null
        return value && typeof value.state === 'object' ? value : null
      } catch {
        return null
      }
    },
    setItem: (name, value) => {
      waiting = { name, value }
      // one clock from the first change on: while time runs it is written now and then all the same
      timer ??= setTimeout(write, CALM)
    },
    removeItem: (name) => storage().removeItem(name),
  }
}
