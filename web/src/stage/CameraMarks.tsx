import { useRef } from 'react'
import { Matrix4, Vector3 } from 'three'
import type { Seen } from '../painting/orders'
import type { Bake } from '../pictures/bake'
import { useCameraTable } from '../server/queries'
import type { CameraLine, StageShot } from '../server/types'
import { changeCamera, editCameraItself } from './edits'
import { inPlane } from './hands/inPlane'
import { onPicture, standing } from './hands/matrices'
import { useMovedCamera } from './hands/useMovedCamera'
import { eyeAt } from './paths'
import { useStageDesk } from './stageDesk'

type Props = {
  projectId: number
  stage: StageShot
  bake: Bake
  k: number
  shotFrame: number
  seen: Seen
  width: number
  height: number
}

/**
 * Cameras in plan, front and side as symbols of one size, with their names. They are dragged: the shot's own as changes reach, another
 * with all of its movement.
 */
export function CameraMarks({ projectId, stage, bake, k, shotFrame, seen, width, height }: Props) {
  const lines = useCameraTable(projectId, stage.sceneId).data
  const key = `${stage.shotId} ${shotFrame}`
  const drag = useMovedCamera(bake.edit, key)
  const latest = useRef({ stage, bake })
  latest.current = { stage, bake }
  const eye = drag.shown(key) ?? eyeAt(bake, k)
  const at = onPicture(seen, eye)
  const focus = onPicture(seen, new Vector3(0, 0, -bake.focus(k)).applyMatrix4(standing(bake.view(k))))

  const begin = () => {
    const { reach } = useStageDesk.getState()
    drag.begin({
      key,
      stands: () => standing(latest.current.bake.view(shotFrame - latest.current.stage.framesFirst)),
      write: (placed) => changeCamera(latest.current.stage, { kind: 'FILM_FROM', frame: shotFrame, placed, keepAim: true }, reach),
    })
  }

  const others = (lines?.cameras ?? []).filter((c) => c.id !== stage.cameraId)
  if (!at) {
    return null
  }
  const [x, y] = [at.x * width, at.y * height]
  const turn = focus ? (Math.atan2(focus.y * height - y, focus.x * width - x) * 180) / Math.PI : 0
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
      {others.map((other) => (
        <Other key={other.id} other={other} edits={lines?.edit} seen={seen} width={width} height={height} />
      ))}
      {focus && (
        <line x1={x} y1={y} x2={focus.x * width} y2={focus.y * height} stroke="#5ec2b7" strokeDasharray="3 4" strokeOpacity={0.8} />
      )}
      <g transform={`translate(${x} ${y}) rotate(${turn})`}>
        <path d="M-9 -6H5V6H-9Z M5 0L12 -6V6Z" fill="#222" stroke="#5ec2b7" strokeWidth={1.5} />
      </g>
      <circle
        cx={x}
        cy={y}
        r={13}
        fill="transparent"
        className={stage.locked ? '' : 'pointer-events-auto cursor-move'}
        data-camera-mark
        onPointerDown={(e) => {
          e.stopPropagation()
          e.currentTarget.setPointerCapture(e.pointerId)
          begin()
        }}
        onPointerMove={(e) => {
          if (drag.isHeld()) {
            e.stopPropagation()
            drag.move(inPlane(e, seen, eye))
          }
        }}
        onPointerUp={drag.end}
        onPointerCancel={drag.cancel}
      />
      <text
        x={x - 14}
        y={y + 5}
        textAnchor="end"
        className="fill-live text-[13px]"
        style={{ paintOrder: 'stroke', stroke: '#000', strokeWidth: 3 }}
      >
        {stage.camera}
      </text>
    </svg>
  )
}

/** @property edits after so many edits of the project the server said where it stands */
type OtherProps = { other: CameraLine; edits?: number; seen: Seen; width: number; height: number }

/** Another camera of the scene, where it stands at the first frame of its shot. */
function Other({ other, edits, seen, width, height }: OtherProps) {
  const drag = useMovedCamera(edits)
  const key = String(other.id)
  const dragged = drag.shown(key)
  const placed = new Matrix4().fromArray(other.placed)
  const latest = useRef(placed)
  latest.current = placed
  const stands = new Vector3().setFromMatrixPosition(placed)
  const at = onPicture(seen, dragged ?? stands)
  const ahead = onPicture(seen, new Vector3(0, 0, -1).applyMatrix4(new Matrix4().extractRotation(placed)).add(dragged ?? stands))
  if (!at || !ahead || (!drag.isHeld() && (at.x < 0 || at.x > 1 || at.y < 0 || at.y > 1))) {
    return null
  }
  const [x, y] = [at.x * width, at.y * height]
  const turn = (Math.atan2(ahead.y * height - y, ahead.x * width - x) * 180) / Math.PI
  const begin = () =>
    drag.begin({
      key,
      stands: () => latest.current,
      write: (to) => editCameraItself(other.id, { kind: 'FILM_FROM', frame: other.frame, placed: to, reach: 'ALL_KEYS', keepAim: true }),
    })
  return (
    <>
      <g transform={`translate(${x} ${y}) rotate(${turn})`}>
        <path d="M-7 -5H4V5H-7Z M4 0L10 -5V5Z" fill="#222" stroke="#b3b3b3" />
      </g>
      <text x={x + 11} y={y - 7} className="fill-quiet text-[12px]" style={{ paintOrder: 'stroke', stroke: '#000', strokeWidth: 3 }}>
        {other.shots[0] ?? other.name}
      </text>
      <circle
        cx={x}
        cy={y}
        r={11}
        fill="transparent"
        className={other.locked ? '' : 'pointer-events-auto cursor-move'}
        data-other-camera={other.name}
        onPointerDown={(e) => {
          e.stopPropagation()
          e.currentTarget.setPointerCapture(e.pointerId)
          begin()
        }}
        onPointerMove={(e) => {
          if (drag.isHeld()) {
            e.stopPropagation()
            drag.move(inPlane(e, seen, stands))
          }
        }}
        onPointerUp={drag.end}
        onPointerCancel={drag.cancel}
      />
    </>
  )
}
