import type { Ray, Vector3 } from 'three'
import type { Seen } from '../../painting/orders'
import { sight } from '../../painting/picking'

/** The line of sight through a pointer on lines that lie over a picture. */
export function sightOf(e: React.PointerEvent, seen: Seen): Ray {
  const box = (e.currentTarget.closest('svg') as SVGElement).getBoundingClientRect()
  return sight({ ...seen, x: ((e.clientX - box.left) / box.width) * 2 - 1, y: 1 - ((e.clientY - box.top) / box.height) * 2 })
}

/** Where a pointer is in the plane of a flat view: what lies along its line of sight stays. */
export function inPlane(e: React.PointerEvent, seen: Seen, stays: Vector3): Vector3 {
  const ray = sightOf(e, seen)
  const along = ray.direction.clone().multiply(ray.direction)
  return ray.origin.clone().sub(ray.origin.clone().multiply(along)).add(stays.clone().multiply(along))
}
