/** Clips in words and figures. */

import { itemAt } from '../parts/lists'
import { timesOf } from '../parts/speed'
import { plural } from '../parts/words'
import type { Clip } from '../server/types'

/** Its speed in percent. */
export function percent(clip: Clip): string {
  return minus(Math.round(timesOf(clip.speed) * 1000) / 10)
}

export function clipWords(meant: Clip[], chosen: boolean): string {
  const [one] = meant
  if (!one) {
    return 'black'
  }
  const frames = meant.reduce((n, s) => n + s.out - s.in, 0)
  if (meant.length > 1) {
    const nests = new Set(meant.map((s) => s.nest?.name))
    return nests.size === 1 && one.nest
      ? `${one.nest.name}, ${plural(meant.length, 'clip')}, ${plural(frames, 'frame')}`
      : `${plural(meant.length, 'clip')}, ${plural(frames, 'frame')}`
  }
  const parts = [
    `${one.nest ? `${one.nest.name} · ` : ''}${one.code} ${chosen ? 'chosen' : 'here'}`,
    one.shotId
      ? `${one.shotFirst === one.shotLast ? one.shotFirst : `${one.shotFirst}–${one.shotLast}`}, ${retimed(one)}`
      : plural(frames, 'frame'),
    one.headWeights.length > 0 && `passes in over ${plural(one.headWeights.length, 'frame')}`,
    one.tailWeights.length > 0 && `fades out over ${plural(one.tailWeights.length, 'frame')}`,
    !one.enabled && 'off',
    one.shotId && `action frame ${one.actionFirst}`,
    one.alias && `was ${one.alias}`,
  ]
  return parts.filter(Boolean).join(' · ')
}

/** At another speed: how many frames of the action in how many of the master; keyed, its speeds from key to key. */
function retimed(one: Clip): string {
  const frames = one.out - one.in
  if (one.retimeKeys) {
    return `${plural(frames, 'frame')}, keyed${one.keys.length > 1 ? ` ${speedsOf(one).join(' → ')}` : ''}`
  }
  if (one.speed === '1') {
    return plural(frames, 'frame')
  }
  return one.speed === '0'
    ? `held for ${plural(frames, 'frame')}`
    : `${Math.round(Math.abs(timesOf(one.speed)) * frames)} → ${plural(frames, 'frame')}, ${percent(one)} %`
}

const speedsOf = (one: Clip) =>
  one.keys.slice(1).map((key, i) => {
    const before = itemAt(one.keys, i)
    return `${minus(Math.round(((key.frame - before.frame) / (key.at - before.at)) * 100))} %`
  })

const minus = (n: number) => (n < 0 ? `−${-n}` : String(n))
