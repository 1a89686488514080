import { Popover } from 'radix-ui'
import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import { Rows } from '../parts/Rows'
import { plural } from '../parts/words'
import { whoAmI } from '../server/client'
import { postInOrder } from '../server/inOrder'
import { useHistory } from '../server/queries'
import type { PastStep, Project } from '../server/types'

/** All that was done, by whom and when; pressing a step goes back or forward to it. */
export function History({ project }: { project: Project }) {
  const [open, setOpen] = useState(false)
  useActions('history', [{ group: 'Edit', name: 'History: go back or forward to a step', keys: 'Ctrl+H', run: () => setOpen(true) }])
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="button px-2! py-0.5!" title="History, Ctrl H">
        History
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          onOpenAutoFocus={(e) => {
            // not onto "undo all", which Enter would press
            e.preventDefault()
            ;(e.currentTarget as HTMLElement).focus()
          }}
          align="end"
          sideOffset={6}
          collisionPadding={10}
          className="z-40 flex h-[420px] w-[440px] flex-col rounded-lg border border-line bg-raised p-3 shadow-xl outline-none"
        >
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
  const [asked, setAsked] = useState<{ seq: number; words: string }>()
  const lines = linesOf(steps ?? [])
  const go = async (seq: number) => {
    setAsked(undefined)
    try {
      const turned = await postInOrder('/api/projects/{id}/history/{seq}', { params: { path: { id: project.id, seq } } })
      say(turned === 0 ? 'It stands there already' : `Gone ${seq < (now?.seq ?? 0) ? 'back' : 'forward'} ${plural(turned, 'step')}`)
    } catch (e) {
      sayError(e)
    }
  }
  /** Taking back what others did is asked about first. */
  const goTo = (seq: number) => {
    const others = (steps ?? []).filter((s) => s.done && s.seq > seq && s.who !== (whoAmI() || 'somebody'))
    if (others.length === 0) {
      void go(seq)
    } else {
      setAsked({ seq, words: `This takes back ${plural(others.length, 'step')} of ${[...new Set(others.map((s) => s.who))].join(', ')}.` })
    }
  }
  return (
    <>
      <p className="pb-2 text-[13px] text-quiet">
        A step that is pressed becomes the last one that holds. Those above it wait until something new is done.
      </p>
      {steps?.length === 0 && <p>Nothing has been done yet.</p>}
      <Rows rows={lines} height={40} label="Steps">
        {({ step, times }) => (
          <div className={`flex h-full w-full items-center rounded ${step === now ? 'bg-[#3a4341]' : ''}`}>
            <button
              type="button"
              className={`flex h-full min-w-0 flex-1 items-center gap-3 px-2 text-left ${step.done ? '' : 'text-quiet line-through'}`}
              aria-current={step === now}
              onClick={() => goTo(step.seq)}
            >
              <span className="min-w-0 flex-1 truncate" title={step.name}>
                {step.name}
                {times > 1 && <span className="text-quiet"> · {times} times</span>}
              </span>
              <span className="whitespace-nowrap text-[13px] text-quiet">
                {step.who}, {new Date(step.madeAt).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}
              </span>
            </button>
            {step.done && step !== now && (
              <button
                type="button"
                className={`link px-2 text-[13px] ${past === step.seq ? 'text-live' : 'text-quiet'}`}
                aria-pressed={past === step.seq}
                title="Lay the master as it was after this step over how it is"
                onClick={() => setDesk({ past: past === step.seq ? undefined : step.seq, view: 'Conform' })}
              >
                compare
              </button>
            )}
          </div>
        )}
      </Rows>
      {asked ? (
        <div role="alertdialog" aria-label="Others' work" className="flex flex-wrap items-center gap-3 border-t border-line pt-2">
          <span className="flex-1">{asked.words} It can be gone forward again.</span>
          <button type="button" className="button" onClick={() => setAsked(undefined)}>
            Leave it
          </button>
          <button type="button" className="button button-main" autoFocus onClick={() => void go(asked.seq)}>
            Take it back
          </button>
        </div>
      ) : (
        <button type="button" className="link self-start pt-2 text-[13px] text-quiet" onClick={() => goTo(0)}>
          undo all
        </button>
      )}
    </>
  )
}

/** The same thing done by one person over and over is one line, which goes to its last. */
function linesOf(steps: PastStep[]): { step: PastStep; times: number }[] {
  const lines: { step: PastStep; times: number }[] = []
  for (const step of steps) {
    const last = lines[lines.length - 1]
    if (last && last.step.name === step.name && last.step.who === step.who && last.step.done === step.done) {
      last.times++
    } else {
      lines.push({ step, times: 1 })
    }
  }
  return lines
}
