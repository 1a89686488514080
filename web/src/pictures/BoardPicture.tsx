import { useState } from 'react'
import type { Blend } from './boardOvers'
import { Slate } from './Slate'

type Props = { mediaId?: number; name: string; frame?: number; opacity?: number; blend?: Blend; className?: string }

/** A board, or the slate that stands in for it. */
export function BoardPicture({ mediaId, name, frame = 0, opacity = 1, blend = 'plain', className = '' }: Props) {
  const [broken, setBroken] = useState<number>()
  if (!mediaId || broken === mediaId) {
    return opacity === 1 ? <Slate name={name} why={mediaId ? 'picture cannot be shown' : undefined} /> : null
  }
  return (
    <>
      {blend === 'lines' && <LinesAlone />}
      <img
        className={`absolute inset-0 h-full w-full object-contain ${blend === 'difference' ? 'mix-blend-difference' : ''} ${className}`}
        style={{ opacity, filter: blend === 'lines' ? 'url(#lines-alone)' : undefined }}
        src={`/api/media/${mediaId}/picture?width=960&frame=${frame}`}
        alt={`Board ${name}`}
        draggable={false}
        onError={() => setBroken(mediaId)}
        data-blend={blend}
      />
    </>
  )
}

/** Paper becomes clear and ink stays: what is dark covers, what is as light as paper does not (weights of ITU-R BT.709). */
const LinesAlone = () => (
  <svg className="absolute h-0 w-0" aria-hidden>
    <filter id="lines-alone" colorInterpolationFilters="sRGB">
      <feColorMatrix values="1 0 0 0 0  0 1 0 0 0  0 0 1 0 0  -0.36 -1.22 -0.12 0 1.35" />
    </filter>
  </svg>
)
