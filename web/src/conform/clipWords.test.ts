import { describe, expect, it } from 'vitest'
import type { Clip } from '../server/types'
import { clipWords, percent } from './clipWords'

const clip = (over: Partial<Clip> = {}) =>
  ({
    id: 1,
    content: 'SHOT',
    shotId: 7,
    code: 'sh0010',
    in: 86400,
    out: 86666,
    shotFirst: 1001,
    shotLast: 1228,
    speed: '1',
    retimeKeys: '',
    enabled: true,
    actionFirst: 120,
    headWeights: [] as number[],
    tailWeights: [] as number[],
    ...over,
  }) as Clip

describe('a clip in words', () => {
  it('says its code, its frames and its action', () => {
    expect(clipWords([clip({ out: 86500, shotLast: 1100 })], false)).toBe('sh0010 here · 1001–1100, 100 frames · action frame 120')
  })

  it('says how many frames of the action a stretched clip shows, and at which speed', () => {
    // 228 frames stretched to 266 go at 228/266 = 85.7 %
    expect(clipWords([clip({ speed: '114/133' })], true)).toBe('sh0010 chosen · 1001–1228, 228 → 266 frames, 85.7 % · action frame 120')
  })

  it('says the speeds of a keyed clip from key to key, and what is held', () => {
    const keys = [
      { at: 86400, frame: 1001, easing: 'STRAIGHT' },
      { at: 86410, frame: 1006, easing: 'STRAIGHT' },
      { at: 86500, frame: 1186, easing: 'STRAIGHT' },
    ]
    expect(clipWords([clip({ out: 86500, retimeKeys: 'x', keys })], true)).toContain('100 frames, keyed 50 % → 200 %')
    expect(clipWords([clip({ out: 86541, shotFirst: 1049, shotLast: 1049, speed: '0' })], true)).toContain('1049, held for 141 frames')
  })

  it('says that it is off, and its old number', () => {
    expect(clipWords([clip({ out: 86500, enabled: false, alias: 'sh0005' })], true)).toContain('off · action frame 120 · was sh0005')
  })

  it('says what passes in and out, for as many frames as it does', () => {
    expect(clipWords([clip({ out: 86500, headWeights: [0.5], tailWeights: [0.6, 0.3] })], false)).toContain(
      'passes in over 1 frame · fades out over 2 frames',
    )
  })

  it('counts several, and calls a nested master by its name', () => {
    const nest = { masterId: 3, name: 'The tide', innerId: 1, innerMasterId: 3 }
    const [a, b] = [clip({ nest }), clip({ nest, in: 86666, out: 86676 })]
    expect(clipWords([a, b], true)).toBe('The tide, 2 clips, 276 frames')
    expect(clipWords([a, clip()], true)).toBe('2 clips, 532 frames')
    expect(clipWords([], true)).toBe('black')
  })

  it('says words on a slate without frames of a shot', () => {
    expect(clipWords([clip({ content: 'SLATE', shotId: 0, code: 'Gulls to come', out: 86424 })], false)).toBe(
      'Gulls to come here · 24 frames',
    )
  })

  it('gives a speed to a tenth of a percent', () => {
    expect(percent(clip({ speed: '3/4' }))).toBe('75')
    expect(percent(clip({ speed: '-1' }))).toBe('−100')
    expect(percent(clip({ speed: '1001/1000' }))).toBe('100.1')
  })
})
