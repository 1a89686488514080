import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import { itemAt } from '../parts/lists'
import { Rows } from '../parts/Rows'
import { plural } from '../parts/words'
import { goTo } from '../playhead/transport'
import { of, post } from '../server/client'
import { keepReceived, refreshEdited, useIntake } from '../server/queries'
import type { IntakeCut, Project } from '../server/types'
import { CutAsItCame } from './CutAsItCame'
import { NumberingBox } from './NumberingBox'
import { COLUMNS, PlannedRow } from './PlannedRow'
import { RateWays } from './RateWays'
import { Remarks } from './Remarks'
import { rateName } from './rateName'
import { alone, useDrop } from './useDrop'
import { WhichPart } from './WhichPart'

const soundTracks = (cut: IntakeCut) => plural(new Set(cut.sound.map((s) => s.track)).size, 'sound track')

/** A cut arrives: what is in it, what is missing, what will be made of it. */
export function Intake({ project }: { project: Project }) {
  const chosen = useDesk((d) => d.cutId)
  const newest = project.cuts[project.cuts.length - 1]
  const cutId = project.cuts.some((c) => c.id === chosen) ? chosen : newest?.id
  const intake = useIntake(project.id, cutId)
  const drop = useDrop(project)

  return (
    <div className="relative flex min-h-0 flex-1 flex-col" {...drop.target}>
      <input
        ref={drop.field}
        type="file"
        multiple
        hidden
        aria-label="Choose files"
        onChange={(e) => {
          void drop.take([...(e.target.files ?? [])].map(alone))
          e.target.value = ''
        }}
      />
      {!cutId && <FirstDrop choose={drop.choose} />}
      {cutId && intake.error && (
        <p className="p-6" role="alert">
          {intake.error.message}
        </p>
      )}
      {cutId && intake.data && intake.data.id === cutId && <OneCut project={project} cut={intake.data} choose={drop.choose} />}
      {cutId && !intake.data && !intake.error && <p className="p-6 text-quiet">Reading the cut</p>}
      {drop.progress && (
        <div
          className="absolute inset-x-0 bottom-4 z-30 mx-auto flex w-[520px] items-center gap-4 rounded-lg border border-line bg-raised px-4 py-3"
          role="status"
        >
          <span className="flex-1">{drop.progress.text}</span>
          <progress className="w-40" value={drop.progress.share} />
          <button type="button" className="button" onClick={drop.progress.stop}>
            Stop
          </button>
        </div>
      )}
      {drop.over && (
        <div className="pointer-events-none absolute inset-2 z-30 flex items-center justify-center rounded-xl border-2 border-dashed border-live bg-deep/80 text-[20px]">
          Drop the cut with its pictures and sound
        </div>
      )}
    </div>
  )
}

function FirstDrop({ choose }: { choose: () => void }) {
  return (
    <div className="flex flex-1 flex-col items-center justify-center gap-3 bg-ground text-center">
      <h1 className="text-[22px] font-semibold">Drop a cut here</h1>
      <p className="max-w-lg text-quiet">
        A cut as EDL, XML, AAF or OTIO with its boards and its sound, several files at once or a whole folder. You see what will be made of
        it before anything is made. Zips are unpacked; pictures may come later.
      </p>
      <button type="button" className="button button-main" onClick={choose}>
        Choose files
      </button>
    </div>
  )
}

function OneCut({ project, cut, choose }: { project: Project; cut: IntakeCut; choose: () => void }) {
  const [shot, setShot] = useState(0)
  const [busy, setBusy] = useState(false)
  const receive = async () => {
    setBusy(true)
    try {
      await post('/api/cuts/{id}/receive', of(cut.id))
      say(cut.first ? `Received: ${plural(cut.shots.length, 'shot')} made` : `Cut ${cut.version} received: it waits in Turnover`)
      keepReceived(project.id, cut)
      refreshEdited(project.id)
      setDesk({ view: cut.first ? 'Stage' : 'Turnover', cutId: cut.id, frame: cut.start, zoom: undefined, seam: undefined })
    } catch (e) {
      sayError(e)
    }
    setBusy(false)
  }
  const apart = async (seam: number, keep: boolean) => {
    try {
      await post('/api/cuts/{id}/apart', { ...of(cut.id), body: { seam, apart: keep } })
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  const allApart = async (keep: boolean) => {
    try {
      await post('/api/cuts/{id}/apart/all', of(cut.id, { apart: keep }))
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  const camera = async (at: number, name: string) => {
    try {
      await post('/api/cuts/{id}/camera', { ...of(cut.id), body: { at, name } })
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  const open = cut.closable - cut.shots.reduce((n, s) => n + s.seams.length, 0)
  const joinOrKeep = () => {
    const at = cut.shots[shot]
    if (at?.seams.length) {
      at.seams.forEach((s) => void apart(s, true))
    } else if (at?.canJoin) {
      void apart(at.in, false)
    }
  }
  useActions('intake', [
    { group: 'Intake', name: 'Receive this cut', keys: 'Ctrl+Enter', run: () => void receive(), disabled: cut.received || busy },
    { group: 'Intake', name: 'Choose files', keys: 'C', run: choose },
    {
      group: 'Intake',
      name: 'Save a report of this intake (PDF)',
      keys: 'P',
      run: () => window.location.assign(`/api/cuts/${cut.id}/report/pdf`),
    },
    {
      group: 'Intake',
      name: 'Save a report of this intake (CSV)',
      keys: 'Shift+P',
      run: () => window.location.assign(`/api/cuts/${cut.id}/report/csv`),
    },
    { group: 'Intake', name: 'Next planned shot', keys: 'ArrowDown', run: () => setShot((n) => Math.min(cut.shots.length - 1, n + 1)) },
    { group: 'Intake', name: 'Previous planned shot', keys: 'ArrowUp', run: () => setShot((n) => Math.max(0, n - 1)) },
    { group: 'Intake', name: 'Join or keep apart', keys: 'X', run: joinOrKeep, disabled: cut.received },
    {
      group: 'Intake',
      name: 'Keep all clips apart',
      keys: 'Ctrl+Shift+X',
      run: () => void allApart(true),
      disabled: cut.received || open === cut.closable,
    },
    {
      group: 'Intake',
      name: 'Join all clips that can be one shot',
      keys: 'Ctrl+Shift+J',
      run: () => void allApart(false),
      disabled: cut.received || open === 0,
    },
    {
      group: 'Intake',
      name: 'Film with the camera of the shot before',
      keys: 'M',
      run: () => shot > 0 && void camera(itemAt(cut.shots, shot).in, itemAt(cut.shots, shot - 1).camera),
      disabled: cut.received || !cut.first,
    },
    {
      group: 'Intake',
      name: 'Film with a camera of its own',
      keys: 'O',
      run: () => void camera(itemAt(cut.shots, shot).in, ''),
      disabled: cut.received || !cut.first,
    },
  ])
  const chooseRate = async (rate: string) => {
    try {
      await post('/api/cuts/{id}/rate', of(cut.id, { rate }))
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  /** A shot that is chosen here is what the other views show, once the cut is the master's. */
  const look = (index: number) => {
    setShot(index)
    if (cut.received && cut.id === project.againstCutId && cut.shots[index]) {
      goTo(cut.shots[index].in)
    }
  }
  const lead = (where: { at?: number; source?: string }) => {
    const index = cut.shots.findIndex((s) => (where.at === undefined ? s.boardName === where.source : where.at >= s.in && where.at < s.out))
    if (index >= 0) {
      look(index)
    }
  }
  return (
    <>
      <CutAsItCame cut={cut} shot={shot} choose={look} />
      <div className="flex min-h-0 flex-1 max-[900px]:flex-none max-[900px]:flex-col">
        <section className="flex min-w-0 flex-1 flex-col bg-ground px-4 pt-3" aria-label="What will be made">
          <div className="mb-2 flex flex-wrap items-baseline gap-x-3 gap-y-1">
            <b className="font-semibold">{!cut.first ? 'Whose shots these are' : cut.received ? 'What was made' : 'What will be made'}</b>
            <span className="text-quiet">
              {cut.first
                ? `${plural(cut.shots.length, 'shot')}, ${plural(new Set(cut.shots.map((s) => s.camera)).size, 'camera')}, ${plural(cut.shots.filter((s) => s.mediaId).length, 'board')} found, ${soundTracks(cut)} · first frame ${cut.firstFrame}, handles ${cut.handles}`
                : 'nothing is made: it is compared with our master in Turnover'}
            </span>
            <span className="ml-auto" />
            {!cut.received && cut.closable > 0 && (
              <button type="button" className="link text-quiet" onClick={() => void allApart(open < cut.closable)}>
                {open < cut.closable ? 'keep all apart' : 'join all'}
              </button>
            )}
            <WhichPart project={project} cut={cut} />
            {cut.first && !cut.received && <NumberingBox project={project} cut={cut} />}
            <label className="flex items-center gap-2 text-quiet">
              Rate
              <select
                className="field num"
                value={cut.rate}
                disabled={cut.received}
                onChange={(e) => void chooseRate(e.target.value)}
                aria-label="Frames per second of the cut"
              >
                {[...new Set([cut.rate, ...cut.rates])].map((r) => (
                  <option key={r} value={r}>
                    {rateName(r)}
                  </option>
                ))}
              </select>
            </label>
          </div>
          {cut.rateReason && !cut.received && (
            <p className="mb-2 text-[13px]">
              <span className="tag tag-offset mr-2">guessed</span>
              {cut.rateReason}
            </p>
          )}
          <RateWays project={project} cut={cut} />
          <datalist id="planned-cameras">
            {[...new Set(cut.shots.map((s) => s.camera))].slice(0, 500).map((c) => (
              <option key={c} value={c} />
            ))}
          </datalist>
          <div className={`grid ${COLUMNS} gap-2 border-b border-line pb-1 text-[13px] text-quiet`}>
            <span />
            <span>Shot</span>
            <span>Frames</span>
            <span>Made from</span>
            <span>Board</span>
            <span>{cut.first ? 'Camera' : ''}</span>
          </div>
          <Rows rows={cut.shots} height={46} label="Planned shots" at={shot}>
            {(row, i) => (
              <PlannedRow
                shot={row}
                selected={i === shot}
                received={cut.received}
                first={cut.first}
                choose={() => look(i)}
                apart={apart}
                camera={(name) => void camera(row.in, name)}
              />
            )}
          </Rows>
        </section>
        <Remarks project={project} cut={cut} busy={busy} receive={receive} choose={choose} lead={lead} />
      </div>
    </>
  )
}
