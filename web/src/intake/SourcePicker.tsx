import { Popover } from 'radix-ui'
import { useState } from 'react'
import { say, sayError } from '../desk/messages'
import { Rows } from '../parts/Rows'
import { plural } from '../parts/words'
import { of, post } from '../server/client'
import { refreshEdited, useFiles } from '../server/queries'
import type { Project, SourceFile, SourceView } from '../server/types'

type Props = { project: Project; source: SourceView; open: boolean; setOpen: (open: boolean) => void; give: () => void }

/** Chooses the file of a source: one that was given, one in the server's folders, or none. */
export function SourcePicker({ project, source, open, setOpen, give }: Props) {
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="button px-2! py-0.5! text-[13px]" aria-label={`Change the file of ${source.name}`}>
        Change
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="left"
          align="start"
          sideOffset={8}
          collisionPadding={12}
          className="z-40 flex h-[440px] w-[460px] flex-col rounded-lg border border-line bg-raised p-3 shadow-xl"
        >
          <Choice project={project} source={source} done={() => setOpen(false)} give={give} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

function Choice({ project, source, done, give }: { project: Project; source: SourceView; done: () => void; give: () => void }) {
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const [withFolder, setWithFolder] = useState(source.path !== '')
  const files = useFiles(project.id, text, source.kind, source.name).data
  const list = files?.files ?? []
  const ask = async (work: () => Promise<void>) => {
    try {
      await work()
      refreshEdited(project.id)
      done()
    } catch (e) {
      sayError(e)
    }
  }
  const choose = (file?: SourceFile) =>
    ask(async () => {
      const chosen = await post('/api/projects/{id}/sources/choice', {
        ...of(project.id),
        body: {
          kind: source.kind,
          key: source.key,
          mediaId: file?.mediaId,
          path: file && !file.mediaId ? file.path : undefined,
          withFolder: withFolder && !!file,
        },
      })
      say(
        chosen.sources > 1
          ? `Chosen, with ${plural(chosen.sources - 1, 'other')} of its folder`
          : file
            ? 'Chosen'
            : 'None of the files, then: a slate stands in',
      )
    })
  const forget = () =>
    ask(() => post('/api/projects/{id}/sources/forget', { ...of(project.id), body: { kind: source.kind, key: source.key } }))
  return (
    <>
      <b className="truncate font-semibold" title={source.path || source.name}>
        {source.path || source.name}
      </b>
      <input
        className="field my-2"
        autoFocus
        placeholder="part of a name or a folder"
        aria-label="Find a file"
        value={text}
        onChange={(e) => {
          setText(e.target.value)
          setAt(0)
        }}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            e.preventDefault()
            setAt((n) => Math.max(0, Math.min(list.length - 1, n + (e.key === 'ArrowDown' ? 1 : -1))))
          } else if (e.key === 'Enter' && list[at]) {
            void choose(list[at])
          }
        }}
      />
      <Rows rows={list} height={40} label="Files to choose from" at={at}>
        {(file, i) => (
          <button
            type="button"
            className={`flex h-full w-full items-center gap-2 rounded px-1 text-left text-[13px] ${i === at ? 'bg-[#3a4341]' : ''}`}
            onClick={() => void choose(file)}
          >
            <span className="h-[32px] w-[50px] shrink-0 overflow-hidden bg-deep">
              {file.mediaId && source.kind === 'picture' && (
                <img src={`/api/media/${file.mediaId}/picture?width=240`} alt="" loading="lazy" className="h-full w-full object-cover" />
              )}
            </span>
            <span className="min-w-0 flex-1 truncate" title={file.path}>
              {file.path}
            </span>
          </button>
        )}
      </Rows>
      {list.length === 0 && (
        <p className="pb-2 text-[13px] text-quiet">
          {files ? (text ? 'No file has that in its name.' : 'No file was given yet.') : 'Looking'}
        </p>
      )}
      {source.path !== '' && (
        <label className="mt-2 flex items-center gap-2 text-[13px]">
          <input type="checkbox" checked={withFolder} onChange={(e) => setWithFolder(e.target.checked)} />
          what lay beside it in the cut follows, where it lies beside it now
        </label>
      )}
      <div className="mt-2 flex items-center gap-4 text-[13px] text-quiet">
        <button type="button" className="link" onClick={() => void choose(undefined)}>
          none of these
        </button>
        {source.chosen && (
          <button type="button" className="link" onClick={() => void forget()}>
            find it by itself again
          </button>
        )}
        <button type="button" className="link ml-auto" onClick={give}>
          give a file
        </button>
      </div>
    </>
  )
}
