import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk, useOfDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import { Rows } from '../parts/Rows'
import { bytesInWords, plural } from '../parts/words'
import { Fills, useFilling } from '../pictures/Fills'
import { sectionAt } from '../playhead/lookup'
import { goTo } from '../playhead/transport'
import { of, post } from '../server/client'
import { refreshRenders, useRenders } from '../server/queries'
import type { Project, Render, Sequence } from '../server/types'
import { Player } from './Player'

/** A size as somebody types it, in pixels: 1280 x 720, 1280×720 or 1280 720. What it may be is the server's to say. */
const sizeOf = (typed: string) =>
  typed
    .match(/^\s*(\d{1,5})\s*[x×*, ]\s*(\d{1,5})\s*$/i)
    ?.slice(1)
    .map(Number)

/** Shots to render, renders under way and done. */
export function Renders({ project, sequence }: { project: Project; sequence: Sequence }) {
  const renders = useRenders(project.id, sequence.id).data ?? []
  const here = useDesk((d) => sectionAt(sequence, d.frame))
  const [chosen, setChosen] = useState<Set<number>>(new Set())
  const [master, setMaster] = useState(false)
  const { renderSizes, burnIn } = useOfDesk('renderSizes', 'burnIn')
  const size = renderSizes[project.id] ?? `${project.pictureWidth} × ${project.pictureHeight}`
  const [blur, setBlur] = useState(false)
  const [shown, setShown] = useState<number>()
  const typedSize = sizeOf(size)
  const rows = sequence.shots
  const picked = chosen.size > 0 ? rows.filter((r) => chosen.has(r.shotId)) : []

  const ask = async () => {
    try {
      const shotIds = picked.map((r) => r.shotId)
      const alone = shotIds.length === 0 && !master && here?.shotId ? [here.shotId] : shotIds
      if (!typedSize) {
        throw new Error(`A size is two numbers of pixels, as 1280 x 720, not "${size}"`)
      }
      const [width = 0, height = 0] = typedSize
      const ids = await post('/api/projects/{id}/renders', {
        ...of(project.id),
        body: {
          shotIds: alone,
          master,
          masterId: sequence.id,
          width,
          height,
          burnIn,
          blur,
        },
      })
      say(plural(ids.length, 'render waits', 'renders wait'))
      setChosen(new Set())
      setMaster(false)
      refreshRenders(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  const toggle = (id: number) =>
    setChosen((c) => {
      const next = new Set(c)
      return next.delete(id) ? next : next.add(id)
    })
  const needed = rows.filter((r) => r.toRender)
  useFilling(['movie'], 'movie')
  useActions('renders', [
    { group: 'Renders', name: 'Render what is chosen', keys: 'R', run: () => void ask() },
    {
      group: 'Renders',
      name: 'Choose all shots, or none',
      keys: 'A',
      run: () => setChosen(chosen.size === rows.length ? new Set() : new Set(rows.map((r) => r.shotId))),
    },
    {
      group: 'Renders',
      name: 'Choose what is to be rendered: stale, too short or not rendered',
      keys: 'N',
      run: () => setChosen(new Set(needed.map((r) => r.shotId))),
    },
    { group: 'Renders', name: 'Take or leave this shot', keys: 'X', run: () => here && here.shotId !== 0 && toggle(here.shotId) },
  ])
  const current = renders.find((r) => r.id === shown) ?? renders.find((r) => r.state === 'DONE')
  const newestOf = (shotId: number) => renders.find((r) => r.shotId === shotId && r.state === 'DONE')
  const toSave = picked.length > 0 ? picked.map((p) => newestOf(p.shotId)).filter((r) => r !== undefined) : current ? [current] : []
  const look = (row: { shotId: number; in: number }) => {
    goTo(row.in)
    setShown(newestOf(row.shotId)?.id)
  }
  const drawing = renders.filter((r) => r.state === 'DRAWING' || r.state === 'WAITING')
  const text =
    chosen.size === 0 && !master
      ? `Render ${here?.code ?? 'a shot'}`
      : `Render ${[chosen.size ? plural(chosen.size, 'shot') : '', master ? 'the master' : ''].filter(Boolean).join(' and ')}`

  return (
    <div className="flex min-h-0 flex-1 max-[900px]:flex-col">
      <section className="flex min-w-0 flex-1 flex-col max-[900px]:flex-none bg-ground px-4 pt-2" aria-label="Movie">
        <div className="flex h-7 items-center gap-3 max-[900px]:h-auto max-[900px]:flex-wrap">
          <b className="font-semibold">{current ? current.name : 'No render yet'}</b>
          {current && (
            <span className="truncate text-quiet">
              {current.width} × {current.height}, {plural(current.frames, 'frame')}
              {current.burnIn ? ', burnt in' : ''}
              {current.blur ? ', blurred out of focus' : ''}
              {current.stale.length > 0 && <span className="text-stale"> · stale, {current.stale.join(' and ')} changed</span>}
            </span>
          )}
          {current?.state === 'DONE' && (
            <button type="button" className="link ml-auto whitespace-nowrap" onClick={() => saveMovies(toSave)}>
              {toSave.length === 1 ? 'Save movie' : `Save ${toSave.length} movies`}
            </button>
          )}
        </div>
        <Fills name="movie">
          <div className="relative min-h-0 flex-1 bg-[#1d1d1d] max-[900px]:h-[60vw] max-[900px]:flex-none">
            {current?.state === 'DONE' ? (
              <Player key={current.id} render={current} />
            ) : (
              <p className="flex h-full items-center justify-center px-8 text-center text-quiet">
                {current ? stateWords(current) : 'Choose shots at the right and press R. They are drawn in the background; go on working.'}
              </p>
            )}
          </div>
        </Fills>
        <div className="h-[186px] shrink-0 pt-2 max-[900px]:h-auto">
          <div className="mb-1 flex items-baseline gap-3">
            <b className="font-semibold">Queue and history</b>
            <span className="text-quiet">
              {drawing.length === 0 ? 'nothing under way' : `${drawing.length} under way`} · every version is kept
            </span>
          </div>
          <div className="flex h-[152px] flex-col max-[900px]:h-auto">
            <Rows rows={renders} height={30} label="Renders">
              {(r) => <RenderRow render={r} selected={r.id === current?.id} choose={() => setShown(r.id)} />}
            </Rows>
          </div>
        </div>
      </section>
      <section
        className="flex w-[430px] shrink-0 flex-col max-[900px]:w-full max-[900px]:border-l-0 border-l border-black/40 bg-[#262626] px-4 pt-2"
        aria-label="Shots to render"
      >
        <div className="mb-1 flex h-7 items-center gap-3">
          <b className="font-semibold">Shots</b>
          <span className="text-quiet">
            {rows.length}, <span className="num">{needed.length}</span> to render
          </span>
          <button
            type="button"
            className="link ml-auto"
            disabled={needed.length === 0}
            onClick={() => setChosen(new Set(needed.map((r) => r.shotId)))}
          >
            choose those
          </button>
        </div>
        <Rows rows={rows} height={34} label="Shots" at={here && rows.findIndex((r) => r.shotId === here.shotId)}>
          {(row) => {
            return (
              <label
                className={`flex h-full items-center gap-3 border-b border-line/60 px-1 ${row.shotId === here?.shotId ? 'bg-[#3a4341]' : ''}`}
              >
                <input
                  type="checkbox"
                  checked={chosen.has(row.shotId)}
                  onChange={() => toggle(row.shotId)}
                  aria-label={`Choose ${row.code}`}
                />
                <button type="button" className="num w-16 text-left" onClick={() => look(row)}>
                  {row.code}
                </button>
                <span className="num w-16 text-right text-quiet">{row.frames}</span>
                <span className="min-w-0 flex-1 text-[13px] leading-tight text-quiet">
                  {row.renderId ? (
                    <>
                      <span className="num text-text">v{String(row.version).padStart(3, '0')}</span>{' '}
                      {row.stand && (
                        <>
                          <span className="hatched inline-block h-2.5 w-4 rounded-sm" aria-hidden />{' '}
                          <span className="text-stale">{row.stand}</span>
                        </>
                      )}
                    </>
                  ) : row.staged ? (
                    'not rendered'
                  ) : (
                    'not staged'
                  )}
                </span>
              </label>
            )
          }}
        </Rows>
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line py-3">
          <label className="flex items-center gap-2">
            <input type="checkbox" checked={master} onChange={(e) => setMaster(e.target.checked)} /> the whole master
          </label>
          <label className="flex items-center gap-2">
            <input type="checkbox" checked={burnIn} onChange={(e) => setDesk({ burnIn: e.target.checked })} /> burn-in
          </label>
          <label
            className="flex items-center gap-2 whitespace-nowrap"
            title="What is out of focus is blurred, as lens, focus and stop have it"
          >
            <input type="checkbox" checked={blur} onChange={(e) => setBlur(e.target.checked)} /> blur
          </label>
          <input
            className={`field num w-[124px] ${typedSize ? '' : 'border-bent!'}`}
            aria-label="Size"
            aria-invalid={!typedSize}
            list="render-sizes"
            value={size}
            title="Width and height in pixels"
            onChange={(e) => setDesk({ renderSizes: { ...renderSizes, [project.id]: e.target.value } })}
            onFocus={(e) => e.target.select()}
          />
          <datalist id="render-sizes">
            {project.sizes.map((s) => (
              <option key={s.width} value={`${s.width} × ${s.height}`} />
            ))}
          </datalist>
          <button type="button" className="button button-main ml-auto" onClick={() => void ask()}>
            {text}
          </button>
        </div>
      </section>
    </div>
  )
}

function stateWords(r: Render): string {
  switch (r.state) {
    case 'WAITING':
      return 'waits'
    case 'DRAWING':
      return `frame ${r.framesDone} of ${r.frames}`
    case 'STOPPED':
      return 'stopped'
    case 'FAILED':
      return `failed: ${r.error ?? ''}`
    default:
      return bytesInWords(r.bytes)
  }
}

/** Today the time, before that the day. */
function when(at: string): string {
  const date = new Date(at)
  const today = date.toDateString() === new Date().toDateString()
  return today
    ? date.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
    : date.toLocaleDateString([], { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
}

/** One after another: a browser lets the next go when the last has begun. */
function saveMovies(all: Render[]) {
  all.forEach((r, i) =>
    window.setTimeout(() => {
      const link = document.createElement('a')
      link.href = `/api/renders/${r.id}/movie`
      link.download = `${r.name}.mp4`
      link.click()
    }, i * 400),
  )
}

const left = (seconds: number) => (seconds < 0 ? '' : seconds < 90 ? `${Math.ceil(seconds)} s left` : `${Math.ceil(seconds / 60)} min left`)

function RenderRow({ render: r, selected, choose }: { render: Render; selected: boolean; choose: () => void }) {
  const under = r.state === 'DRAWING' || r.state === 'WAITING'
  return (
    <div className={`flex h-full items-center gap-3 border-b border-line/60 px-2 ${selected ? 'bg-[#3a4341]' : ''}`}>
      <button type="button" className="num w-36 truncate text-left" onClick={choose}>
        {r.name}
      </button>
      <span className={`w-28 truncate ${r.state === 'FAILED' ? 'text-bent' : 'text-quiet'}`} title={stateWords(r)}>
        {stateWords(r)}
      </span>
      {under && (
        <progress
          className="h-2 w-28"
          max={r.frames}
          value={r.framesDone}
          aria-label={`${r.name}: ${r.framesDone} of ${r.frames} frames`}
        />
      )}
      <span className="num flex-1 truncate text-quiet">
        {r.framesPerSecond > 0 && `${r.framesPerSecond.toFixed(1)} frames/s`} {r.state === 'DRAWING' && left(r.secondsLeft)}
      </span>
      {r.stale.length > 0 && (
        <span className="whitespace-nowrap text-stale">
          <span className="hatched inline-block h-2.5 w-4 rounded-sm" aria-hidden /> stale
        </span>
      )}
      <span className="truncate text-quiet">
        {r.who}, {when(r.requestedAt)}
      </span>
      {under && (
        <button type="button" className="link" onClick={() => post('/api/renders/{id}/stop', of(r.id)).catch(sayError)}>
          stop
        </button>
      )}
    </div>
  )
}
