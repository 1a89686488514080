/**
 * A picture of a set in the window. What it is asked to draw goes to the worker, one drawing at a time: what is asked meanwhile
 * waits, and only the newest of it is drawn.
 */
import { slowDrawing } from '../playhead/slowDrawing'
import type { Ask, FromWorker, Hit, Order, Shading } from './orders'
import { forget, newPicture, tellWorker } from './worker'

/** A picture that stands still for so many milliseconds is drawn finely where the processor draws. */
const STILL = 250

type Failed = (words: string) => void
type Answer = (hit: Hit | undefined) => void
type Pick = { ask: Ask; answer: Answer; pressed: boolean }

export class SetPainter {
  private readonly picture: number
  private readonly shown: ImageBitmapRenderingContext | null
  private underWay = false
  private next?: Order
  private waiting = 0
  private meshesAreThere?: () => void
  private asked?: Answer
  private waitingPicks: Pick[] = []

  /** @param failed told why nothing can be drawn */
  constructor(
    private readonly canvas: HTMLCanvasElement,
    shading: Shading,
    private readonly failed: Failed,
  ) {
    this.shown = canvas.getContext('bitmaprenderer')
    this.picture = newPicture((told) => this.hear(told))
    tellWorker({ picture: this.picture, kind: 'open', shading, smooth: !slowDrawing() })
  }

  /** Takes the scene's meshes, in the order of its items. @param taken called once they can be drawn */
  meshes(glb: ArrayBuffer, taken: () => void) {
    this.meshesAreThere = taken
    const own = glb.slice(0)
    tellWorker({ picture: this.picture, kind: 'meshes', glb: own }, [own])
  }

  draw(order: Order) {
    window.clearTimeout(this.waiting)
    this.waiting = 0
    this.ask(order)
    if (slowDrawing()) {
      // edges are not smoothed there: a picture that stands is drawn at twice its size and shown at its own.
      // The places of things are in a list that shows another frame by then
      const places = order.places.slice()
      this.waiting = window.setTimeout(() => {
        this.waiting = 0
        this.ask({ ...order, places, ratio: order.ratio * 2 })
      }, STILL)
    }
  }

  /** What lies under a pointer that goes over the picture. Of what is asked while it is looked for, the newest alone is answered. */
  hover(ask: Ask, answer: Answer) {
    this.waitingPicks = this.waitingPicks.filter((p) => p.pressed)
    this.look({ ask, answer, pressed: false })
  }

  /** What a press meant: it is answered whatever is asked after it. */
  pick(ask: Ask, answer: Answer) {
    this.look({ ask, answer, pressed: true })
  }

  private look(pick: Pick) {
    if (this.asked) {
      this.waitingPicks.push(pick)
      return
    }
    this.asked = pick.answer
    tellWorker({ picture: this.picture, kind: 'pick', ask: pick.ask })
  }

  private picked(hit: Hit | undefined) {
    const answer = this.asked
    this.asked = undefined
    const next = this.waitingPicks.shift()
    answer?.(hit)
    if (next) {
      this.look(next)
    }
  }

  dispose() {
    window.clearTimeout(this.waiting)
    forget(this.picture)
    tellWorker({ picture: this.picture, kind: 'close' })
  }

  private ask(order: Order) {
    this.say('waits')
    if (this.underWay) {
      this.next = { ...order, places: order.places.slice() }
      return
    }
    this.underWay = true
    tellWorker({ picture: this.picture, kind: 'draw', order })
  }

  private hear(told: FromWorker) {
    if (told.kind === 'meshes') {
      this.meshesAreThere?.()
    } else if (told.kind === 'picked') {
      this.picked(told.hit)
    } else if (told.kind === 'failed') {
      this.underWay = false
      this.failed(told.words)
    } else {
      this.shown?.transferFromImageBitmap(told.bitmap)
      this.goOn()
    }
  }

  private goOn() {
    this.underWay = false
    const order = this.next
    this.next = undefined
    if (order) {
      this.ask(order)
    } else if (this.waiting === 0) {
      this.say('whole')
    }
  }

  /** For whoever looks on from outside: whether the picture is the last one that was asked for, as fine as it gets. */
  private say(drawn: 'waits' | 'whole') {
    if (this.canvas.dataset.drawn !== drawn) {
      this.canvas.dataset.drawn = drawn
    }
  }
}
