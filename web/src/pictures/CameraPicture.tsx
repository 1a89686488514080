import { useEffect, useRef } from 'react'
import { ownRatio } from '../painting/ownRatio'
import { useSetPainter } from '../painting/useSetPainter'
import { passingFrom, shareAt, shotFrameAt } from '../playhead/lookup'
import { useGrain } from '../playhead/transport'
import type { Section } from '../server/types'
import { seenAt } from './bake'
import { useBlurs } from './blurs'
import { RenderPicture } from './RenderPicture'
import { useSectionBake } from './useSectionBake'
import { useSize } from './useSize'

type Props = { projectId: number; section?: Section; before?: Section; frame: number; framesPerSecond: number }

/** What a section's camera sees at a record frame, passing in over the one before it where they mix. */
export function CameraPicture({ projectId, section, before, frame, framesPerSecond }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const { width, height } = useSize(holder)
  const share = section ? shareAt(section, frame) : 0
  const passing = passingFrom(section, before, frame)
  return (
    <div ref={holder} className="absolute inset-0 bg-black">
      {passing && share < 1 && <Content {...{ projectId, width, height, framesPerSecond }} section={passing} frame={frame} share={1} />}
      {section && <Content {...{ projectId, width, height, section, frame, share, framesPerSecond }} />}
    </div>
  )
}

type LayerProps = {
  projectId: number
  section: Section
  frame: number
  width: number
  height: number
  share: number
  framesPerSecond: number
}

/** Whatever a piece shows: its shot's camera, a finished render, words on a slate, or black. */
function Content(props: LayerProps) {
  const { section, frame, share, framesPerSecond } = props
  if (section.content === 'SHOT') {
    return <Layer {...props} />
  }
  return (
    <div className="absolute inset-0" style={{ opacity: share }}>
      {section.content === 'RENDER' && (
        <RenderPicture
          renderId={section.renderId}
          frame={shotFrameAt(section, frame)}
          frames={Number.MAX_SAFE_INTEGER}
          framesPerSecond={section.renderFps ?? framesPerSecond}
        />
      )}
      {section.content === 'SLATE' && <Words text={section.code} />}
    </div>
  )
}

const Words = ({ text }: { text: string }) => (
  <div className="absolute inset-0 flex items-center justify-center bg-deep p-[10%] text-center text-[20px]">{text}</div>
)

function Layer({ projectId, section, frame, width, height, share }: LayerProps) {
  const bake = useSectionBake(projectId, section)
  const { canvas, painter, ready } = useSetPainter(projectId, section.sceneId || undefined)
  const grain = useGrain()
  const blurred = useBlurs((b) => b.blurred)

  useEffect(() => {
    if (painter && bake && width > 0) {
      const k = frame - section.seenIn
      painter.draw({ width, height, ratio: ownRatio() * grain, ...seenAt(bake, k, blurred) })
    }
  }, [painter, ready, bake, frame, width, height, grain, section.seenIn, blurred])

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
