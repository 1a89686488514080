import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk } from '../desk/desk'
import type { IntakeCut, Project } from '../server/types'

type Props = { project: Project; cut: IntakeCut; busy: boolean; receive: () => void; choose: () => void }

/** What is missing, what the reader has to say, and the button that makes it so. */
export function Remarks({ project, cut, busy, receive, choose }: Props) {
  const [at, setAt] = useState(-1)
  const notes = cut.remarks
  useActions('remarks', [{ group: 'Intake', name: 'Next remark', keys: 'N', run: () => setAt((n) => (n + 1) % Math.max(1, notes.length)), disabled: notes.length === 0 }])
  const losses = notes.filter((n) => n.severity === 'loss').length
  return (
    <section className="flex w-[370px] shrink-0 flex-col border-l border-black/40 bg-[#262626] px-4 pt-3" aria-label="Remarks">
      <div className="mb-1 flex items-baseline gap-3">
        <b className="font-semibold">Remarks</b>
        <span className="text-quiet">
          {notes.length === 0 ? 'none' : `${notes.length}, ${losses === 0 ? 'none changes the picture' : `${losses} change the picture`}`}
        </span>
        <select className="field ml-auto max-w-36" aria-label="Version of the cut" value={cut.id} onChange={(e) => setDesk({ cutId: Number(e.target.value) })}>
          {project.cuts.map((c) => <option key={c.id} value={c.id}>Cut {c.version}{c.state === 'RECEIVED' ? '' : ', new'}</option>)}
        </select>
      </div>
      <ul className="scroll min-h-0 flex-1 divide-y divide-line/70">
        {cut.sameAs > 0 && (
          <li className="py-2"><span className="tag tag-bent mr-2">same</span>This file is the same, to the byte, as cut {cut.sameAs}.</li>
        )}
        {cut.missing.map((m) => (
          <li key={m.kind + m.name} className="py-2">
            <div className="flex items-baseline gap-2">
              <span className="tag tag-bent">find</span>
              <b className="min-w-0 flex-1 truncate font-semibold" title={m.name}>{m.name || 'a clip without a name'}</b>
              <span className="num text-quiet">{m.frames} f</span>
            </div>
            <p className="text-[13px] text-quiet">
              No {m.kind === 'sound' ? 'sound' : 'picture'} given fits this name. {m.kind === 'sound' ? 'It stays silent' : 'A slate stands in'} until it comes ·{' '}
              <button type="button" className="link" onClick={choose}>choose</button>
            </p>
          </li>
        ))}
        {notes.map((n, i) => (
          <li key={i} className={`py-2 ${i === at ? 'bg-[#3a4341]' : ''}`} ref={(e) => (i === at ? e?.scrollIntoView({ block: 'nearest' }) : undefined)}>
            <div className="flex items-baseline gap-2">
              <span className={`tag ${n.severity === 'note' ? '' : 'tag-bent'}`}>{n.severity}</span>
              <span className="num ml-auto text-[13px] text-quiet">{n.place}</span>
            </div>
            <p className="text-[13px]">{n.text}</p>
          </li>
        ))}
      </ul>
      <div className="flex items-center gap-3 border-t border-line/70 pt-2 text-[13px] text-quiet">
        Report
        <a className="link" href={`/api/cuts/${cut.id}/report/pdf`} download>PDF</a>
        <a className="link" href={`/api/cuts/${cut.id}/report/csv`} download>CSV</a>
      </div>
      <div className="flex items-center gap-4 py-2">
        {cut.received ? (
          <>
            <span className="flex-1 text-quiet">Received. Undo takes all of it back.</span>
            <a className="link" href={`/api/cuts/${cut.id}/file`} download>{cut.fileName.length > 22 ? 'the file' : cut.fileName}</a>
          </>
        ) : (
          <>
            <button type="button" className="button button-main" disabled={busy} onClick={receive}>{busy ? 'Receiving' : 'Receive this cut'}</button>
            <span className="text-quiet">one step, can be undone</span>
          </>
        )}
        <button type="button" className="button ml-auto" onClick={choose}>Files</button>
      </div>
    </section>
  )
}
