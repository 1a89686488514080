import { useEffect } from 'react'
import { useDesk } from '../desk/desk'
import { LABELS, toX } from '../parts/scale'
import { liveAt } from '../playhead/lookup'
import { overviewX } from './drawLanes'
import { draggedEdge, type Scene } from './scene'
import { follow } from './useZoom'

/**
 * What goes along with the playhead, over the drawn lanes: a line, the frame it stands on, the frame of the live piece.
 * A few boxes that move: the lanes under them are not drawn again, and little of the picture changes.
 */
export function MovingLanes({ scene }: { scene: Scene }) {
  const frame = useDesk((d) => d.frame)
  const { sequence, layout, scale, width } = scene
  useEffect(() => follow(sequence, frame), [frame, sequence])
  const x = Math.round(toX(scale, frame)) - LABELS
  const bottom = layout.overview[0] - 8
  return (
    <div
      className="pointer-events-none absolute top-0 overflow-hidden"
      style={{ left: LABELS, width: width - LABELS, height: layout.height }}
      aria-hidden
    >
      <LivePiece scene={scene} frame={frame} />
      <div className="absolute left-0 top-0" style={{ transform: `translateX(${x}px)` }}>
        {scale.perFrame > 3 && (
          <div className="absolute bg-white/12" style={{ top: layout.ruler, width: scale.perFrame, height: bottom - layout.ruler }} />
        )}
        <div className="absolute w-[1.5px] bg-white" style={{ top: layout.ruler - 4, height: bottom - layout.ruler + 4 }} />
        <svg aria-hidden className="absolute" style={{ left: -6, top: layout.ruler - 12 }} width={13} height={15}>
          <path d="M0 0H13V8L6.5 15L0 8Z" fill="#fff" />
        </svg>
      </div>
      <div
        className="absolute left-0 w-[1.5px] bg-white"
        style={{
          top: layout.overview[0],
          height: layout.overview[1] - layout.overview[0],
          transform: `translateX(${overviewX(scene, frame) - LABELS}px)`,
        }}
      />
    </div>
  )
}

/** The piece at the playhead, on the lane that is live there. */
function LivePiece({ scene, frame }: { scene: Scene; frame: number }) {
  const { section, upper } = liveAt(scene.sequence, frame)
  const span = upper < 0 ? scene.layout.shots : scene.layout.upper[upper]
  if (!section || !span) {
    return null
  }
  const x = toX(scene.scale, draggedEdge(scene, section.in))
  const w = toX(scene.scale, draggedEdge(scene, section.out)) - x
  return (
    <div
      className="absolute border-2 border-live"
      style={{ left: x - LABELS, top: span[0], width: Math.max(3, w - 1), height: span[1] - span[0] }}
    />
  )
}
