import * as THREE from 'three'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { SetDrawing } from './SetDrawing'

/** No graphics here: what is drawn is not looked at, and meshes are read when it is said so. */
vi.mock('three', async (original) => ({
  ...(await original<typeof THREE>()),
  WebGLRenderer: class {
    setClearColor = () => undefined
  },
}))

const reading: ((scene: { scene: THREE.Group }) => void)[] = []
vi.mock('three/examples/jsm/loaders/GLTFLoader.js', () => ({
  GLTFLoader: class {
    parseAsync = () => new Promise((read) => reading.push(read))
  },
}))

const program = { vertex: '', fragment: '' }
const set = (things: number) => {
  const scene = new THREE.Group()
  for (let i = 0; i < things; i++) {
    scene.add(new THREE.Mesh(new THREE.BoxGeometry(), new THREE.MeshBasicMaterial()))
  }
  return { scene }
}
const places = (things: number) =>
  new Float32Array(Array.from({ length: things }, () => new THREE.Matrix4().setPosition(0, 0, -5).elements).flat())
const camera = new THREE.PerspectiveCamera(90, 1, 0.1, 100)
const ask = (things: number) => ({
  view: new Float32Array(new THREE.Matrix4().elements),
  projection: new Float32Array(camera.projectionMatrix.elements),
  places: places(things),
  x: 0,
  y: 0,
})

beforeEach(() => {
  reading.length = 0
  vi.stubGlobal('OffscreenCanvas', class {})
})

afterEach(() => vi.unstubAllGlobals())

it('has the meshes that were given last, whichever are read first', async () => {
  const drawing = new SetDrawing({ sky: program, item: program }, true)
  const older = drawing.meshes(new ArrayBuffer(1))
  const newer = drawing.meshes(new ArrayBuffer(2))
  reading[1]?.(set(1))
  expect(await newer).toBe(true)
  reading[0]?.(set(0))
  expect(await older).toBe(false)
  expect(drawing.pick(ask(1))?.index).toBe(0)
})
