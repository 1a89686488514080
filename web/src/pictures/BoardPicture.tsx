import { useState } from 'react'
import { Slate } from './Slate'

type Props = { mediaId?: number; name: string; frame?: number; opacity?: number; className?: string }

/** A board, or the slate that stands in for it. */
export function BoardPicture({ mediaId, name, frame = 0, opacity = 1, className = '' }: Props) {
  const [broken, setBroken] = useState<number>()
  if (!mediaId || broken === mediaId) {
    return opacity === 1 ? <Slate name={name} why={mediaId ? 'picture cannot be shown' : undefined} /> : null
  }
  return (
    <img
      className={`absolute inset-0 h-full w-full object-contain ${className}`}
      style={{ opacity }}
      src={`/api/media/${mediaId}/picture?width=960&frame=${frame}`}
      alt={`Board ${name}`}
      draggable={false}
      onError={() => setBroken(mediaId)}
    />
  )
}
