// @vitest-environment jsdom
import { beforeEach, expect, it, vi } from 'vitest'
import type { FromWorker, Order, ToWorker } from './orders'

vi.mock('../playhead/slowDrawing', () => ({ slowDrawing: () => slow }))

let slow = false
let asked: ToWorker[] = []
let theWorker: { onmessage?: (e: { data: FromWorker }) => void }

class Painting {
  onmessage?: (e: { data: FromWorker }) => void
  constructor() {
    theWorker = this
  }
  postMessage(what: ToWorker) {
    asked.push(structuredClone(what))
  }
}

const shown: unknown[] = []
const canvas = () => {
  const element = document.createElement('canvas')
  element.getContext = (() => ({ transferFromImageBitmap: (bitmap: unknown) => shown.push(bitmap) })) as never
  return element
}
const order = (lens: number, places = new Float32Array(16)): Order => ({
  width: 640,
  height: 360,
  ratio: 1,
  view: new Float32Array(16),
  projection: new Float32Array(16).fill(lens),
  places,
})
const drawn = () => asked.flatMap((told) => (told.kind === 'draw' ? [told.order] : []))
const lenses = () => drawn().map((o) => o.projection[0])
const picture = () => asked[0]?.picture ?? 0
const answer = (what: object) => theWorker.onmessage?.({ data: { picture: picture(), ...what } as FromWorker })
const bitmap = () => ({ width: 640, close: vi.fn() })

async function painter(failed: (words: string) => void = () => undefined) {
  const { SetPainter } = await import('./SetPainter')
  return new SetPainter(canvas(), {}, failed)
}

beforeEach(() => {
  vi.resetModules()
  vi.stubGlobal('Worker', Painting)
  vi.useFakeTimers()
  slow = false
  asked = []
  shown.length = 0
})

it('orders one drawing at a time, and of what is asked meanwhile the newest alone', async () => {
  const one = await painter()
  for (const lens of [1, 2, 3, 4]) {
    one.draw(order(lens))
  }
  expect(lenses()).toEqual([1])
  const first = bitmap()
  answer({ kind: 'drawn', bitmap: first })
  expect(shown).toEqual([first])
  expect(lenses()).toEqual([1, 4])
  answer({ kind: 'drawn', bitmap: bitmap() })
  expect(lenses()).toEqual([1, 4])
})

it('draws what waits as things stood when it was asked, not as the list stands now', async () => {
  const one = await painter()
  const places = new Float32Array(16)
  one.draw(order(1, places))
  places[0] = 7
  one.draw(order(2, places))
  places[0] = 99
  answer({ kind: 'drawn', bitmap: bitmap() })
  expect(drawn()[1]?.places[0]).toBe(7)
})

it('draws a picture that stands finely where the processor draws, and only then', async () => {
  slow = true
  const one = await painter()
  one.draw(order(1))
  answer({ kind: 'drawn', bitmap: bitmap() })
  vi.advanceTimersByTime(200)
  one.draw(order(2))
  answer({ kind: 'drawn', bitmap: bitmap() })
  vi.advanceTimersByTime(200)
  expect(drawn().map((o) => o.ratio)).toEqual([1, 1])
  vi.advanceTimersByTime(100)
  expect(drawn().map((o) => o.ratio)).toEqual([1, 1, 2])
  expect(lenses()).toEqual([1, 2, 2])
})

it('says whether the picture is the last one that was asked for, as fine as it gets', async () => {
  slow = true
  const element = canvas()
  const { SetPainter } = await import('./SetPainter')
  const one = new SetPainter(element, {}, () => undefined)
  one.draw(order(1))
  one.draw(order(2))
  answer({ kind: 'drawn', bitmap: bitmap() })
  answer({ kind: 'drawn', bitmap: bitmap() })
  expect(element.dataset.drawn).toBe('waits')
  vi.advanceTimersByTime(300)
  answer({ kind: 'drawn', bitmap: bitmap() })
  expect(element.dataset.drawn).toBe('whole')
})

it('answers every press, also one that nothing is found for, and of what a pointer goes over the newest alone', async () => {
  const one = await painter()
  const answered: string[] = []
  const at = (x: number) => ({ ...order(1), x, y: 0 })
  const as = (name: string) => (hit: unknown) => answered.push(`${name} ${hit ? 'met' : 'nothing'}`)
  one.hover(at(0), as('over a'))
  one.pick(at(1), as('press'))
  one.hover(at(2), as('over b'))
  one.hover(at(3), as('over c'))
  const looked = () => asked.flatMap((told) => (told.kind === 'pick' ? [told.ask.x] : []))
  expect(looked()).toEqual([0])
  answer({ kind: 'picked' })
  answer({ kind: 'picked', hit: { index: 0, metres: 1, point: [0, 0, 0] } })
  answer({ kind: 'picked' })
  expect(looked()).toEqual([0, 1, 3])
  expect(answered).toEqual(['over a nothing', 'press met', 'over c nothing'])
  one.pick(at(4), as('later press'))
  expect(looked()).toEqual([0, 1, 3, 4])
})

it('says when meshes are there, and why nothing can be drawn', async () => {
  const failed = vi.fn()
  const taken = vi.fn()
  const one = await painter(failed)
  one.meshes(new ArrayBuffer(8), taken)
  expect(taken).not.toHaveBeenCalled()
  answer({ kind: 'meshes' })
  expect(taken).toHaveBeenCalledOnce()
  answer({ kind: 'failed', words: 'no WebGL 2' })
  expect(failed).toHaveBeenCalledWith('no WebGL 2')
})

it('shows nothing after it is gone, and lets late pictures go', async () => {
  const one = await painter()
  one.draw(order(1))
  one.dispose()
  const late = bitmap()
  answer({ kind: 'drawn', bitmap: late })
  expect(shown).toEqual([])
  expect(late.close).toHaveBeenCalledOnce()
  expect(asked.map((told) => told.kind)).toEqual(['open', 'draw', 'close'])
})
