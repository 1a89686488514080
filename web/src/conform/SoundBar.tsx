import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { plural, signed } from '../parts/words'
import { of } from '../server/client'
import type { LaidSound, Master } from '../server/types'
import { ask } from './edits'
import { NumberBox, type Question } from './NumberBox'

/** What can be done to the chosen clip of sound and its track. */
export function SoundBar({ master, sound }: { master: Master; sound: LaidSound }) {
  const [question, setQuestion] = useState<Question>()
  const track = master.soundTracks.find((l) => l.name === sound.track)
  const change = (part: { offset?: number; head?: number; tail?: number; level?: number; fadeIn?: number; fadeOut?: number }) =>
    void ask('/api/sounds/{id}', { ...of(sound.id), body: part })
  const number =
    (label: string, unit: string, start: number, give: (n: number) => void, fraction = false) =>
    () =>
      setQuestion({ label, unit, start: String(start), give, fraction })
  const goAlong = (by: number) => {
    const all = [...master.sound].sort((a, b) => a.track.localeCompare(b.track) || a.in - b.in)
    const to = all[all.findIndex((s) => s.id === sound.id) + by]
    if (to) {
      setDesk({ sound: to.id, frame: to.in })
    }
  }
  const offers = [
    { name: 'One frame earlier', short: '', keys: ',', run: () => change({ offset: -1 }) },
    { name: 'One frame later', short: '', keys: '.', run: () => change({ offset: 1 }) },
    { name: 'Ten frames earlier', short: '', keys: '<', run: () => change({ offset: -10 }) },
    { name: 'Ten frames later', short: '', keys: '>', run: () => change({ offset: 10 }) },
    {
      name: 'Move against the picture by …',
      short: 'move',
      keys: 'M',
      run: number('Move by', 'frames, − earlier', 1, (offset) => change({ offset })),
    },
    {
      name: 'Begin later or earlier by …',
      short: 'head',
      keys: '[',
      run: number('Begin later by', 'frames, − earlier', 1, (head) => change({ head })),
    },
    {
      name: 'End later or earlier by …',
      short: 'tail',
      keys: ']',
      run: number('End later by', 'frames, − earlier', 1, (tail) => change({ tail })),
    },
    {
      name: 'Split at the playhead',
      short: 'split',
      keys: 'S',
      run: () => void ask('/api/sounds/{id}/split', of(sound.id, { at: useDesk.getState().frame })),
    },
    { name: 'Take out', short: 'take out', keys: 'X Delete', run: () => void ask('/api/sounds/{id}/remove', of(sound.id)) },
    { name: 'Level …', short: 'level', keys: 'G', run: number('Level', 'decibels', sound.level, (level) => change({ level }), true) },
    {
      name: 'Level of the track …',
      short: 'track level',
      keys: 'Shift+G',
      run: number(
        'Level of the track',
        'decibels',
        track?.level ?? 0,
        (level) => void ask('/api/masters/{id}/sound-tracks', { ...of(master.id), body: { name: sound.track, level } }),
        true,
      ),
    },
    {
      name: 'Fade in …',
      short: 'fade in',
      keys: 'Y',
      run: number('Fade in over', 'frames', sound.fadeIn || 24, (fadeIn) => change({ fadeIn })),
    },
    {
      name: 'Fade out …',
      short: 'fade out',
      keys: 'U',
      run: number('Fade out over', 'frames', sound.fadeOut || 24, (fadeOut) => change({ fadeOut })),
    },
    { name: 'Next sound', short: '', keys: 'Alt+ArrowRight', run: () => goAlong(1) },
    { name: 'Sound before', short: '', keys: 'Alt+ArrowLeft', run: () => goAlong(-1) },
    { name: 'Choose no sound', short: 'done', keys: 'Escape', run: () => setDesk({ sound: undefined }) },
  ]
  useActions(
    'sound',
    offers.map((o) => ({ group: 'Sound', name: o.name, keys: o.keys, run: o.run })),
  )
  return (
    <>
      <div
        className="flex h-[30px] shrink-0 items-center gap-4 border-t border-black/40 bg-[#262626] px-4 text-[13px]"
        role="toolbar"
        aria-label="Chosen sound"
      >
        <span className="num truncate">
          {sound.name} · {plural(sound.out - sound.in, 'frame')} · {sound.level > 0 ? '+' : ''}
          {sound.level} dB{track?.level ? `, its track ${signed(track.level)} dB` : ''}
          {sound.gain === 0 ? ' · not heard' : ''}
        </span>
        <span className="flex min-w-0 flex-1 items-center justify-end gap-3 overflow-hidden text-quiet">
          {offers
            .filter((o) => o.short)
            .map((o) => (
              <button key={o.name} type="button" className="link whitespace-nowrap" title={`${o.name}, ${o.keys}`} onClick={o.run}>
                {o.short}
              </button>
            ))}
        </span>
      </div>
      {question && <NumberBox question={question} close={() => setQuestion(undefined)} />}
    </>
  )
}
