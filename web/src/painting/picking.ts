/** What a line of sight meets first in a set. */
import * as THREE from 'three'
import type { Ask, Hit } from './orders'

/** The line of sight through a point of a picture, perspective or flat. */
export function sight({ view, projection, x, y }: Pick<Ask, 'view' | 'projection' | 'x' | 'y'>): THREE.Ray {
  const back = new THREE.Matrix4().fromArray(projection).multiply(new THREE.Matrix4().fromArray(view)).invert()
  const near = new THREE.Vector3(x, y, -1).applyMatrix4(back)
  const far = new THREE.Vector3(x, y, 1).applyMatrix4(back)
  return new THREE.Ray(near, far.sub(near).normalize())
}

/** @param items the meshes of the set in the order of its things */
export function pick(items: THREE.Mesh[], ask: Ask): Hit | undefined {
  const ray = sight(ask)
  const caster = new THREE.Raycaster(ray.origin, ray.direction)
  const eye = new THREE.Vector3().setFromMatrixPosition(new THREE.Matrix4().fromArray(ask.view).invert())
  let best: Hit | undefined
  let nearest = Number.POSITIVE_INFINITY
  items.forEach((mesh, index) => {
    if (ask.places[index * 16 + 5] === 0 || ask.but?.includes(index)) {
      return
    }
    mesh.matrixWorld.fromArray(ask.places, index * 16)
    const hit = caster.intersectObject(mesh, false)[0]
    if (hit && hit.distance < nearest) {
      nearest = hit.distance
      best = { index, metres: eye.distanceTo(hit.point), point: hit.point.toArray() }
    }
  })
  return best
}
