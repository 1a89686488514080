import { useMemo, useRef } from 'react'
import { Matrix4, Vector3 } from 'three'
import { useActions } from '../desk/actions'
import { say } from '../desk/messages'
import type { Draft } from '../parts/draft'
import type { Bake } from '../pictures/bake'
import { Fills } from '../pictures/Fills'
import { LaidBoard } from '../pictures/LaidBoard'
import { useWholeSize } from '../pictures/useSize'
import type { Clip, Project, StageShot } from '../server/types'
import { CameraMarks } from './CameraMarks'
import { changeCamera, editSet } from './edits'
import { Frustum } from './Frustum'
import { Guides } from './Guides'
import type { Moved } from './hands/drag'
import { AWAY, FREE_VIEWS, flatSeen, framed, matrixOf, perspective, placeOf, standing, widened } from './hands/matrices'
import { useRecording } from './hands/useRecording'
import { useScout } from './hands/useScout'
import { PathKeys } from './PathKeys'
import { pathLines, thingLines } from './paths'
import { SetPicture } from './SetPicture'
import { setStage, useStageDesk } from './stageDesk'

type Props = {
  project: Project
  clip: Clip
  stage: StageShot
  things: Draft<Moved>
  bake: Bake
  k: number
  shotFrame: number
  boardFrame?: number
  /** after so many edits of the project the server said what the clip shows */
  edits: number
  perSecond: number
}

/** The free working view, and plan, front and side. Moving it never moves a shot's camera; only "film from here" does. */
export function ScoutPane({ project, clip, stage, things, bake, k, shotFrame, boardFrame, edits, perSecond }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const { width, height } = useWholeSize(holder)
  const free = useStageDesk((d) => d.free)
  const margin = useStageDesk((d) => d.margin)
  const steering = useStageDesk((d) => d.steering)
  const path = useStageDesk((d) => d.path)
  const scout = useScout(stage, bake, k)
  const { place, flat } = scout
  const walk = useRecording(stage, place, shotFrame)
  const aspect = stage.pictureWidth / stage.pictureHeight
  const { w, h } = framed(width, height, aspect, margin)
  const frame = useMemo(
    () =>
      free === 'scout'
        ? {
            view: new Float32Array(matrixOf(place).invert().elements),
            projection: perspective(stage.backWidth / (2 * place.lens), aspect),
          }
        : flatSeen(free, flat, aspect),
    [free, flat, place, stage.backWidth, aspect],
  )
  const seen = useMemo(
    () =>
      free === 'scout'
        ? { view: frame.view, projection: widened(frame.projection, width / Math.max(1, w), height / Math.max(1, h)) }
        : flatSeen(free, flat, Math.max(0.1, width / Math.max(1, height))),
    [free, frame, flat, width, height, w, h],
  )
  const chosen = useStageDesk((d) => d.chosen)
  const lines = useMemo(() => {
    const indexes = chosen.map((id) => stage.items.findIndex((i) => i.id === id)).filter((i) => i >= 0)
    return path ? [...pathLines(bake), ...thingLines(bake, indexes)] : []
  }, [bake, path, chosen, stage.items])
  const guide = useMemo(() => ({ view: bake.view(k), projection: bake.projection(k) }), [bake, k])
  const places = useMemo(() => bake.places(k), [bake, k])
  const atCamera = free === 'scout' && isAt(place, bake.view(k))

  const filmFromHere = async () => {
    const done = await changeCamera(stage, {
      kind: 'FILM_FROM',
      frame: shotFrame,
      placed: [...matrixOf(place).elements],
      lens: Math.round(place.lens * 100) / 100,
      keepAim: false,
    })
    if (done) {
      say(`${stage.code} is filmed from here`)
    }
  }
  const goToCamera = () => {
    setStage({ free: 'scout' })
    scout.goTo(placeOf(standing(bake.view(k)), bake.lens(k)))
  }
  const keep = async () => {
    const made = await editSet(stage.sceneId, {
      kind: 'KEEP_VIEWPOINT',
      placed: [...matrixOf(place).elements],
      lens: place.lens,
      focus: bake.focus(k),
    })
    if (made) {
      setStage({ panel: 'Viewpoints' })
    }
  }
  const nextFree = () => setStage({ free: FREE_VIEWS[(FREE_VIEWS.indexOf(free) + 1) % FREE_VIEWS.length] })

  useActions('scout', [
    { group: 'Stage', name: 'Film from here: the camera goes where the scout view is', keys: 'G', run: () => void filmFromHere() },
    { group: 'Stage', name: 'Scout view to the camera', keys: 'C', run: goToCamera },
    { group: 'Stage', name: 'Keep the scout view as a viewpoint', keys: 'Shift+K', run: () => void keep() },
    { group: 'Stage', name: 'Scout, plan, front or side view', keys: 'P', run: nextFree },
    { group: 'Stage', name: 'Scout view back to where it was', keys: 'Alt+Z', run: scout.back },
    {
      group: 'Stage',
      name: walk.recording ? 'End the recording: it is the camera’s move' : 'Record the scout view as the camera’s move',
      keys: 'Shift+W',
      run: walk.toggle,
    },
    { group: 'Stage', name: 'Drop the recording', keys: 'Shift+Q', run: walk.drop, disabled: !walk.recording },
    { group: 'Stage', name: 'Camera paths in scout and plan', keys: 'Shift+P', run: () => setStage({ path: !path }) },
    ...(steering
      ? []
      : [
          { group: 'Stage', name: 'Scout ahead', keys: 'W', run: () => scout.go('w', 1, 0, 0) },
          { group: 'Stage', name: 'Scout back', keys: 'S', run: () => scout.go('s', -1, 0, 0) },
          { group: 'Stage', name: 'Scout left', keys: 'A', run: () => scout.go('a', 0, -1, 0) },
          { group: 'Stage', name: 'Scout right', keys: 'D', run: () => scout.go('d', 0, 1, 0) },
          { group: 'Stage', name: 'Scout up', keys: 'E', run: () => scout.go('e', 0, 0, 1) },
          { group: 'Stage', name: 'Scout down', keys: 'Q', run: () => scout.go('q', 0, 0, -1) },
          { group: 'Stage', name: 'Scout turn left', keys: 'Ctrl+ArrowLeft', run: () => scout.turn(0.06) },
          { group: 'Stage', name: 'Scout turn right', keys: 'Ctrl+ArrowRight', run: () => scout.turn(-0.06) },
          { group: 'Stage', name: 'Longer scout lens', keys: 'R', run: () => scout.lens(1.1) },
          { group: 'Stage', name: 'Wider scout lens', keys: 'F', run: () => scout.lens(1 / 1.1) },
          { group: 'Stage', name: 'Walk at eye height, or fly', keys: 'H', run: scout.walk },
          { group: 'Stage', name: 'Scout slower', keys: '-', run: () => scout.pace(1 / 1.5) },
          { group: 'Stage', name: 'Scout faster', keys: '+ =', run: () => scout.pace(1.5) },
        ]),
  ])

  return (
    <Fills name="scout">
      <div className="flex h-7 items-center gap-2 whitespace-nowrap">
        <b className="font-semibold">{free === 'scout' ? 'Scout view' : `${free[0]?.toUpperCase()}${free.slice(1)}`}</b>
        <span className="min-w-0 flex-1 truncate text-quiet">{scout.words}</span>
        {free === 'scout' && <span className="num text-[13px] text-quiet">{place.lens.toFixed(0)} mm</span>}
        {FREE_VIEWS.map((name) => (
          <button
            key={name}
            type="button"
            className={`px-1 text-[13px] ${free === name ? 'text-live underline underline-offset-4' : 'text-quiet'}`}
            aria-pressed={free === name}
            onClick={() => setStage({ free: name })}
          >
            {name}
          </button>
        ))}
      </div>
      <div
        ref={holder}
        role="group"
        aria-label={free === 'scout' ? 'Scout view' : free}
        className="relative min-h-0 flex-1 overflow-hidden bg-black"
        onWheel={scout.wheel}
      >
        <SetPicture
          projectId={project.id}
          stage={stage}
          things={things}
          pane="scout"
          name={free}
          frame={frame}
          label={free === 'scout' ? 'Scout view' : `${free} view`}
          width={width}
          height={height}
          seen={seen}
          places={places}
          action={bake.actionFrame(k)}
          shotFrame={shotFrame}
          guide={atCamera || free !== 'scout' ? undefined : guide}
          lines={lines}
          flat={free === 'scout' ? undefined : AWAY}
          works
          off={false}
          empty={scout.empty}
        />
        {path && width > 0 && (
          <PathKeys stage={stage} bake={bake} perSecond={perSecond} seen={seen} width={width} height={height} flat={free !== 'scout'} />
        )}
        {free !== 'scout' && <Frustum {...{ projectId: project.id, stage, bake, k, shotFrame, seen, width, height }} />}
        {walk.recording && (
          <div
            className="pointer-events-none absolute inset-x-0 top-0 bg-black/70 px-2 py-1 text-[13px] text-offset outline-3 outline-offset"
            role="status"
          >
            recording from {stage.code} frame {walk.recording.from} on; Shift W ends it, Shift Q drops it
          </div>
        )}
        {free !== 'scout' && (
          <CameraMarks
            projectId={project.id}
            stage={stage}
            bake={bake}
            k={k}
            shotFrame={shotFrame}
            seen={seen}
            width={width}
            height={height}
          />
        )}
        {free === 'scout' && (
          <div
            className="pointer-events-none absolute outline outline-white/30"
            style={{ left: (width - w) / 2, top: (height - h) / 2, width: w, height: h }}
          >
            {atCamera && <LaidBoard clip={clip} frame={boardFrame} edits={edits} />}
            {atCamera && <Guides aspect={aspect} />}
          </div>
        )}
      </div>
      <div className="flex items-center gap-1.5 py-1">
        <button
          type="button"
          className="button border-live! px-2! py-0.5! text-[13px]"
          onClick={() => void filmFromHere()}
          disabled={free !== 'scout'}
        >
          Film from here
        </button>
        <button type="button" className="button px-2! py-0.5! text-[13px]" onClick={goToCamera}>
          Go to camera
        </button>
        <button type="button" className="button px-2! py-0.5! text-[13px]" onClick={() => void keep()} disabled={free !== 'scout'}>
          Keep as viewpoint
        </button>
        <button type="button" className="button px-2! py-0.5! text-[13px]" onClick={walk.toggle} disabled={free !== 'scout'}>
          {walk.recording ? 'End the walk' : 'Record a walk'}
        </button>
        <Keeps />
      </div>
    </Fills>
  )
}

const KEEPS = [
  { metres: 0.02, degrees: 0.5 },
  { metres: 0.05, degrees: 1 },
  { metres: 0.15, degrees: 2 },
  { metres: 0.5, degrees: 5 },
]

/** How far a recorded move may be from what was walked: the looser, the fewer keys. */
function Keeps() {
  const keeps = useStageDesk((d) => d.keeps)
  return (
    <select
      className="field w-20 py-0! text-[12.5px]"
      title={`A recorded move keeps so close to the walk, and its turn within ${keeps.degrees}°: the looser, the fewer keys`}
      aria-label="How close a recorded move keeps to the walk"
      value={KEEPS.findIndex((k) => k.metres === keeps.metres)}
      onChange={(e) => setStage({ keeps: KEEPS[Number(e.target.value)] })}
    >
      {KEEPS.map((k, i) => (
        <option key={k.metres} value={i}>
          ± {Math.round(k.metres * 100)} cm
        </option>
      ))}
    </select>
  )
}

/** Whether a place is where a camera stands, so that both frame the same. */
function isAt(place: Parameters<typeof matrixOf>[0], view: Float32Array): boolean {
  const camera = standing(view)
  const own = matrixOf(place)
  const apart = new Vector3().setFromMatrixPosition(own).distanceTo(new Vector3().setFromMatrixPosition(camera))
  const ahead = (m: Matrix4) => new Vector3(0, 0, -1).applyMatrix4(new Matrix4().extractRotation(m))
  return apart < 0.01 && ahead(own).dot(ahead(camera)) > 0.99999
}
