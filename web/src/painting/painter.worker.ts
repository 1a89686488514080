/** Draws the sets of all pictures of a window, one drawing after the other. */
import type { Ask, FromWorker, Hit, ToWorker } from './orders'
import { SetDrawing } from './SetDrawing'

const drawings = new Map<number, SetDrawing>()

const tell = (what: FromWorker, moved: Transferable[] = []) => self.postMessage(what, { transfer: moved })

/** Nothing where it cannot be told: whoever asks is answered in any case, and can ask again. */
function picked(picture: number, ask: Ask): Hit | undefined {
  try {
    return drawings.get(picture)?.pick(ask)
  } catch {
    return undefined
  }
}

async function hear(told: ToWorker): Promise<void> {
  const { picture } = told
  if (told.kind === 'open') {
    drawings.set(picture, new SetDrawing(told.shading, told.smooth))
  } else if (told.kind === 'close') {
    drawings.get(picture)?.dispose()
    drawings.delete(picture)
  } else if (told.kind === 'meshes') {
    if (await drawings.get(picture)?.meshes(told.glb)) {
      tell({ picture, kind: 'meshes' })
    }
  } else if (told.kind === 'pick') {
    tell({ picture, kind: 'picked', hit: picked(picture, told.ask) })
  } else {
    const bitmap = drawings.get(picture)?.draw(told.order)
    if (bitmap) {
      tell({ picture, kind: 'drawn', bitmap }, [bitmap])
    }
  }
}

self.onmessage = ({ data }: MessageEvent<ToWorker>) => {
  hear(data).catch((e: unknown) => tell({ picture: data.picture, kind: 'failed', words: e instanceof Error ? e.message : String(e) }))
}
