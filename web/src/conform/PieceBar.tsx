import { useState } from 'react'
import { useActions } from '../desk/actions'
import { useDesk, useOfDesk } from '../desk/desk'
import { itemAt, lastOf } from '../parts/lists'
import { allPieces, liveAt } from '../playhead/lookup'
import { useCalmFrame } from '../playhead/useCalmFrame'
import { of } from '../server/client'
import type { Project, Section, Sequence } from '../server/types'
import { CameraBox } from './CameraBox'
import { type Asked, asInCut, ask, chosenPieces, edit, putSound } from './edits'
import { NumberBox, type Question } from './NumberBox'
import { PutBox } from './PutBox'
import { type Box, type Doing, pieceOffers } from './pieceOffers'
import { pieceWords } from './pieceWords'
import { TextBox } from './TextBox'

/** What can be done to the chosen pieces: each with its key, and what there is to know of them. */
export function PieceBar({ project, sequence }: { project: Project; sequence: Sequence }) {
  const { seam, pieces: ids, lane, range, copied } = useOfDesk('seam', 'pieces', 'lane', 'range', 'copied')
  const frame = useCalmFrame(sequence)
  const [question, setQuestion] = useState<Question>()
  const [box, setBox] = useState<Box>()
  const chosen = chosenPieces(sequence, ids)
  const { section: here } = liveAt(sequence, frame)
  // without a choice the piece under the playhead is meant; a choice that somebody took away means nothing else
  const gone = ids.length > 0 && chosen.length === 0
  const meant = chosen.length > 0 ? chosen : here && !gone ? [here] : []
  const targets = [...new Set(meant.map((s) => s.id))]
  const sections = targets.length === 0 ? [] : targets
  const mark = sequence.marks.find((m) => frame >= m.in && frame < m.out)
  const doing: Doing = {
    sequence,
    frame,
    here,
    meant,
    range,
    lane,
    copied,
    mark,
    one: targets.length === 1 ? whole(sequence, itemAt(targets, 0)) : undefined,
    chosen: chosen.length > 0,
    ask: (asked: Asked) => void edit(sequence, { sections, ...asked }),
    gone,
    asInCut: (of: number[]) => void asInCut(sequence, of),
    question: setQuestion,
    open: setBox,
    targets,
  }
  const offers = pieceOffers(doing)
  useActions('pieces', offers)
  // what there is to know of a seam goes when one leaves it
  const slip = Math.abs(frame - (seam ?? -9)) <= 1 ? sequence.seams.find((s) => s.at === seam)?.action : undefined
  return (
    <>
      <div
        className="flex h-[30px] shrink-0 items-center gap-4 max-[900px]:h-auto max-[900px]:flex-wrap max-[900px]:gap-y-1 max-[900px]:py-1 border-t border-black/40 bg-[#262626] px-4 text-[13px]"
        role="toolbar"
        aria-label="Chosen pieces"
      >
        <span className={`num whitespace-nowrap max-[900px]:whitespace-normal ${gone ? 'text-bent' : ''}`}>
          {gone ? 'what was chosen is not there any more: Esc, then choose again' : pieceWords(meant, chosen.length > 0)}
        </span>
        {mark && (
          <span className="truncate text-quiet" title={`${mark.words}, ${mark.who}`}>
            “{mark.words}” {mark.who}
          </span>
        )}
        {slip && (
          <span className="truncate text-bent" title={slip}>
            {slip}
          </span>
        )}
        <span className="flex min-w-0 flex-1 items-center justify-end gap-3 overflow-hidden text-quiet max-[900px]:flex-auto max-[900px]:flex-wrap max-[900px]:justify-start">
          {meant.length > 0 &&
            offers
              .filter((o) => o.short && !o.disabled)
              .map((o) => (
                <button key={o.name} type="button" className="link whitespace-nowrap" title={`${o.name}, ${o.keys}`} onClick={o.run}>
                  {o.short}
                </button>
              ))}
        </span>
      </div>
      {question && <NumberBox question={question} close={() => setQuestion(undefined)} />}
      {box === 'camera' && here && (
        <CameraBox
          sequence={sequence}
          now={here}
          close={() => setBox(undefined)}
          choose={(shotId) =>
            doing.ask({ kind: 'CUT_TO', at: useDesk.getState().frame, shotId, sections: [here.nest?.innerId ?? here.id] })
          }
        />
      )}
      {(box === 'insert' || box === 'over' || box === 'replace' || box === 'sound') && (
        <PutBox
          project={project}
          sequence={sequence}
          way={box === 'sound' ? 'over' : box}
          start={box === 'sound' ? 'sound' : 'shot'}
          putSound={(mediaId) => void putSound(sequence, mediaId)}
          close={() => setBox(undefined)}
          put={(piece) =>
            doing.ask(
              box === 'replace'
                ? { kind: 'REPLACE', piece }
                : { kind: 'PUT', at: useDesk.getState().frame, ripple: box === 'insert', lane, piece, sections: [] },
            )
          }
        />
      )}
      {box === 'nest' && (
        <TextBox
          label="A master of these pieces, called"
          start={`${sequence.name} part`}
          close={() => setBox(undefined)}
          give={(text) => doing.ask({ kind: 'NEST', text })}
        />
      )}
      {box === 'words' && mark && (
        <TextBox
          label="The mark says"
          start={mark.words}
          close={() => setBox(undefined)}
          give={(words) => void ask('/api/marks/{id}', { ...of(mark.id), body: { words } })}
        />
      )}
      {box === 'mark' && (
        <TextBox
          label={chosen.length > 0 ? 'Mark on the piece' : 'Mark'}
          hint={chosen.length > 0 ? 'goes along with the piece, Enter' : 'Enter'}
          close={() => setBox(undefined)}
          give={(text) =>
            void ask('/api/masters/{id}/marks', {
              ...of(sequence.id),
              body: {
                ...markAt(useDesk.getState().frame, range),
                words: text,
                section: chosen[0]?.nest ? undefined : chosen[0]?.id,
              },
            })
          }
        />
      )}
    </>
  )
}

/** A nested master counts as one piece, from its first part to its last. */
function whole(sequence: Sequence, id: number): Section | undefined {
  const parts = allPieces(sequence).filter((s) => s.id === id)
  return parts.length > 1 ? { ...itemAt(parts, 0), out: lastOf(parts).out, shotLast: lastOf(parts).shotLast } : parts[0]
}

/** The marked range where the playhead is in it, else the one frame. */
function markAt(frame: number, range: { in?: number; out?: number }) {
  const { in: first, out: after } = range
  const inside = first !== undefined && after !== undefined && frame >= first && frame < after
  return inside ? { at: first, frames: after - first } : { at: frame, frames: 1 }
}
