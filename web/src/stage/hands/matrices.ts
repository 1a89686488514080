/** Places of the free views and of a steered camera as matrices, columns first. */
import { Euler, Matrix4, Quaternion, Vector3 } from 'three'
import { FAR, NEAR } from '../../painting/orders'

export const FREE_VIEWS = ['scout', 'plan', 'front', 'side'] as const
export type FreeView = (typeof FREE_VIEWS)[number]

/** Where the scout view stands, metres and radians. @property lens mm */
export type ScoutPlace = { x: number; y: number; z: number; turn: number; tilt: number; lens: number }

/** The part of a flat view that is seen: its middle, and metres across. */
export type FlatPlace = { x: number; y: number; z: number; across: number }

export const EYES = 1.6

export const matrixOf = (p: Pick<ScoutPlace, 'x' | 'y' | 'z' | 'turn' | 'tilt'>) =>
  new Matrix4().compose(
    new Vector3(p.x, p.y, p.z),
    new Quaternion().setFromEuler(new Euler(p.tilt, p.turn, 0, 'YXZ')),
    new Vector3(1, 1, 1),
  )

/** A place without its roll: the scout view stands level. */
export function placeOf(matrix: Matrix4, lens: number): ScoutPlace {
  const at = new Vector3()
  const turned = new Quaternion()
  matrix.decompose(at, turned, new Vector3())
  const angles = new Euler().setFromQuaternion(turned, 'YXZ')
  return { x: at.x, y: at.y, z: at.z, turn: angles.y, tilt: angles.x, lens }
}

/** Where a camera stands, from what it sees. */
export const standing = (view: Float32Array) => new Matrix4().fromArray(view).invert()

/** A projection seen wider by a margin at each side, so that what lies around the frame is seen too. */
export function widened(projection: Float32Array, wide: number, high: number): Float32Array {
  const seen = projection.slice()
  seen[0] = (projection[0] ?? 1) / wide
  seen[5] = (projection[5] ?? 1) / high
  return seen
}

/** The largest frame of a shape with a margin around it that has room: sizes of the frame and of all that is drawn. */
export function framed(width: number, height: number, aspect: number, margin: number) {
  const room = 1 + 2 * margin
  // whole pixels, and as many at one side as at the other
  const even = (v: number) => Math.max(0, Math.floor(v / 2) * 2)
  const w = even(Math.min(width / room, (height / room) * aspect))
  return { w, h: even(w / aspect) }
}

/** @param halfWidth half of the frame's width a metre away; @param aspect width over height of the frame */
export function perspective(halfWidth: number, aspect: number): Float32Array {
  const s = 1 / halfWidth
  return new Float32Array([
    s,
    0,
    0,
    0,
    0,
    s * aspect,
    0,
    0,
    0,
    0,
    (FAR + NEAR) / (NEAR - FAR),
    -1,
    0,
    0,
    (2 * FAR * NEAR) / (NEAR - FAR),
    0,
  ])
}

/** So far away stands the eye of a flat view. */
export const AWAY = 500

/** What a plan, a front or a side view sees. @param aspect width over height of the picture */
export function flatSeen(view: Exclude<FreeView, 'scout'>, place: FlatPlace, aspect: number) {
  const turn = view === 'plan' ? new Euler(-Math.PI / 2, 0, 0) : view === 'side' ? new Euler(0, Math.PI / 2, 0) : new Euler(0, 0, 0)
  const turned = new Quaternion().setFromEuler(turn)
  const eye = new Vector3(0, 0, AWAY).applyQuaternion(turned).add(new Vector3(place.x, place.y, place.z))
  const world = new Matrix4().compose(eye, turned, new Vector3(1, 1, 1))
  const w = place.across / 2
  const h = w / aspect
  const projection = new Matrix4().makeOrthographic(-w, w, h, -h, 0.1, AWAY * 2)
  return { view: new Float32Array(world.invert().elements), projection: new Float32Array(projection.elements) }
}

/** Where a point of the world is in a picture: shares of its width and height from the left and the top; undefined behind it. */
export function onPicture(seen: { view: Float32Array; projection: Float32Array }, point: Vector3): { x: number; y: number } | undefined {
  const at = point.clone().applyMatrix4(new Matrix4().fromArray(seen.view))
  if (at.z >= 0) {
    return undefined
  }
  at.applyMatrix4(new Matrix4().fromArray(seen.projection))
  return { x: (at.x + 1) / 2, y: (1 - at.y) / 2 }
}
