// @vitest-environment jsdom
import { beforeEach, expect, it, vi } from 'vitest'
import type { FromWorker, ToWorker } from './orders'

/** Stands for what draws: meshes are read when it is said so, and one point of the picture cannot be picked. */
const reading: ((there: boolean) => void)[] = []
vi.mock('./SetDrawing', () => ({
  SetDrawing: class {
    meshes = () => new Promise<boolean>((read) => reading.push(read))
    pick = ({ x }: { x: number }) => {
      if (x === 0) {
        throw new Error('a mesh without points')
      }
      return { index: 7 }
    }
  },
}))

const told: FromWorker[] = []
const say = (what: object) => self.onmessage?.({ data: { picture: 1, ...what } as ToWorker } as MessageEvent<ToWorker>)

beforeEach(async () => {
  self.postMessage = ((what: FromWorker) => told.push(what)) as never
  vi.resetModules()
  told.length = 0
  reading.length = 0
  await import('./painter.worker')
  say({ kind: 'open', shading: {}, smooth: true })
})

it('answers a pick that fails, and the ones after it', async () => {
  say({ kind: 'pick', ask: { x: 0 } })
  say({ kind: 'pick', ask: { x: 0.5 } })
  await vi.waitFor(() => expect(told).toHaveLength(2))
  expect(told).toEqual([
    { picture: 1, kind: 'picked', hit: undefined },
    { picture: 1, kind: 'picked', hit: { index: 7 } },
  ])
})

it('tells only of meshes that are those that it has: the older of two may be read last', async () => {
  say({ kind: 'meshes', glb: new ArrayBuffer(1) })
  say({ kind: 'meshes', glb: new ArrayBuffer(2) })
  reading[1]?.(true)
  reading[0]?.(false)
  await vi.waitFor(() => expect(told).toEqual([{ picture: 1, kind: 'meshes' }]))
})
