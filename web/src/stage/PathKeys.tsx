import { useEffect, useRef } from 'react'
import { Vector3 } from 'three'
import type { Seen } from '../painting/orders'
import type { Bake } from '../pictures/bake'
import type { StageShot } from '../server/types'
import { editCamera } from './edits'
import { heightOver, onLevel } from './hands/drag'
import { inPlane, sightOf } from './hands/inPlane'
import { onPicture, standing } from './hands/matrices'
import { useMovedCamera } from './hands/useMovedCamera'
import { eyeAt } from './paths'

type Props = { stage: StageShot; bake: Bake; perSecond: number; seen: Seen; width: number; height: number; flat: boolean }

/** The camera's way with a number at every second, and the keys of its place, to be dragged: level, with Shift up and down; in a flat view in its plane. */
export function PathKeys({ stage, bake, perSecond, seen, width, height, flat }: Props) {
  const seconds = secondMarks(bake, seen, perSecond)
  const drag = useMovedCamera(bake.edit)
  const from = useRef(new Vector3())
  const latest = useRef({ stage, bake })
  latest.current = { stage, bake }
  const frames = [...new Set(['x', 'y', 'z'].flatMap((c) => (stage.channels[c] ?? []).map((k) => k.frame)))].sort((a, b) => a - b)
  const k = (frame: number) => frame - stage.framesFirst

  const to = (e: React.PointerEvent, from: Vector3): Vector3 => {
    if (flat) {
      return inPlane(e, seen, from)
    }
    const ray = sightOf(e, seen)
    if (e.shiftKey) {
      return from.clone().setY(from.y + heightOver(ray, from))
    }
    const level = onLevel(ray, from.y)
    return level ? new Vector3(level.x, level.y, level.z) : from
  }
  // a key that somebody takes away under the hand takes the hand with it: what was dragged is written, and refused where it must be
  const held = useRef<number | undefined>(undefined)
  useEffect(() => {
    if (held.current !== undefined && !frames.includes(held.current)) {
      held.current = undefined
      drag.end()
    }
  })
  const begin = (frame: number) => {
    held.current = frame
    from.current = eyeAt(bake, k(frame))
    drag.begin({
      key: `${stage.cameraId} ${frame}`,
      stands: () => standing(latest.current.bake.view(frame - latest.current.stage.framesFirst)),
      write: (placed) => editCamera(stage.shotId, { kind: 'FILM_FROM', frame, placed, reach: 'HERE', keepAim: true }),
    })
  }
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
      {seconds.map((s) => (
        <text
          key={s.second}
          x={s.x * width + 5}
          y={s.y * height - 4}
          className="num fill-text text-[11px]"
          style={{ paintOrder: 'stroke', stroke: '#000', strokeWidth: 3 }}
        >
          {s.second}
        </text>
      ))}
      {(frames.length < 2 ? [] : frames)
        .filter((f) => k(f) >= 0 && k(f) < bake.frames)
        .map((frame) => {
          const at = drag.shown(`${stage.cameraId} ${frame}`) ?? eyeAt(bake, k(frame))
          const shown = onPicture(seen, at)
          return (
            shown && (
              <g key={frame} transform={`translate(${shown.x * width} ${shown.y * height})`}>
                <rect x={-4} y={-4} width={8} height={8} transform="rotate(45)" fill="#5ec2b7" stroke="#111" />
                <circle
                  r={11}
                  fill="transparent"
                  className={stage.locked ? '' : 'pointer-events-auto cursor-move'}
                  data-path-key={frame}
                  onPointerDown={(e) => {
                    e.stopPropagation()
                    e.currentTarget.setPointerCapture(e.pointerId)
                    begin(frame)
                  }}
                  onPointerMove={(e) => {
                    if (drag.isHeld()) {
                      e.stopPropagation()
                      drag.move(to(e, from.current))
                    }
                  }}
                  onPointerUp={() => {
                    held.current = undefined
                    drag.end()
                  }}
                  onPointerCancel={() => {
                    held.current = undefined
                    drag.cancel()
                  }}
                >
                  <title>{`key at ${frame}`}</title>
                </circle>
              </g>
            )
          )
        })}
    </svg>
  )
}

/** Where the camera is at every whole second of its way. */
function secondMarks(bake: Bake, seen: Seen, perSecond: number) {
  const marks: { second: number; x: number; y: number }[] = []
  for (let k = 0; k < bake.frames; k += perSecond) {
    const at = onPicture(seen, eyeAt(bake, Math.round(k)))
    const last = marks.at(-1)
    if (at && (!last || Math.hypot(at.x - last.x, at.y - last.y) > 0.02)) {
      marks.push({ second: Math.round(k / perSecond), ...at })
    }
  }
  return marks
}
