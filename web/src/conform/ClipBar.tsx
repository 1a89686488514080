import { useState } from 'react'
import { useActions } from '../desk/actions'
import { useDesk, useOfDesk } from '../desk/desk'
import { itemAt, lastOf } from '../parts/lists'
import { allClips, liveAt } from '../playhead/lookup'
import { useCalmFrame } from '../playhead/useCalmFrame'
import { of } from '../server/client'
import type { Clip, Master, Project } from '../server/types'
import { CameraBox } from './CameraBox'
import { type Box, clipOffers, type Doing } from './clipOffers'
import { clipWords } from './clipWords'
import { type Asked, asInCut, ask, chosenClips, edit, putSound } from './edits'
import { InsertBox } from './InsertBox'
import { NumberBox, type Question } from './NumberBox'
import { TextBox } from './TextBox'

/** What can be done to the chosen clips: each with its key, and what there is to know of them. */
export function ClipBar({ project, master }: { project: Project; master: Master }) {
  const { seam, clips: ids, track, range, copied } = useOfDesk('seam', 'clips', 'track', 'range', 'copied')
  const frame = useCalmFrame(master)
  const [question, setQuestion] = useState<Question>()
  const [box, setBox] = useState<Box>()
  const chosen = chosenClips(master, ids)
  const { clip: here } = liveAt(master, frame)
  // without a choice the clip under the playhead is meant; a choice that somebody took away means nothing else
  const gone = ids.length > 0 && chosen.length === 0
  const meant = chosen.length > 0 ? chosen : here && !gone ? [here] : []
  const targets = [...new Set(meant.map((s) => s.id))]
  const clips = targets.length === 0 ? [] : targets
  const marker = master.markers.find((m) => frame >= m.in && frame < m.out)
  const doing: Doing = {
    master,
    frame,
    here,
    meant,
    range,
    track,
    copied,
    marker,
    one: targets.length === 1 ? whole(master, itemAt(targets, 0)) : undefined,
    chosen: chosen.length > 0,
    ask: (asked: Asked) => void edit(master, { clips, ...asked }),
    gone,
    asInCut: (of: number[]) => void asInCut(master, of),
    question: setQuestion,
    open: setBox,
    targets,
  }
  const offers = clipOffers(doing)
  useActions('clips', offers)
  // what there is to know of a seam goes when one leaves it
  const slip = Math.abs(frame - (seam ?? -9)) <= 1 ? master.seams.find((s) => s.at === seam)?.action : undefined
  return (
    <>
      <div
        className="flex h-[30px] shrink-0 items-center gap-4 max-[900px]:h-auto max-[900px]:flex-wrap max-[900px]:gap-y-1 max-[900px]:py-1 border-t border-black/40 bg-[#262626] px-4 text-[13px]"
        role="toolbar"
        aria-label="Chosen clips"
      >
        <span className={`num whitespace-nowrap max-[900px]:whitespace-normal ${gone ? 'text-offset' : ''}`}>
          {gone ? 'what was chosen is not there any more: Esc, then choose again' : clipWords(meant, chosen.length > 0)}
        </span>
        {marker && (
          <span className="truncate text-quiet" title={`${marker.words}, ${marker.who}`}>
            “{marker.words}” {marker.who}
          </span>
        )}
        {slip && (
          <span className="truncate text-offset" title={slip}>
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
          master={master}
          now={here}
          close={() => setBox(undefined)}
          choose={(shotId) => doing.ask({ kind: 'CUT_TO', at: useDesk.getState().frame, shotId, clips: [here.nest?.innerId ?? here.id] })}
        />
      )}
      {(box === 'insert' || box === 'overwrite' || box === 'replace' || box === 'sound') && (
        <InsertBox
          project={project}
          master={master}
          way={box === 'sound' ? 'overwrite' : box}
          start={box === 'sound' ? 'sound' : 'shot'}
          putSound={(mediaId) => void putSound(master, mediaId)}
          close={() => setBox(undefined)}
          put={(clip) =>
            doing.ask(
              box === 'replace'
                ? { kind: 'REPLACE', clip }
                : { kind: 'PUT', at: useDesk.getState().frame, ripple: box === 'insert', track, clip, clips: [] },
            )
          }
        />
      )}
      {box === 'nest' && (
        <TextBox
          label="A master of these clips, called"
          start={`${master.name} part`}
          close={() => setBox(undefined)}
          give={(text) => doing.ask({ kind: 'NEST', text })}
        />
      )}
      {box === 'words' && marker && (
        <TextBox
          label="The marker says"
          start={marker.words}
          close={() => setBox(undefined)}
          give={(words) => void ask('/api/markers/{id}', { ...of(marker.id), body: { words } })}
        />
      )}
      {box === 'marker' && (
        <TextBox
          label={chosen.length > 0 ? 'Marker on the clip' : 'Marker'}
          hint={chosen.length > 0 ? 'goes along with the clip, Enter' : 'Enter'}
          close={() => setBox(undefined)}
          give={(text) =>
            void ask('/api/masters/{id}/markers', {
              ...of(master.id),
              body: {
                ...markerAt(useDesk.getState().frame, range),
                words: text,
                clip: chosen[0]?.nest ? undefined : chosen[0]?.id,
              },
            })
          }
        />
      )}
    </>
  )
}

/** A nested master counts as one clip, from its first part to its last. */
function whole(master: Master, id: number): Clip | undefined {
  const parts = allClips(master).filter((s) => s.id === id)
  return parts.length > 1 ? { ...itemAt(parts, 0), out: lastOf(parts).out, shotLast: lastOf(parts).shotLast } : parts[0]
}

/** The marked range where the playhead is in it, else the one frame. */
function markerAt(frame: number, range: { in?: number; out?: number }) {
  const { in: first, out: after } = range
  const inside = first !== undefined && after !== undefined && frame >= first && frame < after
  return inside ? { at: first, frames: after - first } : { at: frame, frames: 1 }
}
