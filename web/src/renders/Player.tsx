import { useRef, useState } from 'react'
import type { Render } from '../server/types'

/** A finished movie; what plays it lies under the picture, so that the burn-in can be read. */
export function Player({ render }: { render: Render }) {
  const video = useRef<HTMLVideoElement>(null)
  const [at, setAt] = useState(0)
  const [length, setLength] = useState(0)
  const [plays, setPlays] = useState(false)
  const toggle = () => void (video.current?.paused ? video.current.play().catch(() => undefined) : video.current?.pause())
  return (
    <div className="absolute inset-0 flex flex-col">
      <video
        ref={video}
        className="min-h-0 w-full flex-1"
        src={`/api/renders/${render.id}/movie`}
        aria-label={render.name}
        onClick={toggle}
        onTimeUpdate={(e) => setAt(e.currentTarget.currentTime)}
        onLoadedMetadata={(e) => setLength(e.currentTarget.duration)}
        onPlay={() => setPlays(true)}
        onPause={() => setPlays(false)}
      />
      <div className="flex h-9 shrink-0 items-center gap-3 bg-deep px-3">
        <button type="button" className="button px-2! py-0!" onClick={toggle}>
          {plays ? 'Stop' : 'Play'}
        </button>
        <input
          type="range"
          className="min-w-0 flex-1"
          aria-label="Place in the movie"
          min={0}
          max={length || 1}
          step={0.01}
          value={at}
          onChange={(e) => {
            if (video.current) {
              video.current.currentTime = Number(e.target.value)
            }
          }}
        />
        <span className="num text-[13px] text-quiet">
          {at.toFixed(2)} of {length.toFixed(2)} s
        </span>
        <button type="button" className="link text-[13px]" onClick={() => void video.current?.requestFullscreen()}>
          whole screen
        </button>
      </div>
    </div>
  )
}
