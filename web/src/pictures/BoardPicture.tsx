import { type CSSProperties, type ReactNode, useState } from 'react'
import type { BoardFit } from '../server/types'
import type { Blend } from './boardOvers'
import { laid } from './laid'
import { Slate } from './Slate'

type Props = {
  mediaId?: number
  name: string
  /** a title, a colour or bars: there is nothing to find */
  slate?: boolean
  frame?: number
  opacity?: number
  blend?: Blend
  /** how it lies over the frame; all of it is seen without */
  fit?: BoardFit
}

/** A board, or the slate that stands in for it. */
export function BoardPicture({ mediaId, name, slate, frame = 0, opacity = 1, blend = 'plain', fit }: Props) {
  const [broken, setBroken] = useState<number>()
  if (!mediaId || broken === mediaId) {
    return opacity === 1 ? <Slate name={name} why={slate ? '' : mediaId ? 'picture cannot be shown' : undefined} /> : null
  }
  const lies = fit && laid(fit)
  const difference = blend === 'difference' ? 'mix-blend-difference' : ''
  return (
    <Part style={lies?.part} className={difference}>
      {blend === 'lines' && <LinesAlone />}
      <img
        className={lies ? 'absolute max-w-none' : `absolute inset-0 h-full w-full object-contain ${difference}`}
        style={{ ...lies?.whole, opacity, filter: blend === 'lines' ? 'url(#lines-alone)' : undefined }}
        src={`/api/media/${mediaId}/picture?width=960&frame=${frame}`}
        alt={`Board ${name}`}
        draggable={false}
        onError={() => setBroken(mediaId)}
        data-blend={blend}
      />
    </Part>
  )
}

/** What is left of a board that was cropped and laid; without a place the frame is it. */
const Part = ({ style, className, children }: { style?: CSSProperties; className: string; children: ReactNode }) =>
  style ? (
    <div className={`absolute overflow-hidden ${className}`} style={style} data-laid>
      {children}
    </div>
  ) : (
    children
  )

/** Paper becomes clear and ink stays: what is dark covers, what is as light as paper does not (weights of ITU-R BT.709). */
const LinesAlone = () => (
  <svg className="absolute h-0 w-0" aria-hidden>
    <filter id="lines-alone" colorInterpolationFilters="sRGB">
      <feColorMatrix values="1 0 0 0 0  0 1 0 0 0  0 0 1 0 0  -0.36 -1.22 -0.12 0 1.35" />
    </filter>
  </svg>
)
