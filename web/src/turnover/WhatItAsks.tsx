import { sayError } from '../desk/messages'
import { plural } from '../parts/words'
import { BoardPicture } from '../pictures/BoardPicture'
import { CameraPicture } from '../pictures/CameraPicture'
import { Fills, useFilling } from '../pictures/Fills'
import { shapeOf } from '../pictures/shape'
import { of, post } from '../server/client'
import { refreshEdited } from '../server/queries'
import type { Change, Clip, Master, Project, Turnover } from '../server/types'

/** What the newer cut shows there, beside what our camera has. */
export function WhatItAsks({ project, master, list, change }: { project: Project; master: Master; list: Turnover; change: Change }) {
  const theirs = list.theirs[change.theirs]
  const ours = list.ours[change.ours]
  const clip = ours && master.clips.find((s) => s.in === ours.in)
  const sameSource = () =>
    void post('/api/cuts/{id}/turnover/sources', {
      ...of(list.cutId),
      body: { pairs: [{ older: change.olderKey, newer: change.newerKey }], same: true },
    })
      .then(() => refreshEdited(project.id))
      .catch(sayError)
  useFilling(['turnover'], 'turnover')
  return (
    <>
      <div className="flex h-8 items-center gap-2">
        <b className="num font-semibold">{change.code || 'new'}</b>
        <span className="truncate text-quiet">{change.words}</span>
        {change.kind === 'REPLACED' && change.newerKey && (
          <button type="button" className="link ml-auto shrink-0" onClick={sameSource} title="Remembered for the project">
            the same source under another name
          </button>
        )}
      </div>
      <Fills name="turnover" className="flex-none!">
        <div className="flex gap-3">
          <figure className="min-w-0 flex-1">
            <div className="relative overflow-hidden bg-deep" style={{ aspectRatio: shapeOf(project) }}>
              {theirs ? (
                <BoardPicture mediaId={theirs.mediaId} name={theirs.name} slate={theirs.slate} frame={theirs.mediaFrame} />
              ) : (
                <p className="p-3 text-quiet">not in this cut any more</p>
              )}
            </div>
            <figcaption className="mt-1 truncate text-[13px] text-quiet">
              Cut {list.version}
              {theirs && `: ${theirs.name}, ${theirs.out - theirs.in} frames`}
            </figcaption>
          </figure>
          <figure className="min-w-0 flex-1">
            <div className="relative overflow-hidden bg-deep" style={{ aspectRatio: shapeOf(project) }}>
              {clip ? (
                <CameraPicture projectId={project.id} clip={clip} frame={clip.in} framesPerSecond={master.framesPerSecond} />
              ) : (
                <p className="p-3 text-quiet">a shot, a camera and a board will be made</p>
              )}
            </div>
            <figcaption className="mt-1 truncate text-[13px] text-quiet">
              {ours ? `Ours: ${plural(ours.out - ours.in, 'frame')}` : ''}
              {change.covered && ` · camera work ${change.covered.in}–${change.covered.out - 1}`}
            </figcaption>
          </figure>
        </div>
      </Fills>
      {clip && theirs && change.shown && change.covered && (
        <Spans
          clip={clip}
          change={change}
          shown={change.shown}
          covered={change.covered}
          version={list.version}
          length={theirs.out - theirs.in}
        />
      )}
    </>
  )
}

type Span = { in: number; out: number }
type SpansProps = { clip: Clip; change: Change; shown: Span; covered: Span; version: number; length: number }

/** Our frames, the newer cut's, and the frames that there is camera work for, on one axis of shot frames. */
function Spans({ clip, change, shown, covered, version, length }: SpansProps) {
  const ours = { in: Math.min(clip.shotFirst, clip.shotLast), out: Math.max(clip.shotFirst, clip.shotLast) + 1 }
  const low = Math.min(ours.in, shown.in, covered.in)
  const span = Math.max(ours.out, shown.out, covered.out) - low
  const bar = ({ in: a, out: b }: Span, colour: string, words: string) => (
    <div className="relative mt-1.5 h-6">
      <div
        className={`absolute inset-y-0 overflow-hidden whitespace-nowrap px-2 leading-6 ${colour}`}
        style={{ left: `${((a - low) / span) * 100}%`, width: `${((b - a) / span) * 100}%` }}
      >
        {words}
      </div>
    </div>
  )
  return (
    <div className="mt-2 text-[13px]">
      {bar(ours, 'bg-[#55636a]', `ours, ${ours.in}–${ours.out - 1}`)}
      {bar(
        shown,
        'bg-[#e9e4d8] text-[#22282b]',
        `cut ${version}, ${shown.in}–${shown.out - 1}${shown.out - shown.in !== length ? ` in ${plural(length, 'frame')}` : ''}`,
      )}
      {bar(covered, 'bg-[#3d3d3d] text-text', `camera work, ${covered.in}–${covered.out - 1}`)}
      {change.missing > 0 && <p className="num mt-1 text-right text-offset">{plural(change.missing, 'frame')} with no camera work</p>}
    </div>
  )
}
