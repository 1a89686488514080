import { useEffect, useState } from 'react'
import { useActions } from '../../desk/actions'
import { sayError } from '../../desk/messages'
import { following } from '../../parts/lists'
import { TypedField } from '../../parts/TypedField'
import { readNumber } from '../../parts/typed'
import { get, of } from '../../server/client'
import { useCameraValues } from '../../server/queries'
import type { CameraMove, Project, Reach, StageShot, StageTie } from '../../server/types'
import { changeCamera, editCamera, editShot } from '../edits'
import { FilmWith } from '../FilmWith'
import { mountAt } from '../mounts'
import { SceneChoice } from '../SceneChoice'
import { setStage, useStageDesk } from '../stageDesk'
import { NumberField } from './NumberField'

const VALUES: [string, string, string, number][] = [
  ['x', 'x', 'm', 2],
  ['y', 'y', 'm', 2],
  ['z', 'z', 'm', 2],
  ['pan', 'pan', '°', 1],
  ['tilt', 'tilt', '°', 1],
  ['roll', 'roll', '°', 1],
  ['lens', 'lens', 'mm', 1],
  ['focus', 'focus', 'm', 2],
  ['stop', 'T-stop', '', 1],
]

const REACHES: Record<Reach | 'HOLD', string> = {
  HERE: 'this frame',
  ALL_KEYS: 'all keys along',
  WHOLE: 'the whole camera',
  HOLD: 'nothing yet, held',
}

/** Numbers of the camera at this frame, how far a change of them reaches, and what it is tied to. */
export function CameraPanel({
  project,
  stage,
  move,
  shotFrame,
  runs,
}: {
  project: Project
  stage: StageShot
  move?: CameraMove
  shotFrame: number
  runs: boolean
}) {
  const known = useCameraValues(project.id, stage.shotId, shotFrame).data
  const unkept = useStageDesk((d) => d.unkept)
  const held = unkept?.shotId === stage.shotId && unkept.frame === shotFrame ? unkept.values : undefined
  const values = known && held ? { ...known, keyed: { ...known.keyed, ...held } } : known
  const reach = useStageDesk((d) => d.reach)
  const [does, setDoes] = useState<string>()
  const keyed = Object.values(stage.channels).some((keys) => keys.length > 0)
  const set = (name: string, value: number) => changeCamera(stage, { kind: 'SET', frame: shotFrame, values: { [name]: value } }, reach)
  const lock = () => void editCamera(stage.shotId, { kind: 'LOCK', locked: !stage.locked })

  useActions('camera-panel', [
    { group: 'Stage', name: stage.locked ? 'Unlock the camera' : 'Lock the camera: it is finished', keys: 'Ctrl+Alt+L', run: lock },
    {
      group: 'Stage',
      name: 'Changes reach this frame, all keys, the whole camera, or are held',
      keys: 'Shift+R',
      run: () => setStage({ reach: following(Object.keys(REACHES) as (keyof typeof REACHES)[], reach) }),
    },
  ])

  const drives = (name: string) =>
    (stage.aim && (name === 'pan' || name === 'tilt')) || (stage.focusOn && name === 'focus')
      ? `${name === 'focus' ? stage.focusOn?.name : stage.aim?.name} says it`
      : undefined
  return (
    <div className={`flex min-h-0 flex-1 flex-col gap-1.5 ${runs ? 'opacity-50' : ''}`}>
      <div className="flex items-center gap-2">
        <FilmWith stage={stage} />
        <SceneChoice project={project} stage={stage} />
        <button
          type="button"
          className={`button py-0.5! text-[13px] ${stage.locked ? 'border-live!' : ''}`}
          aria-pressed={stage.locked}
          onClick={lock}
        >
          {stage.locked ? 'Locked' : 'Lock'}
        </button>
        {keyed ? (
          <label className="ml-auto flex items-center gap-1.5 text-[13px] text-quiet">
            changes
            <select
              className="field py-0.5!"
              aria-label="How far a change reaches"
              value={reach}
              onChange={(e) => {
                setStage({ reach: e.target.value as Reach | 'HOLD' })
                e.target.blur()
              }}
            >
              {Object.entries(REACHES).map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        ) : (
          <span className="ml-auto text-[13px] text-quiet">stands still</span>
        )}
      </div>
      {values && (
        <div className="grid grid-cols-5 gap-x-2 gap-y-1">
          {VALUES.map(([name, label, unit, digits]) => {
            const tied = drives(name)
            return (
              <NumberField
                key={name}
                label={label}
                unit={unit}
                value={(tied ? values.pose : values.keyed)[name] ?? 0}
                digits={digits}
                untouched={!tied && !stage.touched.includes(name)}
                does={
                  tied ??
                  [reach === 'HOLD' ? 'is held until it is made a key' : stage.reach[reach]?.[name], kit(name, stage, values.keyed[name])]
                    .filter(Boolean)
                    .join('; ')
                }
                outside={!!kit(name, stage, values.keyed[name])}
                told={setDoes}
                disabled={stage.locked || !!tied}
                of={`${stage.shotId} ${shotFrame} ${reach}`}
                edits={values.edit}
                give={(v) => set(name, v)}
              />
            )
          })}
          <NumberField
            label="back"
            unit="mm"
            value={stage.backWidth}
            digits={2}
            disabled={stage.locked}
            of={stage.shotId}
            edits={stage.edit}
            give={(v) => editCamera(stage.shotId, { kind: 'BACK', width: v, height: stage.backHeight })}
          />
          <NumberField
            label="action"
            unit=""
            value={stage.first + stage.actionOffset}
            digits={0}
            does="the frame of the action that its first frame shows; drag the word to slide the shot along the action"
            told={setDoes}
            of={stage.shotId}
            edits={stage.edit}
            give={(v) => editShot(stage.shotId, { kind: 'PLACE_ON_ACTION', action: Math.round(v) })}
          />
        </div>
      )}
      <div className="flex min-h-5 items-center gap-3 text-[12.5px] text-quiet" role="status">
        {does ?? (
          <>
            <Ties stage={stage} shotFrame={shotFrame} />
            {values && !stage.locked && (
              <SameSize stage={stage} shotFrame={shotFrame} metres={values.pose.focus ?? 5} lens={values.pose.lens ?? 35} />
            )}
            {move && <Speed move={move} shotFrame={shotFrame} />}
            {move && <TooNear stage={stage} move={move} />}
          </>
        )}
      </div>
    </div>
  )
}

/** @property frame of the shot that it is offered at; @property from metres to what is in focus there, @property metres as it would be */
type Offered = { frame: number; from: number; metres: number; lens: number }

/** Another lens of the kit with what is in focus kept at its size: shown in the picture first, then taken or left. */
function SameSize({ stage, shotFrame, metres, lens }: { stage: StageShot; shotFrame: number; metres: number; lens: number }) {
  const [wanted, setWanted] = useState<Offered>()
  const leave = () => {
    setWanted(undefined)
    setStage({ ghost: undefined })
  }
  // what is offered is offered for a frame: elsewhere it is left
  useEffect(() => {
    if (wanted && wanted.frame !== shotFrame) {
      setWanted(undefined)
      setStage({ ghost: undefined })
    }
  }, [wanted, shotFrame])
  const show = async (other: { lens: number } | { distance: number }) => {
    try {
      const found = await get('/api/shots/{id}/keep-size', of(stage.shotId, { frame: shotFrame, metres, ...other }))
      setWanted({ frame: shotFrame, from: metres, metres: found.metres, lens: found.lens })
      setStage({ ghost: { placed: found.placed, lens: found.lens } })
    } catch (e) {
      sayError(e)
    }
  }
  const take = async () => {
    if (wanted) {
      const { frame, from, lens: taken } = wanted
      await changeCamera(stage, { kind: 'KEEP_SIZE', frame, metres: from, lens: taken })
      leave()
    }
  }
  if (wanted) {
    return (
      <span className="flex items-center gap-2 whitespace-nowrap">
        {wanted.lens.toFixed(0)} mm from {wanted.metres.toFixed(1)} m instead of {wanted.from.toFixed(1)}
        <button type="button" className="link text-live" onClick={() => void take()}>
          take
        </button>
        <button type="button" className="link" onClick={leave}>
          leave
        </button>
      </span>
    )
  }
  return (
    <>
      <select
        className="field py-0! text-[12.5px]"
        aria-label="Another lens at the subject's size"
        value=""
        onChange={(e) => void show({ lens: Number(e.target.value) })}
      >
        <option value="">lens at this size</option>
        {stage.lensKit
          .filter((l) => Math.abs(l - lens) > 0.05)
          .map((l) => (
            <option key={l} value={l}>
              {l} mm
            </option>
          ))}
      </select>
      <Distance of={`${stage.shotId} ${shotFrame}`} metres={metres} show={(distance) => void show({ distance })} />
    </>
  )
}

/** The other way round: how far away, and the lens for the same size comes of it. */
function Distance({ of, metres, show }: { of: string; metres: number; show: (distance: number) => void }) {
  const far = (typed: string) => {
    const distance = readNumber(typed)
    if (distance > 0) {
      show(distance)
    }
  }
  return (
    <label className="flex items-center gap-1 whitespace-nowrap" title="Another distance at the subject's size: its lens comes of it">
      from
      <TypedField
        className="w-14 px-1! py-0!"
        label="Another distance at the subject's size"
        of={of}
        shown={metres.toFixed(1)}
        give={far}
      />
      m
    </label>
  )
}

/** What is to be said of a lens or a stop that the production has not chosen; nothing of others. */
function kit(name: string, stage: StageShot, value: number | undefined): string | undefined {
  const of = name === 'lens' ? stage.lensKit : name === 'stop' ? stage.stopKit : []
  const outside = of.length > 0 && value !== undefined && of.every((v) => Math.abs(v - value) > 0.05)
  return outside ? `outside the kit: ${of.join(' ')}` : undefined
}

/** How fast it goes at the frame, the most of the move, and where it pans faster than the eye follows. */
function Speed({ move, shotFrame }: { move: CameraMove; shotFrame: number }) {
  const { first, metres, degrees, fastest, turning, tooFast } = move.speed
  const [most, turns] = [metres[fastest - first] ?? 0, degrees[turning - first] ?? 0]
  if (most < 0.01 && turns < 0.1) {
    return null
  }
  const here = tooFast.find((f) => shotFrame >= f.from && shotFrame <= f.to) ?? tooFast[0]
  return (
    <>
      <span
        className="num ml-auto whitespace-nowrap"
        title={`fastest ${most.toFixed(1)} m/s at ${fastest}, ${turns.toFixed(0)}°/s at ${turning}`}
      >
        {(metres[shotFrame - first] ?? 0).toFixed(1)} m/s {(degrees[shotFrame - first] ?? 0).toFixed(0)}°/s
      </span>
      {here && (
        <span className="whitespace-nowrap text-offset" title="What crosses the picture takes seven seconds at least, or it judders">
          pan {here.from}–{here.to} crosses in {here.seconds.toFixed(1)} s
        </span>
      )}
    </>
  )
}

/** Where it comes too near to something, with a key that clears it. */
function TooNear({ stage, move }: { stage: StageShot; move: CameraMove }) {
  const at = move.closest - move.speed.first
  const metres = move.clearance[at] ?? move.enough
  const clear = () => void editCamera(stage.shotId, { kind: 'CLEAR', frame: move.closest })
  const near = metres < move.enough
  useActions('too-near', [
    { group: 'Stage', name: 'A key that clears what the camera comes too near to', keys: 'Alt+C', run: clear, disabled: !near },
  ])
  if (!near) {
    return null
  }
  return (
    <span className="flex gap-1.5 whitespace-nowrap text-offset">
      {metres < 0 ? `cut by ${move.things[at]}` : `${metres.toFixed(2)} m to ${move.things[at]}`} at {move.closest}
      <button type="button" className="link" onClick={clear} disabled={stage.locked}>
        clear it
      </button>
    </span>
  )
}

/** What turns, focuses and carries it, each with a way to let go. */
function Ties({ stage, shotFrame }: { stage: StageShot; shotFrame: number }) {
  const mount = mountAt(stage, shotFrame)
  return (
    <>
      {stage.aim && <AimTie stage={stage} aim={stage.aim} shotFrame={shotFrame} />}
      {stage.focusOn && (
        <Tie
          words={`focus on ${stage.focusOn.name}`}
          free={() => void editCamera(stage.shotId, { kind: 'FOCUS_ON', frame: shotFrame, x: 0, y: 0, z: 0 })}
        />
      )}
      {mount?.item && (
        <Tie
          words={`on ${mount.name}${mount.from === undefined ? '' : ` from ${mount.from}`}`}
          free={() => void editCamera(stage.shotId, { kind: 'FREE', frame: shotFrame, throughout: mount.from === undefined })}
        />
      )}
      {!stage.aim && !stage.focusOn && !mount?.item && <span className="truncate">choose a thing to aim, focus or mount on it</span>}
    </>
  )
}

/** What it aims at, and by how many frames it is behind. */
function AimTie({ stage, aim, shotFrame }: { stage: StageShot; aim: StageTie; shotFrame: number }) {
  const { item, x, y, z } = aim
  const behind = (typed: string) => {
    const lag = readNumber(typed)
    if (Number.isFinite(lag)) {
      void editCamera(stage.shotId, { kind: 'AIM', frame: shotFrame, item, x, y, z, lag })
    }
  }
  return (
    <>
      <Tie
        words={`aims at ${aim.name}`}
        free={() => void editCamera(stage.shotId, { kind: 'AIM', frame: shotFrame, x: 0, y: 0, z: 0, lag: 0 })}
      />
      <label className="flex items-center gap-1 whitespace-nowrap" title="It turns to where that was so many frames ago">
        lag
        <TypedField
          className="w-10 px-1! py-0!"
          label="Frames that the aim is behind"
          of={`${stage.shotId} ${shotFrame} ${item}`}
          shown={String(aim.lag)}
          disabled={stage.locked}
          give={behind}
        />
      </label>
    </>
  )
}

const Tie = ({ words, free }: { words: string; free: () => void }) => (
  <span className="flex items-center gap-1.5 whitespace-nowrap">
    {words}
    <button type="button" className="link" onClick={free}>
      let go
    </button>
  </span>
)
