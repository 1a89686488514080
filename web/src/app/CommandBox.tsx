import { Dialog } from 'radix-ui'
import { useMemo, useState } from 'react'
import { create } from 'zustand'
import { type Action, allActions, useActionList, useActions } from '../desk/actions'
import { readableKeys } from '../desk/keyWords'
import { plainWords } from '../desk/synonyms'

const useBox = create<{ open: boolean }>(() => ({ open: false }))

export const openCommands = () => useBox.setState({ open: true })

/** Everything that can be done, to be searched; with its keys it is the sheet of shortcuts too. */
export function CommandBox() {
  const open = useBox((s) => s.open)
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  useActions('box', [
    { group: 'Help', name: 'Do anything', keys: 'Ctrl+K', run: openCommands },
    { group: 'Help', name: 'Shortcuts', keys: '?', run: openCommands },
  ])
  // a view that is still being loaded offers its own once it is there
  const owners = useActionList((s) => [...s.lists.keys()].join())
  const found = useMemo(() => (open && owners ? search(allActions(), text) : []), [open, owners, text])
  const close = (next: boolean) => {
    useBox.setState({ open: next })
    setText('')
    setAt(0)
  }
  const run = (action: Action | undefined) => {
    if (action && !action.disabled) {
      close(false)
      window.setTimeout(action.run)
    }
  }
  return (
    <Dialog.Root open={open} onOpenChange={close}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          className="fixed left-1/2 top-[12vh] z-50 flex max-h-[72vh] w-[620px] max-w-[94vw] -translate-x-1/2 flex-col rounded-lg border border-line bg-raised shadow-2xl"
          aria-describedby={undefined}
        >
          <Dialog.Title className="sr-only">Do anything</Dialog.Title>
          <input
            className="m-3 rounded-md border border-line bg-deep px-3 py-2 text-[16px]"
            placeholder="What do you want to do? Type a word or a key"
            autoFocus
            value={text}
            role="combobox"
            aria-expanded
            aria-controls="found"
            aria-label="Search actions and shortcuts"
            onChange={(e) => {
              setText(e.target.value)
              setAt(0)
            }}
            onKeyDown={(e) => {
              if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
                e.preventDefault()
                setAt((n) => Math.max(0, Math.min(found.length - 1, n + (e.key === 'ArrowDown' ? 1 : -1))))
              } else if (e.key === 'Enter') {
                run(found[at])
              }
            }}
          />
          <div id="found" role="listbox" className="scroll min-h-0 flex-1 pb-3">
            {found.map((action, i) => (
              <div
                key={action.group + action.name}
                role="option"
                tabIndex={-1}
                aria-selected={i === at}
                aria-disabled={action.disabled}
                ref={(e) => (i === at ? e?.scrollIntoView({ block: 'nearest' }) : undefined)}
                className={`flex cursor-pointer items-center gap-3 px-5 py-1.5 ${i === at ? 'bg-[#4a4a4a]' : ''} ${action.disabled ? 'text-[#9a9a9a]' : ''}`}
                onMouseMove={() => setAt(i)}
                onClick={() => run(action)}
              >
                <span className="w-20 text-[12px] text-quiet">{action.group}</span>
                <span className="flex-1">{action.name}</span>
                {action.keys?.split(' ').map((k) => (
                  <span key={k} className="key">
                    {readableKeys(k)}
                  </span>
                ))}
              </div>
            ))}
            {found.length === 0 && <p className="px-5 py-3 text-quiet">Nothing here is found by that: try another word for it</p>}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function search(actions: Action[], text: string): Action[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  return actions.filter((a) =>
    words.every((w) => `${a.group} ${a.name} ${readableKeys(a.keys ?? '')} ${plainWords(a.name)}`.toLowerCase().includes(w)),
  )
}
