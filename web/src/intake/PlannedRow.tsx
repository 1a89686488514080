import type { PlannedShot } from '../server/types'

type Props = { shot: PlannedShot; selected: boolean; received: boolean; choose: () => void; apart: (seam: number, keep: boolean) => void }

/** A shot as it will be. */
export function PlannedRow({ shot, selected, received, choose, apart }: Props) {
  return (
    <div className={`grid h-full grid-cols-[92px_92px_110px_1fr_1fr] items-center gap-2 border-b border-line/70 ${selected ? 'bg-[#3a4341]' : ''}`} onClick={choose}>
      <span className="relative ml-2 h-[38px] w-[68px] overflow-hidden bg-deep">
        {shot.mediaId
          ? <img src={`/api/media/${shot.mediaId}/picture?width=240`} alt="" loading="lazy" className="h-full w-full object-cover" />
          : <span className="absolute inset-0 border border-dashed border-bent" />}
      </span>
      <span className="num">{shot.code}</span>
      <span className="num text-quiet">{shot.firstFrame}–{shot.lastFrame}</span>
      <span className="truncate">
        {shot.joined ?? (shot.canJoin ? '1 piece, kept apart' : '1 piece')}
        {!received && shot.seams.length > 0 && (
          <button type="button" className="link ml-2 text-quiet" onClick={() => shot.seams.forEach((s) => apart(s, true))}>keep apart</button>
        )}
        {!received && shot.canJoin && (
          <button type="button" className="link ml-2 text-quiet" onClick={() => apart(shot.in, false)}>join to the one before</button>
        )}
      </span>
      <span className="truncate" title={shot.boardName}>
        {shot.boardName || 'no name'} {shot.found ? <span className="text-quiet">{shot.found}</span> : <span className="text-bent">to find</span>}
      </span>
    </div>
  )
}
