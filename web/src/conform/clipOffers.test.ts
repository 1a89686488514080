// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk, useDesk } from '../desk/desk'
import { useMessages } from '../desk/messages'
import { fakeServer, posts } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Clip, Marker, Master } from '../server/types'
import { clipOffers, type Doing, type Offered } from './clipOffers'
import type { Question } from './NumberBox'

const clip = (id: number, from: number, to: number, more: object = {}) =>
  ({ id, in: from, out: to, code: `sh00${id}0`, shotId: id, keys: [], speed: '1', ...more }) as unknown as Clip

const first = clip(1, 0, 24)
const second = clip(2, 24, 60)
const third = clip(3, 60, 100)
const master = {
  id: 9,
  clips: [first, second, third],
  upper: [{ track: 1, clips: [] as Clip[] }],
  markers: [
    { id: 71, in: 10 },
    { id: 72, in: 40 },
    { id: 73, in: 90 },
  ] as Marker[],
  seams: [{ at: 24, cutOffset: 3 }],
  sound: [
    { id: 81, track: 'A2', in: 20, out: 50 },
    { id: 82, track: 'A1', in: 30, out: 70 },
    { id: 83, track: 'A1', in: 90, out: 99 },
  ],
  cut: { id: 5 },
} as unknown as Master

const asked: unknown[] = []
const asInCut: number[][] = []
const boxes: string[] = []
let question: Question | undefined

function doing(more: Partial<Doing> = {}): Doing {
  return {
    master,
    frame: 30,
    here: second,
    meant: [second],
    marker: undefined,
    one: second,
    chosen: true,
    gone: false,
    targets: [2],
    range: {},
    track: undefined,
    copied: [],
    ask: (a) => asked.push(a),
    asInCut: (ids) => asInCut.push(ids),
    question: (q) => {
      question = q
    },
    open: (box) => boxes.push(box),
    ...more,
  }
}

const nothing = () => doing({ here: undefined, meant: [], one: undefined, chosen: false, targets: [], frame: 120 })

function offered(keys: string, d: Doing): Offered {
  const found = clipOffers(d).filter((o) => o.keys === keys)
  expect(found, keys).toHaveLength(1)
  return found[0] as Offered
}

/** Presses a key that must be offered. */
function press(keys: string, d = doing()) {
  const one = offered(keys, d)
  expect(one.disabled, keys).toBe(false)
  one.run()
}

const isOffered = (keys: string, d: Doing) => !offered(keys, d).disabled

beforeEach(() => {
  asked.length = 0
  asInCut.length = 0
  boxes.length = 0
  question = undefined
  setDesk({ frame: 30, clips: [2], seam: undefined, sound: undefined, copied: [] })
  useMessages.setState({ all: [] })
})
afterEach(() => {
  queryClient.clear()
  vi.unstubAllGlobals()
})

describe('what is offered', () => {
  it('has a key and a name of its own for everything', () => {
    const all = clipOffers(doing())
    expect(new Set(all.map((o) => o.keys)).size).toBe(all.length)
    expect(new Set(all.map((o) => o.name)).size).toBe(all.length)
    expect(all.every((o) => o.keys !== '' && o.name !== '')).toBe(true)
  })

  it('changes no clip where there is none', () => {
    const still = clipOffers(nothing()).filter((o) => !o.disabled)
    expect(still.map((o) => o.keys)).toEqual(['Shift+N', 'Alt+N', 'N', 'Ctrl+Shift+A', 'Alt+P', 'Shift+M', 'Alt+H', 'Ctrl+A', "'", '"'])
  })

  it('splits inside a clip alone, not at its ends', () => {
    expect(isOffered('S', doing({ frame: 24 }))).toBe(false)
    expect(isOffered('S', doing({ frame: 25 }))).toBe(true)
    expect(isOffered('S', doing({ frame: 60 }))).toBe(false)
  })

  it('compares with a cut only where there is one', () => {
    const without = { ...master, cut: { id: 0 } } as Master
    for (const keys of ['A', 'Ctrl+Shift+A']) {
      expect(isOffered(keys, doing())).toBe(true)
      expect(isOffered(keys, doing({ master: without }))).toBe(false)
    }
  })

  it('works on a range only where it has two ends in their order', () => {
    for (const keys of ['Shift+X', 'Shift+Delete', 'Shift+A', 'Alt+A']) {
      expect(isOffered(keys, doing())).toBe(false)
      expect(isOffered(keys, doing({ range: { in: 10 } }))).toBe(false)
      expect(isOffered(keys, doing({ range: { in: 30, out: 30 } }))).toBe(false)
      expect(isOffered(keys, doing({ range: { in: 10, out: 30 } }))).toBe(true)
    }
  })

  it('lays down what lies on a track above, and lays out what is nested', () => {
    expect(isOffered('Alt+ArrowDown', doing())).toBe(false)
    const above = { ...master, upper: [{ track: 1, clips: [second] }] } as unknown as Master
    expect(isOffered('Alt+ArrowDown', doing({ master: above }))).toBe(true)
    expect(isOffered('Ctrl+Shift+G', doing())).toBe(false)
    const nested = clip(2, 24, 60, { nest: { innerId: 44 } })
    expect(isOffered('Ctrl+Shift+G', doing({ one: nested, here: nested }))).toBe(true)
  })
})

describe('what is asked for', () => {
  it.each([
    ['S', { kind: 'SPLIT', at: 30 }],
    ['Shift+S', { kind: 'JOIN' }],
    ['X', { kind: 'EXTRACT' }],
    ['Delete', { kind: 'LIFT' }],
    ['Q', { kind: 'SWITCH' }],
    ['D', { kind: 'DUPLICATE' }],
    ['W', { kind: 'SWAP' }],
    ['M', { kind: 'MOVE', at: 30 }],
    ['Alt+ArrowUp', { kind: 'COPY_UP' }],
    ['Ctrl+Alt+K', { kind: 'FORK' }],
    // a head begins with the frame at the playhead, a tail ends with it
    ['[', { kind: 'HEAD', at: 30 }],
    [']', { kind: 'TAIL', at: 31 }],
    ['{', { kind: 'HEAD', at: 30, ripple: true }],
    ['}', { kind: 'TAIL', at: 31, ripple: true }],
    ['Ctrl+[', { kind: 'HEAD', frames: -1 }],
    ['Ctrl+]', { kind: 'HEAD', frames: 1 }],
    ['Ctrl+Shift+{', { kind: 'HEAD', frames: -10 }],
    ['Ctrl+Shift+}', { kind: 'HEAD', frames: 10 }],
    ['Alt+[', { kind: 'TAIL', frames: -1 }],
    ['Alt+]', { kind: 'TAIL', frames: 1 }],
    ['Alt+{', { kind: 'TAIL', frames: -10 }],
    ['Alt+}', { kind: 'TAIL', frames: 10 }],
    [',', { kind: 'SLIP', frames: -1 }],
    ['.', { kind: 'SLIP', frames: 1 }],
    ['Ctrl+,', { kind: 'SLIP', frames: -10 }],
    ['Ctrl+.', { kind: 'SLIP', frames: 10 }],
    ['<', { kind: 'SLIDE', frames: -1 }],
    ['>', { kind: 'SLIDE', frames: 1 }],
    ['E', { kind: 'FILL_GAP' }],
    ['Shift+E', { kind: 'FILL', at: 31 }],
    ['R', { kind: 'REVERSE' }],
    ['Shift+H', { kind: 'HOLD', at: 30 }],
    ['Shift+K', { kind: 'KEY', at: 30 }],
  ])('%s', (keys, expected) => {
    press(keys)
    expect(asked).toEqual([expected])
  })

  it('means the frame that is shown when the key is pressed, not when it was offered', () => {
    const offer = offered('S', doing({ frame: 30 }))
    setDesk({ frame: 37 })
    offer.run()
    expect(asked).toEqual([{ kind: 'SPLIT', at: 37 }])
  })

  it('splits the inner clip of a nested master', () => {
    const nested = clip(2, 24, 60, { nest: { innerId: 44 } })
    press('S', doing({ one: nested, here: nested }))
    expect(asked).toEqual([{ kind: 'SPLIT', at: 30, clips: [44] }])
  })

  it('copies what is meant, and pastes it where the playhead is, on the chosen track', () => {
    press('Ctrl+C', doing({ targets: [1, 2] }))
    expect(useDesk.getState().copied).toEqual([1, 2])
    expect(JSON.stringify(useMessages.getState().all)).toContain('2 clips copied')
    press('Ctrl+V', doing({ copied: [1, 2], track: 3 }))
    press('Ctrl+Shift+V', doing({ copied: [1, 2], track: 3 }))
    expect(asked).toEqual([
      { kind: 'PASTE', at: 30, track: 3, ripple: true, clips: [1, 2] },
      { kind: 'PASTE', at: 30, track: 3, ripple: false, clips: [1, 2] },
    ])
  })

  it('takes a range out of a track, or leaves black there', () => {
    const d = doing({ range: { in: 10, out: 30 }, track: 2 })
    press('Shift+X', d)
    press('Shift+Delete', d)
    expect(asked).toEqual([
      { kind: 'CLEAR', at: 10, frames: 20, track: 2, ripple: true, clips: [] },
      { kind: 'CLEAR', at: 10, frames: 20, track: 2, ripple: false, clips: [] },
    ])
  })

  it('makes as in the cut what is meant, all of it, or what a range touches', () => {
    press('A', doing({ targets: [2] }))
    press('Ctrl+Shift+A')
    press('Alt+A', doing({ range: { in: 24, out: 61 } }))
    expect(asInCut).toEqual([[2], [], [2, 3]])
  })

  it('moves the speed key at the playhead, takes it away, and eases from the one before', () => {
    const keys = [
      { at: 26, easing: 'STRAIGHT' },
      { at: 30, easing: 'EASED' },
      { at: 50, easing: 'STEPPED' },
    ]
    const keyed = clip(2, 24, 60, { keys })
    const d = doing({ one: keyed, here: keyed })
    press('Alt+,', d)
    press('Alt+.', d)
    press('Alt+K', d)
    press('Alt+E', d)
    press('Alt+E', doing({ one: keyed, frame: 29 }))
    press('Alt+E', doing({ one: keyed, frame: 55 }))
    expect(asked).toEqual([
      { kind: 'MOVE_KEY', at: 30, frames: -1 },
      { kind: 'MOVE_KEY', at: 30, frames: 1 },
      { kind: 'REMOVE_KEY', at: 30 },
      { kind: 'EASE_KEY', at: 30, easing: 'STEPPED' },
      { kind: 'EASE_KEY', at: 26, easing: 'EASED' },
      { kind: 'EASE_KEY', at: 50, easing: 'STRAIGHT' },
    ])
    expect(isOffered('Shift+K', d)).toBe(false)
    expect(isOffered('Alt+K', doing({ one: keyed, frame: 29 }))).toBe(false)
    expect(isOffered('Alt+E', doing({ one: keyed, frame: 25 }))).toBe(false)
  })
})

describe('what a number is asked for first', () => {
  it.each([
    ['Shift+D', 'sh0020 lasts', '36', 40, { kind: 'TAIL', frames: 4, ripple: true }],
    [';', 'Slip by', '10', -7, { kind: 'SLIP', frames: -7 }],
    ['G', 'Stretch to', '36', 72, { kind: 'FILL', frames: 72, ripple: true }],
    ['P', 'Speed', '100', 12.5, { kind: 'SPEED', speed: '12500/100000' }],
    ['N', 'A new shot of', '48', 20, { kind: 'NEW_SHOT', at: 30, frames: 20, clips: [] }],
  ])('%s', (keys, label, start, number, expected) => {
    press(keys)
    expect(question).toMatchObject({ label, start })
    question?.give(number, 'EVEN')
    expect(asked).toEqual([expected])
  })

  it.each([
    ['Y', 'DISSOLVE'],
    ['U', 'FADE_OUT'],
  ])('%s, and how it goes', (keys, kind) => {
    press(keys)
    question?.give(8, 'LATE')
    expect(asked).toEqual([{ kind, frames: 8, curve: 'LATE' }])
  })

  it('so many frames later at a key', () => {
    press('Alt+;', doing({ one: clip(2, 24, 60, { keys: [{ at: 30, easing: 'STRAIGHT' }] }) }))
    question?.give(-5, '')
    expect(asked).toEqual([{ kind: 'MOVE_KEY', at: 30, frames: -5 }])
  })

  it.each([
    ['Shift+N', 'insert'],
    ['Alt+N', 'overwrite'],
    ['Shift+R', 'replace'],
    ['Ctrl+G', 'nest'],
    ['C', 'camera'],
    ['Alt+P', 'sound'],
    ['Shift+M', 'marker'],
  ])('%s opens a box', (keys, box) => {
    press(keys)
    expect(boxes).toEqual([box])
  })
})

describe('choosing and going', () => {
  it('chooses the clip here, all, those of a range, or none', () => {
    press('Ctrl+A')
    expect(useDesk.getState().clips).toEqual([1, 2, 3])
    press('Enter')
    expect(useDesk.getState().clips).toEqual([2])
    press('Shift+A', doing({ range: { in: 23, out: 25 } }))
    expect(useDesk.getState().clips).toEqual([1, 2])
    press('Escape')
    expect(useDesk.getState().clips).toEqual([])
  })

  it('goes to the next marker and the one before, and stays where there is none', () => {
    press("'")
    expect(useDesk.getState().frame).toBe(40)
    press("'")
    press("'")
    expect(useDesk.getState().frame).toBe(90)
    press('"')
    press('"')
    press('"')
    expect(useDesk.getState().frame).toBe(10)
  })

  it('takes the marker here away, and puts a seam where the cut has it', async () => {
    const server = fakeServer()
    press('Alt+Delete', doing({ marker: { id: 72, in: 30 } as Marker }))
    setDesk({ seam: 24 })
    press('\\')
    await vi.waitFor(() => expect(posts(server)).toHaveLength(2), 20_000)
    expect(posts(server)[0]?.path).toBe('/api/markers/72/remove')
    expect(JSON.stringify(posts(server)[1])).toContain('-3')
  })

  it('chooses the sounds here one after another, by their tracks, and else the next one along', () => {
    setDesk({ frame: 35 })
    press('Alt+H')
    expect(useDesk.getState()).toMatchObject({ sound: 82, frame: 35, clips: [] })
    press('Alt+H')
    expect(useDesk.getState().sound).toBe(81)
    press('Alt+H')
    expect(useDesk.getState().sound).toBe(82)
    setDesk({ frame: 75 })
    press('Alt+H')
    expect(useDesk.getState()).toMatchObject({ sound: 83, frame: 90 })
  })
})
