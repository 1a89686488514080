import { useMemo, useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk, useOfDesk } from '../desk/desk'
import { sayError } from '../desk/messages'
import { Empty } from '../parts/Empty'
import { readBake } from '../pictures/bake'
import { useRestingFrame } from '../playhead/atPlayhead'
import { sectionAt, shotFrameAt } from '../playhead/lookup'
import { goTo, step } from '../playhead/transport'
import { of, post } from '../server/client'
import { useBake, useBoardFrame, useStage } from '../server/queries'
import type { Project, Section, Sequence } from '../server/types'
import { CameraPane } from './CameraPane'
import { Channels } from './Channels'
import { FocusStrip } from './FocusStrip'
import { Properties } from './Properties'
import { ScoutPane } from './ScoutPane'

/** The set, the shot's camera and its movement. */
export function Stage({ project, sequence }: { project: Project; sequence: Sequence }) {
  const section = useDesk((d) => sectionAt(sequence, d.frame))
  if (!section) {
    return (
      <Empty title="Black" text="No shot is seen at this frame.">
        <button type="button" className="button" onClick={() => goTo(sequence.sections[0]?.in ?? sequence.start)}>
          Go to the first shot
        </button>
      </Empty>
    )
  }
  return <ShotStage key={section.shotId} project={project} sequence={sequence} section={section} />
}

function ShotStage({ project, sequence, section }: { project: Project; sequence: Sequence; section: Section }) {
  const { frame, boardOver } = useOfDesk('frame', 'boardOver')
  const shotFrame = shotFrameAt(section, frame)
  const resting = useRestingFrame(shotFrame)
  const stage = useStage(project.id, section.shotId).data
  const bytes = useBake(project.id, section.shotId).data
  const bake = useMemo(() => (bytes ? readBake(bytes) : undefined), [bytes])
  const [item, setItem] = useState<number>()
  const boardFrame = useBoardFrame(sequence, section, frame)
  const k = stage ? shotFrame - stage.framesFirst : 0

  // keys mean what is chosen: the camera, or a thing of the set, whose keys lie on the action's clock
  const chosen = stage?.items.find((i) => i.id === item)
  const offset = chosen ? (stage?.actionOffset ?? 0) : 0
  const what = chosen?.name ?? 'the camera'
  const keyFrames = useMemo(() => {
    const all = Object.values(chosen?.channels ?? stage?.channels ?? {}).flatMap((keys) => keys.map((x) => x.frame - offset))
    return [...new Set(all)].sort((a, b) => a - b)
  }, [stage, chosen, offset])

  const toKey = (way: 1 | -1) => {
    const next = way > 0 ? keyFrames.find((f) => f > shotFrame) : [...keyFrames].reverse().find((f) => f < shotFrame)
    if (next !== undefined) {
      step(next - shotFrame)
    }
  }
  const toShot = (way: 1 | -1) => {
    const next = sequence.sections[sequence.sections.indexOf(section) + way]
    if (next) {
      goTo(next.in)
    }
  }
  const at = shotFrame + offset
  const keyHere = () =>
    void (
      chosen
        ? post('/api/items/{id}/keys/here', of(chosen.id, { frame: at }))
        : post('/api/shots/{id}/keys/here', of(section.shotId, { frame: at }))
    ).catch(sayError)
  const removeKey = () =>
    void (
      chosen
        ? post('/api/items/{id}/keys/remove', of(chosen.id, { frame: at }))
        : post('/api/shots/{id}/keys/remove', { ...of(section.shotId), body: { frame: at, channels: Object.keys(stage?.plain ?? {}) } })
    ).catch(sayError)
  const moveKey = (from: number, to: number) => {
    const body = { from: from + offset, to: to + offset }
    void (
      chosen
        ? post('/api/items/{id}/keys/move', { ...of(chosen.id), body })
        : post('/api/shots/{id}/keys/move', { ...of(section.shotId), body })
    )
      .then(() => step(to - shotFrame))
      .catch(sayError)
  }
  // the server says where there is no key: the window may not have heard yet of one that was just made
  useActions('stage', [
    { group: 'Stage', name: `Key all of ${what} here`, keys: 'K', run: keyHere },
    { group: 'Stage', name: `Remove the keys of ${what} here`, keys: 'Delete', run: removeKey },
    {
      group: 'Stage',
      name: `Move the keys of ${what} one frame earlier`,
      keys: 'Alt+ArrowLeft',
      run: () => moveKey(shotFrame, shotFrame - 1),
    },
    {
      group: 'Stage',
      name: `Move the keys of ${what} one frame later`,
      keys: 'Alt+ArrowRight',
      run: () => moveKey(shotFrame, shotFrame + 1),
    },
    {
      group: 'Stage',
      name: 'Choose the next thing of the set',
      keys: 'N',
      run: () => setItem(stage?.items[(stage.items.findIndex((i) => i.id === item) + 1) % (stage.items.length || 1)]?.id),
      disabled: !stage?.items.length,
    },
    { group: 'Stage', name: 'Choose the camera', keys: 'Escape', run: () => setItem(undefined), disabled: !chosen },
    { group: 'Stage', name: `Next key of ${what}`, keys: '.', run: () => toKey(1) },
    { group: 'Stage', name: `Previous key of ${what}`, keys: ',', run: () => toKey(-1) },
    { group: 'Stage', name: 'Next shot', keys: 'ArrowDown', run: () => toShot(1) },
    { group: 'Stage', name: 'Previous shot', keys: 'ArrowUp', run: () => toShot(-1) },
    { group: 'Stage', name: 'Board over the camera picture', keys: 'O', run: () => setDesk({ boardOver: boardOver > 0 ? 0 : 0.4 }) },
  ])
  if (!stage || !bake) {
    return <Empty title="One moment" text={`Setting up ${section.code}`} />
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex min-h-0 flex-[1.9] gap-3 bg-ground px-4 pt-2 max-[900px]:flex-none max-[900px]:flex-col">
        <div className="flex min-w-0 flex-[1.34] flex-col max-[900px]:h-[70vw] max-[900px]:flex-none">
          <CameraPane project={project} section={section} stage={stage} bake={bake} k={k} shotFrame={shotFrame} boardFrame={boardFrame} />
          <FocusStrip project={project} stage={stage} shotFrame={resting.frame} />
        </div>
        <div className="flex min-w-0 flex-1 flex-col max-[900px]:min-h-[85vw] max-[900px]:flex-none">
          <ScoutPane project={project} stage={stage} bake={bake} k={k} shotFrame={shotFrame} />
          <Properties
            project={project}
            stage={stage}
            action={bake.actionFrame(resting.frame - stage.framesFirst)}
            shotFrame={resting.frame}
            runs={resting.runs}
            item={item}
            chooseItem={setItem}
          />
        </div>
      </div>
      <Channels stage={stage} item={chosen} shotFrame={shotFrame} moveKey={moveKey} />
    </div>
  )
}
