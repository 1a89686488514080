import { describe, expect, it } from 'vitest'
import type { Clip, Master } from '../server/types'
import { clipAt, clipIndexAt, liveAt, mediaFrameAt, mixedClips, onTrack, passingFrom, shareAt, shotFrameAt } from './lookup'

const clip = (id: number, from: number, to: number, seenIn = from, seenOut = to) =>
  ({ id, in: from, out: to, seenIn, seenOut, enabled: true, shotFirst: 1001, shotFrames: [] as number[] }) as Clip

const master = (...clips: Clip[]) => ({ clips, live: [], main: { enabled: true } }) as unknown as Master

describe('look-ups', () => {
  const plain = master(clip(1, 0, 10), clip(2, 10, 30), clip(3, 40, 50))

  it('finds the clip of every frame, and black', () => {
    expect([0, 9, 10, 29, 30, 39, 40, 49, 50].map((f) => clipIndexAt(plain, f))).toEqual([0, 0, 1, 1, -1, -1, 2, 2, -1])
    expect(clipAt(undefined, 3)).toBeUndefined()
  })

  it('shows black where a clip is switched off', () => {
    const off = master(clip(1, 0, 10), { ...clip(2, 10, 30), enabled: false })
    expect([9, 10, 29].map((f) => clipIndexAt(off, f))).toEqual([0, -1, -1])
  })

  it('shows the incoming clip from its first frame on', () => {
    const mixed = master(clip(1, 0, 10, 0, 13), clip(2, 10, 30, 7, 30))
    expect([6, 7, 10].map((f) => clipIndexAt(mixed, f))).toEqual([0, 1, 1])
  })

  it('passes in over the clip before, and from black where that is switched off', () => {
    const out = { ...clip(1, 0, 10, 0, 13), headWeights: [], tailWeights: [] }
    const into = { ...clip(2, 10, 30, 7, 30), headWeights: [0.2, 0.4, 0.6, 0.8, 0.9, 0.95], tailWeights: [] }
    expect([6, 7, 12, 13].map((f) => passingFrom(into, out, f)?.id)).toEqual([1, 1, 1, undefined])
    expect(passingFrom(into, { ...out, enabled: false }, 8)).toBeUndefined()
    expect(passingFrom(into, { ...out, out: 9 }, 8)).toBeUndefined()
  })

  it('reads shot frames off the clip', () => {
    expect([10, 11, 29].map((f) => shotFrameAt(plain.clips[1]!, f))).toEqual([1001, 1002, 1020])
    const slower = { ...plain.clips[1]!, shotFrames: [1001, 1001, 1002] }
    expect([10, 11, 12].map((f) => shotFrameAt(slower, f))).toEqual([1001, 1001, 1002])
  })

  it('finds a track above where the server says that it is live, and the main one elsewhere', () => {
    const tracks = {
      ...plain,
      main: { enabled: true },
      live: [{ in: 12, out: 20, upper: 0, index: 0 }],
      upper: [{ track: {}, clips: [{ ...plain.clips[0], id: 9, in: 12, out: 25 }] }],
    } as unknown as Master
    expect([11, 12, 19, 20].map((f) => liveAt(tracks, f).clip?.id)).toEqual([tracks.clips[1]!.id, 9, 9, tracks.clips[1]!.id])
    expect(liveAt(tracks, 12).upper).toBe(0)
    // a clip of a track is found there, live or not
    expect(onTrack(tracks, 0, 24)?.id).toBe(9)
    expect(onTrack(tracks, 0, 25)).toBeUndefined()
    const off = { ...tracks, main: { enabled: false } } as unknown as Master
    expect(liveAt(off, 30).clip).toBeUndefined()
  })
})

describe('clips that pass into each other', () => {
  const clip = (over: object) => ({ name: '', headWeights: [], tailWeights: [], mediaFrames: [], ...over })
  const cut = {
    cut: {
      clips: [
        clip({ in: 0, out: 48, seenIn: 0, mediaFrames: Array.from({ length: 54 }, (_, i) => 100 + i) }),
        clip({
          in: 48,
          out: 96,
          seenIn: 42,
          headWeights: [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.92, 0.95, 0.98],
          tailWeights: [0.7, 0.3],
        }),
      ],
    },
  } as unknown as Master

  it("are both there while they are mixed, by the server's shares", () => {
    expect(mixedClips(cut, 41).before).toBeUndefined()
    const at = mixedClips(cut, 50)
    expect([at.clip?.in, at.before?.in]).toEqual([48, 0])
    expect(shareAt(at.clip!, 50)).toBe(0.9)
    expect(mediaFrameAt(at.before!, 50)).toBe(150)
    expect(mixedClips(cut, 54).before).toBeUndefined()
  })

  it('fade to black at their end', () => {
    expect(shareAt(cut.cut.clips[1]!, 95)).toBe(0.3)
    expect(shareAt(cut.cut.clips[1]!, 93)).toBe(1)
    expect(mixedClips(cut, 96).clip).toBeUndefined()
  })
})
