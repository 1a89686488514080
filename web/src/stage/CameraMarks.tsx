import { useRef, useState } from 'react'
import { Matrix4, Vector3 } from 'three'
import { sayError } from '../desk/messages'
import type { Seen } from '../painting/orders'
import type { Bake } from '../pictures/bake'
import { of, post } from '../server/client'
import { useCameraTable } from '../server/queries'
import type { CameraLine, StageShot } from '../server/types'
import { changeCamera } from './edits'
import { inPlane } from './hands/inPlane'
import { onPicture, standing } from './hands/matrices'
import { eyeAt } from './paths'

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
  const table = useCameraTable(projectId, stage.sceneId).data
  const [dragged, setDragged] = useState<Vector3>()
  const hold = useRef<Vector3 | undefined>(undefined)
  const eye = dragged ?? eyeAt(bake, k)
  const at = onPicture(seen, eye)
  const focus = onPicture(seen, new Vector3(0, 0, -bake.focus(k)).applyMatrix4(standing(bake.view(k))))

  const release = () => {
    const to = hold.current && dragged
    hold.current = undefined
    if (to) {
      const placed = new Matrix4().copy(standing(bake.view(k))).setPosition(to)
      void changeCamera(stage, {
        kind: 'FILM_FROM',
        frame: shotFrame,
        placed: [...placed.elements],
        keepAim: true,
      }).finally(() => setDragged(undefined))
    }
  }

  const others = (table ?? []).filter((c) => c.id !== stage.cameraId)
  if (!at) {
    return null
  }
  const [x, y] = [at.x * width, at.y * height]
  const turn = focus ? (Math.atan2(focus.y * height - y, focus.x * width - x) * 180) / Math.PI : 0
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
      {others.map((other) => (
        <Other key={other.id} other={other} seen={seen} width={width} height={height} />
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
          hold.current = eye
        }}
        onPointerMove={(e) => {
          if (hold.current) {
            e.stopPropagation()
            setDragged(inPlane(e, seen, eye))
          }
        }}
        onPointerUp={release}
        onPointerCancel={() => {
          hold.current = undefined
          setDragged(undefined)
        }}
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

type OtherProps = { other: CameraLine; seen: Seen; width: number; height: number }

/** Another camera of the scene, where it stands at the first frame of its shot. */
function Other({ other, seen, width, height }: OtherProps) {
  const [dragged, setDragged] = useState<Vector3>()
  const placed = new Matrix4().fromArray(other.placed)
  const stands = new Vector3().setFromMatrixPosition(placed)
  const at = onPicture(seen, dragged ?? stands)
  const ahead = onPicture(seen, new Vector3(0, 0, -1).applyMatrix4(new Matrix4().extractRotation(placed)).add(dragged ?? stands))
  if (!at || !ahead || at.x < 0 || at.x > 1 || at.y < 0 || at.y > 1) {
    return null
  }
  const [x, y] = [at.x * width, at.y * height]
  const turn = (Math.atan2(ahead.y * height - y, ahead.x * width - x) * 180) / Math.PI
  const release = () => {
    if (dragged) {
      const to = [...placed.clone().setPosition(dragged).elements]
      const edit = { kind: 'FILM_FROM', frame: other.frame, placed: to, reach: 'ALL_KEYS', keepAim: true } as const
      void post('/api/cameras/{id}/edits', { ...of(other.id), body: edit })
        .catch(sayError)
        .finally(() => setDragged(undefined))
    }
  }
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
        }}
        onPointerMove={(e) => {
          if (e.buttons === 1) {
            e.stopPropagation()
            setDragged(inPlane(e, seen, stands))
          }
        }}
        onPointerUp={release}
        onPointerCancel={() => setDragged(undefined)}
      />
    </>
  )
}
