// @vitest-environment jsdom
import { describe, expect, it, vi } from 'vitest'
import { boxes, notingContext, type Stroke, texts, whereIs } from '../parts/fakeWindow'
import { toX } from '../parts/scale'
import type { Clip, LaidRender, Master, Seam } from '../server/types'
import { drawCut, drawRenders, drawShots } from './drawClips'
import { drawMarkers, drawOthers, drawRange } from './drawMarkers'
import { drawOver, drawPast } from './drawOver'
import { drawSeamCounts, drawSeams } from './drawSeams'
import { drawSound } from './drawSound'
import { drawTransitions, meetsBefore } from './drawTransitions'
import { drawUpper } from './drawUpper'
import { INK, type Scene } from './scene'
import { layOut } from './tracks'

vi.mock('../pictures/images', () => ({ image: () => undefined }))
vi.mock('./shotPictures', () => ({ shotPicture: () => undefined }))

const clip = (id: number, from: number, to: number, part: Partial<Clip> = {}) =>
  ({
    id,
    in: from,
    out: to,
    seenIn: from,
    seenOut: to,
    code: `sh00${id}0`,
    content: 'SHOT',
    staged: true,
    enabled: true,
    speed: '1',
    retimeKeys: '',
    keys: [],
    shotFirst: 1001,
    shotFrames: [],
    headWeights: [],
    tailWeights: [],
    ...part,
  }) as unknown as Clip
const seam = (at: number, part: Partial<Seam> = {}) => ({ at, cut: at, render: at, cutOffset: 0, renderOffset: 0, ...part }) as Seam

const LONG = 4
function scene(master: object, part: Partial<Scene> = {}): Scene {
  return {
    master: {
      start: 0,
      end: 300,
      framesPerSecond: 24,
      clips: [],
      live: [],
      upper: [],
      seams: [],
      renders: [],
      gaps: [],
      markers: [],
      sound: [],
      cut: { clips: [] },
      seq: 1,
      ...master,
    } as unknown as Master,
    layout: layOut(520, 1, 1),
    scale: { from: 0, perFrame: LONG, left: 116, width: 1200 },
    width: 1316,
    clips: [],
    others: [],
    range: {},
    units: 'timecode',
    label: (f: number) => `L${String(f).padStart(3, '0')}`,
    wholeSeconds: () => [],
    again: () => undefined,
    ...part,
  } as Scene
}
const drawn = (draw: (g: CanvasRenderingContext2D, s: Scene) => void, s: Scene): Stroke[] => {
  const { g, strokes } = notingContext()
  draw(g, s)
  return strokes
}
const lefts = (strokes: Stroke[], colour: string) => boxes(strokes, colour).map(([x = 0]) => Math.round(x))

describe('the track of shots', () => {
  it('puts each clip at its frames, with its code and how many it has', () => {
    const s = scene({ clips: [clip(1, 0, 50), clip(2, 50, 120)] })
    const strokes = drawn(drawShots, s)
    expect(lefts(strokes, INK.shot)).toEqual([116, 316])
    expect(texts(strokes)).toEqual(['sh0010', '50', 'sh0020', '70'])
    expect(whereIs(strokes, '70')).toBe(toX(s.scale, 120) - 1 - 5)
  })

  it('says what nobody staged, what is off, and what goes at another speed', () => {
    const strokes = drawn(
      drawShots,
      scene({
        clips: [
          clip(1, 0, 50, { staged: false }),
          clip(2, 50, 120, { enabled: false }),
          clip(3, 120, 170, { speed: '1/2' }),
          clip(4, 170, 220, { speed: '0' }),
          clip(5, 220, 280, { speed: '1', retimeKeys: 'x' }),
        ],
      }),
    )
    expect(texts(strokes)).toEqual(expect.arrayContaining(['not staged', 'off', '50 % 50', 'held 50', 'keyed 100 % 60']))
    // a line over each clip at a speed of its own
    expect(boxes(strokes, INK.offset).filter(([, , , h]) => h === 2)).toHaveLength(3)
  })

  it('names black, slates and renders for what they are', () => {
    const strokes = drawn(
      drawShots,
      scene({
        clips: [
          clip(1, 0, 60, { content: 'SLATE', code: 'Scene missing' }),
          clip(2, 60, 120, { content: 'RENDER' }),
          clip(3, 120, 180, { content: 'BLACK', code: 'black' }),
        ],
      }),
    )
    expect(texts(strokes)).toEqual(expect.arrayContaining(['“Scene missing”', 'render']))
    expect(boxes(strokes, '#111111')).toHaveLength(1)
  })

  it('draws clips that nobody could tell apart as runs of the same look', () => {
    const many = Array.from({ length: 1000 }, (_, i) => clip(i + 1, i * 3, i * 3 + 3, { staged: i < 500 }))
    const s = scene({ end: 3000, clips: many }, { scale: { from: 0, perFrame: 0.4, left: 116, width: 1200 } })
    const strokes = drawn(drawShots, s)
    expect(boxes(strokes, INK.shot)).toHaveLength(1)
    expect(boxes(strokes, '#3d3d3d')).toHaveLength(1)
    expect(boxes(strokes, INK.shot)[0]?.[2]).toBeCloseTo(500 * 3 * 0.4, -1)
  })

  it('draws nothing of what is out of view', () => {
    const many = Array.from({ length: 1000 }, (_, i) => clip(i + 1, i * 100, i * 100 + 100))
    const s = scene({ end: 100_000, clips: many }, { scale: { from: 50_000, perFrame: 2, left: 116, width: 1200 } })
    expect(boxes(drawn(drawShots, s), INK.shot).length).toBeLessThan(10)
  })

  it('moves an edge that is dragged, of both clips', () => {
    const s = scene({ clips: [clip(1, 0, 50), clip(2, 50, 120)] }, { drag: { at: 50, delta: 10 } })
    const strokes = drawn(drawShots, s)
    expect(lefts(strokes, INK.shot)).toEqual([116, 356])
    expect(texts(strokes)).toEqual(['sh0010', '60', 'sh0020', '60'])
  })

  it('numbers every frame where there is room, by the shot’s own frames', () => {
    const s = scene({ clips: [clip(1, 0, 4)] }, { scale: { from: 0, perFrame: 50, left: 116, width: 1200 } })
    expect(texts(drawn(drawShots, s)).filter((t) => /^10/.test(t))).toEqual(['1001', '1002', '1003', '1004'])
  })
})

describe('the track of the cut', () => {
  it('names its clips by their telling ends, and frames what has no picture', () => {
    const clips = [
      { ...clip(1, 0, 50), name: 'bd_0010.png', mediaId: 5, mediaFrames: [] },
      { ...clip(2, 50, 60), name: 'low_water_board_00020.png' },
    ]
    const strokes = drawn(drawCut, scene({ cut: { clips } }))
    expect(texts(strokes)).toEqual(['bd_0010', '…020'])
    expect(strokes.filter((s) => s.what === 'setLineDash' && String(s.with[0]) === '4,3')).toHaveLength(1)
  })
})

describe('the track of renders', () => {
  const render = (part: Partial<LaidRender>) =>
    ({ in: 0, out: 50, clip: 0, version: 3, stale: [], zero: 0, renderId: 8, ...part }) as LaidRender

  it('says each version, why one is stale, and leaves a dashed box where there is none', () => {
    const clips = [clip(1, 0, 50), clip(2, 50, 150), clip(3, 150, 200)]
    const renders = [render({ clip: 0 } as never), render({ in: 50, out: 150, stale: ['camera', 'set'], clip: 1 } as never)]
    const strokes = drawn(drawRenders, scene({ clips, renders }))
    expect(texts(strokes).filter((t) => t.startsWith('v'))).toEqual(['v003', 'v003'])
    expect(texts(strokes)).toContain('stale, camera and set')
    expect(strokes.filter((s) => s.what === 'setLineDash' && String(s.with[0]) === '3,3')).toHaveLength(1)
  })

  it('counts what no render has, between those that stand for the rest', () => {
    const clips = [clip(1, 0, 200)]
    const renders = [render({ clip: 0, out: 80 } as never), render({ clip: 0, in: 104, out: 200, version: 4 } as never)]
    const strokes = drawn(drawRenders, scene({ clips, renders, gaps: [{ clip: 0, in: 80, out: 104 }] }))
    expect(texts(strokes).filter((t) => /^v|^\d+$/.test(t))).toEqual(['v003', 'v004', '24'])
  })
})

describe('seams', () => {
  const points = (strokes: Stroke[]) => strokes.filter((s) => s.what === 'moveTo' || s.what === 'lineTo').map((s) => s.with[0] as number)

  it('are straight where all three tracks agree, and bent by the frames where they do not', () => {
    const s = scene({ seams: [seam(50)] })
    expect(new Set(points(drawn(drawSeams, s)))).toEqual(new Set([toX(s.scale, 50)]))
    const off = scene({ seams: [seam(50, { cut: 45, cutOffset: -5, render: 52, renderOffset: 2 })] })
    expect(new Set(points(drawn(drawSeams, off)))).toEqual(new Set([45, 50, 52].map((f) => toX(off.scale, f))))
  })

  it('say by how many frames, with the sign of the side that is off', () => {
    const s = scene({ seams: [seam(50, { cut: 45, cutOffset: -5 }), seam(120, { render: 124, renderOffset: 4 })] })
    const strokes = drawn(drawSeamCounts, s)
    expect(texts(strokes)).toEqual(['−5', '+4'])
    expect(whereIs(strokes, '−5')).toBe(toX(s.scale, 47.5))
  })

  it('count in the hand while one is dragged', () => {
    const s = scene({ seams: [seam(50)] }, { drag: { at: 50, delta: 7 } })
    expect(texts(drawn(drawSeamCounts, s))).toEqual(['+7'])
  })

  it('that stand closer than they could be told apart are left out where they agree', () => {
    const close = scene({ seams: [seam(50), seam(51), seam(52)] }, { scale: { from: 0, perFrame: 1, left: 116, width: 1200 } })
    expect(points(drawn(drawSeams, close))).toEqual([])
    expect(points(drawn(drawSeams, { ...close, seam: 51 })).length).toBeGreaterThan(0)
  })
})

describe('what is mixed', () => {
  const crossed = (clips: Clip[]) => {
    const s = scene({ clips: clips })
    const strokes = drawn((g) => drawTransitions(g, s, clips, [10, 60], meetsBefore(clips)), s)
    return strokes.filter((x) => x.what === 'lineTo').length
  }

  it('is one line where a clip fades, and two that cross where two dissolve', () => {
    expect(crossed([clip(1, 0, 50, { tailWeights: [0.6, 0.3] })])).toBe(1)
    expect(crossed([clip(1, 10, 50, { headWeights: [0.3, 0.6] })])).toBe(1)
    expect(crossed([clip(1, 0, 50), clip(2, 50, 90, { headWeights: [0.3, 0.6] })])).toBe(2)
    // from black between them
    expect(crossed([clip(1, 0, 40), clip(2, 50, 90, { headWeights: [0.3, 0.6] })])).toBe(1)
  })
})

describe('tracks above', () => {
  it('show what is live bright, what is off dim, and name nested masters', () => {
    const nest = { name: 'The tide' }
    const clips = [clip(1, 10, 60, { nest } as never), clip(2, 60, 110, { enabled: false })]
    const s = scene({ upper: [{ track: { enabled: true, locked: false }, clips }], live: [{ upper: 0, in: 10, out: 60, index: 0 }] })
    const strokes = drawn((g) => drawUpper(g, s, 0), s)
    expect(texts(strokes)).toEqual(['The tide · sh0010', 'sh0020'])
    expect(lefts(strokes, '#353535')).toEqual([toX(s.scale, 60)])
    expect(boxes(strokes, '#c9d3d8').map(([x, , w]) => [x, w])).toEqual([[toX(s.scale, 10), 50 * LONG - 1]])
  })
})

describe('what lies over the tracks', () => {
  it('another version of the cut: its edges that the cut does not have in full', () => {
    const over = {
      version: 2,
      clips: [
        { name: 'bd_1', in: 0, out: 44 },
        { name: 'bd_2', in: 44, out: 100 },
      ],
    }
    const s = scene(
      {
        cut: {
          clips: [
            { in: 0, out: 50 },
            { in: 50, out: 100 },
          ],
        },
      },
      { over: over as never },
    )
    const strokes = drawn(drawOver, s)
    expect(texts(strokes)).toContain('version 2')
    expect(new Set(lefts(strokes, INK.offset))).toEqual(new Set([Math.round(toX(s.scale, 44)) - 1]))
    expect(drawn(drawOver, scene({}))).toEqual([])
  })

  it('the master as it was after a step', () => {
    const past = { name: 'Slip sh0010', version: 0, clips: [{ name: 'sh0010', in: 0, out: 50 }] }
    expect(texts(drawn(drawPast, scene({ clips: [clip(1, 0, 50)] }, { past: past as never })))).toContain('after “Slip sh0010”')
  })

  it('the marked range, whole or half', () => {
    const whole = scene({}, { range: { in: 10, out: 30 } })
    expect(boxes(drawn(drawRange, whole), 'rgba(255,255,255,0.07)').map(([x, , w]) => [x, w])).toEqual([[toX(whole.scale, 10), 20 * LONG]])
    expect(drawn(drawRange, scene({}, { range: { out: 30 } })).filter((x) => x.what === 'moveTo')).toHaveLength(1)
  })

  it('markers with their words as far as there is room to the next', () => {
    const markers = [
      { in: 10, out: 11, words: 'she turns', who: 'Ada' },
      { in: 20, out: 40, words: 'the gull lands on the tide pole', who: 'Tom' },
    ]
    const said = texts(drawn(drawMarkers, scene({ markers })))
    expect(said[0]).not.toBe('she turns')
    expect(said[1]).toMatch(/^the gull lands on the/)
    expect(texts(drawn(drawMarkers, scene({ markers: markers.slice(0, 1) })))).toEqual(['she turns'])
  })

  it('where others are, and what they have chosen', () => {
    const s = scene({ clips: [clip(1, 0, 50)] }, { others: [{ who: 'Ada', frame: 20, clips: [1] }] })
    const strokes = drawn(drawOthers, s)
    expect(texts(strokes)).toEqual(['Ada'])
    expect(strokes.filter((x) => x.what === 'strokeRect')).toHaveLength(1)
    expect(drawn(drawOthers, scene({}, { others: [{ who: 'Ada', frame: 900, clips: [] }] })).filter((x) => x.what === 'fillText')).toEqual(
      [],
    )
  })

  it('sound: what is to be found by its name', () => {
    const sound = [{ id: 1, track: 'A1', name: 'guide.wav', in: 10, out: 60, gain: 1, fadeIn: 0, fadeOut: 0 }]
    const strokes = drawn(drawSound, scene({ sound }))
    expect(texts(strokes)).toContain('guide.wav: sound to find')
  })
})
