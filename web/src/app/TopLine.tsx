import { MasterBox } from '../conform/MasterBox'
import { setDesk, setProject, useDesk, VIEWS, type View } from '../desk/desk'
import { useLine } from '../desk/line'
import { plural } from '../parts/words'
import { goTo } from '../playhead/transport'
import type { Master, Project } from '../server/types'
import { History } from './History'
import { redo, undo } from './undo'

/** Where you are, and what is not yet right, in counts that can be pressed. */
export function TopLine({ project, master }: { project: Project; master?: Master }) {
  const connected = useLine((l) => l.there)
  const view = useDesk((d) => d.view)
  const waiting: Partial<Record<View, [number, string]>> = {
    Intake: [project.cuts.filter((c) => c.state === 'LOOKED_AT').length, 'waits in Intake to be received'],
    Turnover: [
      project.cuts.filter((c) => c.state === 'RECEIVED' && project.againstCutId && c.id > project.againstCutId).length,
      'is newer than the one that the master is held against',
    ],
  }
  return (
    <header className="flex h-[43px] shrink-0 items-center gap-4 max-[900px]:h-auto max-[900px]:flex-wrap max-[900px]:gap-y-1 max-[900px]:py-1 border-b border-black/40 bg-deep px-4">
      <button type="button" className="min-w-0 shrink truncate text-left" title="Another project" onClick={() => setProject(undefined)}>
        <h1 className="inline font-semibold">{project.name}</h1>
        <span className="text-quiet">{master && (master.cut.id ? ` · Cut ${master.cut.version}` : ' · no cut')}</span>
      </button>
      {master && <MasterBox project={project} master={master} />}
      <div className="flex shrink-0 gap-1 max-[900px]:shrink max-[900px]:flex-wrap" role="tablist" aria-label="Views">
        {VIEWS.map((name) => (
          <button
            key={name}
            type="button"
            role="tab"
            aria-selected={view === name}
            className={`rounded-t-md px-3 py-1.5 ${view === name ? 'border-b-2 border-live bg-[#454545] text-white' : 'text-quiet hover:text-white'}`}
            onClick={() => setDesk({ view: name })}
          >
            {name}
            {waiting[name] && waiting[name][0] > 0 && (
              <span
                className="ml-1.5 text-offset"
                title={`${waiting[name][0] === 1 ? 'a cut' : plural(waiting[name][0], 'cut')} ${waiting[name][1]}`}
              >
                {waiting[name][0]}
              </span>
            )}
          </button>
        ))}
      </div>
      <div className="ml-auto flex shrink-0 items-center gap-4 max-[900px]:ml-0 max-[900px]:shrink max-[900px]:flex-wrap max-[900px]:gap-y-1">
        {!connected && (
          <span className="whitespace-nowrap rounded bg-offset/20 px-2 text-offset" role="status">
            no line to the server
          </span>
        )}
        {master && <Counts master={master} />}
        <span className="flex gap-1">
          <button
            type="button"
            className="button px-2! py-0.5!"
            disabled={!project.undo}
            aria-label="Undo"
            title={project.undo ? `Undo: ${project.undo.name} (${project.undo.who})` : 'Nothing to undo'}
            onClick={() => undo(project.id)}
          >
            ↶
          </button>
          <button
            type="button"
            className="button px-2! py-0.5!"
            disabled={!project.redo}
            aria-label="Redo"
            title={project.redo ? `Redo: ${project.redo.name}` : 'Nothing to redo'}
            onClick={() => redo(project.id)}
          >
            ↷
          </button>
          <History project={project} />
        </span>
      </div>
    </header>
  )
}

function Counts({ master }: { master: Master }) {
  const { counts, differences } = master
  const toDifference = () => {
    const { frame } = useDesk.getState()
    const next = differences.find((d) => d.in > frame) ?? differences[0]
    if (next) {
      setDesk({ view: 'Conform' })
      goTo(next.in)
    }
  }
  const toOffset = () => {
    const off = master.seams.find((s) => s.cutOffset !== 0 || s.renderOffset !== 0)
    setDesk({ view: 'Conform', seam: off?.at })
    if (off) {
      goTo(off.at)
    }
  }
  const count = (n: number, one: string, many: string, colour: string, run: () => void, title?: string) => (
    <button type="button" title={title} className="whitespace-nowrap hover:underline" onClick={run}>
      <b className={`num font-semibold ${n > 0 ? colour : ''}`}>{n}</b> <span className="text-quiet">{n === 1 ? one : many}</span>
    </button>
  )
  return (
    <>
      {count(counts.shots, 'shot', 'shots', '', () => setDesk({ view: 'Renders' }))}
      {count(counts.offsetSeams, 'seam differs', 'seams differ', 'text-offset', toOffset)}
      {differences.length > 0 &&
        count(
          differences.length,
          'unlike the cut',
          'unlike the cut',
          'text-offset',
          toDifference,
          differences
            .slice(0, 12)
            .map((d) => `${d.name ? `${d.name}: ` : ''}${d.words}`)
            .join('\n'),
        )}
      {counts.blackFrames > 0 &&
        count(counts.blackFrames, 'frame black', 'frames black', 'text-offset', () => setDesk({ view: 'Conform' }))}
      {count(
        counts.toRender,
        'to render',
        'to render',
        'text-stale',
        () => setDesk({ view: 'Renders' }),
        `${plural(counts.outOfDate, 'render')} out of date, ${counts.toRender - counts.outOfDate} staged and not rendered`,
      )}
      {counts.missingBoards > 0 &&
        count(counts.missingBoards, 'picture to find', 'pictures to find', 'text-offset', () => setDesk({ view: 'Intake' }))}
    </>
  )
}
