import { useTyped } from '../parts/useTyped'
import type { PlannedShot } from '../server/types'

type Props = { shot: PlannedShot; fixed: boolean; name: (camera: string) => void }

/** The camera that will film a shot; a name that another shot has makes them share it. */
export function CameraCell({ shot, fixed, name }: Props) {
  const { typed, type, end } = useTyped(shot.in, (text) => {
    if (text.trim() !== shot.camera) {
      name(text)
    }
  })
  if (fixed) {
    return <span className="num truncate text-[13px] text-quiet">{shot.camera}</span>
  }
  return (
    <span className="flex min-w-0 flex-col leading-tight">
      <input
        className="num w-full min-w-0 rounded bg-transparent px-1 text-[13px] hover:bg-deep focus:bg-deep"
        list="planned-cameras"
        aria-label={`Camera of ${shot.code}`}
        title="Type another camera's name to share it; empty for one of its own"
        value={typed ?? shot.camera}
        onChange={(e) => type(e.target.value)}
        onBlur={end}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      {shot.shares > 1 && <span className="px-1 text-[12px] text-live">films {shot.shares} shots</span>}
    </span>
  )
}
