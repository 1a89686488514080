/** Things that look alike, drawn at once. What is hidden, or stands wholly outside the picture, is left out. */
import * as THREE from 'three'

const VALUES = 16

export class Alike<M extends THREE.Material> {
  readonly mesh: THREE.Mesh<THREE.InstancedBufferGeometry, M>
  private readonly places: THREE.InstancedBufferAttribute
  private readonly sphere: THREE.Sphere

  /** @param indexes of these things among the scene's */
  constructor(
    geometry: THREE.BufferGeometry,
    material: M,
    private readonly indexes: number[],
  ) {
    const instanced = new THREE.InstancedBufferGeometry()
    instanced.setIndex(geometry.getIndex())
    for (const name of ['position', 'normal', 'color']) {
      instanced.setAttribute(name === 'color' ? 'colour' : name, geometry.getAttribute(name))
    }
    this.places = new THREE.InstancedBufferAttribute(new Float32Array(indexes.length * VALUES), VALUES)
    this.places.setUsage(THREE.DynamicDrawUsage)
    instanced.setAttribute('place', this.places)
    geometry.computeBoundingSphere()
    this.sphere = geometry.boundingSphere ?? new THREE.Sphere()
    this.mesh = new THREE.Mesh(instanced, material)
    this.mesh.frustumCulled = false
  }

  /** Takes the places of what is seen; all are given, 16 numbers each. */
  put(all: Float32Array, seen: THREE.Frustum) {
    const into = this.places.array as Float32Array
    let count = 0
    for (const index of this.indexes) {
      const place = all.subarray(index * VALUES, (index + 1) * VALUES)
      if (place[5] !== 0 && seen.intersectsSphere(around.copy(this.sphere).applyMatrix4(matrix.fromArray(place)))) {
        into.set(place, count * VALUES)
        count++
      }
    }
    this.mesh.geometry.instanceCount = count
    this.mesh.visible = count > 0
    this.places.needsUpdate = true
  }

  dispose() {
    this.mesh.geometry.dispose()
    this.mesh.material.dispose()
  }
}

const around = new THREE.Sphere()
const matrix = new THREE.Matrix4()
