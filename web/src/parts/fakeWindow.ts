/** What a browser has and the tests' window has not: sizes, canvases that note what is drawn, held pointers. Not part of the application. */
import { vi } from 'vitest'

/** One call of a drawing, or one colour that was set, in order. */
export type Stroke = { what: string; with: unknown[] }

/** A drawing context that notes everything. Letters are 7 wide. */
export function notingContext(): { g: CanvasRenderingContext2D; strokes: Stroke[] } {
  const strokes: Stroke[] = []
  const values: Record<string, unknown> = {}
  const g = new Proxy({} as CanvasRenderingContext2D, {
    get: (_, name) => {
      const what = String(name)
      if (what === 'measureText') {
        return (text: string) => ({ width: text.length * 7 })
      }
      return values[what] ?? ((...args: unknown[]) => void strokes.push({ what, with: args }))
    },
    set: (_, name, value) => {
      values[String(name)] = value
      strokes.push({ what: String(name), with: [value] })
      return true
    },
  })
  return { g, strokes }
}

/** All texts of a drawing, in order. */
export const texts = (strokes: Stroke[]) => strokes.filter((s) => s.what === 'fillText').map((s) => String(s.with[0]))

/** Where a text was drawn, left to right; undefined where it was not. */
export const whereIs = (strokes: Stroke[], text: string) =>
  strokes.find((s) => s.what === 'fillText' && s.with[0] === text)?.with[1] as number | undefined

/** The places of all boxes of a colour, as x, y, width, height. */
export function boxes(strokes: Stroke[], colour: string): number[][] {
  let now = ''
  return strokes.flatMap((s) => {
    if (s.what === 'fillStyle') {
      now = String(s.with[0])
    }
    return s.what === 'fillRect' && now === colour ? [s.with as number[]] : []
  })
}

/** Gives every element a size and every canvas a noting context. @return what is drawn from now on; emptied with `length = 0` */
export function fakeWindow(width: number, height: number): Stroke[] {
  const { g, strokes } = notingContext()
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(private readonly told: (entries: { contentRect: { width: number; height: number } }[]) => void) {}
      observe() {
        this.told([{ contentRect: { width, height } }])
      }
      unobserve() {}
      disconnect() {}
    },
  )
  Object.assign(document.defaultView ?? {}, {
    PointerEvent: class extends MouseEvent {
      readonly pointerId: number
      constructor(type: string, init: PointerEventInit = {}) {
        super(type, init)
        this.pointerId = init.pointerId ?? 0
      }
    },
  })
  HTMLCanvasElement.prototype.getContext = (() => g) as never
  HTMLElement.prototype.setPointerCapture = () => undefined
  HTMLElement.prototype.releasePointerCapture = () => undefined
  HTMLElement.prototype.hasPointerCapture = () => true
  HTMLElement.prototype.scrollTo = () => undefined
  HTMLElement.prototype.scrollIntoView = () => undefined
  HTMLElement.prototype.getBoundingClientRect = () =>
    ({ left: 0, top: 0, right: width, bottom: height, x: 0, y: 0, width, height, toJSON: () => '' }) as DOMRect
  for (const side of ['offsetWidth', 'clientWidth'] as const) {
    Object.defineProperty(HTMLElement.prototype, side, { configurable: true, get: () => width })
  }
  for (const side of ['offsetHeight', 'clientHeight'] as const) {
    Object.defineProperty(HTMLElement.prototype, side, { configurable: true, get: () => height })
  }
  return strokes
}
