import { Suspense, useEffect, useRef } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { MasterBox, openMasters } from '../conform/MasterBox'
import { useActions, useKeys } from '../desk/actions'
import { setDesk, setProject, useDesk, useOfDesk, VIEWS } from '../desk/desk'
import { Empty } from '../parts/Empty'
import { itemAt } from '../parts/lists'
import { goTo, playOrStop, playRange, setIn, setOut, setScore, shuttle, step, stop } from '../playhead/transport'
import { useLive } from '../server/live'
import { useMaster, useMasters, useProject, useProjects } from '../server/queries'
import { CommandBox } from './CommandBox'
import { Fault } from './Fault'
import { Messages } from './Messages'
import { Projects } from './Projects'
import { Question } from './Question'
import { StatusLine } from './StatusLine'
import { TopLine } from './TopLine'
import { redo, undo } from './undo'
import { Conform, Intake, loadViews, Renders, Review, Stage, Turnover } from './views'

export function App() {
  const { view, projectId, masterId } = useOfDesk('view', 'projectId', 'masterId')
  const projects = useProjects()
  const known = projects.data?.some((p) => p.id === projectId)
  const project = useProject(known ? projectId : undefined).data
  const masters = useMasters(known ? projectId : undefined).data
  // a master that was taken away, here or elsewhere, gives way to the project's first
  const open = masters?.some((m) => m.id === masterId) ? masterId : (project?.masterId ?? undefined)
  const master = useMaster(project, open).data
  useLive(project?.id, open)
  const shown = project?.masterId && master?.id === open ? master : undefined
  useKeys()

  const asked = useRef(false)
  useEffect(() => {
    // the only project there is opens by itself, once: afterwards somebody may want to make another
    if (projects.data && !asked.current) {
      asked.current = true
      if (projects.data.length === 1 && !known) {
        setProject(itemAt(projects.data, 0).id)
      }
    }
  }, [projects.data, known])

  useEffect(() => {
    const idle = window.setTimeout(() => void loadViews(), 1000)
    return () => window.clearTimeout(idle)
  }, [])

  useEffect(() => {
    if (shown) {
      setScore(shown)
    }
  }, [shown])

  useActions('app', [
    ...VIEWS.map((name, i) => ({ group: 'Views', name, keys: `Ctrl+${i + 1} ${i + 1}`, run: () => setDesk({ view: name }) })),
    // the server says where there is nothing: the window may not have heard yet of what was done a moment ago
    {
      group: 'Edit',
      name: project?.undo ? `Undo: ${project.undo.name}` : 'Undo',
      keys: 'Ctrl+Z',
      run: () => undo(projectId),
      disabled: !projectId,
    },
    {
      group: 'Edit',
      name: project?.redo ? `Redo: ${project.redo.name}` : 'Redo',
      keys: 'Ctrl+Shift+Z Ctrl+Y',
      run: () => redo(projectId),
      disabled: !projectId,
    },
    { group: 'Play', name: 'Play or stop', keys: 'Space', run: playOrStop },
    { group: 'Play', name: 'Play forward, again for faster', keys: 'L', run: () => shuttle(1) },
    { group: 'Play', name: 'Stop', keys: 'K', run: stop },
    { group: 'Play', name: 'Play backward, again for faster', keys: 'J', run: () => shuttle(-1) },
    { group: 'Play', name: 'One frame on', keys: 'ArrowRight', run: () => step(1) },
    { group: 'Play', name: 'One frame back', keys: 'ArrowLeft', run: () => step(-1) },
    { group: 'Play', name: 'Ten frames on', keys: 'Shift+ArrowRight', run: () => step(10) },
    { group: 'Play', name: 'Ten frames back', keys: 'Shift+ArrowLeft', run: () => step(-10) },
    { group: 'Play', name: 'To the first frame', keys: 'Home', run: () => shown && goTo(shown.masterStart) },
    { group: 'Play', name: 'To the last frame', keys: 'End', run: () => shown && goTo(shown.masterEnd - 1) },
    { group: 'Play', name: 'Range: in here', keys: 'I', run: () => setIn() },
    { group: 'Play', name: 'Range: out after this frame', keys: 'O', run: () => setOut() },
    { group: 'Play', name: 'No range', keys: 'Shift+O', run: () => setDesk({ range: {} }) },
    { group: 'Play', name: 'Play the range over and over', keys: 'Shift+L', run: playRange },
    { group: 'Numbers', name: 'Timecode, frames or seconds', keys: 'T', run: nextUnits, disabled: !shown },
    { group: 'Project', name: 'Another project, or a new one', run: () => setProject(undefined) },
  ])

  if (projects.error) {
    return <Empty title="The server does not answer" text={projects.error.message} />
  }
  if (!known || !project) {
    return projects.data ? (
      <>
        <Projects projects={projects.data} />
        <Messages />
        <Question />
      </>
    ) : (
      <Empty title="One moment" text="Asking the server for its projects" />
    )
  }
  return (
    <div className="flex h-full flex-col max-[900px]:h-auto">
      <TopLine project={project} master={shown} />
      <main className="relative flex min-h-0 flex-1 flex-col" aria-label={view}>
        <ErrorBoundary FallbackComponent={Fault} resetKeys={[view, project.id, open]}>
          <Suspense key={view} fallback={<Empty title="One moment" text={`Opening ${view}`} />}>
            {view === 'Intake' && <Intake project={project} />}
            {view === 'Turnover' && <Turnover project={project} master={shown} />}
            {view !== 'Intake' &&
              view !== 'Turnover' &&
              !shown &&
              (project.masterId ? (
                <Empty title="One moment" text="Laying out the tracks" />
              ) : (
                <Empty
                  title="No cut yet"
                  text="Everything here follows from a cut. Drop a cut (EDL, XML, AAF or OTIO) with its pictures and sound in Intake, or begin with empty shots."
                >
                  <button type="button" className="button button-main" onClick={() => setDesk({ view: 'Intake' })}>
                    Go to Intake
                  </button>
                  <button type="button" className="button" onClick={() => openMasters(true)}>
                    Begin without a cut
                  </button>
                  <MasterBox project={project} master={undefined} hidden />
                </Empty>
              ))}
            {shown && view === 'Conform' && <Conform project={project} master={shown} />}
            {shown && view === 'Stage' && <Stage project={project} master={shown} />}
            {shown && view === 'Renders' && <Renders project={project} master={shown} />}
            {shown && view === 'Review' && <Review project={project} master={shown} />}
          </Suspense>
        </ErrorBoundary>
      </main>
      <StatusLine project={project} master={shown} />
      <CommandBox />
      <Messages />
      <Question />
    </div>
  )
}

function nextUnits() {
  const order = ['timecode', 'frames', 'seconds'] as const
  setDesk({ units: order[(order.indexOf(useDesk.getState().units) + 1) % 3] })
}
