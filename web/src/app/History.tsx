import { Popover } from 'radix-ui'
import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import { Rows } from '../parts/Rows'
import { postInOrder } from '../server/client'
import { useHistory } from '../server/queries'
import type { Project } from '../server/types'

/** All that was done, by whom and when; pressing a step goes back or forward to it. */
export function History({ project }: { project: Project }) {
  const [open, setOpen] = useState(false)
  useActions('history', [{ group: 'Edit', name: 'History: go back or forward to a step', keys: 'Ctrl+H', run: () => setOpen(true) }])
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="button px-2! py-0.5!" title="History, Ctrl H">History</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content onOpenAutoFocus={(e) => {
          // not onto "undo all", which Enter would press
          e.preventDefault()
          ;(e.currentTarget as HTMLElement).focus()
        }} align="end" sideOffset={6} collisionPadding={10} className="z-40 flex h-[420px] w-[440px] flex-col rounded-lg border border-line bg-raised p-3 shadow-xl">
          <Steps project={project} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

function Steps({ project }: { project: Project }) {
  const steps = useHistory(project.id, project.seq).data
  const now = steps?.find((s) => s.done)
  const past = useDesk((d) => d.past)
  const goTo = async (seq: number) => {
    try {
      const turned = await postInOrder<number>(`/api/projects/${project.id}/history/${seq}`)
      say(turned === 0 ? 'It stands there already' : `${turned} ${turned === 1 ? 'step' : 'steps'}`)
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <>
      <p className="pb-2 text-[13px] text-quiet">A step that is pressed becomes the last one that holds. Those above it wait until something new is done.</p>
      {steps?.length === 0 && <p>Nothing has been done yet.</p>}
      <Rows rows={steps ?? []} height={40} label="Steps">
        {(step) => (
          <div className={`flex h-full w-full items-center rounded ${step === now ? 'bg-[#3a4341]' : ''}`}>
          <button type="button" className={`flex h-full min-w-0 flex-1 items-center gap-3 px-2 text-left ${step.done ? '' : 'text-quiet line-through'}`}
            aria-current={step === now} onClick={() => void goTo(step.seq)}>
            <span className="min-w-0 flex-1 truncate" title={step.name}>{step.name}</span>
            <span className="whitespace-nowrap text-[13px] text-quiet">{step.who}, {new Date(step.madeAt).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}</span>
          </button>
          {step.done && step !== now && (
            <button type="button" className={`link px-2 text-[13px] ${past === step.seq ? 'text-live' : 'text-quiet'}`} aria-pressed={past === step.seq} title="Lay the master as it was after this step over how it is"
              onClick={() => setDesk({ past: past === step.seq ? undefined : step.seq, view: 'Conform' })}>compare</button>
          )}
          </div>
        )}
      </Rows>
      <button type="button" className="link self-start pt-2 text-[13px] text-quiet" onClick={() => void goTo(0)}>undo all</button>
    </>
  )
}
