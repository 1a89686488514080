import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import { Empty } from '../parts/Empty'
import { Rows } from '../parts/Rows'
import { plural, signed } from '../parts/words'
import { goTo } from '../playhead/transport'
import { of, post } from '../server/client'
import { refreshEdited, useTurnover } from '../server/queries'
import type { Change, Turnover as List, Master, OutOfDate, Project } from '../server/types'
import { listOf, lookAt, setLeft, useChoices } from './choices'
import { HandBackBox } from './HandBackBox'
import { Ribbons } from './Ribbons'
import { SameSources } from './SameSources'
import { takenOf, toggled } from './taken'
import { WhatItAsks } from './WhatItAsks'

/** A newer cut against our master, and the list that goes back. */
export function Turnover({ project, master }: { project: Project; master?: Master }) {
  const chosen = useDesk((d) => d.cutId)
  const received = project.cuts.filter((c) => c.state === 'RECEIVED')
  const newest = received[received.length - 1]
  const cutId = received.some((c) => c.id === chosen) ? chosen : newest?.id
  const list = useTurnover(project.id, project.masterId ? cutId : undefined, master?.id)
  if (!project.masterId || !master) {
    return <Empty title="No cut yet" text="Receive a first cut in Intake. When the edit room sends the next, this shows what changed." />
  }
  // one that could not be asked for again is no reason to take away what is looked at
  if (list.error && !list.data) {
    return <Empty title="That cut cannot be compared" text={list.error.message} />
  }
  if (!list.data || list.data.cutId !== cutId) {
    return <Empty title="One moment" text="Comparing the cut with our master" />
  }
  return <OneList key={list.data.cutId} project={project} master={master} list={list.data} stale={list.error?.message} cuts={received} />
}

const NONE: string[] = []

const isFree = (c: Change) => !c.pushed

/** @property stale why the list could not be asked for again, and may be older than the master */
type OneProps = { project: Project; master: Master; list: List; stale?: string; cuts: Project['cuts'] }

function OneList({ project, master, list, stale, cuts }: OneProps) {
  const edits = list.changes.filter(isFree)
  const pushed = list.changes.length - edits.length
  const key = listOf(list.cutId, master.id)
  const left = useChoices((c) => c.left[key]) ?? NONE
  const taken = takenOf(edits, left)
  const lookedAt = useChoices((c) => c.at[key])
  const at = Math.max(
    0,
    edits.findIndex((c) => c.id === lookedAt),
  )
  const [busy, setBusy] = useState(false)
  const [outOfDate, setOutOfDate] = useState<OutOfDate[]>()
  const current = edits[at]
  const waits = project.cuts.filter((c) => c.state === 'LOOKED_AT').pop()

  const toggle = (id: string) => setLeft(key, toggled(left, id))
  const apply = async () => {
    setBusy(true)
    try {
      const changes = taken.map((c) => ({ id: c.id, words: `${c.code || c.name}: ${c.words}` }))
      const applied = await post('/api/cuts/{id}/turnover/apply', { ...of(list.cutId, { master: master.id }), body: { changes } })
      setOutOfDate(applied.outOfDate)
      say(`${plural(applied.applied, 'change')} applied, no camera work is lost`)
      if (applied.left.length > 0) {
        sayError(new Error(`Left, because somebody edited there meanwhile: ${applied.left.join('; ')}. Look at the list again.`))
      }
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
    setBusy(false)
  }
  const look = (n: number) => {
    const next = Math.max(0, Math.min(edits.length - 1, n))
    const change = edits[next]
    if (change) {
      lookAt(key, change.id)
    }
    const clip = change && list.ours[change.ours]
    if (clip) {
      goTo(clip.in)
    }
  }
  useActions('turnover', [
    { group: 'Turnover', name: 'Next change', keys: 'ArrowDown', run: () => look(at + 1) },
    { group: 'Turnover', name: 'Previous change', keys: 'ArrowUp', run: () => look(at - 1) },
    { group: 'Turnover', name: 'Take or leave this change', keys: 'Space', run: () => current && toggle(current.id) },
    { group: 'Turnover', name: 'Apply what is taken', keys: 'Enter', run: () => void apply(), disabled: busy || taken.length === 0 },
  ])
  const camera = edits.filter((c) => c.needs === 'CAMERA').length
  const renders = edits.filter((c) => c.needs === 'RENDER').length
  return (
    <>
      <div className="flex min-h-0 flex-1 gap-4 bg-ground px-4 pt-2 max-[900px]:flex-none max-[900px]:flex-col">
        <section className="flex min-w-0 flex-1 flex-col" aria-label="Changes">
          <div className="flex h-8 items-center gap-3 max-[900px]:h-auto max-[900px]:flex-wrap">
            <select
              className="field max-w-64"
              aria-label="Cut to compare with"
              value={list.cutId}
              onChange={(e) => setDesk({ cutId: Number(e.target.value) })}
            >
              {cuts.map((c) => (
                <option key={c.id} value={c.id}>
                  Cut {c.version} against our master
                </option>
              ))}
            </select>
            {waits && (
              <button type="button" className="link shrink-0 text-offset" onClick={() => setDesk({ view: 'Intake', cutId: waits.id })}>
                cut {waits.version} waits in Intake
              </button>
            )}
            <span className="truncate text-quiet">
              {plural(edits.length, 'change')}
              {camera > 0 && (
                <>
                  , <b className="text-offset">{camera}</b> {camera === 1 ? 'needs' : 'need'} camera work
                </>
              )}
              {renders > 0 && (
                <>
                  , <b>{renders}</b> {renders === 1 ? 'asks' : 'ask'} for a new render
                </>
              )}
            </span>
          </div>
          {stale && (
            <p className="text-[13px] text-offset" role="alert">
              As it was before: {stale}
            </p>
          )}
          {edits.length === 0 ? (
            <p className="py-8 text-[16px]">
              No changes: our master is this cut, frame by frame.{' '}
              <span className="text-quiet">{plural(list.kept, 'clip agrees', 'clips agree')}.</span>
            </p>
          ) : (
            <>
              <div className="grid grid-cols-[28px_74px_1fr_86px_1.15fr] max-[900px]:grid-cols-[24px_62px_1fr_62px_1fr] gap-2 border-b border-line pb-1 text-[13px] text-quiet">
                <span />
                <span>Shot</span>
                <span>What changed</span>
                <span className="text-right">Frames</span>
                <span>What it asks</span>
              </div>
              <Rows rows={edits} height={33} label="Changes" at={at}>
                {(c, i) => (
                  <ChangeRow
                    change={c}
                    taken={!left.includes(c.id)}
                    selected={i === at}
                    choose={() => look(i)}
                    toggle={() => toggle(c.id)}
                  />
                )}
              </Rows>
              <div className="flex items-center gap-4 py-3">
                <button type="button" className="button button-main" disabled={busy || taken.length === 0} onClick={() => void apply()}>
                  Apply {plural(taken.length, 'change')}
                </button>
                <span className="text-quiet">
                  one step, can be undone; no camera work is lost{pushed > 0 && ` · ${plural(pushed, 'shot')} only pushed along`}
                </span>
              </div>
            </>
          )}
          {list.sources.length > 0 && <SameSources list={list} projectId={project.id} />}
          {outOfDate && <WhatWentOutOfDate renders={outOfDate} />}
        </section>
        <section className="flex w-[48%] shrink-0 flex-col max-[900px]:w-full" aria-label="What it asks">
          {current && <WhatItAsks project={project} master={master} list={list} change={current} />}
          <HandBackBox master={master} />
        </section>
      </div>
      <Ribbons
        list={list}
        master={master}
        selected={current?.index}
        choose={(index) => {
          const change = edits.find((c) => c.index === index)
          if (change) {
            lookAt(key, change.id)
          }
        }}
      />
    </>
  )
}

function WhatWentOutOfDate({ renders }: { renders: OutOfDate[] }) {
  const fresh = renders.filter((r) => !r.before)
  if (renders.length === 0) {
    return <p className="border-t border-line py-2">Every render still stands as it is.</p>
  }
  return (
    <div className="max-h-40 shrink-0 overflow-auto border-t border-line py-2" role="status">
      <b className="font-semibold">{plural(fresh.length, 'render', 'renders')} put out of date</b>
      {fresh.length < renders.length && <span className="text-quiet">, {renders.length - fresh.length} out of date before</span>}
      <ul>
        {[...fresh, ...renders.filter((r) => r.before)].map((r) => (
          <li key={r.code} className="flex gap-3">
            <span className="num text-stale">{r.code}</span>
            <span className="text-quiet">
              {r.why}
              {r.before && ', as before'}
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}

function ChangeRow({
  change: c,
  taken,
  selected,
  choose,
  toggle,
}: {
  change: Change
  taken: boolean
  selected: boolean
  choose: () => void
  toggle: () => void
}) {
  const frames =
    c.slip !== 0
      ? `slip ${signed(c.slip)}`
      : c.head !== 0 && c.tail !== 0
        ? `${signed(c.head)} ${signed(c.tail)}`
        : signed(c.head + c.tail || (c.kind === 'SHIFTED' || c.kind === 'MOVED' ? c.shift : 0))
  return (
    <div
      role="group"
      className={`grid h-full grid-cols-[28px_74px_1fr_86px_1.15fr] max-[900px]:grid-cols-[24px_62px_1fr_62px_1fr] items-center gap-2 border-b border-line/60 ${selected ? 'bg-[#3a4341]' : ''}`}
      onClick={choose}
    >
      <input
        type="checkbox"
        checked={taken}
        onChange={toggle}
        onClick={(e) => e.stopPropagation()}
        aria-label={`Take the change of ${c.code || c.name}`}
      />
      <span className="num">{c.code || <span className="text-quiet">new</span>}</span>
      <span className="truncate max-[900px]:whitespace-normal max-[900px]:text-[12.5px] max-[900px]:leading-[1.2]" title={c.words}>
        {c.kind === 'NEW' ? `${c.words}: ${c.name}` : c.words}
      </span>
      <span className="num text-right">{frames}</span>
      <span
        className={`truncate max-[900px]:whitespace-normal max-[900px]:text-[12.5px] max-[900px]:leading-[1.2] ${c.needs === 'CAMERA' ? 'font-semibold text-offset' : 'text-quiet'}`}
        title={c.asks}
      >
        {c.asks}
      </span>
    </div>
  )
}
