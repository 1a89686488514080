import { useState } from 'react'
import { useColleague } from '../desk/colleague'
import { setDesk, useDesk } from '../desk/desk'
import { sayError } from '../desk/messages'
import { onTheWay } from '../desk/onTheWay'
import { plural } from '../parts/words'
import { useLabels } from '../playhead/labels'
import { liveAt, passingFrom, shareAt, shotFrameAt } from '../playhead/lookup'
import { goTo, useTransport, wholeRange } from '../playhead/transport'
import { get, of } from '../server/client'
import type { Master, Project } from '../server/types'
import { openCommands } from './CommandBox'
import { TaskLine } from './TaskLine'

const HINTS: Record<string, [string, string][]> = {
  Intake: [
    ['N', 'next remark'],
    ['Ctrl Enter', 'receive'],
  ],
  Conform: [
    ['J K L', 'play'],
    ['↑ ↓', 'seams'],
    ['B', 'next differing'],
    ['+ −', 'move seam'],
    ['S X', 'split, extract'],
  ],
  Stage: [
    ['K', 'key here'],
    [', .', 'key to key'],
    ['V', 'steer'],
    ['G', 'film from here'],
    ['O', 'board over'],
  ],
  Renders: [
    ['A', 'all shots'],
    ['R', 'render'],
  ],
  Review: [
    ['W', 'side by side, wiped'],
    ['X', 'flick'],
    ['J K L', 'play'],
  ],
  Turnover: [
    ['↑ ↓', 'change to change'],
    ['Space', 'take or leave'],
    ['Enter', 'apply'],
  ],
}

/** The frame in every reading; typing into the first goes there. */
export function StatusLine({ project, master }: { project: Project; master?: Master }) {
  const { frame, view, units } = useDesk()
  const range = wholeRange()
  const { speed, dropped } = useTransport()
  const colleague = useColleague((c) => c.text)
  const label = useLabels(master?.id, master?.masterStart ?? 0, master?.framesPerSecond ?? 24, units)
  const { clip, before } = liveAt(master, frame)
  const passing = passingFrom(clip, before, frame)
  return (
    <footer className="flex h-[30px] shrink-0 items-center gap-5 max-[900px]:h-auto max-[900px]:flex-wrap max-[900px]:gap-y-1 max-[900px]:py-1 border-t border-black/40 bg-deep px-4 text-[13px]">
      {master ? (
        <>
          <TypedFrame master={master} label={label(frame)} />
          <span className="num whitespace-nowrap text-quiet" title={`Running time ${runningTime(master)}`}>
            {recordWords(master, frame)}
          </span>
          {range && <span className="num whitespace-nowrap text-quiet">range {plural(range.out - range.in, 'frame')}</span>}
          {clip && clip.content === 'SHOT' ? (
            <span className="num whitespace-nowrap text-quiet">
              {passing
                ? `${passing.code} passes into ${clip.code}, ${Math.round(shareAt(clip, frame) * 100)} %`
                : `${clip.code}, frame ${shotFrameAt(clip, frame)} of ${clip.shotFirst}–${clip.shotLast}`}
            </span>
          ) : (
            <span className="truncate text-quiet">{clip?.code ?? 'black'}</span>
          )}
          {dropped > 0 && (
            <span className="num whitespace-nowrap text-offset" role="status">
              {dropped} {dropped === 1 ? 'frame' : 'frames'} dropped
            </span>
          )}
          {speed !== 0 && speed !== 1 && <span className="num text-quiet">{speed > 0 ? `${speed} ×` : `−${-speed} ×`}</span>}
        </>
      ) : (
        <span className="text-quiet">{project.name}</span>
      )}
      <span className="ml-auto" />
      {colleague && (
        <span className="min-w-0 truncate text-quiet" role="status">
          {colleague}
        </span>
      )}
      <TaskLine projectId={project.id} />
      <span className="flex h-[30px] min-w-0 max-[900px]:hidden flex-wrap items-center justify-end gap-x-4 overflow-hidden whitespace-nowrap">
        {HINTS[view]?.map(([key, text]) => (
          <span key={key} className="flex h-[30px] items-center gap-1.5">
            {key.split(' ').map((k) => (
              <span key={k} className="key self-center">
                {k}
              </span>
            ))}{' '}
            {text}
          </span>
        ))}
      </span>
      <button type="button" className="flex shrink-0 items-center gap-1.5 whitespace-nowrap" onClick={openCommands}>
        <span className="key">Ctrl K</span> do anything
      </button>
    </footer>
  )
}

/** Minutes and seconds of the whole master. */
function runningTime({ masterStart, masterEnd, framesPerSecond }: Master): string {
  const seconds = (masterEnd - masterStart) / framesPerSecond
  return `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, '0')} min`
}

function recordWords(master: Master, frame: number) {
  const { masterStart, masterEnd } = master
  return frame < masterStart
    ? `${plural(masterStart - frame, 'frame')} before the master`
    : frame >= masterEnd
      ? `${plural(frame - masterEnd + 1, 'frame')} past the master`
      : `record ${frame - masterStart + 1} of ${masterEnd - masterStart}`
}

function TypedFrame({ master, label }: { master: Master; label: string }) {
  const [typed, setTyped] = useState<string>()
  const go = async (text: string): Promise<boolean> => {
    try {
      const { frame, units } = useDesk.getState()
      const at = await get(
        '/api/masters/{id}/position',
        of(master.id, { text, from: frame, unit: units.toUpperCase() as Uppercase<typeof units> }),
      )
      if (at.frame < master.start || at.frame >= master.end) {
        sayError(
          new Error(
            `${at.label} lies ${at.frame < master.start ? 'before the first' : 'after the last'} frame of the master: gone to that`,
          ),
        )
      }
      goTo(at.frame)
      // a name, not a number: what is done next is meant for that shot
      if (/\p{L}/u.test(text)) {
        const { clip: shot } = liveAt(master, at.frame)
        setDesk({ clips: shot ? [shot.id] : [], seam: undefined, sound: undefined })
      }
      return true
    } catch (e) {
      sayError(e)
      return false
    }
  }
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault()
        if (typed?.trim()) {
          void onTheWay(() => go(typed))
        }
        setTyped(undefined)
        ;(document.activeElement as HTMLElement | null)?.blur()
      }}
    >
      <input
        className="num w-[104px] bg-transparent text-[14px]"
        aria-label="Go to a timecode, or by frames"
        title="Type a timecode, +12 or -1:00, or a shot's name"
        value={typed ?? label}
        onFocus={(e) => {
          setTyped('')
          e.target.value = ''
        }}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => setTyped(undefined)}
        placeholder={label}
      />
    </form>
  )
}
