import { useRef } from 'react'
import { useDesk } from '../desk/desk'
import { LABELS, toX } from '../parts/scale'
import { useAtPlayhead } from '../playhead/atPlayhead'
import { liveAt } from '../playhead/lookup'
import { overviewX } from './drawTracks'
import { draggedEdge, type Scene } from './scene'
import { follow } from './useZoom'

/**
 * What goes along with the playhead, over the drawn tracks: a line, the frame it stands on, the frame of the live clip.
 * A few boxes that move: the tracks under them are not drawn again, and little of the picture changes.
 */
export function MovingTracks({ scene }: { scene: Scene }) {
  const { master, layout, scale, width } = scene
  const line = useRef<HTMLDivElement>(null)
  const overview = useRef<HTMLDivElement>(null)
  useAtPlayhead((frame) => {
    follow(master, frame)
    move(line.current, Math.round(toX(scale, frame)) - LABELS)
    move(overview.current, overviewX(scene, frame) - LABELS)
  })
  const bottom = layout.overview[0] - 8
  return (
    <div
      className="pointer-events-none absolute top-0 overflow-hidden"
      style={{ left: LABELS, width: width - LABELS, height: layout.height }}
      aria-hidden
    >
      <LiveEvent scene={scene} />
      <div ref={line} className="absolute left-0 top-0">
        {scale.perFrame > 3 && (
          <div className="absolute bg-white/12" style={{ top: layout.ruler, width: scale.perFrame, height: bottom - layout.ruler }} />
        )}
        <div className="absolute w-[1.5px] bg-white" style={{ top: layout.ruler - 4, height: bottom - layout.ruler + 4 }} />
        <svg aria-hidden className="absolute" style={{ left: -6, top: layout.ruler - 12 }} width={13} height={15}>
          <path d="M0 0H13V8L6.5 15L0 8Z" fill="#fff" />
        </svg>
      </div>
      <div
        ref={overview}
        className="absolute left-0 w-[1.5px] bg-white"
        style={{ top: layout.overview[0], height: layout.overview[1] - layout.overview[0] }}
      />
    </div>
  )
}

function move(box: HTMLElement | null, x: number) {
  if (box) {
    box.style.transform = `translateX(${x}px)`
  }
}

/** The clip at the playhead, on the track that is live there. */
function LiveEvent({ scene }: { scene: Scene }) {
  const clip = useDesk((d) => liveAt(scene.master, d.frame).clip)
  const upper = useDesk((d) => liveAt(scene.master, d.frame).upper)
  const span = upper < 0 ? scene.layout.shots : scene.layout.upper[upper]
  if (!clip || !span) {
    return null
  }
  const x = toX(scene.scale, draggedEdge(scene, clip.in))
  const w = toX(scene.scale, draggedEdge(scene, clip.out)) - x
  return (
    <div
      className="absolute border-2 border-live"
      style={{ left: x - LABELS, top: span[0], width: Math.max(3, w - 1), height: span[1] - span[0] }}
    />
  )
}
