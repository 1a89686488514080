import { setDesk, useOfDesk } from '../desk/desk'
import { itemAt } from '../parts/lists'
import { plural } from '../parts/words'
import { liveAt } from '../playhead/lookup'
import { goTo } from '../playhead/transport'
import { useCalmFrame } from '../playhead/useCalmFrame'
import type { Clip, Master } from '../server/types'
import { chooseClip } from './edits'

/** How many clips before and after the playhead are named. */
const AROUND = 6

/**
 * The tracks for those who do not see them: clips and seams around the playhead as buttons with names, and what the
 * keys come to said as it happens.
 */
export function TrackReader({ master, label }: { master: Master; label: (frame: number) => string }) {
  const { clips, seam, sound } = useOfDesk('clips', 'seam', 'sound')
  const frame = useCalmFrame(master)
  const { clip, upper } = liveAt(master, frame)
  const track = upper >= 0 ? itemAt(master.upper, upper).clips : master.clips
  const index = clip ? track.indexOf(clip) : track.findIndex((s) => s.in > frame)
  const from = Math.max(0, index - AROUND)
  const around = track.slice(from, Math.max(0, index) + AROUND + 1)
  const here = master.seams.find((s) => s.at === seam)
  return (
    <div className="track-reader" role="region" aria-label="Clips and seams at the playhead">
      <p role="status" aria-live="polite">
        {here ? seamWords(master, here.at, label) : clip ? clipWords(clip, label, clips.includes(clip.id)) : `black at ${label(frame)}`}
      </p>
      <ul>
        {around.map((s) => (
          <li key={s.in}>
            <button
              type="button"
              aria-pressed={clips.includes(s.id)}
              aria-current={s === clip}
              onClick={(e) => {
                goTo(s.in)
                chooseClip(master, s.id, e.ctrlKey, e.shiftKey)
              }}
            >
              {clipWords(s, label, false)}
            </button>
            {upper < 0 && master.seams.some((m) => m.at === s.out) && (
              <button
                type="button"
                aria-pressed={seam === s.out}
                onClick={() => {
                  setDesk({ seam: s.out })
                  goTo(s.out)
                }}
              >
                {seamWords(master, s.out, label)}
              </button>
            )}
          </li>
        ))}
        {master.sound
          .filter((s) => frame >= s.in && frame < s.out)
          .map((s) => (
            <li key={`sound${s.id}`}>
              <button type="button" aria-pressed={sound === s.id} onClick={() => setDesk({ sound: s.id, clips: [], seam: undefined })}>
                {`sound ${s.name} on ${s.track}, ${plural(s.out - s.in, 'frame')} from ${label(s.in)}, ${s.level} decibels${s.gain === 0 ? ', not heard' : ''}`}
              </button>
            </li>
          ))}
        {master.markers.map((m) => (
          <li key={`marker${m.id}`}>
            <button type="button" onClick={() => goTo(m.in)}>{`marker at ${label(m.in)}, ${m.words}, ${m.who}`}</button>
          </li>
        ))}
      </ul>
    </div>
  )
}

function clipWords(s: Clip, label: (frame: number) => string, chosen: boolean): string {
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

function seamWords(master: Master, at: number, label: (frame: number) => string): string {
  const seam = master.seams.find((s) => s.at === at)
  const offset = seam?.cutOffset ?? 0
  const against = offset === 0 ? 'as in the cut' : `${plural(Math.abs(offset), 'frame')} ${offset > 0 ? 'later' : 'earlier'} than the cut`
  return `seam at ${label(at)}, ${seam?.cut === undefined ? 'not in the cut' : against}${seam?.action ? `, ${seam.action}` : ''}`
}
