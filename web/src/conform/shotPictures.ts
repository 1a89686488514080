/**
 * Small camera pictures of shots, drawn by the server. One that is there stays until the next is: after an edit each is
 * asked for again with the tag of the last answer, and most have not changed.
 */
import type { Clip } from '../server/types'

type Kept = { picture?: ImageBitmap; tag?: string; seq: number; asked: boolean }

/** So many are asked for at once: more would be in the way of what somebody waits for. */
const AT_ONCE = 3
const MOST_KEPT = 3000

const kept = new Map<string, Kept>()
/** The last one drawn of a shot stands in for another of its frames. */
const last = new Map<number, ImageBitmap>()
let waiting: { key: string; shotId: number; loaded: () => void }[] = []
let running = 0

/** The picture of a frame of a clip's shot, if it is there; else it will be asked for. */
export function shotPicture(clip: Clip, frame: number, seq: number, loaded: () => void): ImageBitmap | undefined {
  const key = `/api/shots/${clip.shotId}/picture?frame=${frame}`
  let entry = kept.get(key)
  if (!entry) {
    const oldest = kept.keys().next().value
    if (kept.size > MOST_KEPT && oldest) {
      kept.delete(oldest)
    }
    entry = { seq: -1, asked: false }
    kept.set(key, entry)
  }
  if (entry.seq !== seq && !entry.asked) {
    entry.asked = true
    entry.seq = seq
    waiting.push({ key, shotId: clip.shotId, loaded })
    next()
  }
  return entry.picture ?? last.get(clip.shotId)
}

function next() {
  while (running < AT_ONCE) {
    // the newest first: those are in view
    const one = waiting.pop()
    if (!one) {
      break
    }
    running++
    void fetchOne(one.key, one.shotId, one.loaded).finally(() => {
      running--
      next()
    })
  }
  // what nobody looks at any more is forgotten, and asked for when it is looked at again
  if (waiting.length > 200) {
    waiting.slice(0, -200).forEach(({ key }) => kept.delete(key))
    waiting = waiting.slice(-200)
  }
}

async function fetchOne(key: string, shotId: number, loaded: () => void) {
  const entry = kept.get(key)
  if (!entry) {
    return
  }
  try {
    const answer = await fetch(key, { cache: 'no-cache', priority: 'low' })
    const tag = answer.headers.get('ETag') ?? undefined
    if (answer.ok && (!entry.picture || tag !== entry.tag)) {
      entry.picture = await createImageBitmap(await answer.blob())
      entry.tag = tag
      last.set(shotId, entry.picture)
      loaded()
    }
  } catch {
    // the server is away: asked for again when it is drawn next
    entry.seq = -1
  }
  entry.asked = false
}
