import { Matrix4 } from 'three'
import { useActions } from '../../desk/actions'
import { sayError } from '../../desk/messages'
import { framesTyped, perSecond } from '../../parts/framesTyped'
import { NameField } from '../../parts/NameField'
import { writeUnwritten } from '../../parts/unwritten'
import { useTypedOver } from '../../parts/useTyped'
import { plural } from '../../parts/words'
import type { Project, StageShot } from '../../server/types'
import { editCamera, editSet } from '../edits'
import { matrixOf, placeOf } from '../hands/matrices'
import { setStage, useStageDesk } from '../stageDesk'
import { useTicked } from './ticked'

type WayProps = { of: number; name: string; frames: number; framesPerSecond: number; give: (frames: number) => void }

/** How long the way to the next viewpoint is: frames, or seconds. */
function WayField({ of, name, frames, framesPerSecond, give }: WayProps) {
  const field = useTypedOver(of, String(frames), (typed) => {
    const given = framesTyped(typed, framesPerSecond)
    if (given) {
      give(given)
    } else {
      sayError(new Error(`A way is so many frames, or seconds such as "5 s", not "${typed}"`))
    }
  })
  return (
    <input className="field num w-12 px-1! py-0!" aria-label={`Frames from ${name} on`} title="Frames, or seconds as in 5 s" {...field} />
  )
}

type View = StageShot['viewpoints'][number]

/** The scene's viewpoints as a strip of pictures, and a move through those that are chosen, in the order of the strip. */
export function ViewpointsPanel({ project, stage, action }: { project: Project; stage: StageShot; action: number }) {
  const { views: taken, frames, halts } = useTicked()
  const views = stage.viewpoints
  const stops = views.filter((v) => taken.includes(v.id))
  const each = Math.max(1, Math.round((stage.last - stage.first) / Math.max(1, stops.length - 1)))
  const way = (id: number) => frames[id] ?? each
  const total = stops.slice(0, -1).reduce((sum, v) => sum + way(v.id), 0)
  const go = (view: View | undefined) => {
    if (view) {
      const { scouts } = useStageDesk.getState()
      setStage({ free: 'scout', scouts: { ...scouts, [stage.sceneId]: placeOf(new Matrix4().fromArray(view.placed), view.lens) } })
    }
  }
  const overwrite = (view: View) => {
    const place = useStageDesk.getState().scouts[stage.sceneId]
    if (place) {
      void editSet(stage.sceneId, {
        kind: 'KEEP_VIEWPOINT',
        viewpoint: view.id,
        placed: [...matrixOf(place).elements],
        lens: place.lens,
        focus: view.focus,
      })
    }
  }
  const film = (view: View) =>
    void editCamera(stage.shotId, {
      kind: 'FILM_FROM',
      frame: stage.first,
      placed: view.placed,
      lens: view.lens,
      reach: 'WHOLE',
      keepAim: false,
    })
  const move = () => {
    // what is typed into a way and not given yet belongs to it
    writeUnwritten()
    const given = useTicked.getState().frames
    void editCamera(stage.shotId, {
      kind: 'MOVE_THROUGH',
      from: stage.first,
      stops: stops.map((v, i) => ({
        viewpoint: v.id,
        frames: i < stops.length - 1 ? (given[v.id] ?? each) : 0,
        halt: halts.includes(v.id),
      })),
    })
  }
  useActions('viewpoints', [
    ...views.slice(0, 9).map((v, i) => ({ group: 'Viewpoints', name: `Scout view to ${v.name}`, keys: `Alt+${i + 1}`, run: () => go(v) })),
    {
      group: 'Viewpoints',
      name: 'Move the camera through the chosen viewpoints',
      keys: 'Ctrl+Alt+V',
      run: move,
      disabled: stops.length < 2,
    },
  ])
  if (views.length === 0) {
    return <p className="text-[13px] text-quiet">No viewpoints yet. Find a view in the scout picture and keep it with Shift K.</p>
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-1.5">
      <div className="scroll flex min-h-0 flex-1 gap-2" role="list" aria-label="Viewpoints">
        {views.map((v, i) => (
          <figure key={v.id} className="w-[124px] shrink-0 text-[12.5px]" role="listitem">
            <button
              type="button"
              className="block w-full overflow-hidden bg-black"
              title={`Scout view to ${v.name}, Alt ${i + 1}`}
              onClick={() => go(v)}
            >
              <img
                src={`/api/viewpoints/${v.id}/picture?frame=${action}&seq=${v.placed.map((n) => n.toFixed(2)).join()}${v.lens}`}
                alt={v.name}
                className="w-full"
                style={{ aspectRatio: `${project.pictureWidth} / ${project.pictureHeight}` }}
              />
            </button>
            <figcaption className="flex items-center gap-1.5">
              <input
                type="checkbox"
                aria-label={`${v.name} in the move`}
                checked={taken.includes(v.id)}
                onChange={(e) => useTicked.setState({ views: e.target.checked ? [...taken, v.id] : taken.filter((t) => t !== v.id) })}
              />
              <NameField
                className="flex-1"
                label="Name of the viewpoint"
                of={v.id}
                name={v.name}
                give={(name) => void editSet(stage.sceneId, { kind: 'RENAME_VIEWPOINT', viewpoint: v.id, name })}
              />
              <span className="num text-quiet">{v.lens.toFixed(0)}</span>
            </figcaption>
            <div className="flex gap-2 text-[12px] text-quiet">
              <button type="button" className="link" onClick={() => film(v)}>
                film
              </button>
              <button type="button" className="link" onClick={() => overwrite(v)}>
                overwrite
              </button>
              <button
                type="button"
                className="link"
                aria-label={`${v.name} to the left`}
                onClick={() => void editSet(stage.sceneId, { kind: 'ORDER_VIEWPOINT', viewpoint: v.id, by: -1 })}
              >
                ‹
              </button>
              <button
                type="button"
                className="link"
                aria-label={`${v.name} to the right`}
                onClick={() => void editSet(stage.sceneId, { kind: 'ORDER_VIEWPOINT', viewpoint: v.id, by: 1 })}
              >
                ›
              </button>
              <button
                type="button"
                className="link"
                aria-label={`Remove ${v.name}`}
                onClick={() => void editSet(stage.sceneId, { kind: 'REMOVE_VIEWPOINT', viewpoint: v.id })}
              >
                ×
              </button>
            </div>
          </figure>
        ))}
      </div>
      <div className="flex items-center gap-2 overflow-x-auto whitespace-nowrap text-[13px]">
        {stops.length < 2 ? (
          <span className="text-quiet">tick two or more for a move through them</span>
        ) : (
          <>
            {stops.map((v, i) => (
              <span key={v.id} className="flex items-center gap-1.5">
                {i > 0 && i < stops.length - 1 ? (
                  <label className="flex items-center gap-1" title="stands still for a moment here">
                    <input
                      type="checkbox"
                      checked={halts.includes(v.id)}
                      onChange={(e) => useTicked.setState({ halts: e.target.checked ? [...halts, v.id] : halts.filter((h) => h !== v.id) })}
                    />
                    {v.name}
                  </label>
                ) : (
                  v.name
                )}
                {i < stops.length - 1 && (
                  <WayField
                    of={v.id}
                    name={v.name}
                    frames={way(v.id)}
                    framesPerSecond={perSecond(project.rate)}
                    give={(n) => useTicked.setState({ frames: { ...useTicked.getState().frames, [v.id]: n } })}
                  />
                )}
              </span>
            ))}
            <button type="button" className="button py-0.5!" onClick={move} disabled={stage.locked}>
              Move through
            </button>
            <span className="text-quiet">
              {stops.length - 1} ways, {plural(total, 'frame')} of {stage.last - stage.first + 1}
            </span>
          </>
        )}
      </div>
    </div>
  )
}
