import { useEffect, useRef } from 'react'
import { useTransport } from '../playhead/transport'

/** @property steady the movie's frames follow each other as those of the master do, so that it can run by itself */
type Props = { renderId?: number; frame: number; frames: number; framesPerSecond: number; steady?: boolean; children?: React.ReactNode }

/** One frame of a finished render; what it is given stands there while there is none. */
export function RenderPicture({ renderId, frame, frames, framesPerSecond, steady = false, children }: Props) {
  const video = useRef<HTMLVideoElement>(null)
  const outside = frame < 0 || frame >= frames
  const speed = useTransport((t) => t.speed)
  const runs = steady && (speed === 1 || speed === 2)

  useEffect(() => {
    const element = video.current
    if (!element || outside) {
      return
    }
    const wanted = (frame + 0.5) / framesPerSecond
    if (runs) {
      // it runs by itself, and is put right where it is more than a frame and a half off
      if (element.paused || Math.abs(element.currentTime - wanted) > 1.5 / framesPerSecond) {
        element.currentTime = wanted
      }
      element.playbackRate = speed
      void element.play().catch(() => undefined)
      return
    }
    element.pause()
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
  }, [frame, framesPerSecond, outside, renderId, runs, speed])

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
