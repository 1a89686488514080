/** The one worker of this window that draws sets, and who waits for what it says. */
import type { FromWorker, ToWorker } from './orders'

type Hears = (told: FromWorker) => void

let worker: Worker | undefined
let pictures = 0
const hears = new Map<number, Hears>()

function theWorker(): Worker {
  if (!worker) {
    worker = new Worker(new URL('./painter.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => {
      const hear = hears.get(data.picture)
      if (hear) {
        hear(data)
      } else if (data.kind === 'drawn') {
        data.bitmap.close()
      }
    }
    worker.onerror = (e) =>
      hears.forEach((hear, picture) => hear({ picture, kind: 'failed', words: e.message || 'the worker did not start' }))
  }
  return worker
}

/** One more picture. @return its number, with which all that is said of it begins */
export function newPicture(hear: Hears): number {
  hears.set(++pictures, hear)
  return pictures
}

export function forget(picture: number) {
  hears.delete(picture)
}

export const tellWorker = (what: ToWorker, moved: Transferable[] = []) => theWorker().postMessage(what, moved)
