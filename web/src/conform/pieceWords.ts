/** Pieces in words and figures. */
import type { Section } from '../server/types'

/** Its speed in percent. */
export function percent(section: Section): string {
  const [num, den] = section.speed.split('/').map(Number)
  return String(Math.round((num / (den || 1)) * 1000) / 10)
}

export function pieceWords(meant: Section[], chosen: boolean): string {
  if (meant.length === 0) {
    return 'black'
  }
  const frames = meant.reduce((n, s) => n + s.out - s.in, 0)
  const [one] = meant
  if (meant.length > 1) {
    const nests = new Set(meant.map((s) => s.nest?.name))
    return nests.size === 1 && one.nest ? `${one.nest.name}, ${meant.length} pieces, ${frames} frames` : `${meant.length} pieces, ${frames} frames`
  }
  const parts = [
    `${one.nest ? `${one.nest.name} · ` : ''}${one.code} ${chosen ? 'chosen' : 'here'}`,
    one.shotId ? `${one.shotFirst}–${one.shotLast}, ${retimed(one)}` : `${frames} frames`,
    !one.enabled && 'off',
    one.shotId && `action ${one.actionFirst}`,
    one.alias && `was ${one.alias}`,
  ]
  return parts.filter(Boolean).join(' · ')
}

/** At another speed: how many frames of the action in how many of the master. */
function retimed(one: Section): string {
  const frames = one.out - one.in
  if (one.speed === '1' && !one.bends) {
    return `${frames} frames`
  }
  const [num, den] = one.speed.split('/').map(Number)
  return `${Math.round(Math.abs(num / (den || 1)) * frames)} → ${frames} frames, ${percent(one)} %`
}
