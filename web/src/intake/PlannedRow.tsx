import { plural } from '../parts/words'
import type { PlannedShot } from '../server/types'
import { CameraCell } from './CameraCell'

type Props = {
  shot: PlannedShot
  selected: boolean
  /** nothing can be chosen any more */
  received: boolean
  first: boolean
  choose: () => void
  apart: (seam: number, keep: boolean) => void
  camera: (name: string) => void
}

export const COLUMNS =
  'grid-cols-[84px_76px_96px_1fr_1.2fr_124px] max-[900px]:grid-cols-[72px_60px_84px_minmax(0,1fr)_minmax(0,1.2fr)] max-[900px]:[&>*:nth-child(6)]:hidden'

/** A shot as it will be. */
export function PlannedRow({ shot, selected, received, first, choose, apart, camera }: Props) {
  const mixed = shot.out - shot.in - shot.cutFrames
  return (
    <div
      role="group"
      className={`grid h-full ${COLUMNS} items-center gap-2 border-b border-line/70 ${selected ? 'bg-[#3a4341]' : ''}`}
      onClick={choose}
    >
      <span className="relative ml-2 h-[38px] w-[68px] overflow-hidden bg-deep">
        {shot.mediaId ? (
          <img
            src={`/api/media/${shot.mediaId}/picture?width=240&frame=${shot.mediaFrame}`}
            alt=""
            loading="lazy"
            className="h-full w-full object-cover"
          />
        ) : (
          <span className="absolute inset-0 border border-dashed border-offset" />
        )}
      </span>
      <span className="num">{shot.code}</span>
      <span className="num leading-tight text-quiet">
        {shot.firstFrame}–{shot.lastFrame}
        {mixed > 0 && (
          <span
            className="block text-[12px]"
            title={`${plural(shot.cutFrames, 'frame')} from cut to cut, as Conform counts, and ${mixed} more under a dissolve`}
          >
            {shot.cutFrames} + {mixed} mixed
          </span>
        )}
      </span>
      <span className="min-w-0 leading-tight">
        <span className="block truncate">{shot.joined ?? (shot.canJoin ? '1 clip, kept apart' : '1 clip')}</span>
        <span className="flex flex-wrap gap-x-3">
          {!received && shot.seams.length > 0 && (
            <button type="button" className="link text-[13px] text-quiet" onClick={() => shot.seams.forEach((s) => apart(s, true))}>
              keep apart
            </button>
          )}
          {!received && shot.canJoin && (
            <button type="button" className="link text-[13px] text-quiet" onClick={() => apart(shot.in, false)}>
              join to the one before
            </button>
          )}
        </span>
      </span>
      <span className="min-w-0 leading-tight" title={shot.boardName}>
        <span className="block truncate">{shot.boardName || 'no name'}</span>
        <span className={`block truncate text-[13px] ${shot.doubtful || !shot.found ? 'text-offset' : 'text-quiet'}`} title={shot.found}>
          {shot.found ?? 'to find'}
        </span>
      </span>
      {first ? <CameraCell shot={shot} fixed={received} name={camera} /> : <span />}
    </div>
  )
}
