import { useState } from 'react'
import type { PlannedShot } from '../server/types'

type Props = { shot: PlannedShot; fixed: boolean; name: (camera: string) => void }

/** The camera that will film a shot; a name that another shot has makes them share it. */
export function CameraCell({ shot, fixed, name }: Props) {
  const [typed, setTyped] = useState<string>()
  const end = () => {
    if (typed !== undefined && typed.trim() !== shot.camera) {
      name(typed)
    }
    setTyped(undefined)
  }
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
        onFocus={() => setTyped(shot.camera)}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={end}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.currentTarget.blur()
          } else if (e.key === 'Escape') {
            setTyped(undefined)
          }
        }}
      />
      {shot.shares > 1 && <span className="px-1 text-[12px] text-live">films {shot.shares} shots</span>}
    </span>
  )
}
