import { Popover } from 'radix-ui'
import { useEffect, useMemo, useRef } from 'react'
import { Matrix4 } from 'three'
import { useActions } from '../desk/actions'
import { sayError } from '../desk/messages'
import type { Draft } from '../parts/draft'
import { BoardOver } from '../pictures/BoardOver'
import type { Bake } from '../pictures/bake'
import { useBlurs } from '../pictures/blurs'
import { useBoardOver } from '../pictures/boardOvers'
import { Fills } from '../pictures/Fills'
import { leaveByHand, useFitting } from '../pictures/fitting'
import { LaidBoard } from '../pictures/LaidBoard'
import { useWholeSize } from '../pictures/useSize'
import type { Clip, Project, StageShot } from '../server/types'
import { keepHeld, letGo } from './edits'
import { GuideChoice, Guides } from './Guides'
import type { Moved } from './hands/drag'
import { framed, perspective, widened } from './hands/matrices'
import { useSteering } from './hands/useSteering'
import { mountAt } from './mounts'
import { ProjectPicture } from './ProjectPicture'
import { SetPicture } from './SetPicture'
import { type StageDesk, setStage, useStageDesk } from './stageDesk'

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
}

/** The shot's picture in its delivery frame, with what lies around it dimmed. */
export function CameraPane({ project, clip, stage, things, bake, k, shotFrame, boardFrame, edits }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const { width, height } = useWholeSize(holder)
  const margin = useStageDesk((d) => d.margin)
  const { over } = useBoardOver(clip)
  const blurred = useBlurs((b) => b.blurred)
  const steering = useSteering(stage, bake, shotFrame)
  const aspect = stage.pictureWidth / stage.pictureHeight
  const { w, h } = framed(width, height, aspect, margin)
  const ghost = useStageDesk((d) => d.ghost)
  const { steered } = steering
  const unkept = useStageDesk((d) => d.unkept)
  const held = useMemo(
    () =>
      unkept?.shotId === stage.shotId && unkept.frame === shotFrame
        ? { placed: new Matrix4().fromArray(unkept.placed), lens: unkept.lens }
        : undefined,
    [unkept, stage.shotId, shotFrame],
  )
  const frame = useMemo(() => {
    const other = steered ?? held ?? (ghost && { placed: new Matrix4().fromArray(ghost.placed), lens: ghost.lens })
    return other
      ? {
          view: new Float32Array(other.placed.clone().invert().elements),
          projection: perspective(stage.backWidth / (2 * other.lens), aspect),
        }
      : { view: bake.view(k), projection: bake.projection(k) }
  }, [steered, held, ghost, bake, k, aspect, stage.backWidth])
  const blur = useMemo(() => (blurred ? bake.blur(k) : undefined), [blurred, bake, k])
  const seen = useMemo(
    () => ({
      ...frame,
      // the margin makes the picture wider than the frame that circles are counted by
      blur: blur && { focus: blur.focus, farCircle: (blur.farCircle * w) / Math.max(1, width) },
      projection: widened(frame.projection, width / Math.max(1, w), height / Math.max(1, h)),
    }),
    [frame, blur, width, height, w, h],
  )

  const places = useMemo(() => bake.places(k), [bake, k])
  const facts = words(stage, bake, k)
  const enter = () => {
    if (stage.locked) {
      sayError(new Error(`"${stage.camera}" is locked because it is finished: unlock it first`))
    } else {
      // one hand at a time: the board's would take the drags
      leaveByHand()
      setStage({ steering: !steering.steering })
    }
  }
  const boardByHand = useFitting((f) => f.byHand)
  useEffect(() => {
    if (boardByHand) {
      setStage({ steering: false })
    }
  }, [boardByHand])
  useActions('steering', [
    { group: 'Stage', name: steering.steering ? 'Leave steering' : 'Steer the camera in its picture', keys: 'V', run: enter },
    ...(steering.steering
      ? [
          { group: 'Steering', name: 'Leave steering', keys: 'Escape', run: steering.leave },
          { group: 'Steering', name: 'Camera ahead', keys: 'W', run: () => steering.go(1, 0, 0) },
          { group: 'Steering', name: 'Camera back', keys: 'S', run: () => steering.go(-1, 0, 0) },
          { group: 'Steering', name: 'Camera left', keys: 'A', run: () => steering.go(0, -1, 0) },
          { group: 'Steering', name: 'Camera right', keys: 'D', run: () => steering.go(0, 1, 0) },
          { group: 'Steering', name: 'Camera up', keys: 'E', run: () => steering.go(0, 0, 1) },
          { group: 'Steering', name: 'Camera down', keys: 'Q', run: () => steering.go(0, 0, -1) },
          { group: 'Steering', name: 'Longer lens', keys: 'R', run: () => steering.zoom(1.05) },
          { group: 'Steering', name: 'Wider lens', keys: 'F', run: () => steering.zoom(1 / 1.05) },
        ]
      : []),
  ])

  return (
    <Fills name="camera">
      <div className="flex h-7 items-center gap-2 whitespace-nowrap">
        <b className="font-semibold">Camera {clip.code}</b>
        {stage.locked && <span className="rounded bg-raised px-1.5 text-[12.5px]">locked</span>}
        <span className="min-w-0 flex-1 truncate text-quiet" title={facts}>
          {facts}
        </span>
        <BoardOver clip={clip} edits={edits} short />
        <Popover.Root>
          <Popover.Trigger className="link text-[13px] text-quiet">frame</Popover.Trigger>
          <Popover.Portal>
            <Popover.Content
              className="z-50 w-80 rounded-lg border border-line bg-raised p-3 shadow-xl"
              align="end"
              sideOffset={4}
              aria-label="Frame and picture"
            >
              <GuideChoice />
              <hr className="my-3 border-line" />
              <ProjectPicture project={project} stage={stage} />
              <hr className="my-3 border-line" />
              <Popover.Close className="link text-[13px]" onClick={() => setStage({ saving: true })}>
                save the picture of a view…
              </Popover.Close>
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
        <button type="button" className={`button py-0! text-[13px] ${steering.steering ? 'border-live! text-live' : ''}`} onClick={enter}>
          {steering.steering ? 'Steering' : 'Steer'}
        </button>
        <span className="num text-quiet">{shotFrame}</span>
      </div>
      <div
        ref={holder}
        className={`relative min-h-0 flex-1 overflow-hidden bg-[#1d1d1d] ${steering.steering ? 'outline-3 outline-live' : ''}`}
        onWheel={(e) => steering.steering && steering.wheel(e)}
        data-steering={steering.steering}
      >
        <SetPicture
          projectId={project.id}
          stage={stage}
          things={things}
          pane="camera"
          name="camera"
          frame={{ ...frame, blur }}
          label={`Camera ${clip.code} at ${shotFrame}`}
          width={width}
          height={height}
          seen={seen}
          places={places}
          action={bake.actionFrame(k)}
          shotFrame={shotFrame}
          works={false}
          off={steering.steering}
          empty={steering.steering ? steering.empty : NOTHING}
        />
        <div
          className="pointer-events-none absolute outline outline-white/70"
          style={{ left: (width - w) / 2, top: (height - h) / 2, width: w, height: h, boxShadow: '0 0 0 4000px rgba(20, 20, 20, 0.55)' }}
          data-frame="delivery"
        >
          <LaidBoard clip={clip} frame={boardFrame} edits={edits} />
          <Guides aspect={aspect} />
          {unkept && <Unkept unkept={unkept} here={!!held} />}
          <span className="num absolute bottom-1.5 left-2 text-[12.5px] text-white drop-shadow-[0_1px_2px_#000]">
            {steering.steering ? '' : ghost ? 'as it would be, not taken yet' : `delivery ${stage.pictureWidth} × ${stage.pictureHeight}`}
          </span>
          <span className="num absolute bottom-1.5 right-2 text-[12.5px] text-white drop-shadow-[0_1px_2px_#000]">
            {steering.steering
              ? 'drag pan, Shift track, Alt circle, Ctrl roll, wheel in and out'
              : `${blurred ? 'blur on · ' : ''}board over ${Math.round(over * 100)} %`}
          </span>
        </div>
      </div>
    </Fills>
  )
}

/** A camera that was moved without a key: it is held, said, and offered as one. */
function Unkept({ unkept, here }: { unkept: NonNullable<StageDesk['unkept']>; here: boolean }) {
  useActions('unkept', [
    { group: 'Stage', name: `Make a key of ${unkept.code} as it was moved at ${unkept.frame}`, keys: 'Alt+K', run: () => void keepHeld() },
    { group: 'Stage', name: 'Let go of the camera as it was moved', keys: 'Alt+Backspace', run: letGo },
  ])
  return (
    <div className="pointer-events-auto absolute inset-x-0 top-0 flex items-center gap-3 bg-black/70 px-2 py-1 text-[13px]" role="status">
      <span className="text-offset">
        {here ? 'moved here' : `${unkept.code} was moved at ${unkept.frame}`}, <b>not kept</b>
      </span>
      <button type="button" className="link text-live" onClick={() => void keepHeld()}>
        make it a key
      </button>
      <button type="button" className="link" onClick={letGo}>
        let it go
      </button>
    </div>
  )
}

const NOTHING = { begin: () => {}, move: () => {}, end: () => {} }

function words(stage: StageShot, bake: Bake, k: number): string {
  const carrier = mountAt(stage, bake.shotFrame(k))
  return [
    stage.camera,
    carrier?.name && `on ${carrier.name}`,
    stage.aim?.name && `aims at ${stage.aim.name}`,
    `${bake.lens(k).toFixed(0)} mm`,
    `T${Math.round(bake.stop(k) * 10) / 10}`,
    `${stage.backWidth} × ${stage.backHeight} mm`,
  ]
    .filter(Boolean)
    .join(' · ')
}
