import { useEffect, useMemo, useRef } from 'react'
import { useBake } from '../server/queries'
import type { Section } from '../server/types'
import { readBake } from './bake'
import { useSetPainter } from './useSetPainter'
import { useSize } from './useSize'

type Props = { projectId: number; sceneId?: number; section?: Section; before?: Section; frame: number }

/** What a section's camera sees at a record frame, passing in over the one before it where they mix. */
export function CameraPicture({ projectId, sceneId, section, before, frame }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const { width, height } = useSize(holder)
  const tail = section ? frame - section.out + section.tailWeights.length : -1
  const share = section ? (section.headWeights[frame - section.seenIn] ?? 1) * (section.tailWeights[tail] ?? 1) : 0
  const meets = before?.enabled && section && before.out === section.in && frame < section.seenIn + section.headWeights.length
  return (
    <div ref={holder} className="absolute inset-0 bg-black">
      {meets && share < 1 && <Layer {...{ projectId, sceneId, width, height }} section={before} frame={frame} share={1} />}
      {section && <Layer {...{ projectId, sceneId, width, height, section, frame, share }} />}
    </div>
  )
}

type LayerProps = { projectId: number; sceneId?: number; section: Section; frame: number; width: number; height: number; share: number }

function Layer({ projectId, sceneId, section, frame, width, height, share }: LayerProps) {
  const bytes = useBake(projectId, section.shotId, {
    from: section.seenFrom,
    speed: section.speed,
    frames: section.seenOut - section.seenIn,
  }).data
  const bake = useMemo(() => (bytes ? readBake(bytes) : undefined), [bytes])
  const { canvas, painter, ready } = useSetPainter(projectId, sceneId)

  useEffect(() => {
    if (painter && bake && width > 0) {
      painter.size(width, height, Math.min(2, window.devicePixelRatio))
      const k = frame - section.seenIn
      painter.draw(bake.view(k), bake.projection(k), bake.places(k))
    }
  }, [painter, ready, bake, frame, width, height, section.seenIn])

  return (
    <canvas
      ref={canvas}
      className="absolute inset-0 h-full w-full"
      style={{ opacity: bake ? share : 0 }}
      role="img"
      aria-label={`Camera ${section.code}`}
      data-picture="camera"
    />
  )
}
