import { useState } from 'react'
import { say, sayError } from '../desk/messages'
import { bytesInWords, plural, versionName } from '../parts/words'
import { useRenderFiles, useWhyStale } from '../server/queries'
import type { Project, Render } from '../server/types'
import { Player } from './Player'
import { readLog, stateWords, writeAlso } from './Queue'
import { KINDS } from './recipes'

/** A render: its picture in work while it is drawn, its movie when it is finished. */
export function ShownPicture({ render }: { render: Render | undefined }) {
  if (render?.state === 'DONE') {
    return <Player key={render.id} render={render} />
  }
  if (render && render.framesDone > 0) {
    return (
      <img
        className="absolute inset-0 h-full w-full object-contain"
        src={`/api/renders/${render.id}/frame?shown=${render.framesDone}`}
        alt={`${render.name}, the newest frame that is drawn`}
      />
    )
  }
  return (
    <p className="flex h-full items-center justify-center px-8 text-center text-quiet">
      {render ? stateWords(render) : 'Choose shots at the right and press R. They are drawn in the background; go on working.'}
    </p>
  )
}

/** What a render is, in a line. */
export function ShownWords({ render: r, project }: { render: Render; project: Project }) {
  return (
    <span className="min-w-0 truncate text-quiet">
      {r.grade.toLowerCase()}
      {r.elsewhere && `, made elsewhere${r.cameraOf ? ` from the camera of ${versionName(r.cameraOf)}` : ''}`}, {r.width} × {r.height},{' '}
      {plural(r.frames, 'frame')}
      {r.burnIn ? ', burnt in' : ''}
      {r.blur ? ', blurred out of focus' : ''}
      {r.state !== 'DONE' && (
        <>
          {' '}
          · <span className={r.state === 'FAILED' ? 'text-offset' : ''}>{stateWords(r)}</span>
        </>
      )}
      {r.stale.length > 0 && <WhyStale render={r} project={project} />}
    </span>
  )
}

/** What changed since it was made, and who began with it. */
function WhyStale({ render: r, project }: { render: Render; project: Project }) {
  const first = useWhyStale(project.id, r.id, r.stale).data?.[0]
  return (
    <span className="text-stale" title={first && `${first.step}, ${new Date(first.when).toLocaleString()}`}>
      {' '}
      · stale, {r.stale.join(' and ')} changed
      {first && ` since ${new Date(first.when).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}, by ${first.who}`}
    </span>
  )
}

/** The files of a finished render, to be saved, and other kinds to be written from its frames; the log of any. */
export function ShownFiles({ render, project }: { render: Render; project: Project }) {
  const files = useRenderFiles(project.id, render.state === 'DONE' ? render.id : undefined).data ?? []
  const [log, setLog] = useState<string>()
  const others = KINDS.filter(([kind]) => !files.some((f) => f.kind === kind))
  return (
    <div className="relative flex h-7 items-center gap-3 text-[13px]">
      {files.length > 0 && <span className="text-quiet">save</span>}
      {files.map((f) => (
        <a
          key={f.kind}
          className="link whitespace-nowrap"
          href={`/api/renders/${render.id}/files/${f.kind}`}
          title={`${f.first} … ${f.last}, ${bytesInWords(f.bytes)}`}
          download
        >
          {f.word}
        </a>
      ))}
      {render.state === 'DONE' && (
        <select
          className="field py-0!"
          aria-label="Write it also as"
          value=""
          onChange={(e) => {
            const kind = e.target.value
            void writeAlso(render.id, kind).then(() => say(`${render.name} is written as ${KINDS.find(([k]) => k === kind)?.[1]} too`))
          }}
        >
          <option value="">write it also as…</option>
          {others.map(([kind, words]) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </select>
      )}
      <button
        type="button"
        className="link ml-auto"
        aria-expanded={log !== undefined}
        onClick={() => (log === undefined ? void readLog(render.id).then(setLog).catch(sayError) : setLog(undefined))}
      >
        {log === undefined ? 'log' : 'close the log'}
      </button>
      {log !== undefined && (
        <pre
          className="scroll absolute right-0 bottom-8 z-10 max-h-64 w-full max-w-[640px] rounded border border-line bg-raised p-2 text-[12px] whitespace-pre-wrap shadow-xl"
          tabIndex={0}
        >
          {log || 'Nothing is noted of it.'}
        </pre>
      )}
    </div>
  )
}
