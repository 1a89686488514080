import { setDesk, useOfDesk } from '../desk/desk'
import { itemAt } from '../parts/lists'
import { plural } from '../parts/words'
import { liveAt } from '../playhead/lookup'
import { goTo } from '../playhead/transport'
import { useCalmFrame } from '../playhead/useCalmFrame'
import type { Section, Sequence } from '../server/types'
import { choosePiece } from './edits'

/** How many pieces before and after the playhead are named. */
const AROUND = 6

/**
 * The lanes for those who do not see them: pieces and seams around the playhead as buttons with names, and what the
 * keys come to said as it happens.
 */
export function LaneReader({ sequence, label }: { sequence: Sequence; label: (frame: number) => string }) {
  const { pieces, seam, sound } = useOfDesk('pieces', 'seam', 'sound')
  const frame = useCalmFrame(sequence)
  const { section, upper } = liveAt(sequence, frame)
  const lane = upper >= 0 ? itemAt(sequence.upper, upper).sections : sequence.sections
  const index = section ? lane.indexOf(section) : lane.findIndex((s) => s.in > frame)
  const from = Math.max(0, index - AROUND)
  const around = lane.slice(from, Math.max(0, index) + AROUND + 1)
  const here = sequence.seams.find((s) => s.at === seam)
  return (
    <div className="lane-reader" role="region" aria-label="Pieces and seams at the playhead">
      <p role="status" aria-live="polite">
        {here
          ? seamWords(sequence, here.at, label)
          : section
            ? pieceWords(section, label, pieces.includes(section.id))
            : `black at ${label(frame)}`}
      </p>
      <ul>
        {around.map((s) => (
          <li key={s.in}>
            <button
              type="button"
              aria-pressed={pieces.includes(s.id)}
              aria-current={s === section}
              onClick={(e) => {
                goTo(s.in)
                choosePiece(sequence, s.id, e.ctrlKey, e.shiftKey)
              }}
            >
              {pieceWords(s, label, false)}
            </button>
            {upper < 0 && sequence.seams.some((m) => m.at === s.out) && (
              <button
                type="button"
                aria-pressed={seam === s.out}
                onClick={() => {
                  setDesk({ seam: s.out })
                  goTo(s.out)
                }}
              >
                {seamWords(sequence, s.out, label)}
              </button>
            )}
          </li>
        ))}
        {sequence.sound
          .filter((s) => frame >= s.in && frame < s.out)
          .map((s) => (
            <li key={`sound${s.id}`}>
              <button type="button" aria-pressed={sound === s.id} onClick={() => setDesk({ sound: s.id, pieces: [], seam: undefined })}>
                {`sound ${s.name} on ${s.lane}, ${plural(s.out - s.in, 'frame')} from ${label(s.in)}, ${s.level} decibels${s.gain === 0 ? ', not heard' : ''}`}
              </button>
            </li>
          ))}
        {sequence.marks.map((m) => (
          <li key={`mark${m.id}`}>
            <button type="button" onClick={() => goTo(m.in)}>{`mark at ${label(m.in)}, ${m.words}, ${m.who}`}</button>
          </li>
        ))}
      </ul>
    </div>
  )
}

function pieceWords(s: Section, label: (frame: number) => string, chosen: boolean): string {
  const parts = [
    s.nest ? `${s.code} in ${s.nest.name}` : s.code,
    `${plural(s.out - s.in, 'frame')} from ${label(s.in)}`,
    s.content === 'SHOT' && !s.staged && 'not staged',
    !s.enabled && 'off',
    s.speed !== '1' && `speed ${s.speed}`,
    chosen && 'chosen',
  ]
  return parts.filter(Boolean).join(', ')
}

function seamWords(sequence: Sequence, at: number, label: (frame: number) => string): string {
  const seam = sequence.seams.find((s) => s.at === at)
  const bend = seam?.cutBend ?? 0
  const against = bend === 0 ? 'as in the cut' : `${plural(Math.abs(bend), 'frame')} ${bend > 0 ? 'later' : 'earlier'} than the cut`
  return `seam at ${label(at)}, ${seam?.cut === undefined ? 'not in the cut' : against}${seam?.action ? `, ${seam.action}` : ''}`
}
