import { useEffect, useRef } from 'react'
import { ownRatio } from '../painting/ownRatio'
import { useSetPainter } from '../painting/useSetPainter'
import { passingFrom, shareAt, shotFrameAt } from '../playhead/lookup'
import { useGrain } from '../playhead/transport'
import type { Clip } from '../server/types'
import { seenAt } from './bake'
import { useBlurs } from './blurs'
import { RenderPicture } from './RenderPicture'
import { useClipBake } from './useClipBake'
import { useSize } from './useSize'

type Props = { projectId: number; clip?: Clip; before?: Clip; frame: number; framesPerSecond: number }

/** What a clip's camera sees at a record frame, passing in over the one before it where they mix. */
export function CameraPicture({ projectId, clip, before, frame, framesPerSecond }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const { width, height } = useSize(holder)
  const share = clip ? shareAt(clip, frame) : 0
  const passing = passingFrom(clip, before, frame)
  return (
    <div ref={holder} className="absolute inset-0 bg-black">
      {passing && share < 1 && <Content {...{ projectId, width, height, framesPerSecond }} clip={passing} frame={frame} share={1} />}
      {clip && <Content {...{ projectId, width, height, clip, frame, share, framesPerSecond }} />}
    </div>
  )
}

type LayerProps = {
  projectId: number
  clip: Clip
  frame: number
  width: number
  height: number
  share: number
  framesPerSecond: number
}

/** Whatever a clip shows: its shot's camera, a finished render, words on a slate, or black. */
function Content(props: LayerProps) {
  const { clip, frame, share, framesPerSecond } = props
  if (clip.content === 'SHOT') {
    return <Layer {...props} />
  }
  return (
    <div className="absolute inset-0" style={{ opacity: share }}>
      {clip.content === 'RENDER' && (
        <RenderPicture
          renderId={clip.renderId}
          frame={shotFrameAt(clip, frame)}
          frames={Number.MAX_SAFE_INTEGER}
          framesPerSecond={clip.renderFps ?? framesPerSecond}
        />
      )}
      {clip.content === 'SLATE' && <Words text={clip.code} />}
    </div>
  )
}

const Words = ({ text }: { text: string }) => (
  <div className="absolute inset-0 flex items-center justify-center bg-deep p-[10%] text-center text-[20px]">{text}</div>
)

function Layer({ projectId, clip, frame, width, height, share }: LayerProps) {
  const bake = useClipBake(projectId, clip)
  const { canvas, painter, ready } = useSetPainter(projectId, clip.sceneId || undefined)
  const grain = useGrain()
  const blurred = useBlurs((b) => b.blurred)

  useEffect(() => {
    if (painter && bake && width > 0) {
      const k = frame - clip.seenIn
      painter.draw({ width, height, ratio: ownRatio() * grain, ...seenAt(bake, k, blurred) })
    }
  }, [painter, ready, bake, frame, width, height, grain, clip.seenIn, blurred])

  return (
    <canvas
      ref={canvas}
      className="absolute inset-0 h-full w-full"
      style={{ opacity: bake ? share : 0 }}
      role="img"
      aria-label={`Camera ${clip.code}`}
      data-picture="camera"
    />
  )
}
