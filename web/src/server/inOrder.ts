import { isEnding } from '../parts/unwritten'
import { post, postNumbered } from './client'

const waiting: (() => void)[] = []

/**
 * Edits go one after another, in the order in which they were asked for, however fast somebody works: the next begins when the one
 * before is answered. As the window ends nothing waits any more.
 */
export function inOrder<T>(work: () => Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    let begun = false
    const begin = () => {
      if (!begun) {
        begun = true
        void work()
          .then(resolve, reject)
          .finally(() => {
            waiting.splice(waiting.indexOf(begin), 1)
            waiting[0]?.()
          })
      }
    }
    waiting.push(begin)
    if (isEnding()) {
      beginAll()
    } else if (waiting.length === 1) {
      begin()
    }
  })
}

export const postInOrder = ((...asked: Parameters<typeof post>) => inOrder(() => post(...asked))) as typeof post

export const postNumberedInOrder = ((...asked: Parameters<typeof postNumbered>) =>
  inOrder(() => postNumbered(...asked))) as typeof postNumbered

/** Nothing waits for an answer any more, and still goes in order. */
const beginAll = () => [...waiting].forEach((begin) => begin())

globalThis.window?.addEventListener('pagehide', beginAll)
