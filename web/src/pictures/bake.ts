import type { Blur } from '../painting/orders'
import type { Numbered } from '../server/client'

/** Movement as the server baked it. Playing it is a table look-up. */
export type Bake = {
  frames: number
  items: number
  /** how many edits of the project it knows at least; undefined where nobody said */
  edit?: number
  shotFrame: (k: number) => number
  actionFrame: (k: number) => number
  lens: (k: number) => number
  focus: (k: number) => number
  stop: (k: number) => number
  /** What is out of focus in its picture. */
  blur: (k: number) => Blur
  view: (k: number) => Float32Array
  projection: (k: number) => Float32Array
  /** Of one thing that moves; undefined for one that stands, or is not in the movement yet. */
  place: (k: number, item: number) => Float32Array | undefined
  /** Of all things, 16 numbers each, in an array of its own. */
  places: (k: number) => Float32Array
}

/** What a camera sees at a frame, as a drawing of it is ordered. @param blurred whether what is out of focus is */
export const seenAt = (bake: Bake, k: number, blurred: boolean) => ({
  view: bake.view(k),
  projection: bake.projection(k),
  places: bake.places(k),
  blur: blurred ? bake.blur(k) : undefined,
})

const MATRIX = 16
const HEAD = 3
const LENS_VALUES = 4

/** Reads the layout that the server's description of /bake states. */
export function readBake({ data: bytes, edit }: Numbered<ArrayBuffer>): Bake {
  const [frames = 0, items = 0, count = 0] = new Int32Array(bytes, 0, HEAD)
  const moving = new Int32Array(bytes, HEAD * 4, count)
  const numbers = new Int32Array(bytes, (HEAD + count) * 4, frames * 2)
  const floats = new Float32Array(bytes, (HEAD + count + frames * 2) * 4)
  // what stands is in place once and for all; what moves is put over it frame by frame
  const standing = floats.subarray(0, items * MATRIX)
  const aFrame = LENS_VALUES + (2 + count) * MATRIX
  const at = (k: number) => Math.max(0, Math.min(frames - 1, k))
  const start = (k: number) => items * MATRIX + at(k) * aFrame
  const matrix = (k: number, which: number) => {
    const begin = start(k) + LENS_VALUES + which * MATRIX
    return floats.subarray(begin, begin + MATRIX)
  }
  return {
    frames,
    items,
    edit,
    shotFrame: (k) => numbers[at(k) * 2] ?? 0,
    actionFrame: (k) => numbers[at(k) * 2 + 1] ?? 0,
    lens: (k) => floats[start(k)] ?? 0,
    focus: (k) => floats[start(k) + 1] ?? 0,
    stop: (k) => floats[start(k) + 2] ?? 0,
    blur: (k) => ({ focus: floats[start(k) + 1] ?? 1, farCircle: floats[start(k) + 3] ?? 0 }),
    view: (k) => matrix(k, 0),
    projection: (k) => matrix(k, 1),
    place: (k, item) => {
      const m = moving.indexOf(item)
      return m < 0 ? undefined : matrix(k, 2 + m)
    },
    places: (k) => {
      const places = standing.slice()
      moving.forEach((item, m) => places.set(matrix(k, 2 + m), item * MATRIX))
      return places
    },
  }
}
