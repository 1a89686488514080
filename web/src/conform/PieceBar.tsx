import { useState } from 'react'
import { type Action, useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { sectionAt } from '../playhead/lookup'
import type { Section, Sequence } from '../server/types'
import { CameraBox } from './CameraBox'
import { type Asked, asInCut, chosenPieces, edit } from './edits'
import { NumberBox, type Question } from './NumberBox'

type Offered = Action & { short: string }

/** What can be done to the chosen pieces: each with its key, and what there is to know of them. */
export function PieceBar({ sequence }: { sequence: Sequence }) {
  const { frame, seam, pieces: ids } = useDesk()
  const [question, setQuestion] = useState<Question>()
  const [cameras, setCameras] = useState(false)
  const chosen = chosenPieces(sequence, ids)
  const here = sectionAt(sequence, frame)
  // without a choice the piece under the playhead is meant
  const meant = chosen.length > 0 ? chosen : here ? [here] : []
  const one = meant.length === 1 ? meant[0] : undefined
  const ask = (asked: Asked) => void edit(sequence, { sections: meant.map((s) => s.id), ...asked })
  const slip = sequence.seams.find((s) => s.at === seam)?.action
  const inside = one !== undefined && frame > one.in && frame < one.out

  const offer = (short: string, name: string, keys: string, run: () => void, can: boolean): Offered =>
    ({ group: 'Conform', short, name, keys, run, disabled: !can })
  const some = meant.length > 0
  const offers: Offered[] = [
    offer('split', 'Split at the playhead', 'S', () => ask({ kind: 'SPLIT', at: frame }), inside),
    offer('join', 'Join with the next piece', 'I', () => ask({ kind: 'JOIN' }), !!one),
    offer('take out', 'Take out and close up', 'X', () => ask({ kind: 'TAKE_OUT' }), some),
    offer('lift', 'Lift, leave black', 'Delete', () => ask({ kind: 'LIFT' }), some),
    offer('off or on', 'Switch off or on', 'Q', () => ask({ kind: 'SWITCH' }), some),
    offer('duplicate', 'Duplicate', 'D', () => ask({ kind: 'DUPLICATE' }), !!one),
    offer('swap', 'Swap with the next piece', 'W', () => ask({ kind: 'SWAP' }), !!one),
    offer('stretch to the next', 'Stretch to the next piece', 'E', () => ask({ kind: 'FILL_GAP' }), !!one),
    offer('reverse', 'Reverse', 'R', () => ask({ kind: 'REVERSE' }), some),
    offer('hold', 'Hold the frame at the playhead', 'O', () => ask({ kind: 'HOLD', at: frame }), !!one && frame >= one.in && frame < one.out),
    offer('camera', 'Cut to another camera here', 'C', () => setCameras(true), !!here),
    offer('as in the cut', 'Make as in the cut', 'A', () => void asInCut(sequence, meant.map((s) => s.id)), some),
  ]
  const hidden: Action[] = [
    offer('', 'Head to the playhead', '[', () => one && ask({ kind: 'HEAD', at: frame }), !!one),
    offer('', 'Tail to the playhead', ']', () => one && ask({ kind: 'TAIL', at: frame + 1 }), !!one),
    offer('', 'Head to the playhead, the rest moves along', '{', () => one && ask({ kind: 'HEAD', at: frame, ripple: true }), !!one),
    offer('', 'Tail to the playhead, the rest moves along', '}', () => one && ask({ kind: 'TAIL', at: frame + 1, ripple: true }), !!one),
    offer('', 'Slip one frame earlier', ',', () => ask({ kind: 'SLIP', frames: -1 }), some),
    offer('', 'Slip one frame later', '.', () => ask({ kind: 'SLIP', frames: 1 }), some),
    offer('', 'Slip by …', ';', () => setQuestion({ label: 'Slip by', unit: 'frames', start: '10', give: (frames) => ask({ kind: 'SLIP', frames }) }), some),
    offer('', 'Slide one frame earlier', '<', () => ask({ kind: 'SLIDE', frames: -1 }), !!one),
    offer('', 'Slide one frame later', '>', () => ask({ kind: 'SLIDE', frames: 1 }), !!one),
    offer('', 'Stretch to a length of …', 'G', () => one && setQuestion({
      label: 'Stretch to', unit: 'frames, the rest moves along', start: String(one.out - one.in), give: (n) => ask({ kind: 'FILL', frames: n, ripple: true }),
    }), !!one),
    offer('', 'Speed …', 'P', () => one && setQuestion({
      label: 'Speed', unit: 'percent', start: percent(one), fraction: true, give: (n) => ask({ kind: 'SPEED', speed: `${Math.round(n * 1000)}/100000` }),
    }), !!one),
    offer('', 'Dissolve into …', 'Y', () => setQuestion({ label: 'Dissolve into it over', unit: 'frames, 0 for a cut', start: '12', give: (frames) => ask({ kind: 'DISSOLVE', frames }) }), !!one),
    offer('', 'Fade out …', 'U', () => setQuestion({ label: 'Fade out over', unit: 'frames, 0 for none', start: '12', give: (frames) => ask({ kind: 'FADE_OUT', frames }) }), !!one),
    offer('', 'New shot here …', 'N', () => setQuestion({ label: 'A new shot of', unit: 'frames', start: '48', give: (frames) => ask({ kind: 'NEW_SHOT', at: frame, frames, sections: [] }) }), true),
    offer('', 'Move the piece to the playhead', 'M', () => ask({ kind: 'MOVE', at: frame }), !!one),
    offer('', 'Choose the piece here', 'Enter', () => here && setDesk({ pieces: [here.id] }), !!here),
    offer('', 'Choose all pieces', 'Ctrl+A', () => setDesk({ pieces: sequence.sections.map((s) => s.id) }), true),
    offer('', 'Choose none', 'Escape', () => setDesk({ pieces: [] }), chosen.length > 0),
    offer('', 'Make all as in the cut', 'Ctrl+Shift+A', () => void asInCut(sequence, []), true),
  ]
  useActions('pieces', [...offers, ...hidden])
  return (
    <>
      <div className="flex h-[30px] shrink-0 items-center gap-4 border-t border-black/40 bg-[#262626] px-4 text-[13px]" aria-label="Chosen pieces">
        <span className="num whitespace-nowrap">{words(meant, chosen.length > 0)}</span>
        {slip && <span className="truncate text-bent" title={slip}>{slip}</span>}
        <span className="flex min-w-0 flex-1 items-center justify-end gap-3 overflow-hidden text-quiet">
          {some && offers.filter((o) => !o.disabled).map((o) => (
            <button key={o.name} type="button" className="link whitespace-nowrap" title={`${o.name}, ${o.keys}`} onClick={o.run}>{o.short}</button>
          ))}
        </span>
      </div>
      {question && <NumberBox question={question} close={() => setQuestion(undefined)} />}
      {cameras && here && (
        <CameraBox sequence={sequence} now={here} close={() => setCameras(false)}
          choose={(shotId) => ask({ kind: 'CUT_TO', at: frame, shotId, sections: [here.id] })} />
      )}
    </>
  )
}

function percent(section: Section): string {
  const [num, den] = section.speed.split('/').map(Number)
  return String(Math.round((num / (den || 1)) * 1000) / 10)
}

function words(meant: Section[], chosen: boolean): string {
  if (meant.length === 0) {
    return 'black'
  }
  const frames = meant.reduce((n, s) => n + s.out - s.in, 0)
  const [one] = meant
  return meant.length > 1 ? `${meant.length} pieces, ${frames} frames`
    : `${one.code} ${chosen ? 'chosen' : 'here'} · ${one.shotFirst}–${one.shotLast}, ${frames} frames${one.speed === '1' ? '' : ` · ${percent(one)} %`}${one.enabled ? '' : ' · off'} · action ${one.actionFirst}`
}
