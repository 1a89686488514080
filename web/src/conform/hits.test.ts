import { describe, expect, it } from 'vitest'
import { toX } from '../parts/scale'
import type { Clip, Master } from '../server/types'
import { Hits } from './hits'
import type { Scene } from './scene'
import { layOut } from './tracks'

const clip = (id: number, from: number, to: number) => ({ id, in: from, out: to, code: `p${id}` }) as Clip

/** Three clips on the main track, one above the middle, one sound; two pixels a frame. */
function scene(perFrame = 2): Scene {
  const master = {
    start: 0,
    end: 300,
    main: { id: 11 },
    clips: [clip(1, 0, 100), clip(2, 100, 200), clip(3, 200, 204)],
    upper: [{ track: { id: 12 }, clips: [clip(4, 120, 180)] }],
    live: [{ in: 120, out: 180, upper: 0, index: 0 }],
    seams: [{ at: 0 }, { at: 100 }, { at: 200 }, { at: 204 }],
    sound: [{ id: 5, track: 'guide', in: 50, out: 90 }],
  } as unknown as Master
  return { master, layout: layOut(500, 1, 1), scale: { from: 0, perFrame, left: 116, width: 1200 }, width: 1200 } as Scene
}

const middle = ([top, bottom]: [number, number]) => (top + bottom) / 2

describe('what lies under the pointer', () => {
  const s = scene()
  const hits = new Hits(s, ['guide'])
  const x = (frame: number) => toX(s.scale, frame)
  const main = middle(s.layout.shots)
  const above = middle(s.layout.upper[0]!)

  it('a clip on its track, and the one above where the pointer is there', () => {
    expect(hits.clip(x(150), main)?.id).toBe(2)
    expect(hits.clip(x(150), above)?.id).toBe(4)
    expect(hits.clip(x(50), above)).toBeUndefined()
    expect(hits.clip(x(250), main)).toBeUndefined()
  })

  it('the nearest seam within reach, on all tracks between cut and renders', () => {
    expect(hits.seam(x(100) + 5, main)?.at).toBe(100)
    expect(hits.seam(x(100) + 5, middle(s.layout.cut))?.at).toBe(100)
    expect(hits.seam(x(100) + 9, main)).toBeUndefined()
    expect(hits.seam(x(100), s.layout.overview[1])).toBeUndefined()
  })

  it('of a short clip the outer thirds are seams, its middle the clip', () => {
    // four frames of two pixels
    expect(hits.seam(x(202), main)).toBeUndefined()
    expect(hits.clip(x(202), main)?.id).toBe(3)
    expect(hits.seam(x(200) + 2, main)?.at).toBe(200)
    expect(hits.seam(x(204) - 2, main)?.at).toBe(204)
  })

  it('edges of clips above are pulled by themselves, and no seam of the main track is meant there', () => {
    const four = hits.clip(x(150), above)
    expect(hits.edge(four, x(120) + 3, above)).toBe('HEAD')
    expect(hits.edge(four, x(180) - 3, above)).toBe('TAIL')
    expect(hits.edge(four, x(150), above)).toBeUndefined()
    expect(hits.edge(hits.clip(x(100), main), x(100), main)).toBeUndefined()
    expect(hits.seam(x(100), above)).toBeUndefined()
  })

  it('sound on its own track', () => {
    expect(hits.sound(x(60), middle(s.layout.sound[0]!))?.id).toBe(5)
    expect(hits.sound(x(95), middle(s.layout.sound[0]!))).toBeUndefined()
    expect(hits.sound(x(60), main)).toBeUndefined()
  })

  it('the track that takes what is put in', () => {
    expect(hits.track(above)).toEqual({ track: 12 })
    expect(hits.track(main)).toEqual({ track: 11 })
    expect(hits.track(s.layout.overview[0])).toEqual({})
  })

  it('at a distance a seam never hides all of a clip', () => {
    const far = scene(0.5)
    const farHits = new Hits(far, [])
    expect(farHits.seam(toX(far.scale, 50), middle(far.layout.shots))).toBeUndefined()
  })
})
