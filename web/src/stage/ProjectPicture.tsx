import { useState } from 'react'
import { say, sayError } from '../desk/messages'
import { of, post } from '../server/client'
import { useFilmBacks } from '../server/queries'
import type { Project, StageShot } from '../server/types'

const SHAPES = ['16/9', '1.85', '2.39', '4/3', '1', '9/16', '1.9']

type Typed = Partial<Record<'width' | 'height' | 'shape' | 'back' | 'lenses' | 'stops' | 'handles', string>>

/** The picture that all cameras of the project film: its size, the back of new cameras, and the kits. */
export function ProjectPicture({ project, stage }: { project: Project; stage: StageShot }) {
  // what nobody typed is as the project has it, whatever others make of it meanwhile
  const [typed, setTyped] = useState<Typed>({})
  const now = {
    width: String(project.pictureWidth),
    height: String(project.pictureHeight),
    lenses: stage.lensKit.join(' '),
    stops: stage.stopKit.join(' '),
    handles: String(project.handles),
    shape: '',
    back: '',
    ...typed,
  }
  const { width, height, shape, back, lenses, stops, handles } = now
  const type = (part: Typed) => setTyped({ ...typed, ...part })
  const backs = useFilmBacks().data ?? []
  const apply = async () => {
    const { widthMm, heightMm } = backs.find(({ name }) => name === back)?.back ?? {}
    try {
      const { said } = await post('/api/projects/{id}/picture', {
        ...of(project.id),
        body: {
          width: Number(width),
          height: shape ? undefined : Number(height),
          shape: shape || undefined,
          backWidth: widthMm,
          backHeight: heightMm,
          handles: Number(handles),
          lensKit: lenses,
          stopKit: stops,
        },
      })
      say(said || 'All pictures of the project follow')
      setTyped({})
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <form
      className="grid grid-cols-[1fr_132px] items-center gap-x-3 gap-y-1.5 text-[13px]"
      onSubmit={(e) => {
        e.preventDefault()
        void apply()
      }}
    >
      <b className="col-span-2 font-semibold">The project's picture</b>
      <label htmlFor="picture-width">Width, pixels</label>
      <input id="picture-width" className="field num py-0.5!" value={width} onChange={(e) => type({ width: e.target.value })} />
      <label htmlFor="picture-shape">Shape</label>
      <select id="picture-shape" className="field py-0.5!" value={shape} onChange={(e) => type({ shape: e.target.value })}>
        <option value="">by its height</option>
        {SHAPES.map((s) => (
          <option key={s} value={s}>
            {s.replace('/', ':')}
          </option>
        ))}
      </select>
      {!shape && (
        <>
          <label htmlFor="picture-height">Height, pixels</label>
          <input id="picture-height" className="field num py-0.5!" value={height} onChange={(e) => type({ height: e.target.value })} />
        </>
      )}
      <label htmlFor="picture-back">Back of new cameras</label>
      <select id="picture-back" className="field min-w-0 py-0.5!" value={back} onChange={(e) => type({ back: e.target.value })}>
        <option value="">as it is</option>
        {backs.map(({ name, back: { widthMm, heightMm } }) => (
          <option key={name} value={name}>
            {name}, {widthMm} × {heightMm}
          </option>
        ))}
      </select>
      <label htmlFor="picture-lenses">Lens kit, mm</label>
      <input id="picture-lenses" className="field num py-0.5!" value={lenses} onChange={(e) => type({ lenses: e.target.value })} />
      <label htmlFor="picture-stops">T-stops</label>
      <input id="picture-stops" className="field num py-0.5!" value={stops} onChange={(e) => type({ stops: e.target.value })} />
      <label htmlFor="picture-handles" title="Frames of camera work beyond the cut at each end; shots that are there keep theirs">
        Handles of new shots
      </label>
      <input id="picture-handles" className="field num py-0.5!" value={handles} onChange={(e) => type({ handles: e.target.value })} />
      <span>Rate</span>
      <span className="num text-quiet" title="It came with the first cut, and all frames count in it">
        {project.rate} frames/s
      </span>
      <button type="submit" className="button col-span-2 justify-self-end py-0.5!">
        Change it
      </button>
    </form>
  )
}
