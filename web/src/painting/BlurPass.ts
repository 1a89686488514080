/** Blurs what is out of focus in a drawn picture, with the server's shading: the renders' own blur. */
import * as THREE from 'three'
import { type Blur, FAR, NEAR, type Shading } from './orders'
import { type Shaded, shaded, wholePicture } from './shaded'

/** So many tiles lie side by side; circles end at six of them. As the renders have it. */
const TILES = 80
const MOST = 6 / TILES

const uniforms = () => ({
  depths: { value: null as THREE.Texture | null },
  colours: { value: null as THREE.Texture | null },
  tiles: { value: null as THREE.Texture | null },
  tile: { value: 1 },
  range: { value: new THREE.Vector2(NEAR, FAR) },
  focus: { value: 1 },
  farCircle: { value: 0 },
  most: { value: 1 },
})

type PassMaterial = Shaded<ReturnType<typeof uniforms>>

export class BlurPass {
  private readonly scene = new THREE.Scene()
  private readonly camera = new THREE.Camera()
  private readonly triangle: THREE.Mesh<THREE.BufferGeometry, PassMaterial>
  private readonly programs: Record<'circles' | 'spread' | 'blur', PassMaterial>
  private targets?: { sharp: THREE.WebGLRenderTarget; largest: THREE.WebGLRenderTarget; reach: THREE.WebGLRenderTarget; tile: number }

  /** @param samples of a pixel where edges are smoothed, 0 where not */
  constructor(
    private readonly renderer: THREE.WebGLRenderer,
    shading: Shading,
    private readonly samples: number,
  ) {
    const program = (name: string) => {
      const made = shaded(shading, name, uniforms())
      made.depthFunc = THREE.AlwaysDepth
      return made
    }
    this.programs = { circles: program('circles'), spread: program('spread'), blur: program('blur') }
    this.triangle = wholePicture(this.programs.blur)
    this.scene.add(this.triangle)
  }

  /** What the set is to be drawn into, as large as the canvas. */
  target(): THREE.WebGLRenderTarget {
    const { x: width, y: height } = this.renderer.getDrawingBufferSize(new THREE.Vector2())
    if (this.targets?.sharp.width !== width || this.targets.sharp.height !== height) {
      this.free()
      const tile = Math.max(4, Math.ceil(width / TILES))
      const small = () => new THREE.WebGLRenderTarget(Math.ceil(width / tile), Math.ceil(height / tile), PLAIN)
      const depthTexture = new THREE.DepthTexture(width, height, THREE.UnsignedIntType)
      const sharp = new THREE.WebGLRenderTarget(width, height, { ...PLAIN, depthBuffer: true, depthTexture, samples: this.samples })
      this.targets = { sharp, largest: small(), reach: small(), tile }
    }
    return (this.targets as NonNullable<typeof this.targets>).sharp
  }

  /** From what was drawn into the target onto the canvas, with its depths. */
  draw(how: Blur) {
    const { sharp, largest, reach, tile } = this.targets as NonNullable<typeof this.targets>
    for (const { uniforms: u } of Object.values(this.programs)) {
      u.depths.value = sharp.depthTexture
      u.colours.value = sharp.texture
      u.tile.value = tile
      u.focus.value = how.focus
      u.farCircle.value = how.farCircle * sharp.width
      u.most.value = MOST * sharp.width
    }
    this.programs.spread.uniforms.tiles.value = largest.texture
    this.programs.blur.uniforms.tiles.value = reach.texture
    this.run('circles', largest)
    this.run('spread', reach)
    this.run('blur', null)
  }

  private run(program: keyof typeof this.programs, into: THREE.WebGLRenderTarget | null) {
    this.triangle.material = this.programs[program]
    this.renderer.setRenderTarget(into)
    this.renderer.clear()
    this.renderer.render(this.scene, this.camera)
  }

  private free() {
    this.targets?.sharp.depthTexture?.dispose()
    this.targets?.sharp.dispose()
    this.targets?.largest.dispose()
    this.targets?.reach.dispose()
    this.targets = undefined
  }

  dispose() {
    this.free()
    Object.values(this.programs).forEach((p) => p.dispose())
  }
}

const PLAIN = { minFilter: THREE.NearestFilter, magFilter: THREE.NearestFilter, depthBuffer: false, generateMipmaps: false } as const
