/**
 * Draws a set with the server's meshes and the server's shading, so that the window and the renders show the same picture.
 * Runs in the worker: a slow drawing never holds the window.
 */
import * as THREE from 'three'
import { GLTFLoader } from 'three/examples/jsm/loaders/GLTFLoader.js'
import { Alike } from './Alike'
import { BlurPass } from './BlurPass'
import { boxAround, cameraLines, given } from './helperLines'
import type { Ask, Hit, Order, Shading } from './orders'
import { pick } from './picking'
import { type Shaded, shaded, wholePicture } from './shaded'

/** What the shading asks for, by the names that it has there. */
const uniforms = () => ({
  view: { value: new THREE.Matrix4() },
  projection: { value: new THREE.Matrix4() },
  eye: { value: new THREE.Vector3() },
  upright: { value: 1 },
})

/** What a plan is drawn on. */
const PAPER = '#2f3437'

type Helpers = Pick<Order, 'view' | 'projection' | 'places' | 'guide' | 'marked' | 'lines'>

type SetMaterial = Shaded<ReturnType<typeof uniforms>>

export class SetDrawing {
  private readonly canvas = new OffscreenCanvas(1, 1)
  private readonly renderer: THREE.WebGLRenderer
  private readonly scene = new THREE.Scene()
  private readonly helpers = new THREE.Scene()
  private readonly camera = new THREE.Camera()
  private readonly sky: SetMaterial
  private readonly skyTriangle: THREE.Mesh
  private blurPass?: BlurPass
  private sized = ''
  /** each thing by itself, for what is looked for and marked; they are drawn together with those that look alike */
  private items: THREE.Mesh[] = []
  private alike: Alike<SetMaterial>[] = []
  /** how many sets of meshes it was given */
  private given = 0

  /**
   * @param smooth whether edges are smoothed
   * @throws Error where there is no WebGL 2
   */
  constructor(
    private readonly shading: Shading,
    private readonly smooth: boolean,
  ) {
    this.renderer = new THREE.WebGLRenderer({ canvas: this.canvas, antialias: smooth, alpha: false })
    this.renderer.autoClear = false
    this.sky = shaded(shading, 'sky', uniforms())
    this.sky.depthWrite = false
    this.skyTriangle = wholePicture(this.sky)
    this.skyTriangle.renderOrder = 1000
    this.scene.add(this.skyTriangle)
    this.renderer.setClearColor(PAPER)
  }

  /**
   * Takes the scene's meshes, in the order of its items.
   *
   * @returns whether they are those that it has now: of two sets the one that was given last is, whichever is read first
   */
  async meshes(glb: ArrayBuffer): Promise<boolean> {
    this.given++
    const mine = this.given
    const loaded = await new GLTFLoader().parseAsync(glb, '')
    if (mine !== this.given) {
      return false
    }
    this.forget()
    const indexes = new Map<THREE.BufferGeometry, number[]>()
    loaded.scene.traverse((node) => {
      if (node instanceof THREE.Mesh) {
        const { geometry } = node as THREE.Mesh
        node.matrixAutoUpdate = false
        indexes.set(geometry, [...(indexes.get(geometry) ?? []), this.items.length])
        this.items.push(node)
      }
    })
    indexes.forEach((of, geometry) => {
      const alike = new Alike(geometry, shaded(this.shading, 'item', uniforms()), of)
      this.alike.push(alike)
      this.scene.add(alike.mesh)
    })
    return true
  }

  private forget() {
    this.alike.forEach((alike) => {
      this.scene.remove(alike.mesh)
      alike.dispose()
    })
    this.items.forEach((mesh) => mesh.geometry.dispose())
    this.alike = []
    this.items = []
  }

  /** A canvas that gets its size anew, even the same, is made anew: that costs as much as several pictures. */
  private resize({ width, height, ratio }: Order) {
    const wanted = `${width} ${height} ${ratio}`
    if (wanted !== this.sized) {
      this.sized = wanted
      this.renderer.setPixelRatio(ratio)
      this.renderer.setSize(width, height, false)
    }
  }

  /** The set as ordered; with a frame around it where a camera stands, if one is given. */
  draw(order: Order): ImageBitmap {
    this.resize(order)
    this.paint(order)
    return this.canvas.transferToImageBitmap()
  }

  private paint({ view, projection, places, guide, marked, lines, flat, blur }: Order) {
    const inverse = new THREE.Matrix4().fromArray(view).invert()
    // air is reckoned from the eye: of a flat view from what it looks at
    const eye = new THREE.Vector3(0, 0, -(flat ?? 0)).applyMatrix4(inverse)
    const seen = new THREE.Frustum().setFromProjectionMatrix(
      new THREE.Matrix4().fromArray(projection).multiply(new THREE.Matrix4().fromArray(view)),
    )
    this.alike.forEach((alike) => {
      const { uniforms } = alike.mesh.material
      uniforms.view.value.fromArray(view)
      uniforms.projection.value.fromArray(projection)
      uniforms.eye.value.copy(eye)
      alike.put(places, seen)
    })
    this.skyTriangle.visible = flat === undefined
    this.sky.uniforms.view.value.fromArray(view)
    this.sky.uniforms.projection.value.fromArray(projection)
    if (blur) {
      this.blurPass ??= new BlurPass(this.renderer, this.shading, this.smooth ? 4 : 0)
      this.renderer.setRenderTarget(this.blurPass.target())
    }
    this.renderer.clear()
    this.renderer.render(this.scene, this.camera)
    if (blur) {
      this.blurPass?.draw(blur)
    }
    this.drawHelpers({ view, projection, places, guide, marked, lines })
  }

  /** What is at a point of the picture. */
  pick(ask: Ask): Hit | undefined {
    return pick(this.items, ask)
  }

  private drawHelpers({ view, projection, places, guide, marked, lines }: Helpers) {
    const drawn = [
      ...(guide ? [cameraLines(guide)] : []),
      ...(lines ?? []).map(given),
      ...(marked ?? []).flatMap((m) => {
        const mesh = this.items[m.index]
        return mesh && places[m.index * 16 + 5] !== 0 ? boxAround(mesh, places, m) : []
      }),
    ]
    if (drawn.length === 0) {
      return
    }
    this.helpers.clear()
    this.helpers.add(...drawn)
    const camera = new THREE.Camera()
    camera.projectionMatrix.fromArray(projection)
    camera.projectionMatrixInverse.copy(camera.projectionMatrix).invert()
    camera.matrixWorldInverse.fromArray(view)
    camera.matrixWorld.copy(camera.matrixWorldInverse).invert()
    camera.matrixAutoUpdate = false
    camera.matrixWorldAutoUpdate = false
    this.renderer.render(this.helpers, camera)
    drawn.forEach((line) => {
      line.geometry.dispose()
      line.material.dispose()
    })
  }

  dispose() {
    this.forget()
    this.blurPass?.dispose()
    this.renderer.dispose()
    // a browser has few of them, and frees them late
    this.renderer.forceContextLoss()
  }
}
