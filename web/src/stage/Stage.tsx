import { useEffect, useMemo } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { useActions } from '../desk/actions'
import { useDesk } from '../desk/desk'
import { Empty } from '../parts/Empty'
import { type Bake, readBake } from '../pictures/bake'
import { useBlurKey } from '../pictures/blurs'
import { useBoardKeys } from '../pictures/boardOvers'
import { useFilling } from '../pictures/Fills'
import { useRestingFrame } from '../playhead/atPlayhead'
import { clipAt, shotFrameAt } from '../playhead/lookup'
import { goTo } from '../playhead/transport'
import { useBake, useBoardFrame, useMove, useStage } from '../server/queries'
import type { Clip, Master, Project, StageShot } from '../server/types'
import { CameraPane } from './CameraPane'
import { Channels } from './Channels'
import { FocusStrip } from './FocusStrip'
import { useMovedThings } from './hands/movedThings'
import { KeyBar } from './KeyBar'
import { CameraPanel } from './panels/CameraPanel'
import { CamerasPanel } from './panels/CamerasPanel'
import { LayersPanel } from './panels/LayersPanel'
import { ThingsPanel, takeOut } from './panels/ThingsPanel'
import { ViewpointsPanel } from './panels/ViewpointsPanel'
import { SavePicture } from './SavePicture'
import { ScoutPane } from './ScoutPane'
import { choose, PANELS, setStage, useStageDesk } from './stageDesk'
import { useStageKeys } from './useStageKeys'

/** The set, the shot's camera and its movement. */
export function Stage({ project, master }: { project: Project; master: Master }) {
  const clip = useDesk((d) => clipAt(master, d.frame))
  if (!clip?.shotId) {
    return (
      <Empty
        title={clip ? 'No camera' : 'Black'}
        text={clip ? 'What is seen at this frame has no camera of its own.' : 'No shot is seen at this frame.'}
      >
        <button type="button" className="button" onClick={() => goTo(master.clips.find((s) => s.shotId)?.in ?? master.start)}>
          Go to the first shot
        </button>
      </Empty>
    )
  }
  return <ShotStage key={clip.shotId} project={project} master={master} clip={clip} />
}

function ShotStage({ project, master, clip }: { project: Project; master: Master; clip: Clip }) {
  const stage = useStage(project.id, clip.shotId).data
  const bytes = useBake(project.id, clip.shotId).data
  const bake = useMemo(() => (bytes ? readBake(bytes) : undefined), [bytes])
  useEffect(() => () => void setStage({ steering: false, ghost: undefined }), [])
  if (!stage || !bake) {
    return <Empty title="One moment" text={`Setting up ${clip.code}`} />
  }
  return <OnSet project={project} master={master} clip={clip} stage={stage} bake={bake} />
}

type Props = { project: Project; master: Master; clip: Clip; stage: StageShot; bake: Bake }

function OnSet({ project, master, clip, stage, bake }: Props) {
  const frame = useDesk((d) => d.frame)
  const { panel, chosen, area } = useStageDesk(useShallow(({ panel, chosen, area }) => ({ panel, chosen, area })))
  const shotFrame = shotFrameAt(clip, frame)
  const resting = useRestingFrame(shotFrame)
  const boardFrame = useBoardFrame(master, clip, frame)
  const k = Math.max(0, Math.min(bake.frames - 1, shotFrame - stage.framesFirst))
  const action = bake.actionFrame(resting.frame - stage.framesFirst)
  const item = panel === 'Things' ? stage.items.find((i) => i.id === chosen[0]) : undefined
  const move = useMove(project.id, stage.shotId).data
  const keys = useStageKeys({ stage, item, shotFrame })
  useBlurKey()
  useBoardKeys(clip, 'O')
  useFilling(['camera', 'scout'], 'camera')
  const saving = useStageDesk((d) => d.saving)

  const toShot = (way: 1 | -1) => {
    const next = master.clips[master.clips.indexOf(clip) + way]
    if (next) {
      goTo(next.in)
    }
  }
  const nextThing = () => {
    const next = stage.items[(stage.items.findIndex((i) => i.id === chosen[0]) + 1) % stage.items.length]
    choose(next?.id)
    setStage({ panel: 'Things' })
  }
  const takeAway = () => {
    if (area === 'pictures' && chosen.length > 0 && panel === 'Things') {
      void takeOut(stage, chosen, action)
    } else {
      keys.remove()
    }
  }
  useActions('stage', [
    ...keys.actions,
    {
      group: 'Stage',
      name: area === 'pictures' && item ? `Take ${chosen.length > 1 ? 'the chosen things' : item.name} out of the set` : keys.removeWords,
      keys: 'Delete',
      run: takeAway,
    },
    { group: 'Stage', name: 'Choose the next thing of the set', keys: 'N', run: nextThing, disabled: stage.items.length === 0 },
    {
      group: 'Stage',
      name: 'Choose the camera',
      keys: 'Escape',
      run: () => {
        choose(undefined)
        keys.choose([])
        setStage({ panel: 'Camera' })
      },
      disabled: chosen.length === 0 && keys.chosen.length === 0,
    },
    ...PANELS.map((name, i) => ({
      group: 'Stage',
      name: `${name} panel`,
      keys: `Ctrl+Shift+${'ACSDF'[i]}`,
      run: () => setStage({ panel: name }),
    })),
    { group: 'Stage', name: 'Save the picture of a view', keys: 'Shift+S', run: () => setStage({ saving: true }) },
    { group: 'Stage', name: 'Next shot', keys: 'ArrowDown', run: () => toShot(1) },
    { group: 'Stage', name: 'Previous shot', keys: 'ArrowUp', run: () => toShot(-1) },
  ])
  const things = useMovedThings(stage, bake, bake.actionFrame(k))
  const pane = { project, clip, stage, things, bake, k, shotFrame, boardFrame, edits: master.seq }
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      {saving && <SavePicture stage={stage} shotFrame={resting.frame} close={() => setStage({ saving: false })} />}
      <div className="flex min-h-0 flex-[1.9] gap-3 bg-ground px-4 pt-2 max-[900px]:flex-none max-[900px]:flex-col">
        <div className="flex min-w-0 flex-[1.34] flex-col max-[900px]:h-[70vw] max-[900px]:flex-none">
          <CameraPane {...pane} />
          <FocusStrip project={project} stage={stage} shotFrame={resting.frame} />
        </div>
        <div className="flex min-w-0 flex-1 flex-col max-[900px]:min-h-[85vw] max-[900px]:flex-none">
          <ScoutPane {...pane} perSecond={master.framesPerSecond} />
          <div className="flex h-[clamp(168px,25vh,300px)] shrink-0 flex-col border-t border-line pb-1">
            <div className="flex h-7 shrink-0 items-center gap-4 text-[13px]" role="tablist" aria-label="What is worked on">
              {PANELS.map((name) => (
                <button
                  key={name}
                  type="button"
                  role="tab"
                  aria-selected={panel === name}
                  className={panel === name ? 'text-live underline underline-offset-4' : 'text-quiet'}
                  onClick={() => setStage({ panel: name })}
                >
                  {name}
                  {count(name, stage) > 0 && <span className="num ml-1 text-[12px]">{count(name, stage)}</span>}
                </button>
              ))}
            </div>
            <div className="flex min-h-0 flex-1 flex-col" role="tabpanel" aria-label={panel}>
              {panel === 'Camera' && (
                <CameraPanel project={project} stage={stage} move={move} shotFrame={resting.frame} runs={resting.runs} />
              )}
              {panel === 'Cameras' && <CamerasPanel project={project} stage={stage} />}
              {panel === 'Things' && (
                <ThingsPanel project={project} stage={stage} action={action} shotFrame={resting.frame} runs={resting.runs} />
              )}
              {panel === 'Viewpoints' && <ViewpointsPanel project={project} stage={stage} action={action} />}
              {panel === 'Layers' && <LayersPanel stage={stage} shotFrame={resting.frame} />}
            </div>
          </div>
        </div>
      </div>
      <Channels
        stage={stage}
        item={item}
        move={move}
        shotFrame={shotFrame}
        chosen={keys.chosen}
        choose={keys.choose}
        moveKeys={keys.move}
        moveLayer={keys.moveLayer}
      />
      {!item && <KeyBar stage={stage} chosen={keys.chosen} copy={keys.copy} paste={keys.paste} />}
    </div>
  )
}

const count = (panel: (typeof PANELS)[number], stage: StageShot) =>
  panel === 'Cameras'
    ? stage.cameras.length
    : panel === 'Things'
      ? stage.items.length
      : panel === 'Viewpoints'
        ? stage.viewpoints.length
        : panel === 'Layers'
          ? stage.layers.length
          : 0
