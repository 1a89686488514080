/** Movement as the server baked it. Playing it is a table look-up. */
export type Bake = {
  frames: number
  items: number
  shotFrame: (k: number) => number
  actionFrame: (k: number) => number
  lens: (k: number) => number
  focus: (k: number) => number
  view: (k: number) => Float32Array
  projection: (k: number) => Float32Array
  places: (k: number) => Float32Array
}

/** Reads the layout that the server's description of /bake states. */
export function readBake(bytes: ArrayBuffer): Bake {
  const [frames, items] = new Int32Array(bytes, 0, 2)
  const numbers = new Int32Array(bytes, 8, frames * 2)
  const floats = new Float32Array(bytes, 8 + frames * 8)
  const views = frames * 2
  const projections = views + frames * 16
  const places = projections + frames * 16
  const at = (k: number) => Math.max(0, Math.min(frames - 1, k))
  return {
    frames,
    items,
    shotFrame: (k) => numbers[at(k) * 2],
    actionFrame: (k) => numbers[at(k) * 2 + 1],
    lens: (k) => floats[at(k) * 2],
    focus: (k) => floats[at(k) * 2 + 1],
    view: (k) => floats.subarray(views + at(k) * 16, views + at(k) * 16 + 16),
    projection: (k) => floats.subarray(projections + at(k) * 16, projections + at(k) * 16 + 16),
    places: (k) => floats.subarray(places + at(k) * items * 16, places + (at(k) + 1) * items * 16),
  }
}
