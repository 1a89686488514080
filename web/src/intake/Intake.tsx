import { useRef, useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import { Rows } from '../parts/Rows'
import { post, upload } from '../server/client'
import { keepReceived, refreshEdited, useIntake } from '../server/queries'
import type { Arrived, IntakeCut, Project } from '../server/types'
import { CutAsItCame } from './CutAsItCame'
import { NumberingBox } from './NumberingBox'
import { PlannedRow } from './PlannedRow'
import { Remarks } from './Remarks'
import { WhichPart } from './WhichPart'

const soundLanes = (cut: IntakeCut) => {
  const count = new Set(cut.sound.map((s) => s.lane)).size
  return count === 1 ? '1 sound lane' : `${count} sound lanes`
}

/** A cut arrives: what is in it, what is missing, what will be made of it. */
export function Intake({ project }: { project: Project }) {
  const chosen = useDesk((d) => d.cutId)
  const newest = project.cuts[project.cuts.length - 1]
  const cutId = project.cuts.some((c) => c.id === chosen) ? chosen : newest?.id
  const intake = useIntake(project.id, cutId)
  const drop = useDrop(project)

  return (
    <div className="relative flex min-h-0 flex-1 flex-col" {...drop.target}>
      <input ref={drop.field} type="file" multiple hidden aria-label="Choose files"
        onChange={(e) => {
          void drop.take([...(e.target.files ?? [])])
          e.target.value = ''
        }} />
      {!cutId && <FirstDrop choose={drop.choose} />}
      {cutId && intake.error && <p className="p-6" role="alert">{intake.error.message}</p>}
      {cutId && intake.data && intake.data.id === cutId && <OneCut project={project} cut={intake.data} choose={drop.choose} />}
      {cutId && !intake.data && !intake.error && <p className="p-6 text-quiet">Reading the cut</p>}
      {drop.progress && (
        <div className="absolute inset-x-0 bottom-4 z-30 mx-auto flex w-[520px] items-center gap-4 rounded-lg border border-line bg-raised px-4 py-3" role="status">
          <span className="flex-1">{drop.progress.text}</span>
          <progress className="w-40" value={drop.progress.share} />
          <button type="button" className="button" onClick={drop.progress.stop}>Stop</button>
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
        A cut as EDL, XML, AAF or OTIO with its boards and its sound, several files at once or a whole folder. You see what will be made
        of it before anything is made.
      </p>
      <button type="button" className="button button-main" onClick={choose}>Choose files</button>
    </div>
  )
}

function OneCut({ project, cut, choose }: { project: Project; cut: IntakeCut; choose: () => void }) {
  const [shot, setShot] = useState(0)
  const [busy, setBusy] = useState(false)
  const receive = async () => {
    setBusy(true)
    try {
      await post(`/api/cuts/${cut.id}/receive`)
      say(cut.first ? `Received: ${cut.shots.length} shots made` : `Cut ${cut.version} received: it waits in Turnover`)
      keepReceived(project.id, cut)
      refreshEdited(project.id)
      setDesk({ view: cut.first ? 'Conform' : 'Turnover', cutId: cut.id, frame: cut.start, zoom: undefined, seam: undefined })
    } catch (e) {
      sayError(e)
    }
    setBusy(false)
  }
  const apart = async (seam: number, keep: boolean) => {
    try {
      await post(`/api/cuts/${cut.id}/apart`, { seam, apart: keep })
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  const joinOrKeep = () => {
    const at = cut.shots[shot]
    if (at?.seams.length) {
      at.seams.forEach((s) => void apart(s, true))
    } else if (at?.canJoin) {
      void apart(at.in, false)
    }
  }
  useActions('intake', [
    { group: 'Intake', name: 'Receive this cut', keys: 'R', run: () => void receive(), disabled: cut.received || busy },
    { group: 'Intake', name: 'Choose files', keys: 'C', run: choose },
    { group: 'Intake', name: 'Save a report of this intake (PDF)', keys: 'P', run: () => window.location.assign(`/api/cuts/${cut.id}/report/pdf`) },
    { group: 'Intake', name: 'Save a report of this intake (CSV)', keys: 'Shift+P', run: () => window.location.assign(`/api/cuts/${cut.id}/report/csv`) },
    { group: 'Intake', name: 'Next planned shot', keys: 'ArrowDown', run: () => setShot((n) => Math.min(cut.shots.length - 1, n + 1)) },
    { group: 'Intake', name: 'Previous planned shot', keys: 'ArrowUp', run: () => setShot((n) => Math.max(0, n - 1)) },
    { group: 'Intake', name: 'Join or keep apart', keys: 'X', run: joinOrKeep, disabled: cut.received },
  ])
  const chooseRate = async (rate: string) => {
    try {
      await post(`/api/cuts/${cut.id}/rate?rate=${encodeURIComponent(rate)}`)
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <>
      <CutAsItCame cut={cut} shot={shot} choose={setShot} />
      <div className="flex min-h-0 flex-1">
        <section className="flex min-w-0 flex-1 flex-col bg-ground px-4 pt-3" aria-label="What will be made">
          <div className="mb-2 flex flex-wrap items-baseline gap-x-3 gap-y-1">
            <b className="font-semibold">{!cut.first ? 'Whose shots these are' : cut.received ? 'What was made' : 'What will be made'}</b>
            <span className="text-quiet">
              {cut.first
                ? `${cut.shots.length} shots, ${cut.shots.length} cameras, ${cut.shots.filter((s) => s.mediaId).length} boards found, ${soundLanes(cut)} · first frame ${cut.firstFrame}, handles ${cut.handles}`
                : 'nothing is made: it is compared with our master in Turnover'}
            </span>
            <span className="ml-auto" />
            <WhichPart project={project} cut={cut} />
            {cut.first && !cut.received && <NumberingBox project={project} cut={cut} />}
            <label className="flex items-center gap-2 text-quiet">
              Rate
              <select className="field num" value={cut.rate} disabled={cut.received} onChange={(e) => void chooseRate(e.target.value)} aria-label="Frames per second of the cut">
                {[...new Set([cut.rate, ...cut.rates])].map((r) => <option key={r} value={r}>{rateName(r)}</option>)}
              </select>
            </label>
          </div>
          {cut.rateReason && !cut.received && <p className="mb-2 text-[13px]"><span className="tag tag-bent mr-2">guessed</span>{cut.rateReason}</p>}
          <div className="grid grid-cols-[92px_92px_110px_1fr_1fr] gap-2 border-b border-line pb-1 text-[13px] text-quiet">
            <span /><span>Shot</span><span>Frames</span><span>Made from</span><span>Board</span>
          </div>
          <Rows rows={cut.shots} height={46} label="Planned shots" at={shot}>
            {(row, i) => <PlannedRow shot={row} selected={i === shot} received={cut.received} choose={() => setShot(i)} apart={apart} />}
          </Rows>
        </section>
        <Remarks project={project} cut={cut} busy={busy} receive={receive} choose={choose} />
      </div>
    </>
  )
}

export const rateName = (rate: string) =>
  ({ '24000/1001': '23.976', '30000/1001': '29.97', '60000/1001': '59.94' })[rate] ?? rate

type Progress = { text: string; share: number | undefined; stop: () => void }

/** Files and folders dropped anywhere, or chosen. */
function useDrop(project: Project) {
  const field = useRef<HTMLInputElement>(null)
  const [over, setOver] = useState(false)
  const [progress, setProgress] = useState<Progress>()
  const take = async (files: File[]) => {
    if (files.length === 0) {
      return
    }
    const control = new AbortController()
    const count = files.length === 1 ? files[0].name : `${files.length} files`
    const told = (share: number) =>
      setProgress({ text: share < 1 ? `Taking in ${count}` : `Looking at ${count}`, share: share < 1 ? share : undefined, stop: () => control.abort() })
    told(0)
    try {
      const arrived = await upload<Arrived>(`/api/projects/${project.id}/files`, files, told, control.signal)
      arrived.refused.forEach((text) => sayError(new Error(text)))
      if (arrived.media.length > 0) {
        say(`${arrived.media.length} ${arrived.media.length === 1 ? 'file' : 'files'} taken in${arrived.found ? `, ${arrived.found} were missing and are in their places` : ''}`)
      }
      if (arrived.cutId) {
        setDesk({ cutId: arrived.cutId, view: 'Intake' })
      }
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
    setProgress(undefined)
  }
  const target = {
    onDragOver: (e: React.DragEvent) => {
      e.preventDefault()
      setOver(true)
    },
    onDragLeave: (e: React.DragEvent) => e.currentTarget === e.target && setOver(false),
    onDrop: (e: React.DragEvent) => {
      e.preventDefault()
      setOver(false)
      const entries = [...e.dataTransfer.items].map((i) => i.webkitGetAsEntry()).filter((x) => x !== null)
      const plain = [...e.dataTransfer.files]
      void (entries.some((x) => x.isDirectory) ? Promise.all(entries.map(filesOf)).then((all) => take(all.flat())) : take(plain))
    },
  }
  return { field, over, progress, target, take, choose: () => field.current?.click() }
}

/** All files below a dropped entry. */
async function filesOf(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile) {
    return [await new Promise<File>((ok, no) => (entry as FileSystemFileEntry).file(ok, no))]
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader()
  const all: FileSystemEntry[] = []
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((ok, no) => reader.readEntries(ok, no))
    if (some.length === 0) {
      return (await Promise.all(all.map(filesOf))).flat().filter((f) => !f.name.startsWith('.'))
    }
    all.push(...some)
  }
}
