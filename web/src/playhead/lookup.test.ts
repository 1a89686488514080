import { describe, expect, it } from 'vitest'
import type { Section, Sequence } from '../server/types'
import { liveAt, mediaFrameAt, mixedPieces, onLane, passingFrom, sectionAt, sectionIndexAt, shareAt, shotFrameAt } from './lookup'

const section = (id: number, from: number, to: number, seenIn = from, seenOut = to) =>
  ({ id, in: from, out: to, seenIn, seenOut, enabled: true, shotFirst: 1001, shotFrames: [] as number[] }) as Section

const sequence = (...sections: Section[]) => ({ sections, live: [], main: { enabled: true } }) as unknown as Sequence

describe('look-ups', () => {
  const plain = sequence(section(1, 0, 10), section(2, 10, 30), section(3, 40, 50))

  it('finds the section of every frame, and black', () => {
    expect([0, 9, 10, 29, 30, 39, 40, 49, 50].map((f) => sectionIndexAt(plain, f))).toEqual([0, 0, 1, 1, -1, -1, 2, 2, -1])
    expect(sectionAt(undefined, 3)).toBeUndefined()
  })

  it('shows black where a section is switched off', () => {
    const off = sequence(section(1, 0, 10), { ...section(2, 10, 30), enabled: false })
    expect([9, 10, 29].map((f) => sectionIndexAt(off, f))).toEqual([0, -1, -1])
  })

  it('shows the incoming section from its first frame on', () => {
    const mixed = sequence(section(1, 0, 10, 0, 13), section(2, 10, 30, 7, 30))
    expect([6, 7, 10].map((f) => sectionIndexAt(mixed, f))).toEqual([0, 1, 1])
  })

  it('passes in over the piece before, and from black where that is switched off', () => {
    const out = { ...section(1, 0, 10, 0, 13), headWeights: [], tailWeights: [] }
    const into = { ...section(2, 10, 30, 7, 30), headWeights: [0.2, 0.4, 0.6, 0.8, 0.9, 0.95], tailWeights: [] }
    expect([6, 7, 12, 13].map((f) => passingFrom(into, out, f)?.id)).toEqual([1, 1, 1, undefined])
    expect(passingFrom(into, { ...out, enabled: false }, 8)).toBeUndefined()
    expect(passingFrom(into, { ...out, out: 9 }, 8)).toBeUndefined()
  })

  it('reads shot frames off the section', () => {
    expect([10, 11, 29].map((f) => shotFrameAt(plain.sections[1]!, f))).toEqual([1001, 1002, 1020])
    const slower = { ...plain.sections[1]!, shotFrames: [1001, 1001, 1002] }
    expect([10, 11, 12].map((f) => shotFrameAt(slower, f))).toEqual([1001, 1001, 1002])
  })

  it('finds a lane above where the server says that it is live, and the main one elsewhere', () => {
    const lanes = {
      ...plain,
      main: { enabled: true },
      live: [{ in: 12, out: 20, upper: 0, index: 0 }],
      upper: [{ lane: {}, sections: [{ ...plain.sections[0], id: 9, in: 12, out: 25 }] }],
    } as unknown as Sequence
    expect([11, 12, 19, 20].map((f) => liveAt(lanes, f).section?.id)).toEqual([lanes.sections[1]!.id, 9, 9, lanes.sections[1]!.id])
    expect(liveAt(lanes, 12).upper).toBe(0)
    // a piece of a lane is found there, live or not
    expect(onLane(lanes, 0, 24)?.id).toBe(9)
    expect(onLane(lanes, 0, 25)).toBeUndefined()
    const off = { ...lanes, main: { enabled: false } } as unknown as Sequence
    expect(liveAt(off, 30).section).toBeUndefined()
  })
})

describe('pieces that pass into each other', () => {
  const piece = (over: object) => ({ name: '', headWeights: [], tailWeights: [], mediaFrames: [], ...over })
  const cut = {
    cut: {
      pieces: [
        piece({ in: 0, out: 48, seenIn: 0, mediaFrames: Array.from({ length: 54 }, (_, i) => 100 + i) }),
        piece({
          in: 48,
          out: 96,
          seenIn: 42,
          headWeights: [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.92, 0.95, 0.98],
          tailWeights: [0.7, 0.3],
        }),
      ],
    },
  } as unknown as Sequence

  it("are both there while they are mixed, by the server's shares", () => {
    expect(mixedPieces(cut, 41).before).toBeUndefined()
    const at = mixedPieces(cut, 50)
    expect([at.piece?.in, at.before?.in]).toEqual([48, 0])
    expect(shareAt(at.piece!, 50)).toBe(0.9)
    expect(mediaFrameAt(at.before!, 50)).toBe(150)
    expect(mixedPieces(cut, 54).before).toBeUndefined()
  })

  it('fade to black at their end', () => {
    expect(shareAt(cut.cut.pieces[1]!, 95)).toBe(0.3)
    expect(shareAt(cut.cut.pieces[1]!, 93)).toBe(1)
    expect(mixedPieces(cut, 96).piece).toBeUndefined()
  })
})
