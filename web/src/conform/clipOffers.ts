/** Everything that can be done to clips, with its key. What comes of it is decided by the server. */
import type { Action } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { say } from '../desk/messages'
import { plural } from '../parts/words'
import { of } from '../server/client'
import type { Clip, Marker, Master } from '../server/types'
import { percent } from './clipWords'
import { type Asked, ask as askServer, moveSeam } from './edits'
import type { Question } from './NumberBox'

export type Box = 'camera' | 'insert' | 'overwrite' | 'replace' | 'nest' | 'marker' | 'words' | 'sound'

export type Offered = Action & { short: string }

/** What the offers are made from. */
export type Doing = {
  master: Master
  frame: number
  /** the live clip at the playhead */
  here: Clip | undefined
  /** the chosen clips, else the one at the playhead */
  meant: Clip[]
  /** the marker at the playhead */
  marker: Marker | undefined
  /** where they are one clip, that */
  one: Clip | undefined
  chosen: boolean
  /** what was chosen was taken away by somebody */
  gone: boolean
  targets: number[]
  range: { in?: number; out?: number }
  track: number | undefined
  copied: number[]
  ask: (asked: Asked) => void
  asInCut: (clips: number[]) => void
  question: (question: Question) => void
  open: (box: Box) => void
}

/** The playhead when the key is pressed: while it plays, what is offered was worked out a few frames before. */
const now = () => useDesk.getState().frame

const offer =
  (group: string) =>
  (short: string, name: string, keys: string, run: () => void, can: boolean): Offered => ({ group, short, name, keys, run, disabled: !can })

export const clipOffers = (d: Doing): Offered[] => [
  ...arranging(d),
  ...trims(d),
  ...times(d),
  ...transitions(d),
  ...ranges(d),
  ...choosing(d),
]

function arranging({ master, frame, here, meant, one, targets, chosen, track, copied, ask, asInCut, question, open }: Doing): Offered[] {
  const o = offer('Clips')
  const some = meant.length > 0
  const inside = one !== undefined && frame > one.in && frame < one.out
  const above = meant.some((s) => master.upper.some((u) => u.clips.includes(s)))
  const inner = one?.nest && here?.nest ? [here.nest.innerId] : undefined
  return [
    o('split', 'Split at the playhead', 'S', () => ask({ kind: 'SPLIT', at: now(), ...(inner && { clips: inner }) }), inside),
    o('join', 'Join with the next clip', 'Shift+S', () => ask({ kind: 'JOIN' }), !!one),
    o('extract', 'Extract', 'X', () => ask({ kind: 'EXTRACT' }), some),
    o('lift', 'Lift', 'Delete', () => ask({ kind: 'LIFT' }), some),
    o('', 'Switch off or on', 'Q', () => ask({ kind: 'SWITCH' }), some),
    o('', 'Duplicate', 'D', () => ask({ kind: 'DUPLICATE' }), !!one),
    o('swap', 'Swap with the next clip', 'W', () => ask({ kind: 'SWAP' }), !!one),
    o('', 'Move the clip to the playhead', 'M', () => ask({ kind: 'MOVE', at: now() }), !!one),
    o(
      '',
      'Copy',
      'Ctrl+C',
      () => {
        setDesk({ copied: targets })
        say(`${plural(targets.length, 'clip')} copied`)
      },
      some,
    ),
    o('', 'Paste insert', 'Ctrl+V', () => ask({ kind: 'PASTE', at: now(), track, ripple: true, clips: copied }), copied.length > 0),
    o(
      '',
      'Paste overwrite',
      'Ctrl+Shift+V',
      () => ask({ kind: 'PASTE', at: now(), track, ripple: false, clips: copied }),
      copied.length > 0,
    ),
    o('', 'Insert …', 'Shift+N', () => open('insert'), true),
    o('', 'Overwrite …', 'Alt+N', () => open('overwrite'), true),
    o('', 'Replace by …', 'Shift+R', () => open('replace'), some),
    o(
      '',
      'New shot here …',
      'N',
      () =>
        question({
          label: 'A new shot of',
          unit: 'frames',
          start: '48',
          give: (frames) => ask({ kind: 'NEW_SHOT', at: now(), frames, clips: [] }),
        }),
      true,
    ),
    o(above ? '' : 'try above', 'Try on a track above', 'Alt+ArrowUp', () => ask({ kind: 'COPY_UP' }), some),
    o(above ? 'lay down' : '', 'Lay down onto the main track', 'Alt+ArrowDown', () => ask({ kind: 'LAY_DOWN' }), above),
    o(meant.length > 1 && !one ? 'nest' : '', 'Make a master of these clips …', 'Ctrl+G', () => open('nest'), chosen),
    o(one?.nest ? 'lay out' : '', 'Lay the nested master out here', 'Ctrl+Shift+G', () => ask({ kind: 'OPEN' }), !!one?.nest),
    o('camera', 'Cut to another camera here', 'C', () => open('camera'), !!here?.shotId),
    o('fork', 'Fork into a shot of its own', 'Ctrl+Alt+K', () => ask({ kind: 'FORK' }), some),
    o('as in the cut', 'Make as in the cut', 'A', () => asInCut(targets), some && master.cut.id !== 0),
    o('', 'Make all as in the cut', 'Ctrl+Shift+A', () => asInCut([]), master.cut.id !== 0),
    o('', 'Put a sound under it here …', 'Alt+P', () => open('sound'), true),
    o('', 'Marker …', 'Shift+M', () => open('marker'), true),
  ]
}

function trims({ one, meant, ask, question }: Doing): Offered[] {
  const o = offer('Trims')
  const some = meant.length > 0
  return [
    o('', 'Head to the playhead', '[', () => ask({ kind: 'HEAD', at: now() }), !!one),
    o('', 'Tail to the playhead', ']', () => ask({ kind: 'TAIL', at: now() + 1 }), !!one),
    o('', 'Head to the playhead, ripple', '{', () => ask({ kind: 'HEAD', at: now(), ripple: true }), !!one),
    o('', 'Tail to the playhead, ripple', '}', () => ask({ kind: 'TAIL', at: now() + 1, ripple: true }), !!one),
    o(
      '',
      'Length …',
      'Shift+D',
      () =>
        one &&
        question({
          label: `${one.code} lasts`,
          unit: 'frames, ripple',
          start: String(one.out - one.in),
          give: (n) => ask({ kind: 'TAIL', frames: n - (one.out - one.in), ripple: true }),
        }),
      !!one,
    ),
    ...byFrames(o, ask, one),
    o('', 'Slip ten frames earlier', 'Ctrl+,', () => ask({ kind: 'SLIP', frames: -10 }), some),
    o('', 'Slip ten frames later', 'Ctrl+.', () => ask({ kind: 'SLIP', frames: 10 }), some),
    o('', 'Slip one frame earlier', ',', () => ask({ kind: 'SLIP', frames: -1 }), some),
    o('', 'Slip one frame later', '.', () => ask({ kind: 'SLIP', frames: 1 }), some),
    o(
      '',
      'Slip by …',
      ';',
      () => question({ label: 'Slip by', unit: 'frames', start: '10', give: (frames) => ask({ kind: 'SLIP', frames }) }),
      some,
    ),
    o('', 'Slide one frame earlier', '<', () => ask({ kind: 'SLIDE', frames: -1 }), !!one),
    o('', 'Slide one frame later', '>', () => ask({ kind: 'SLIDE', frames: 1 }), !!one),
  ]
}

/** Head and tail by single frames and by tens; nothing else moves. */
function byFrames(o: ReturnType<typeof offer>, ask: Doing['ask'], one: Clip | undefined): Offered[] {
  const trim = (what: string, kind: 'HEAD' | 'TAIL', keys: string, frames: number) =>
    o(
      '',
      `${what} ${Math.abs(frames) === 1 ? 'one frame' : 'ten frames'} ${frames > 0 ? 'later' : 'earlier'}`,
      keys,
      () => ask({ kind, frames }),
      !!one,
    )
  return [
    trim('Head', 'HEAD', 'Ctrl+[', -1),
    trim('Head', 'HEAD', 'Ctrl+]', 1),
    trim('Head', 'HEAD', 'Ctrl+Shift+{', -10),
    trim('Head', 'HEAD', 'Ctrl+Shift+}', 10),
    trim('Tail', 'TAIL', 'Alt+[', -1),
    trim('Tail', 'TAIL', 'Alt+]', 1),
    trim('Tail', 'TAIL', 'Alt+{', -10),
    trim('Tail', 'TAIL', 'Alt+}', 10),
  ]
}

function times({ frame, one, meant, ask, question }: Doing): Offered[] {
  const o = offer('Speed')
  const some = meant.length > 0
  const onIt = !!one && frame >= one.in && frame < one.out
  const key = one?.keys.find((k) => k.at === frame)
  const before = one?.keys.filter((k) => k.at <= frame).pop()
  return [
    o('stretch to the next', 'Stretch to the next clip', 'E', () => ask({ kind: 'FILL_GAP' }), !!one),
    o(
      '',
      'Stretch to a length of …',
      'G',
      () =>
        one &&
        question({
          label: 'Stretch to',
          unit: 'frames, ripple',
          start: String(one.out - one.in),
          give: (n) => ask({ kind: 'FILL', frames: n, ripple: true }),
        }),
      !!one,
    ),
    o('', 'Stretch to the playhead', 'Shift+E', () => ask({ kind: 'FILL', at: now() + 1 }), !!one && frame >= one.in),
    o(
      '',
      'Speed …',
      'P',
      () =>
        one &&
        question({
          label: 'Speed',
          unit: 'percent',
          start: percent(one),
          fraction: true,
          give: (n) => ask({ kind: 'SPEED', speed: `${Math.round(n * 1000)}/100000` }),
        }),
      !!one,
    ),
    o('', 'Reverse', 'R', () => ask({ kind: 'REVERSE' }), some),
    o('', 'Hold the frame at the playhead', 'Shift+H', () => ask({ kind: 'HOLD', at: now() }), onIt),
    o('', 'Key the speed here', 'Shift+K', () => ask({ kind: 'KEY', at: now() }), onIt && !key),
    o('', 'At the key, show one frame earlier', 'Alt+,', () => ask({ kind: 'MOVE_KEY', at: now(), frames: -1 }), !!key),
    o('', 'At the key, show one frame later', 'Alt+.', () => ask({ kind: 'MOVE_KEY', at: now(), frames: 1 }), !!key),
    o(
      '',
      'At the key, show so many frames later …',
      'Alt+;',
      () =>
        question({
          label: 'At the key, later by',
          unit: 'frames, − earlier',
          start: '10',
          give: (frames) => ask({ kind: 'MOVE_KEY', at: now(), frames }),
        }),
      !!key,
    ),
    o(
      '',
      'From the key before: evenly, eased, or held',
      'Alt+E',
      () => before && ask({ kind: 'EASE_KEY', at: before.at, easing: nextEasing(before.easing) }),
      !!before,
    ),
    o('', 'Take the key away', 'Alt+K', () => ask({ kind: 'REMOVE_KEY', at: now() }), !!key),
  ]
}

const nextEasing = (now: string) => (now === 'STRAIGHT' ? 'EASED' : now === 'EASED' ? 'STEPPED' : 'STRAIGHT')

const CURVES: [string, string][] = [
  ['EVEN', 'evenly'],
  ['EASED', 'slowly at both ends'],
  ['LATE', 'slowly at first'],
  ['EARLY', 'quickly at first'],
]
type Curve = 'EVEN' | 'EASED' | 'LATE' | 'EARLY'

function transitions({ one, ask, question }: Doing): Offered[] {
  const o = offer('Transitions')
  const transition = (label: string, kind: 'DISSOLVE' | 'FADE_OUT') => () =>
    question({
      label,
      unit: 'frames, 0 for none',
      start: '12',
      ways: CURVES,
      give: (frames, curve) => ask({ kind, frames, curve: curve as Curve }),
    })
  return [
    o('', 'Dissolve or fade in …', 'Y', transition('Dissolve into it over', 'DISSOLVE'), !!one),
    o('', 'Fade out …', 'U', transition('Fade out over', 'FADE_OUT'), !!one),
  ]
}

function ranges({ master, range, track, ask, asInCut }: Doing): Offered[] {
  const o = offer('Range')
  const whole = range.in !== undefined && range.out !== undefined && range.in < range.out
  const cleared = (ripple: boolean) => () =>
    ask({ kind: 'CLEAR', at: range.in ?? 0, frames: (range.out ?? 0) - (range.in ?? 0), track, ripple, clips: [] })
  const within = () => [...new Set(master.clips.filter((s) => s.out > (range.in ?? 0) && s.in < (range.out ?? 0)).map((s) => s.id))]
  return [
    o('', 'Extract the range', 'Shift+X', cleared(true), whole),
    o('', 'Lift the range', 'Shift+Delete', cleared(false), whole),
    o('', 'Choose the clips in the range', 'Shift+A', () => setDesk({ clips: within() }), whole),
    o('', 'Make the range as in the cut', 'Alt+A', () => asInCut(within()), whole && master.cut.id !== 0),
  ]
}

function choosing({ master, here, chosen, gone, marker, open }: Doing): Offered[] {
  const o = offer('Clips')
  const markers = master.markers.map((m) => m.in)
  const toMarker = (at: number | undefined) => at !== undefined && setDesk({ frame: at })
  const seam = master.seams.find((s) => s.at === useDesk.getState().seam)
  return [
    o('', 'Choose the clip here', 'Enter', () => here && setDesk({ clips: [here.id] }), !!here),
    o('', 'Choose the sound here, again for the next', 'Alt+H', () => setDesk(nextSound(master)), master.sound.length > 0),
    o('', 'Choose all clips', 'Ctrl+A', () => setDesk({ clips: [...new Set(master.clips.map((s) => s.id))] }), true),
    o('', 'Choose none', 'Escape', () => setDesk({ clips: [] }), chosen || gone),
    o('', 'Change the marker here …', 'Alt+M', () => open('words'), !!marker),
    o('', 'Take the marker here away', 'Alt+Delete', () => marker && void askServer('/api/markers/{id}/remove', of(marker.id)), !!marker),
    o('', 'Next marker', "'", () => toMarker(markers.find((at) => at > now())), markers.length > 0),
    o('', 'Marker before', '"', () => toMarker([...markers].reverse().find((at) => at < now())), markers.length > 0),
    o('', 'The seam as in the cut', '\\', () => seam && void moveSeam(master, seam.at, -seam.cutOffset), !!seam && seam.cutOffset !== 0),
  ]
}

/** The first sound at the playhead, or the one after that which is chosen; where none is there, the next one along. */
function nextSound(master: Master) {
  const { frame, sound } = useDesk.getState()
  const here = master.sound.filter((s) => frame >= s.in && frame < s.out).sort((a, b) => a.track.localeCompare(b.track))
  const next = here[(here.findIndex((s) => s.id === sound) + 1) % Math.max(1, here.length)]
  const after = [...master.sound].sort((a, b) => a.in - b.in).find((s) => s.in > frame)
  const chosen = next ?? after
  return chosen ? { sound: chosen.id, clips: [], seam: undefined, frame: next ? frame : chosen.in } : {}
}
