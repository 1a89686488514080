import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk } from '../desk/desk'
import { sayError } from '../desk/messages'
import { following, itemAt } from '../parts/lists'
import { plural } from '../parts/words'
import { of, post } from '../server/client'
import { refreshEdited, useByOrder } from '../server/queries'
import type { EventFix, IntakeCut, Note, Project } from '../server/types'
import { PairsBox } from './PairsBox'
import { SourceRows } from './SourceRows'
import { UnusedRows } from './UnusedRows'

/** @property lead goes to the shot that has a record frame, or shows a source */
type Props = {
  project: Project
  cut: IntakeCut
  busy: boolean
  receive: () => void
  choose: () => void
  lead: (where: { at?: number; source?: string }) => void
}

type Tab = 'remarks' | 'sources' | 'unused'

const TABS: { tab: Tab; name: string }[] = [
  { tab: 'remarks', name: 'Remarks' },
  { tab: 'sources', name: 'Sources' },
  { tab: 'unused', name: 'Not used' },
]

/** What is missing, what the reader has to say, and the button that makes it so. */
export function Remarks({ project, cut, busy, receive, choose, lead }: Props) {
  const [at, setAt] = useState(-1)
  const [tab, setTab] = useState<Tab>('remarks')
  const [pairing, setPairing] = useState(false)
  const [mending, setMending] = useState<{ kind: string; name: string }>()
  const notes = cut.remarks
  const go = (n: number) => {
    setTab('remarks')
    setAt(n)
    lead({ at: notes[n]?.at ?? undefined })
  }
  const next = () => go((at + 1) % Math.max(1, notes.length))
  const fix = async (note: Note, word: string | undefined) => {
    if (note.at === undefined) {
      return
    }
    try {
      await post('/api/cuts/{id}/fix', { ...of(cut.id), body: { at: note.at, fix: word as EventFix['fix'] } })
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  const doNext = () => {
    const note = itemAt(notes, at)
    void fix(note, following([...note.offers.map((o) => o.word), undefined], note.chosen))
  }
  const canPair = cut.missing.some((m) => m.kind !== 'sound')
  useActions('remarks', [
    { group: 'Intake', name: 'Next remark', keys: 'N', run: next, disabled: notes.length === 0 },
    {
      group: 'Intake',
      name: 'Take the next choice of this remark',
      keys: 'D',
      run: doNext,
      disabled: cut.received || !notes[at]?.offers.length,
    },
    {
      group: 'Intake',
      name: 'Pair what is missing with what is not used, by order',
      keys: 'B',
      run: () => setPairing(true),
      disabled: !canPair,
    },
    {
      group: 'Intake',
      name: 'Remarks, sources and how they were found, files that are not used',
      keys: 'S',
      run: () =>
        setTab((t) =>
          following(
            TABS.map((x) => x.tab),
            t,
          ),
        ),
    },
  ])
  const unused = useByOrder(project.id, cut.id).data?.unused.length
  const counts: Record<Tab, number | ''> = {
    remarks: notes.length + cut.missing.length + (cut.sameAs > 0 ? 1 : 0),
    sources: cut.doubtful + cut.missing.length || '',
    unused: unused || '',
  }
  const losses = notes.filter((n) => n.severity === 'loss').length
  return (
    <section
      className="flex w-[370px] shrink-0 flex-col max-[900px]:w-full max-[900px]:border-l-0 border-l border-black/40 bg-[#262626] px-4 pt-3"
      aria-label="Remarks"
    >
      <div className="mb-1 flex items-baseline gap-3">
        <span className="flex items-baseline gap-2.5" role="tablist" aria-label="Remarks, sources or what is not used">
          {TABS.map(({ tab: of, name }) => (
            <button
              key={of}
              type="button"
              role="tab"
              aria-selected={tab === of}
              className={`whitespace-nowrap font-semibold ${tab === of ? '' : 'link text-quiet'}`}
              onClick={() => setTab(of)}
            >
              {name} <span className={`num font-normal ${of === 'sources' ? 'text-offset' : ''}`}>{counts[of]}</span>
            </button>
          ))}
        </span>
        <select
          className="field ml-auto w-20 min-w-0 shrink"
          aria-label="Version of the cut"
          value={cut.id}
          onChange={(e) => setDesk({ cutId: Number(e.target.value) })}
        >
          {project.cuts.map((c) => (
            <option key={c.id} value={c.id}>
              Cut {c.version}
              {c.state === 'RECEIVED' ? '' : ', new'}
            </option>
          ))}
        </select>
      </div>
      {pairing && <PairsBox project={project} cut={cut} close={() => setPairing(false)} />}
      {tab === 'sources' && (
        <SourceRows
          project={project}
          cut={cut}
          give={choose}
          pair={() => setPairing(true)}
          mending={mending}
          mended={() => setMending(undefined)}
        />
      )}
      {tab === 'unused' && <UnusedRows project={project} cut={cut} />}
      {tab === 'remarks' && (
        <ul className="scroll min-h-0 flex-1 divide-y divide-line/70">
          <li className="pb-1 text-[13px] text-quiet">
            {losses === 0 ? 'None changes the picture.' : plural(losses, 'changes the picture.', 'change the picture.')}
            {canPair && (
              <>
                {' '}
                <button type="button" className="link" onClick={() => setPairing(true)}>
                  Pair what is missing by order
                </button>
              </>
            )}
          </li>
          {cut.sameAs > 0 && (
            <li className="py-2">
              <span className="tag tag-offset mr-2">same</span>This file is the same, to the byte, as cut {cut.sameAs}.
            </li>
          )}
          {cut.missing.map((m) => (
            <li key={m.kind + m.name} className="cursor-pointer py-2" onClick={() => lead({ source: m.name })}>
              <div className="flex items-baseline gap-2">
                <span className="tag tag-offset">find</span>
                <b className="min-w-0 flex-1 truncate font-semibold" title={m.name}>
                  {m.name || 'a clip without a name'}
                </b>
                <span className="num whitespace-nowrap text-quiet">{plural(m.frames, 'frame')}</span>
              </div>
              <p className="text-[13px] text-quiet">
                No {m.kind === 'sound' ? 'sound' : 'picture'} given fits this name.{' '}
                {m.kind === 'sound' ? 'It stays silent' : 'A slate stands in'} until it comes ·{' '}
                <button
                  type="button"
                  className="link"
                  onClick={() => {
                    setMending(m)
                    setTab('sources')
                  }}
                >
                  choose its file
                </button>
              </p>
            </li>
          ))}
          {notes.map((n, i) => (
            <li
              key={i}
              onClick={() => go(i)}
              className={`cursor-pointer py-2 ${i === at ? 'bg-[#3a4341]' : ''}`}
              ref={(e) => (i === at ? e?.scrollIntoView({ block: 'nearest' }) : undefined)}
            >
              <div className="flex items-baseline gap-2">
                <span className={`tag ${n.severity === 'note' ? '' : 'tag-offset'}`}>{n.severity}</span>
                <span className="num ml-auto text-[13px] text-quiet">{n.place}</span>
              </div>
              <p className="text-[13px]">{n.text}</p>
              {!cut.received && <Offers note={n} fix={(word) => void fix(n, word)} />}
            </li>
          ))}
        </ul>
      )}
      <div className="flex items-center gap-3 border-t border-line/70 pt-2 text-[13px] text-quiet">
        Report
        <a className="link" href={`/api/cuts/${cut.id}/report/pdf`} download>
          PDF
        </a>
        <a className="link" href={`/api/cuts/${cut.id}/report/csv`} download>
          CSV
        </a>
      </div>
      <div className="flex items-center gap-4 py-2">
        {cut.received ? (
          <>
            <span className="flex-1 text-quiet">Received. Undo takes all of it back.</span>
            <a className="link" href={`/api/cuts/${cut.id}/file`} download>
              {cut.fileName.length > 22 ? 'the file' : cut.fileName}
            </a>
          </>
        ) : (
          <>
            <button type="button" className="button button-main" disabled={busy} onClick={receive}>
              {busy ? 'Receiving' : 'Receive this cut'}
            </button>
            <span className="text-quiet">one step, can be undone</span>
          </>
        )}
        <button type="button" className="button ml-auto" onClick={choose}>
          Files
        </button>
      </div>
    </section>
  )
}

/** What can be done about a place, next to what is said of it. */
function Offers({ note, fix }: { note: Note; fix: (word: string | undefined) => void }) {
  return (
    <p className="flex flex-wrap gap-x-4 text-[13px] text-quiet">
      {note.offers.map((o) =>
        o.word === note.chosen ? (
          <button key={o.word} type="button" className="link text-live" onClick={() => fix(undefined)}>
            leave it as the cut has it
          </button>
        ) : (
          <button key={o.word} type="button" className="link" onClick={() => fix(o.word)}>
            {o.words}
          </button>
        ),
      )}
    </p>
  )
}
