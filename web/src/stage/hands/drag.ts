/** How far things go that are dragged in a picture: along the ground, up, turned or scaled, by hand or by a typed number. */

import { readNumber } from '../../parts/typed'
import { EYES } from './matrices'

/** Metres, degrees about the upright, factor of the size. */
export type By = { x: number; y: number; z: number; turn: number; size: number }

/** What a dragged thing comes to lie on. */
export const SNAPS = ['freely', 'grid', 'ground', 'eye height', 'things'] as const
export type Snap = (typeof SNAPS)[number]

export type How = 'slide' | 'up' | 'turn' | 'size'
export type Axis = 'x' | 'z' | undefined
export type Point = { x: number; y: number; z: number }

/** A line of sight. */
export type Ray = { origin: Point; direction: Point }

export const NOWHERE: By = { x: 0, y: 0, z: 0, turn: 0, size: 1 }

/**
 * Things as hands move them.
 *
 * @property action the frame of the action at which they are moved
 * @property by     how far, from where they are
 * @property pivot  what several turn and grow about, x and z
 * @property to     where each comes to stand, 16 numbers
 */
export type Moved = { action: number; ids: number[]; by: By; pivot: [number, number]; to: Map<number, Float32Array> }

/** A grid of a quarter of a metre; turns of 15 degrees; sizes of a tenth. */
const GRID = 0.25
const TURNS = 15
const SIZES = 0.1
/** Pixels of the hand to degrees, and to the logarithm of a size. */
const DEGREES = 0.5
const GROWTH = 0.01

const snapped = (value: number, to: number) => Math.round(value / to) * to
/** Nearer than this a thing is drawn to another, or to a height, metres. */
const NEAR = 0.4

const nearest = (of: number[], to: number) =>
  of.filter((v) => Math.abs(v - to) < NEAR).sort((a, b) => Math.abs(a - to) - Math.abs(b - to))[0]

/** The height that a thing comes to at which it would stand at one. */
function height(drag: Drag, y: number): number {
  switch (drag.snap) {
    case 'grid':
      return snapped(y, GRID)
    case 'ground':
      return nearest([0], y) ?? y
    case 'eye height':
      return nearest([EYES], y) ?? y
    case 'things':
      return (
        nearest(
          drag.others.map((o) => o.y),
          y,
        ) ?? y
      )
    default:
      return y
  }
}

/**
 * @property from   the point of the thing that was taken hold of
 * @property pixels how far the pointer went to the right since
 * @property typed  what was typed meanwhile; empty for by hand
 * @property origin where the thing stood, for what it comes to lie on
 * @property others where other things stand
 */
export type Drag = {
  how: How
  axis: Axis
  from: Point
  origin: Point
  pixels: number
  typed: string
  snap: Snap
  others: Point[]
}

/** The number that was typed; undefined while it is none. */
export const typedNumber = (typed: string): number | undefined => {
  const number = readNumber(typed)
  return typed === '' || typed === '-' || !Number.isFinite(number) ? undefined : number
}

/** Where a line of sight meets level ground at a height; undefined where it does not, or too far away to mean it. */
export function onLevel(ray: Ray, y: number): Point | undefined {
  const way = (y - ray.origin.y) / ray.direction.y
  return Number.isFinite(way) && way > 0 && way < 2000
    ? { x: ray.origin.x + way * ray.direction.x, y, z: ray.origin.z + way * ray.direction.z }
    : undefined
}

/** How high a line of sight passes over the upright through a point. */
export function heightOver(ray: Ray, from: Point): number {
  const level = Math.hypot(ray.direction.x, ray.direction.z)
  if (level < 1e-6) {
    return 0
  }
  const along = ((from.x - ray.origin.x) * ray.direction.x + (from.z - ray.origin.z) * ray.direction.z) / (level * level)
  return ray.origin.y + along * ray.direction.y - from.y
}

export function byOf(drag: Drag, ray: Ray): By {
  const typed = typedNumber(drag.typed)
  if (drag.how === 'turn') {
    const turn = typed ?? drag.pixels * DEGREES
    return { ...NOWHERE, turn: drag.snap === 'grid' && typed === undefined ? snapped(turn, TURNS) : turn }
  }
  if (drag.how === 'size') {
    const size = typed ?? Math.exp(drag.pixels * GROWTH)
    const held = drag.snap === 'grid' && typed === undefined ? snapped(size, SIZES) : size
    return { ...NOWHERE, size: Math.max(0.01, held) }
  }
  if (drag.how === 'up') {
    const y = typed ?? heightOver(ray, drag.from)
    return { ...NOWHERE, y: typed === undefined ? height(drag, drag.origin.y + y) - drag.origin.y : y }
  }
  return slide(drag, ray, typed)
}

function slide(drag: Drag, ray: Ray, typed: number | undefined): By {
  const to = onLevel(ray, drag.from.y) ?? drag.from
  const x = drag.axis === 'z' ? 0 : to.x - drag.from.x
  const z = drag.axis === 'x' ? 0 : to.z - drag.from.z
  if (typed !== undefined) {
    // a number is meant along the axis, or the way that the hand went
    const far = Math.hypot(x, z)
    const [ax, az] = drag.axis === 'x' ? [1, 0] : drag.axis === 'z' ? [0, 1] : far < 1e-6 ? [1, 0] : [x / far, z / far]
    return { ...NOWHERE, x: ax * typed + 0, z: az * typed + 0 }
  }
  return {
    ...NOWHERE,
    ...level(drag, x, z),
    y: drag.snap === 'ground' ? -drag.origin.y : drag.snap === 'eye height' ? EYES - drag.origin.y : 0,
  }
}

/** What a slide comes to lie on: the grid, or where another thing stands. Along an axis the other stays. */
function level(drag: Drag, x: number, z: number): { x: number; z: number } {
  const { origin, axis } = drag
  if (drag.snap === 'grid') {
    return {
      x: axis === 'z' ? 0 : snapped(origin.x + x, GRID) - origin.x,
      z: axis === 'x' ? 0 : snapped(origin.z + z, GRID) - origin.z,
    }
  }
  const off = (o: Point) => Math.hypot(axis === 'z' ? 0 : o.x - origin.x - x, axis === 'x' ? 0 : o.z - origin.z - z)
  const to = drag.snap === 'things' ? drag.others.filter((o) => off(o) < NEAR).sort((a, b) => off(a) - off(b))[0] : undefined
  return to ? { x: axis === 'z' ? 0 : to.x - origin.x, z: axis === 'x' ? 0 : to.z - origin.z } : { x, z }
}

/** In words, to stand beside the pointer. */
export function byWords(how: How, by: By): string {
  const metres = (v: number) => `${v < 0 ? '−' : '+'}${Math.abs(v).toFixed(2)} m`
  if (how === 'turn') {
    return `${by.turn < 0 ? '−' : '+'}${Math.abs(by.turn).toFixed(1)}°`
  }
  if (how === 'size') {
    return `× ${by.size.toFixed(2)}`
  }
  return how === 'up' ? `up ${metres(by.y)}` : `x ${metres(by.x)}  z ${metres(by.z)}`
}

/** The places of all things with some of them moved; the others are the same numbers. */
export function movedPlaces(places: Float32Array, indexes: number[], by: By, pivot: [number, number]): Float32Array {
  const moved = places.slice()
  const turn = (by.turn * Math.PI) / 180
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  for (const i of indexes) {
    const at = i * 16
    const m = (k: number) => places[at + k] ?? 0
    for (const column of [0, 4, 8]) {
      moved[at + column] = (c * m(column) + s * m(column + 2)) * by.size
      moved[at + column + 1] = m(column + 1) * by.size
      moved[at + column + 2] = (-s * m(column) + c * m(column + 2)) * by.size
    }
    const [x, z] = [m(12) - pivot[0], m(14) - pivot[1]]
    moved[at + 12] = pivot[0] + c * x + s * z + by.x
    moved[at + 13] = m(13) + by.y
    moved[at + 14] = pivot[1] - s * x + c * z + by.z
  }
  return moved
}
