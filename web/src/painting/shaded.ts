/** What both drawing and blurring are made of: the server's shading as materials, and a triangle over the whole picture. */
import * as THREE from 'three'
import type { Shading } from './orders'

type Uniforms = Record<string, THREE.IUniform>

export type Shaded<U extends Uniforms> = THREE.RawShaderMaterial & { uniforms: U }

/** @throws Error if the server sent no such program */
export function shaded<U extends Uniforms>(shading: Shading, name: string, uniforms: U): Shaded<U> {
  const program = shading[name]
  if (!program) {
    throw new Error(`The server sent no shading called ${name}`)
  }
  return new THREE.RawShaderMaterial({
    glslVersion: THREE.GLSL3,
    vertexShader: program.vertex,
    fragmentShader: program.fragment,
    uniforms,
  }) as Shaded<U>
}

/** One that covers the whole picture. */
export function wholePicture<M extends THREE.Material>(material: M): THREE.Mesh<THREE.BufferGeometry, M> {
  const geometry = new THREE.BufferGeometry()
  geometry.setAttribute('position', new THREE.BufferAttribute(new Float32Array([-1, -1, 0, 3, -1, 0, -1, 3, 0]), 3))
  const triangle = new THREE.Mesh(geometry, material)
  triangle.frustumCulled = false
  return triangle
}
