import { Dialog } from 'radix-ui'
import { useMemo, useState } from 'react'
import { Rows } from '../parts/Rows'
import { plural } from '../parts/words'
import { useFiles, useMasters, useRenders } from '../server/queries'
import type { Master, NewClip, Project } from '../server/types'

export type InsertMode = 'insert' | 'overwrite' | 'replace'

type Props = {
  project: Project
  master: Master
  way: InsertMode
  start?: Kind
  put: (clip: NewClip) => void
  putSound: (mediaId: number) => void
  close: () => void
}

const KINDS = ['shot', 'render', 'master', 'black', 'slate', 'sound'] as const
type Kind = (typeof KINDS)[number]
type Choice = { id: number; name: string; quiet: string; from: number; frames: number }

const TITLES: Record<InsertMode, string> = { insert: 'Insert', overwrite: 'Overwrite', replace: 'Replace by' }

/** A new clip: a shot or a part of it, a finished render, another master, black, or words on a slate. */
export function InsertBox({ project, master, way, start = 'shot', put, putSound, close }: Props) {
  const [kind, setKind] = useState<Kind>(start)
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const [from, setFrom] = useState('')
  const [frames, setFrames] = useState('')
  const choices = useChoices(project, master, kind).filter((c) => `${c.name} ${c.quiet}`.toLowerCase().includes(text.toLowerCase()))
  const chosen = choices[Math.min(at, choices.length - 1)]
  const listed = kind !== 'black' && kind !== 'slate'
  const partly = listed && kind !== 'sound'
  const number = (typed: string) => (/^\d+$/.test(typed.trim()) ? Number(typed) : undefined)
  const wrong = [from, frames].some((t) => t.trim() !== '' && number(t) === undefined)
  const ready = !wrong && (listed ? !!chosen : kind === 'black' || text.trim() !== '')
  const give = () => {
    if (ready && chosen && kind === 'sound') {
      putSound(chosen.id)
      close()
    } else if (ready) {
      put({
        shows: kind.toUpperCase() as NewClip['shows'],
        id: listed ? chosen?.id : undefined,
        from: number(from),
        frames: number(frames),
        text: kind === 'slate' ? text : undefined,
      })
      close()
    }
  }
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-[14vh] z-50 flex h-[52vh] w-[480px] max-w-[94vw] -translate-x-1/2 flex-col gap-3 rounded-lg border border-line bg-raised p-4 shadow-2xl"
          onKeyDown={(e) => {
            if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement)) {
              give()
            } else if (listed && (e.key === 'ArrowDown' || e.key === 'ArrowUp') && !(e.target instanceof HTMLSelectElement)) {
              e.preventDefault()
              setAt((n) => Math.max(0, Math.min(choices.length - 1, n + (e.key === 'ArrowDown' ? 1 : -1))))
            }
          }}
        >
          <Dialog.Title className="text-[17px] font-semibold">{TITLES[way]}</Dialog.Title>
          <div className="flex gap-2">
            <select
              className="field"
              aria-label="What it shows"
              value={kind}
              onChange={(e) => {
                setKind(e.target.value as Kind)
                setAt(0)
                setText('')
              }}
            >
              {KINDS.filter((k) => k !== 'sound' || way === 'overwrite').map((k) => (
                <option key={k}>{k}</option>
              ))}
            </select>
            {kind !== 'black' && (
              <input
                className="field min-w-0 flex-1"
                autoFocus
                placeholder={kind === 'slate' ? 'Words on the slate' : 'Find by name'}
                aria-label={kind === 'slate' ? 'Words on the slate' : 'Find by name'}
                value={text}
                onChange={(e) => {
                  setText(e.target.value)
                  setAt(0)
                }}
              />
            )}
          </div>
          {listed ? (
            <Rows rows={choices} height={30} label="What there is" at={at}>
              {(c, i) => (
                <button
                  type="button"
                  className={`flex h-full w-full items-center gap-3 rounded px-2 text-left ${c === chosen ? 'bg-[#3a4341]' : ''}`}
                  aria-pressed={c === chosen}
                  onClick={() => setAt(i)}
                  onDoubleClick={give}
                >
                  <span className="num min-w-0 flex-1 truncate">{c.name}</span>
                  <span className="num text-[13px] text-quiet">{c.quiet}</span>
                </button>
              )}
            </Rows>
          ) : (
            <div className="flex-1" />
          )}
          <div className="flex items-center gap-2">
            {partly && (
              <label className="flex items-center gap-2 text-quiet">
                from
                <input
                  className="field num w-20"
                  aria-label="From frame"
                  placeholder={chosen ? String(chosen.from) : ''}
                  value={from}
                  onChange={(e) => setFrom(e.target.value)}
                />
              </label>
            )}
            {kind !== 'sound' && (
              <label className="flex items-center gap-2 text-quiet">
                frames
                <input
                  className="field num w-20"
                  aria-label="Frames"
                  placeholder={chosen && listed ? String(Math.max(1, chosen.from + chosen.frames - (number(from) ?? chosen.from))) : '24'}
                  value={frames}
                  onChange={(e) => setFrames(e.target.value)}
                />
              </label>
            )}
            <span className="flex-1 text-[13px] text-offset">{wrong && 'whole numbers of frames'}</span>
            <button type="button" className="button button-main" disabled={!ready} onClick={give}>
              {TITLES[way]}
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function useChoices(project: Project, master: Master, kind: Kind): Choice[] {
  const renders = useRenders(project.id).data
  const masters = useMasters(project.id).data
  const files = useFiles(project.id, '', 'sound', '').data?.files
  return useMemo(() => {
    if (kind === 'shot') {
      return master.shots.map((s) => ({
        id: s.shotId,
        name: s.code,
        quiet: `${s.cutIn}–${s.cutOut - 1}`,
        from: s.cutIn,
        frames: s.cutOut - s.cutIn,
      }))
    }
    if (kind === 'render') {
      return (renders ?? [])
        .filter((r) => r.state === 'DONE')
        .map((r) => ({ id: r.id, name: r.name, quiet: plural(r.frames, 'frame'), from: 0, frames: r.frames }))
    }
    if (kind === 'sound') {
      return (files ?? []).flatMap(({ mediaId, path, kind }) =>
        mediaId ? [{ id: mediaId, name: path, quiet: kind, from: 0, frames: 0 }] : [],
      )
    }
    return (masters ?? [])
      .filter((m) => m.id !== master.id)
      .map((m) => ({ id: m.id, name: m.name, quiet: plural(m.end - m.start, 'frame'), from: m.start, frames: m.end - m.start }))
  }, [kind, renders, masters, files, master])
}
