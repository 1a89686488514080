/** Lines over a set that no render has: boxes around marked things, cameras, paths. */
import * as THREE from 'three'
import { itemAt } from '../parts/lists'
import type { Lines, Marked, Seen } from './orders'

const COLOURS = { chosen: '#5ec2b7', under: '#ededed' }
/** A camera is drawn so far ahead of its eye, metres. */
const AHEAD = 1.6

export const segments = (points: THREE.Vector3[] | Float32Array, colour: string) => {
  const geometry = new THREE.BufferGeometry()
  if (points instanceof Float32Array) {
    geometry.setAttribute('position', new THREE.BufferAttribute(points, 3))
  } else {
    geometry.setFromPoints(points)
  }
  const lines = new THREE.LineSegments(geometry, new THREE.LineBasicMaterial({ color: colour, depthTest: false }))
  lines.frustumCulled = false
  return lines
}

/** Ground and sea are no one's box: what is larger is marked only where it is chosen, metres. */
const LARGE = 60

/** A box around a thing, in its own axes; none around what is too large to be meant. */
export function boxAround(mesh: THREE.Mesh, places: Float32Array, marked: Marked) {
  mesh.geometry.computeBoundingBox()
  const { min, max } = mesh.geometry.boundingBox ?? new THREE.Box3()
  const place = new THREE.Matrix4().fromArray(places, marked.index * 16)
  const corner = (i: number) => new THREE.Vector3(i & 1 ? max.x : min.x, i & 2 ? max.y : min.y, i & 4 ? max.z : min.z).applyMatrix4(place)
  if (marked.how === 'under' && corner(0).distanceTo(corner(7)) > LARGE) {
    return []
  }
  const edges: THREE.Vector3[] = []
  for (let a = 0; a < 8; a++) {
    for (const bit of [1, 2, 4]) {
      if (!(a & bit)) {
        edges.push(corner(a), corner(a | bit))
      }
    }
  }
  return [segments(edges, COLOURS[marked.how])]
}

/** A camera's place and what it sees. */
export function cameraLines(guide: Seen) {
  const world = new THREE.Matrix4().fromArray(guide.view).invert()
  const x = AHEAD / itemAt(guide.projection, 0)
  const y = AHEAD / itemAt(guide.projection, 5)
  const corners = [
    [-x, -y],
    [x, -y],
    [x, y],
    [-x, y],
  ].map(([cx, cy]) => new THREE.Vector3(cx, cy, -AHEAD).applyMatrix4(world))
  const eye = new THREE.Vector3().setFromMatrixPosition(world)
  return segments(
    corners.flatMap((c, i) => [eye, c, c, itemAt(corners, (i + 1) % 4)]),
    '#5ec2b7',
  )
}

export const given = (lines: Lines) => segments(lines.points, lines.colour)
