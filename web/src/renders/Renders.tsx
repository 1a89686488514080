import { useState } from 'react'
import { useActions } from '../desk/actions'
import { useDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import { plural } from '../parts/words'
import { Fills, useFilling } from '../pictures/Fills'
import { clipAt, shotFrameAt } from '../playhead/lookup'
import { of, post } from '../server/client'
import { refreshRenders, useRenders } from '../server/queries'
import type { Master, Project, Recipe, RenderAsk } from '../server/types'
import { act, bodyOf, setAsking, toggle, trialOf, useAsking } from './asking'
import { ContactSheet } from './ContactSheet'
import { Cover } from './Cover'
import { type Dropped, Elsewhere } from './Elsewhere'
import { Forecast } from './Forecast'
import { KeptFrames } from './KeptFrames'
import { Machines } from './Machines'
import { isOpen, placeOf, putInPlace, Queue } from './Queue'
import { RecipeBox } from './RecipeBox'
import { useRecipe } from './recipes'
import { Shots } from './Shots'
import { ShownFiles, ShownPicture, ShownWords } from './Shown'
import { askTrialFrame, TrialFrame, useTrial } from './TrialFrame'
import { sizeOf, What } from './What'

/** A browser is not asked to save more than so many files. */
const MOST_SAVED = 20

/** What is covered by renders, what will be written next, and what is being drawn. */
export function Renders({ project, master }: { project: Project; master: Master }) {
  const renders = useRenders(project.id, master.id).data ?? []
  const here = useDesk((d) => clipAt(master, d.frame))
  const asking = useAsking()
  const chosenRecipe = useRecipe(project.id)
  const { recipe } = chosenRecipe
  const [typedSize, setTypedSize] = useState<string>()
  const [settings, setSettings] = useState(false)
  const [box, setBox] = useState<'machines' | 'sheet' | 'kept'>()
  const closeBox = () => setBox(undefined)
  const [dropped, setDropped] = useState<Dropped>()
  const [shown, setShown] = useState<number>()
  const [trial, setTrial] = useTrial()
  const size = typedSize ?? (recipe ? `${recipe.look.width} × ${recipe.look.height}` : '')
  const rows = master.shots
  const picked = rows.filter((r) => asking.chosen.has(r.shotId))
  const alone = picked.length === 0 && !asking.master && here?.shotId ? [here.shotId] : picked.map((r) => r.shotId)
  // the playhead is looked at when something is asked, and followed by nothing
  const now = () => here && { shotId: here.shotId, frame: shotFrameAt(here, useDesk.getState().frame) }
  const bodyNow = () => recipe && bodyOf(asking, alone, master.id, chosenRecipe.name, recipe, now)
  const body = bodyNow()

  const ask = async (what: RenderAsk) => {
    try {
      if (!sizeOf(size)) {
        throw new Error(`A size is two numbers of pixels, as 1280 x 720, not "${size}"`)
      }
      const ids = await post('/api/projects/{id}/renders', { ...of(project.id), body: what as never })
      say(ids.length === 0 ? 'Nothing is missing' : plural(ids.length, 'render waits', 'renders wait'))
      setAsking({ chosen: new Set(), master: false })
      setShown(undefined)
      setTrial(undefined)
      refreshRenders(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  const askTrial = (from: Recipe) =>
    body && ask({ ...body, grade: 'TRIAL', every: 2, handles: 0, recipe: trialOf(from), recipeName: chosenRecipe.name })
  const tryFrame = async () => {
    const frame = useDesk.getState().frame
    const clip = clipAt(master, frame)
    if (!clip?.shotId || !recipe) {
      say('A trial frame shows a shot: put the playhead on one')
      return
    }
    try {
      setTrial(await askTrialFrame(clip, frame, recipe))
    } catch (e) {
      sayError(e)
    }
  }
  const current =
    renders.find((r) => r.id === shown) ??
    renders.find((r) => r.state === 'DRAWING' && r.framesDone > 0) ??
    renders.find((r) => r.state === 'DONE')
  const newestOf = (shotId: number) => renders.find((r) => r.shotId === shotId && r.state === 'DONE')
  const toSave = picked.map((p) => newestOf(p.shotId)).filter((r) => r !== undefined)
  const open = renders.filter(isOpen)
  const pause = () => {
    const going = open.filter((r) => r.state !== 'PAUSED')
    for (const r of going.length > 0 ? going : open) {
      void act(r.id, going.length > 0 ? 'pause' : 'go-on')
    }
  }
  const move = (by: -1 | 1) => {
    const place = current && placeOf(renders, current.id, by)
    if (place) {
      void putInPlace(current.id, place)
    }
  }
  useFilling(['movie'], 'movie')
  const render = () => {
    const asked = bodyNow()
    if (asked) {
      void ask(asked)
    }
  }
  const text =
    asking.chosen.size === 0 && !asking.master
      ? `Render ${here?.code ?? 'a shot'}`
      : `Render ${[asking.chosen.size ? plural(asking.chosen.size, 'shot') : '', asking.master ? 'the master' : ''].filter(Boolean).join(' and ')}`
  const action = (name: string, keys: string, run: () => void) => ({ group: 'Renders', name, keys, run })
  useActions('renders', [
    action('Render what is chosen', 'R', render),
    action('Choose all shots, or none', 'A', () =>
      setAsking({ chosen: asking.chosen.size === rows.length ? new Set() : new Set(rows.map((r) => r.shotId)) }),
    ),
    action('Choose what is to be rendered: stale, too short or not rendered', 'N', () =>
      setAsking({ chosen: new Set(rows.filter((r) => r.toRender).map((r) => r.shotId)) }),
    ),
    action('Take or leave this shot', 'X', () => here && here.shotId !== 0 && toggle(here.shotId)),
    action('Trial frame at its full size', 'T', () => void tryFrame()),
    action('Trial of the movement: small, every second frame', 'Shift+T', () => recipe && void askTrial(recipe)),
    action('Pause all that is under way, or go on with it', 'P', pause),
    action('Take in versions made elsewhere', 'V', () => setDropped({ files: [] })),
    action('Contact sheet of the chosen shots, or of all', 'C', () => setBox('sheet')),
    action('Draw the shown render earlier', 'Alt+ArrowUp', () => move(-1)),
    action('Draw the shown render later', 'Alt+ArrowDown', () => move(1)),
    action('Frames that are kept, and the room that they take', 'K', () => setBox('kept')),
    action('Machines that draw', 'M', () => setBox('machines')),
    action('Settings of the recipe', 'S', () => setSettings(!settings)),
  ])

  return (
    <div className="flex min-h-0 flex-1 max-[900px]:flex-col">
      {box === 'machines' && <Machines close={closeBox} />}
      {box === 'sheet' && (
        <ContactSheet master={master} shotIds={(picked.length > 0 ? picked : rows).map((r) => r.shotId)} close={closeBox} />
      )}
      {box === 'kept' && <KeptFrames projectId={project.id} close={closeBox} />}
      {dropped && <Elsewhere master={master} dropped={dropped} close={() => setDropped(undefined)} />}
      <section className="flex min-w-0 flex-1 flex-col max-[900px]:flex-none bg-ground px-4 pt-2" aria-label="Movie">
        <div className="flex h-7 items-center gap-3 max-[900px]:h-auto max-[900px]:flex-wrap">
          <b className="font-semibold whitespace-nowrap">{trial ? trial.name : current ? current.name : 'No render yet'}</b>
          {trial ? (
            <span className="text-quiet">
              trial frame, {trial.width} × {trial.height}
            </span>
          ) : (
            current && <ShownWords render={current} project={project} />
          )}
          {trial ? (
            <button type="button" className="link ml-auto" onClick={() => setTrial(undefined)}>
              close
            </button>
          ) : (
            toSave.length > 0 &&
            (toSave.length > MOST_SAVED ? (
              <span className="ml-auto whitespace-nowrap text-quiet">{plural(toSave.length, 'movie')} lie in the renders folder</span>
            ) : (
              <button type="button" className="link ml-auto whitespace-nowrap" onClick={() => saveMovies(toSave)}>
                {toSave.length === 1 ? 'Save movie' : `Save ${toSave.length} movies`}
              </button>
            ))
          )}
        </div>
        <Fills name="movie">
          <div className="relative min-h-0 flex-1 bg-[#1d1d1d] max-[900px]:h-[60vw] max-[900px]:flex-none">
            {trial ? <TrialFrame master={master} trial={trial} /> : <ShownPicture render={current} />}
          </div>
        </Fills>
        {current && <ShownFiles key={current.id} render={current} project={project} />}
        <Cover master={master} renders={renders} chosen={asking.chosen} choose={toggle} />
        <div className="flex h-[134px] shrink-0 flex-col pt-1 max-[900px]:h-auto">
          <div className="mb-0.5 flex items-baseline gap-3">
            <b className="font-semibold">Queue and history</b>
            <span className="text-quiet">
              {open.length === 0 ? 'nothing under way' : `${open.length} under way`} · every version is kept
            </span>
            <button type="button" className="link ml-auto text-[13px]" onClick={() => setBox('kept')}>
              kept frames
            </button>
            <button type="button" className="link text-[13px]" onClick={() => setBox('machines')}>
              machines that draw
            </button>
            {open.length > 0 && (
              <button type="button" className="link text-[13px]" onClick={pause}>
                {open.every((r) => r.state === 'PAUSED') ? 'go on with all' : 'pause all'}
              </button>
            )}
          </div>
          <Queue renders={renders} shown={current?.id} show={setShown} />
        </div>
      </section>
      <section
        className="flex w-[440px] shrink-0 flex-col gap-2 border-l border-black/40 bg-[#262626] px-4 pt-2 max-[900px]:w-full max-[900px]:border-l-0"
        aria-label="Shots to render"
      >
        {!settings && <Shots master={master} here={here} look={(shotId) => setShown(newestOf(shotId)?.id)} drop={setDropped} />}
        <div
          className={settings ? 'scroll -mx-1 min-h-0 flex-1 px-1 pt-1' : 'shrink-0 border-t border-line pt-2'}
          tabIndex={settings ? 0 : undefined}
        >
          <RecipeBox of={chosenRecipe} open={settings} setOpen={setSettings} />
        </div>
        <div className="shrink-0 border-t border-line pt-2">
          <What of={chosenRecipe} sizes={project.sizes} size={size} setSize={setTypedSize} />
        </div>
        <div className="shrink-0 border-t border-line pt-2">
          {body && alone.length + (asking.master ? 1 : 0) > 0 && recipe && <Forecast ask={body} recipe={recipe} master={master} />}
        </div>
        <div className="flex shrink-0 items-center gap-2 py-2">
          <button type="button" className="button" onClick={() => void tryFrame()}>
            Trial frame
          </button>
          <button
            type="button"
            className="button"
            title="Pictures of the chosen shots, or of all, on pages"
            onClick={() => setBox('sheet')}
          >
            Sheet
          </button>
          <button type="button" className="button" title="Small, every second frame" onClick={() => recipe && void askTrial(recipe)}>
            Trial run
          </button>
          <button type="button" className="button button-main ml-auto" disabled={!body} onClick={render}>
            {text}
          </button>
        </div>
      </section>
    </div>
  )
}

/** One after another: a browser lets the next go when the last has begun. */
function saveMovies(all: { id: number; name: string }[]) {
  all.forEach((r, i) =>
    window.setTimeout(() => {
      const link = document.createElement('a')
      link.href = `/api/renders/${r.id}/movie`
      link.download = `${r.name}.mp4`
      link.click()
    }, i * 400),
  )
}
