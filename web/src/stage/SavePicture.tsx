import { useState } from 'react'
import { say, sayError } from '../desk/messages'
import { Box } from '../parts/Box'
import { of, postForFile, saveAs } from '../server/client'
import type { StageShot } from '../server/types'
import { presentViews } from './presentViews'

const WIDTHS = [1280, 1920, 3840]

/** Saves what one of the stage's pictures shows now; its name and size are said first. */
export function SavePicture({ stage, shotFrame, close }: { stage: StageShot; shotFrame: number; close: () => void }) {
  // as it was when somebody asked: the stage may play on behind this
  const [{ views, frame }] = useState(() => ({ views: presentViews(), frame: shotFrame }))
  const [pane, setPane] = useState(views[0]?.pane)
  const [width, setWidth] = useState(stage.pictureWidth)
  const [named, setNamed] = useState<string>()
  const [drawing, setDrawing] = useState(false)
  const view = views.find((v) => v.pane === pane)
  const height = Math.round((width * stage.pictureHeight) / stage.pictureWidth)
  const name = named ?? `${stage.code}_${frame}_${view?.name ?? ''}`.replaceAll(/[^A-Za-z0-9_-]+/g, '_')
  const save = async () => {
    if (!view) {
      return
    }
    setDrawing(true)
    try {
      saveAs(`${name}.png`, await drawn(stage.sceneId, view, width, height))
      say(`${name}.png is saved`)
      close()
    } catch (e) {
      setDrawing(false)
      sayError(e)
    }
  }
  return (
    <Box
      title="Save a picture"
      says="As the view is now, in the delivery frame, without lines and marks."
      saysClass="pb-3"
      className="left-1/2 top-[18vh] w-[440px] max-w-[94vw] -translate-x-1/2"
      close={close}
    >
      <form
        className="grid grid-cols-[76px_1fr] items-center gap-x-3 gap-y-2"
        onSubmit={(e) => {
          e.preventDefault()
          void save()
        }}
      >
        <span className="text-quiet">View</span>
        <span className="flex gap-4">
          {views.map((v) => (
            <label key={v.pane} className="flex items-center gap-2">
              <input type="radio" name="view" checked={v.pane === pane} onChange={() => setPane(v.pane)} /> {v.name}
            </label>
          ))}
        </span>
        <label htmlFor="picture-wide" className="text-quiet">
          Wide
        </label>
        <span className="flex items-center gap-2">
          <input
            id="picture-wide"
            className="field num w-20 py-0.5!"
            value={width}
            onChange={(e) => setWidth(Number(e.target.value.replace(/\D/g, '').slice(0, 5)))}
          />
          {WIDTHS.map((w) => (
            <button key={w} type="button" className="link num text-[13px]" onClick={() => setWidth(w)}>
              {w}
            </button>
          ))}
        </span>
        <label htmlFor="picture-name" className="text-quiet">
          Name
        </label>
        <input id="picture-name" className="field num py-0.5!" value={name} onChange={(e) => setNamed(e.target.value)} />
        <p className="num col-span-2 wrap-anywhere text-[13px]">
          {name}.png, {width} × {height} pixels
        </p>
        <div className="col-span-2 flex justify-end gap-2">
          <button type="button" className="button" onClick={close}>
            Not now
          </button>
          <button type="submit" className="button button-main" disabled={drawing || !view || name.trim() === ''}>
            {drawing ? 'It is drawn…' : 'Save it'}
          </button>
        </div>
      </form>
    </Box>
  )
}

function drawn(sceneId: number, { seen, places, flat }: ReturnType<typeof presentViews>[number], width: number, height: number) {
  return postForFile('/api/scenes/{id}/picture', {
    ...of(sceneId),
    body: {
      view: [...seen.view],
      projection: [...seen.projection],
      places: [...places],
      flat: flat ?? 0,
      focus: seen.blur?.focus ?? 0,
      farCircle: seen.blur?.farCircle ?? 0,
      width,
      height,
    },
  })
}
