import { BoardPicture } from '../pictures/BoardPicture'
import { CameraPicture } from '../pictures/CameraPicture'
import type { Change, Project, Sequence, Turnover } from '../server/types'

/** What the newer cut shows there, beside what our camera has. */
export function WhatItAsks({ project, sequence, list, change }: { project: Project; sequence: Sequence; list: Turnover; change: Change }) {
  const theirs = list.theirs[change.theirs]
  const ours = list.ours[change.ours]
  const section = ours && sequence.sections.find((s) => s.in === ours.in)
  return (
    <>
      <div className="flex h-8 items-center gap-2">
        <b className="num font-semibold">{change.code || 'new'}</b>
        <span className="truncate text-quiet">{change.words}</span>
      </div>
      <div className="flex gap-3">
        <figure className="min-w-0 flex-1">
          <div className="relative overflow-hidden bg-deep" style={{ aspectRatio: '16 / 9' }}>
            {theirs ? <BoardPicture mediaId={theirs.mediaId} name={theirs.name} /> : <p className="p-3 text-quiet">not in this cut any more</p>}
          </div>
          <figcaption className="mt-1 truncate text-[13px] text-quiet">Cut {list.version}{theirs && `: ${theirs.name}, ${theirs.out - theirs.in} frames`}</figcaption>
        </figure>
        <figure className="min-w-0 flex-1">
          <div className="relative overflow-hidden bg-deep" style={{ aspectRatio: '16 / 9' }}>
            {section ? <CameraPicture projectId={project.id} sceneId={project.sceneId} section={section} frame={section.in} /> : <p className="p-3 text-quiet">a shot, a camera and a board will be made</p>}
          </div>
          <figcaption className="mt-1 truncate text-[13px] text-quiet">
            {ours ? `Ours: ${ours.out - ours.in} frames` : ''}
            {change.covered !== change.coveredOut && ` · camera work and handles ${change.covered}–${change.coveredOut - 1}`}
          </figcaption>
        </figure>
      </div>
      {change.missing > 0 && change.kind !== 'NEW' && <p className="num mt-1 text-bent">{change.missing} frames with no camera work</p>}
    </>
  )
}
