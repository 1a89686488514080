/** Small camera pictures of sections, drawn one after another in the background and kept until the set changes. */
import { SetPainter, type Shading } from '../pictures/SetPainter'
import { readBake } from '../pictures/bake'
import { getBytes } from '../server/client'
import type { Section } from '../server/types'

const WIDTH = 240
const HEIGHT = 135

export class ShotThumbs {
  private readonly kept = new Map<string, ImageBitmap | 'asked'>()
  /** While a new picture is being drawn the last one of the shot stands in. */
  private readonly last = new Map<number, ImageBitmap>()
  private readonly queue: { key: string; section: Section }[] = []
  private readonly painter: SetPainter
  private readonly canvas = document.createElement('canvas')
  private working = false
  private gone = false

  constructor(shading: Shading, private readonly seq: () => number, private readonly loaded: () => void) {
    this.painter = new SetPainter(this.canvas, shading)
    this.painter.size(WIDTH, HEIGHT, 1)
  }

  async meshes(glb: ArrayBuffer) {
    await this.painter.meshes(glb)
    this.kept.clear()
    this.loaded()
  }

  /** The picture at the middle of a section, if it is drawn; else it will be. */
  of(section: Section): ImageBitmap | undefined {
    const key = `${section.shotId} ${section.shotFirst} ${section.shotLast} ${this.seq()}`
    const there = this.kept.get(key)
    if (there && there !== 'asked') {
      return there
    }
    if (!there) {
      this.kept.set(key, 'asked')
      this.queue.push({ key, section })
      void this.work()
    }
    return this.last.get(section.shotId)
  }

  private async work() {
    if (this.working) {
      return
    }
    this.working = true
    for (let next = this.queue.pop(); next && !this.gone; next = this.queue.pop()) {
      const { section, key } = next
      const middle = Math.floor((section.shotFirst + section.shotLast) / 2)
      try {
        const bake = readBake(await getBytes(`/api/shots/${section.shotId}/bake?from=${middle}&frames=1`))
        this.painter.draw(bake.view(0), bake.projection(0), bake.places(0))
        const picture = await createImageBitmap(this.canvas)
        this.kept.set(key, picture)
        this.last.set(section.shotId, picture)
        this.loaded()
      } catch {
        this.kept.delete(key)
        break
      }
    }
    this.working = false
  }

  dispose() {
    this.gone = true
    this.painter.dispose()
  }
}
