import { useEffect, useRef } from 'react'

type Props = { renderId?: number; frame: number; frames: number; framesPerSecond: number; children?: React.ReactNode }

/** One frame of a finished render; what it is given stands there while there is none. */
export function RenderPicture({ renderId, frame, frames, framesPerSecond, children }: Props) {
  const video = useRef<HTMLVideoElement>(null)
  const outside = frame < 0 || frame >= frames

  useEffect(() => {
    const element = video.current
    if (!element || outside) {
      return
    }
    const wanted = (frame + 0.5) / framesPerSecond
    const seek = () => {
      if (Math.abs(element.currentTime - wanted) > 0.2 / framesPerSecond) {
        element.currentTime = wanted
      }
    }
    // a seek that is still under way is let through first: asking again at every frame would never show one
    if (element.seeking) {
      element.addEventListener('seeked', seek, { once: true })
      return () => element.removeEventListener('seeked', seek)
    }
    seek()
  }, [frame, framesPerSecond, outside, renderId])

  if (!renderId || outside) {
    return (
      <div className="absolute inset-0 flex items-center justify-center bg-deep p-3 text-center text-quiet">
        {children ?? (renderId ? 'The render has no such frame' : 'Not rendered yet')}
      </div>
    )
  }
  return (
    <video
      ref={video}
      className="absolute inset-0 h-full w-full bg-black object-contain"
      src={`/api/renders/${renderId}/movie`}
      muted
      playsInline
      preload="auto"
      aria-label="Render"
    />
  )
}
