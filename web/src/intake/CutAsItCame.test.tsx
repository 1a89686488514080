// @vitest-environment jsdom
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { press } from '../desk/fakeKeys'
import { boxes, fakeWindow, type Stroke, texts, whereIs } from '../parts/fakeWindow'
import { fakeServer, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { IntakeCut } from '../server/types'
import { CutAsItCame } from './CutAsItCame'

/** Names of tracks, then ten pixels for each of the hundred frames. */
const LEFT = 128
const WIDTH = LEFT + 1000 + 16
const START = 86_400
const x = (frame: number) => LEFT + frame * 10

const event = (from: number, to: number, name: string, more: object = {}) => ({
  in: START + from,
  out: START + to,
  name,
  enabled: true,
  mediaFrame: 0,
  ...more,
})
const shot = (from: number, to: number, code: string, parts = 1) => ({ in: START + from, out: START + to, code, parts })

const cut = {
  id: 5,
  start: START,
  end: START + 100,
  startTimecode: '01:00:00:00',
  endTimecode: '01:00:04:04',
  first: true,
  received: false,
  tracks: [
    {
      kind: 'picture',
      name: 'V1',
      enabled: true,
      events: [event(0, 40, 'harbour', { mediaId: 7 }), event(40, 70, 'gate'), event(70, 100, 'gate b')],
    },
    { kind: 'picture', name: 'V2', enabled: false, events: [event(20, 60, 'title')] },
    { kind: 'sound', name: 'A1', enabled: true, events: [] },
  ],
  sound: [
    { track: 'A1', name: 'waves_and_wind.wav', in: START, out: START + 50 },
    { track: 'A1', name: 'more.wav', in: START + 60, out: START + 80 },
    { track: 'A2', name: 'voice.wav', in: START + 10, out: START + 20 },
    { track: 'A3', name: 'a.wav', in: START, out: START + 5 },
    { track: 'A4', name: 'b.wav', in: START, out: START + 5 },
  ],
  shots: [shot(0, 40, 'sh0010'), shot(40, 100, 'sh0020', 2)],
} as unknown as IntakeCut

let strokes: Stroke[]
const choose = vi.fn()
beforeEach(() => {
  strokes = fakeWindow(WIDTH, 300)
  fakeServer()
  choose.mockReset()
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
})

/** What is drawn from a moment on. */
const open = (of = cut, chosen = -1) => show(<CutAsItCame cut={of} shot={chosen} choose={choose} />)
const shown = (what: () => void) => {
  strokes.length = 0
  what()
  return texts(strokes)
}

describe('the cut as it came', () => {
  it('says how many clips become how many shots, from where to where', () => {
    open()
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('4 clips become 2 shots')
    expect(texts(strokes)).toEqual(expect.arrayContaining(['01:00:00:00', '01:00:04:04', '3 clips', '1 clip, off', 'as they will be']))
  })

  it('has every clip and every shot over its own frames', () => {
    open()
    // a clip without a picture is marked as missing, one with a picture is not
    const missing = boxes(strokes, '#3a3a3a')
    expect(missing.map(([from, , wide]) => [from, wide])).toEqual([
      [x(20), 399],
      [x(40), 299],
      [x(70), 299],
    ])
    expect(boxes(strokes, '#e9e4d8').map(([from, , wide]) => [from, wide])).toEqual([[x(0), 399]])
    expect(boxes(strokes, '#6b7a81').map(([from, , wide]) => [from, wide])).toEqual([
      [x(0), 399],
      [x(40), 599],
    ])
    expect(whereIs(strokes, 'sh0020')).toBe(x(40) + 6)
    expect(texts(strokes)).toEqual(expect.arrayContaining(['40', '60']))
  })

  it('counts the clips where several become one shot', () => {
    open()
    expect(whereIs(strokes, '2')).toBeCloseTo(x(70) - 0.5)
    expect(texts(strokes)).not.toContain('1')
  })

  it('draws what is switched off faintly, with the words', () => {
    const off = {
      ...cut,
      tracks: [{ ...cut.tracks[0], events: [event(0, 50, 'gate', { enabled: false }), event(50, 100, 'sea')] }],
    } as unknown as IntakeCut
    open(off)
    expect(texts(strokes)).toContain('gate, off')
    const faint = strokes.filter((s) => s.what === 'globalAlpha').map((s) => s.with[0])
    expect(faint).toEqual(expect.arrayContaining([0.4, 1]))
  })

  it('names the sounds of three tracks at most, without the ends of their names, and says how many more there are', () => {
    open()
    expect(texts(strokes)).toEqual(expect.arrayContaining(['A1', 'waves_and_', 'A2', 'voice', 'A3']))
    expect(texts(strokes)).not.toContain('A4')
    expect(texts(strokes)).toContain('and 1 more sound track')
    expect(boxes(strokes, '#2a2a2a').map(([from, , wide]) => [from, wide])).toEqual([
      [x(0), 500],
      [x(60), 200],
      [x(10), 100],
      [x(0), 50],
    ])
  })

  it.each([
    [{ first: true, received: true }, 'as made'],
    [{ first: false, received: false }, 'as we have them'],
  ])('says of which time its shots are', (more, words) => {
    open({ ...cut, ...more } as IntakeCut)
    expect(texts(strokes)).toContain(words)
  })
})

describe('choosing and looking nearer', () => {
  it('chooses the shot that is pressed, its first frame as well as its last, and none beside them', () => {
    open()
    const picture = screen.getByRole('img')
    for (const at of [x(0), x(40) - 1, x(40), x(100) - 1]) {
      fireEvent.click(picture, { clientX: at })
    }
    expect(choose.mock.calls).toEqual([[0], [0], [1], [1]])
    fireEvent.click(picture, { clientX: x(100) })
    fireEvent.click(picture, { clientX: LEFT - 1 })
    expect(choose).toHaveBeenCalledTimes(4)
  })

  it('zooms by keys about the chosen shot, out again, and back to the whole', () => {
    open(cut, 1)
    expect(shown(() => press('='))).toEqual(expect.arrayContaining(['60 of 100 frames', 'H shows the whole cut']))
    expect(shown(() => press('='))).toContain('36 of 100 frames')
    expect(shown(() => press('Z'))).toContain('60 of 100 frames')
    expect(shown(() => press('H'))).toEqual(expect.arrayContaining(['01:00:00:00', '01:00:04:04']))
  })

  it('keeps what is chosen in the table in view, and draws nothing that is outside', () => {
    const { rerender } = open(cut, 0)
    press('=')
    press('=')
    press('=')
    // about the middle of the first shot, twenty-two frames of it
    expect(shown(() => press('='))).not.toContain('sh0020')
    strokes.length = 0
    rerender(<CutAsItCame cut={cut} shot={1} choose={choose} />)
    expect(texts(strokes)).toContain('sh0020')
  })

  it('chooses by where things are now, when it was zoomed', () => {
    open(cut, 1)
    press('=')
    // sixty frames about frame seventy: from twenty-eight on
    fireEvent.click(screen.getByRole('img'), { clientX: LEFT + ((40 - 28) * 1000) / 60 - 2 })
    fireEvent.click(screen.getByRole('img'), { clientX: LEFT + ((40 - 28) * 1000) / 60 + 2 })
    expect(choose.mock.calls).toEqual([[0], [1]])
  })
})
