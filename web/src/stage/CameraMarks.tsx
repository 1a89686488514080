import { useRef, useState } from 'react'
import { Matrix4, Vector3 } from 'three'
import type { Seen } from '../painting/orders'
import { sight } from '../painting/picking'
import type { Bake } from '../pictures/bake'
import { useCameraTable } from '../server/queries'
import type { CameraLine, StageShot } from '../server/types'
import { changeCamera } from './edits'
import { onPicture, standing } from './hands/matrices'
import { eyeAt } from './paths'
import { useStageDesk } from './stageDesk'

type Props = {
  projectId: number
  stage: StageShot
  bake: Bake
  k: number
  shotFrame: number
  perSecond: number
  seen: Seen
  width: number
  height: number
}

/**
 * Cameras in plan, front and side as symbols of one size, with their names. The shot's own is dragged, and its way has a number at
 * every second.
 */
export function CameraMarks({ projectId, stage, bake, k, shotFrame, perSecond, seen, width, height }: Props) {
  const path = useStageDesk((d) => d.path)
  const table = useCameraTable(projectId, stage.sceneId).data
  const [dragged, setDragged] = useState<Vector3>()
  const hold = useRef<Vector3 | undefined>(undefined)
  const eye = dragged ?? eyeAt(bake, k)
  const at = onPicture(seen, eye)
  const focus = onPicture(seen, new Vector3(0, 0, -bake.focus(k)).applyMatrix4(standing(bake.view(k))))
  const seconds = path ? secondMarks(bake, seen, perSecond) : []

  const toWorld = (e: React.PointerEvent): Vector3 => {
    const box = (e.currentTarget.closest('svg') as SVGElement).getBoundingClientRect()
    const ray = sight({ ...seen, x: ((e.clientX - box.left) / box.width) * 2 - 1, y: 1 - ((e.clientY - box.top) / box.height) * 2 })
    // flat views look along an axis: what lies along it stays
    const along = ray.direction.clone().multiply(ray.direction)
    return ray.origin.clone().sub(ray.origin.clone().multiply(along)).add(eye.clone().multiply(along))
  }
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
      {seconds.map((s) => (
        <text key={s.second} x={s.x * width + 5} y={s.y * height - 4} className="num fill-quiet text-[11px]">
          {s.second}
        </text>
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
            setDragged(toWorld(e))
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

/** Another camera of the scene, where it stands at the first frame of its shot. */
function Other({ other, seen, width, height }: { other: CameraLine; seen: Seen; width: number; height: number }) {
  const placed = new Matrix4().fromArray(other.placed)
  const at = onPicture(seen, new Vector3().setFromMatrixPosition(placed))
  const ahead = onPicture(seen, new Vector3(0, 0, -1).applyMatrix4(placed))
  if (!at || !ahead || at.x < 0 || at.x > 1 || at.y < 0 || at.y > 1) {
    return null
  }
  const [x, y] = [at.x * width, at.y * height]
  const turn = (Math.atan2(ahead.y * height - y, ahead.x * width - x) * 180) / Math.PI
  return (
    <>
      <g transform={`translate(${x} ${y}) rotate(${turn})`}>
        <path d="M-7 -5H4V5H-7Z M4 0L10 -5V5Z" fill="#222" stroke="#b3b3b3" />
      </g>
      <text x={x + 11} y={y - 7} className="fill-quiet text-[12px]" style={{ paintOrder: 'stroke', stroke: '#000', strokeWidth: 3 }}>
        {other.shots[0] ?? other.name}
      </text>
    </>
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
