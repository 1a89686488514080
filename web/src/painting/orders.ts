/** What the window and the worker that draws sets for it say to each other. A picture has a number of its own. */
import type { Program } from '../server/types'

export type Shading = Record<string, Program>

/** What a camera sees: world to camera, camera to picture. */
export type Seen = { view: Float32Array; projection: Float32Array }

/**
 * One drawing of a set.
 *
 * @property width  of the picture in the window, in its pixels; as `height`
 * @property ratio  points drawn to a pixel of the window
 * @property places of all things, 16 numbers each
 * @property guide  a camera that is drawn as lines where it stands
 */
export type Order = Seen & { width: number; height: number; ratio: number; places: Float32Array; guide?: Seen }

export type ToWorker = { picture: number } & (
  | { kind: 'open'; shading: Shading; smooth: boolean }
  | { kind: 'meshes'; glb: ArrayBuffer }
  | { kind: 'draw'; order: Order }
  | { kind: 'close' }
)

export type FromWorker = { picture: number } & (
  | { kind: 'drawn'; bitmap: ImageBitmap }
  | { kind: 'meshes' }
  | { kind: 'failed'; words: string }
)
