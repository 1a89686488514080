import { Vector3 } from 'three'
import type { Seen } from '../painting/orders'
import type { Bake } from '../pictures/bake'
import { useRestingFrame } from '../playhead/atPlayhead'
import { useFocus } from '../server/queries'
import type { StageShot } from '../server/types'
import { onPicture, standing } from './hands/matrices'

/** What has no far limit is drawn so far, metres. */
const ENDLESS = 60

type Props = { projectId: number; stage: StageShot; bake: Bake; k: number; shotFrame: number; seen: Seen; width: number; height: number }

/** What the camera sees from above or aside: the sides of its picture, and what is sharp from near through focus to far. */
export function Frustum({ projectId, stage, bake, k, shotFrame, seen, width, height }: Props) {
  // while it plays nothing is asked
  const ruler = useFocus(projectId, stage.shotId, useRestingFrame(shotFrame).frame).data
  const placed = standing(bake.view(k))
  const wide = 1 / (bake.projection(k)[0] ?? 1)
  const point = (side: number, metres: number) => {
    const at = onPicture(seen, new Vector3(side * wide * metres, 0, -metres).applyMatrix4(placed))
    return at && { x: at.x * width, y: at.y * height }
  }
  const eye = onPicture(seen, new Vector3().setFromMatrixPosition(placed))
  if (!ruler || !eye) {
    return null
  }
  const far = ruler.far ?? Math.max(ENDLESS, ruler.focus * 1.5)
  const line = (a: ReturnType<typeof point>, b: ReturnType<typeof point>, colour: string, dashes?: string) =>
    a && b && <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke={colour} strokeOpacity={0.9} strokeDasharray={dashes} />
  const from = { x: eye.x * width, y: eye.y * height }
  const across: [string, number, string][] = [
    ['near', ruler.near, '#9fd8d0'],
    ['focus', ruler.focus, '#5ec2b7'],
    [ruler.far ? 'far' : 'far without end', far, '#9fd8d0'],
  ]
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden data-frustum>
      {line(from, point(-1, far), '#b3b3b3')}
      {line(from, point(1, far), '#b3b3b3')}
      {across.map(([name, metres, colour]) => {
        const end = point(1, metres)
        return (
          <g key={name}>
            {line(point(-1, metres), end, colour, name === 'focus' ? undefined : '4 3')}
            {end && (
              <text
                x={end.x + 4}
                y={end.y + 3}
                className="num text-[11px]"
                fill={colour}
                style={{ paintOrder: 'stroke', stroke: '#000', strokeWidth: 3 }}
              >
                {name} {name.startsWith('far w') ? '' : metres.toFixed(1)}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}
