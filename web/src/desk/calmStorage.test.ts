import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { calmStorage } from './calmStorage'

function memory() {
  const items = new Map<string, string>()
  const setItem = vi.fn((key: string, value: string) => void items.set(key, value))
  return {
    items,
    setItem,
    storage: {
      getItem: (k: string) => items.get(k) ?? null,
      setItem,
      removeItem: (k: string) => void items.delete(k),
    } as unknown as Storage,
  }
}

describe('storage that waits until hands rest', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('writes the newest of many changes once', () => {
    const { setItem, items, storage } = memory()
    const calm = calmStorage<{ frame: number }>(() => storage)
    for (let frame = 0; frame < 9; frame++) {
      calm.setItem('desk', { state: { frame } })
    }
    expect(setItem).not.toHaveBeenCalled()
    vi.advanceTimersByTime(1000)
    expect(setItem).toHaveBeenCalledTimes(1)
    expect(items.get('desk')).toBe('{"state":{"frame":8}}')
  })

  it('writes now and then while changes go on without an end', () => {
    const { setItem, storage } = memory()
    const calm = calmStorage<{ frame: number }>(() => storage)
    for (let frame = 0; frame < 100; frame++) {
      calm.setItem('desk', { state: { frame } })
      vi.advanceTimersByTime(40)
    }
    expect(setItem.mock.calls.length).toBeGreaterThan(5)
    expect(setItem.mock.calls.length).toBeLessThan(12)
  })

  it('takes what cannot be read, or is of an older kind, for not there', () => {
    const { items, storage } = memory()
    const calm = calmStorage(() => storage)
    items.set('damaged', '{"state":')
    items.set('older', '{"frame":4}')
    items.set('good', '{"state":{"frame":4}}')
    expect([calm.getItem('damaged'), calm.getItem('older'), calm.getItem('none')]).toEqual([null, null, null])
    expect(calm.getItem('good')).toEqual({ state: { frame: 4 } })
  })
})
