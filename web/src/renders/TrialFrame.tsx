import { useEffect, useRef, useState } from 'react'
import { CameraPicture } from '../pictures/CameraPicture'
import { shotFrameAt } from '../playhead/lookup'
import { of, postForFile } from '../server/client'
import type { Clip, Master, Recipe } from '../server/types'

/** A frame as a recipe draws it. @property frame record frame */
export type Trial = { name: string; url: string; width: number; height: number; clip: Clip; frame: number }

/** The trial frame that is shown; its picture is let go with it. */
export function useTrial() {
  const [trial, setTrial] = useState<Trial>()
  useEffect(() => () => (trial ? URL.revokeObjectURL(trial.url) : undefined), [trial])
  return [trial, setTrial] as const
}

export async function askTrialFrame(clip: Clip, frame: number, recipe: Recipe): Promise<Trial> {
  const shotFrame = shotFrameAt(clip, frame)
  const picture = await postForFile('/api/shots/{id}/trial-frame', { ...of(clip.shotId), body: { frame: shotFrame, recipe } as never })
  const { width, height } = recipe.look
  return { name: `${clip.code} at ${shotFrame}`, url: URL.createObjectURL(picture), width, height, clip, frame }
}

/** A trial frame beside the camera's picture, both at one scale: as large as there is room, or a pixel a pixel. */
export function TrialFrame({ master, trial }: { master: Master; trial: Trial }) {
  const [whole, setWhole] = useState(true)
  const left = useRef<HTMLDivElement>(null)
  const right = useRef<HTMLDivElement>(null)
  /** What is seen of one is seen of the other. */
  const follow = (from: HTMLDivElement) => {
    const other = from === left.current ? right.current : left.current
    if (other) {
      other.scrollLeft = from.scrollLeft
      other.scrollTop = from.scrollTop
    }
  }
  // the middle is looked at first
  useEffect(() => {
    const pane = left.current
    if (pane && !whole) {
      pane.scrollLeft = (pane.scrollWidth - pane.clientWidth) / 2
      pane.scrollTop = (pane.scrollHeight - pane.clientHeight) / 2
    }
  }, [whole])
  const size = whole
    ? { aspectRatio: `${trial.width} / ${trial.height}`, width: '100%' }
    : { width: trial.width / devicePixelRatio, height: trial.height / devicePixelRatio }
  const pictures = [
    ['as it would be drawn', <img key="trial" className="h-full w-full" src={trial.url} alt={`${trial.name}, as it would be drawn`} />],
    [
      'the camera now',
      <CameraPicture
        key="camera"
        projectId={master.projectId}
        clip={trial.clip}
        frame={trial.frame}
        framesPerSecond={master.framesPerSecond}
      />,
    ],
  ] as const
  return (
    <div className="absolute inset-0 flex flex-col">
      <div className="flex min-h-0 flex-1 gap-1.5">
        {pictures.map(([words, picture], i) => (
          <div key={words} className="flex min-w-0 flex-1 flex-col">
            <div
              ref={i === 0 ? left : right}
              className={`min-h-0 flex-1 ${whole ? 'flex items-center overflow-hidden' : 'scroll overflow-auto'}`}
              onScroll={(e) => follow(e.currentTarget)}
              tabIndex={whole ? undefined : 0}
            >
              <div className="relative max-h-full shrink-0" style={whole ? size : { ...size, maxHeight: 'none' }}>
                {picture}
              </div>
            </div>
            <span className="h-5 text-[12.5px] text-quiet">{words}</span>
          </div>
        ))}
      </div>
      <button
        type="button"
        className="link absolute right-1 bottom-0 text-[12.5px]"
        title="As large as there is room, or each pixel one of the screen's"
        onClick={() => setWhole(!whole)}
      >
        {whole ? 'pixel by pixel' : 'whole'}
      </button>
    </div>
  )
}
