/** Everything that can be done to pieces, with its key. What comes of it is decided by the server. */
import type { Action } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { say } from '../desk/messages'
import { plural } from '../parts/words'
import { of } from '../server/client'
import type { Mark, Section, Sequence } from '../server/types'
import { type Asked, ask as askServer, moveSeam } from './edits'
import type { Question } from './NumberBox'
import { percent } from './pieceWords'

export type Box = 'camera' | 'insert' | 'over' | 'replace' | 'nest' | 'mark' | 'words' | 'sound'

export type Offered = Action & { short: string }

/** What the offers are made from. */
export type Doing = {
  sequence: Sequence
  frame: number
  /** the live piece at the playhead */
  here: Section | undefined
  /** the chosen pieces, else the one at the playhead */
  meant: Section[]
  /** the mark at the playhead */
  mark: Mark | undefined
  /** where they are one piece, that */
  one: Section | undefined
  chosen: boolean
  /** what was chosen was taken away by somebody */
  gone: boolean
  targets: number[]
  range: { in?: number; out?: number }
  lane: number | undefined
  copied: number[]
  ask: (asked: Asked) => void
  asInCut: (sections: number[]) => void
  question: (question: Question) => void
  open: (box: Box) => void
}

/** The playhead when the key is pressed: while it plays, what is offered was worked out a few frames before. */
const now = () => useDesk.getState().frame

const offer =
  (group: string) =>
  (short: string, name: string, keys: string, run: () => void, can: boolean): Offered => ({ group, short, name, keys, run, disabled: !can })

export const pieceOffers = (d: Doing): Offered[] => [
  ...arranging(d),
  ...trims(d),
  ...times(d),
  ...transitions(d),
  ...ranges(d),
  ...choosing(d),
]

function arranging({ sequence, frame, here, meant, one, targets, chosen, lane, copied, ask, asInCut, question, open }: Doing): Offered[] {
  const o = offer('Pieces')
  const some = meant.length > 0
  const inside = one !== undefined && frame > one.in && frame < one.out
  const above = meant.some((s) => sequence.upper.some((u) => u.sections.includes(s)))
  const inner = one?.nest && here?.nest ? [here.nest.innerId] : undefined
  return [
    o('split', 'Split at the playhead', 'S', () => ask({ kind: 'SPLIT', at: now(), ...(inner && { sections: inner }) }), inside),
    o('join', 'Join with the next piece', 'Shift+S', () => ask({ kind: 'JOIN' }), !!one),
    o('take out', 'Take out and close up', 'X', () => ask({ kind: 'TAKE_OUT' }), some),
    o('lift', 'Lift, leave black', 'Delete', () => ask({ kind: 'LIFT' }), some),
    o('', 'Switch off or on', 'Q', () => ask({ kind: 'SWITCH' }), some),
    o('', 'Duplicate', 'D', () => ask({ kind: 'DUPLICATE' }), !!one),
    o('swap', 'Swap with the next piece', 'W', () => ask({ kind: 'SWAP' }), !!one),
    o('', 'Move the piece to the playhead', 'M', () => ask({ kind: 'MOVE', at: now() }), !!one),
    o(
      '',
      'Copy',
      'Ctrl+C',
      () => {
        setDesk({ copied: targets })
        say(`${plural(targets.length, 'piece')} copied`)
      },
      some,
    ),
    o('', 'Paste in between', 'Ctrl+V', () => ask({ kind: 'PASTE', at: now(), lane, ripple: true, sections: copied }), copied.length > 0),
    o('', 'Paste over', 'Ctrl+Shift+V', () => ask({ kind: 'PASTE', at: now(), lane, ripple: false, sections: copied }), copied.length > 0),
    o('', 'Put something in between …', 'Shift+N', () => open('insert'), true),
    o('', 'Put something over …', 'Alt+N', () => open('over'), true),
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
          give: (frames) => ask({ kind: 'NEW_SHOT', at: now(), frames, sections: [] }),
        }),
      true,
    ),
    o(above ? '' : 'try above', 'Try on a lane above', 'Alt+ArrowUp', () => ask({ kind: 'COPY_UP' }), some),
    o(above ? 'lay down' : '', 'Lay down onto the main lane', 'Alt+ArrowDown', () => ask({ kind: 'LAY_DOWN' }), above),
    o(meant.length > 1 && !one ? 'nest' : '', 'Make a master of these pieces …', 'Ctrl+G', () => open('nest'), chosen),
    o(one?.nest ? 'lay out' : '', 'Lay the nested master out here', 'Ctrl+Shift+G', () => ask({ kind: 'OPEN' }), !!one?.nest),
    o('camera', 'Cut to another camera here', 'C', () => open('camera'), !!here?.shotId),
    o('fork', 'Fork into a shot of its own', 'Ctrl+Alt+K', () => ask({ kind: 'FORK' }), some),
    o('as in the cut', 'Make as in the cut', 'A', () => asInCut(targets), some && sequence.cut.id !== 0),
    o('', 'Make all as in the cut', 'Ctrl+Shift+A', () => asInCut([]), sequence.cut.id !== 0),
    o('', 'Put a sound under it here …', 'Alt+P', () => open('sound'), true),
    o('', 'Mark …', 'Shift+M', () => open('mark'), true),
  ]
}

function trims({ one, meant, ask, question }: Doing): Offered[] {
  const o = offer('Trims')
  const some = meant.length > 0
  return [
    o('', 'Head to the playhead', '[', () => ask({ kind: 'HEAD', at: now() }), !!one),
    o('', 'Tail to the playhead', ']', () => ask({ kind: 'TAIL', at: now() + 1 }), !!one),
    o('', 'Head to the playhead, the rest moves along', '{', () => ask({ kind: 'HEAD', at: now(), ripple: true }), !!one),
    o('', 'Tail to the playhead, the rest moves along', '}', () => ask({ kind: 'TAIL', at: now() + 1, ripple: true }), !!one),
    o(
      '',
      'Length …',
      'Shift+D',
      () =>
        one &&
        question({
          label: `${one.code} lasts`,
          unit: 'frames, the rest moves along',
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
function byFrames(o: ReturnType<typeof offer>, ask: Doing['ask'], one: Section | undefined): Offered[] {
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
    o('stretch to the next', 'Stretch to the next piece', 'E', () => ask({ kind: 'FILL_GAP' }), !!one),
    o(
      '',
      'Stretch to a length of …',
      'G',
      () =>
        one &&
        question({
          label: 'Stretch to',
          unit: 'frames, the rest moves along',
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

function ranges({ sequence, range, lane, ask, asInCut }: Doing): Offered[] {
  const o = offer('Range')
  const whole = range.in !== undefined && range.out !== undefined && range.in < range.out
  const cleared = (ripple: boolean) => () =>
    ask({ kind: 'CLEAR', at: range.in ?? 0, frames: (range.out ?? 0) - (range.in ?? 0), lane, ripple, sections: [] })
  const within = () => [...new Set(sequence.sections.filter((s) => s.out > (range.in ?? 0) && s.in < (range.out ?? 0)).map((s) => s.id))]
  return [
    o('', 'Take the range out and close up', 'Shift+X', cleared(true), whole),
    o('', 'Lift the range, leave black', 'Shift+Delete', cleared(false), whole),
    o('', 'Choose the pieces in the range', 'Shift+A', () => setDesk({ pieces: within() }), whole),
    o('', 'Make the range as in the cut', 'Alt+A', () => asInCut(within()), whole && sequence.cut.id !== 0),
  ]
}

function choosing({ sequence, here, chosen, gone, mark, open }: Doing): Offered[] {
  const o = offer('Pieces')
  const marks = sequence.marks.map((m) => m.in)
  const toMark = (at: number | undefined) => at !== undefined && setDesk({ frame: at })
  const seam = sequence.seams.find((s) => s.at === useDesk.getState().seam)
  return [
    o('', 'Choose the piece here', 'Enter', () => here && setDesk({ pieces: [here.id] }), !!here),
    o('', 'Choose the sound here, again for the next', 'Alt+H', () => setDesk(nextSound(sequence)), sequence.sound.length > 0),
    o('', 'Choose all pieces', 'Ctrl+A', () => setDesk({ pieces: [...new Set(sequence.sections.map((s) => s.id))] }), true),
    o('', 'Choose none', 'Escape', () => setDesk({ pieces: [] }), chosen || gone),
    o('', 'Change the mark here …', 'Alt+M', () => open('words'), !!mark),
    o('', 'Take the mark here away', 'Alt+Delete', () => mark && void askServer('/api/marks/{id}/remove', of(mark.id)), !!mark),
    o('', 'Next mark', "'", () => toMark(marks.find((at) => at > now())), marks.length > 0),
    o('', 'Mark before', '"', () => toMark([...marks].reverse().find((at) => at < now())), marks.length > 0),
    o('', 'The seam as in the cut', '\\', () => seam && void moveSeam(sequence, seam.at, -seam.cutBend), !!seam && seam.cutBend !== 0),
  ]
}

/** The first sound at the playhead, or the one after that which is chosen; where none is there, the next one along. */
function nextSound(sequence: Sequence) {
  const { frame, sound } = useDesk.getState()
  const here = sequence.sound.filter((s) => frame >= s.in && frame < s.out).sort((a, b) => a.lane.localeCompare(b.lane))
  const next = here[(here.findIndex((s) => s.id === sound) + 1) % Math.max(1, here.length)]
  const after = [...sequence.sound].sort((a, b) => a.in - b.in).find((s) => s.in > frame)
  const chosen = next ?? after
  return chosen ? { sound: chosen.id, pieces: [], seam: undefined, frame: next ? frame : chosen.in } : {}
}
