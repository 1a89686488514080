/** What the window and the worker that draws sets for it say to each other. A picture has a number of its own. */
import type { Program } from '../server/types'

export type Shading = Record<string, Program>

/** Nearest and farthest distance drawn, metres, as the renders have it. */
export const NEAR = 0.05
export const FAR = 4000

/** What is out of focus. @property focus metres @property farCircle of a point without end away, as a share of the picture's width */
export type Blur = { focus: number; farCircle: number }

/** What a camera sees: world to camera, camera to picture. */
export type Seen = { view: Float32Array; projection: Float32Array; blur?: Blur }

/**
 * A thing that is shown as chosen, or as what is under the pointer.
 *
 * @property index among the scene's things
 */
export type Marked = { index: number; how: 'chosen' | 'under' }

/** Lines over the set. @property points x, y, z, two points a line */
export type Lines = { points: Float32Array; colour: string }

/**
 * One drawing of a set.
 *
 * @property width  of the picture in the window, in its pixels; as `height`
 * @property ratio  points drawn to a pixel of the window
 * @property places of all things, 16 numbers each
 * @property guide  a camera that is drawn as lines where it stands
 * @property flat   how far away the eye of a flat view stands, metres: there is no sky in it, and no air on the way
 */
export type Order = Seen & {
  width: number
  height: number
  ratio: number
  places: Float32Array
  guide?: Seen
  marked?: Marked[]
  lines?: Lines[]
  flat?: number
}

/**
 * Asks what is at a point of a picture.
 *
 * @property x −1 at the left, 1 at the right
 * @property y −1 at the bottom, 1 at the top
 * @property but indexes of things that are looked through
 */
export type Ask = Seen & { places: Float32Array; x: number; y: number; but?: number[] }

/** @property index among the scene's things; @property metres from the eye; @property point in the world */
export type Hit = { index: number; metres: number; point: [number, number, number] }

export type ToWorker = { picture: number } & (
  | { kind: 'open'; shading: Shading; smooth: boolean }
  | { kind: 'meshes'; glb: ArrayBuffer }
  | { kind: 'draw'; order: Order }
  | { kind: 'pick'; ask: Ask }
  | { kind: 'close' }
)

export type FromWorker = { picture: number } & (
  | { kind: 'drawn'; bitmap: ImageBitmap }
  | { kind: 'picked'; hit?: Hit }
  | { kind: 'meshes' }
  | { kind: 'failed'; words: string }
)
