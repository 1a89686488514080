import { Popover } from 'radix-ui'
import { useEffect, useMemo, useState } from 'react'
import { useActions } from '../desk/actions'
import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import { refreshEdited } from '../server/queries'
import type { Example, IntakeCut, Numbering, Project } from '../server/types'

const NUMBERS = [
  ['step', 'Step', 'from one shot to the next'],
  ['digits', 'Digits', 'at least so many'],
  ['firstFrame', 'First frame', 'of each cut range'],
  ['handles', 'Handles', 'frames at both ends'],
] as const

/** How shots are numbered, or where their codes are found; the planned shots beside it show what comes of it. */
export function NumberingBox({ project, cut }: { project: Project; cut: IntakeCut }) {
  const [open, setOpen] = useState(false)
  // what nobody typed is as it is, whatever others make of it meanwhile
  const [typed, setTyped] = useState<Partial<Numbering>>({})
  const wanted = useMemo(() => ({ ...cut.numbering, ...typed }), [cut.numbering, typed])
  useActions('numbering', [{ group: 'Intake', name: 'How shots are numbered', keys: '#', run: () => setOpen(true) }])
  const { examples, wrong } = useExamples(cut.id, wanted, open)
  const apply = async () => {
    try {
      await post('/api/projects/{id}/numbering', { ...of(project.id), body: wanted })
      refreshEdited(project.id)
      setOpen(false)
      setTyped({})
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <Popover.Root
      open={open}
      onOpenChange={(now) => {
        setOpen(now)
        setTyped({})
      }}
    >
      <Popover.Trigger className="button">Numbering</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content sideOffset={6} align="end" className="z-40 w-[340px] rounded-lg border border-line bg-raised p-4 shadow-xl">
          <form
            className="grid grid-cols-[1fr_120px] items-center gap-x-3 gap-y-2"
            onSubmit={(e) => {
              e.preventDefault()
              void apply()
            }}
          >
            <label htmlFor="prefix">
              Prefix <span className="text-quiet">before each number</span>
            </label>
            <input
              id="prefix"
              className="field num"
              value={wanted.prefix}
              onChange={(e) => setTyped({ ...typed, prefix: e.target.value })}
            />
            {NUMBERS.map(([key, name, what]) => (
              <NumberField
                key={key}
                id={key}
                name={name}
                what={what}
                value={wanted[key]}
                change={(n) => setTyped({ ...typed, [key]: n })}
              />
            ))}
            <label htmlFor="pattern" className="col-span-2 pt-2">
              Codes that are in clip names or markers already
            </label>
            <input
              id="pattern"
              className="field num col-span-2"
              placeholder="LW_[###]_*"
              value={wanted.codePattern ?? ''}
              onChange={(e) => setTyped({ ...typed, codePattern: e.target.value })}
            />
            <p className="col-span-2 text-[13px] text-quiet">
              The part in brackets is the code, # a digit, * anything: LW_[###]_* makes {wanted.prefix}040 of LW_040_bicycle.
            </p>
            <label htmlFor="scenes" className="col-span-2 pt-2">
              Scenes that are in clip names already
            </label>
            <input
              id="scenes"
              className="field num col-span-2"
              placeholder="sc[##]_*"
              value={wanted.scenePattern ?? ''}
              onChange={(e) => setTyped({ ...typed, scenePattern: e.target.value })}
            />
            <p className="col-span-2 text-[13px] text-quiet">Each scene gets a set and an action clock of its own.</p>
            {wrong && (
              <p className="col-span-2 text-[13px] text-offset" role="alert">
                {wrong}
              </p>
            )}
            <ul className="col-span-2 text-[13px]" aria-label="Codes as they would be">
              {examples?.map((e) => (
                <li key={e.code} className="flex gap-3">
                  <span className="num w-20 shrink-0">{e.code}</span>
                  <span className="truncate text-quiet">{e.from.join(' · ') || 'no name'}</span>
                </li>
              ))}
            </ul>
            <button type="submit" className="button button-main col-span-2 mt-1 justify-self-end" disabled={!!wrong}>
              Number so
            </button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

/** The first codes as they would be, a moment after the rules were typed, or what is wrong with those. */
function useExamples(cutId: number, wanted: Numbering, open: boolean): { examples?: Example[]; wrong?: string } {
  const [examples, setExamples] = useState<{ examples?: Example[]; wrong?: string }>({})
  useEffect(() => {
    if (!open) {
      return
    }
    // an answer to what was typed before may come after that to what is typed now
    let typedNow = true
    const soon = window.setTimeout(() => {
      post('/api/cuts/{id}/numbering/examples', { ...of(cutId), body: wanted }).then(
        (found) => typedNow && setExamples({ examples: found }),
        (e: unknown) => typedNow && setExamples({ wrong: e instanceof Error ? e.message : String(e) }),
      )
    }, 200)
    return () => {
      typedNow = false
      window.clearTimeout(soon)
    }
  }, [cutId, wanted, open])
  return examples
}

type FieldProps = { id: string; name: string; what: string; value: number; change: (n: number) => void }

function NumberField({ id, name, what, value, change }: FieldProps) {
  return (
    <>
      <label htmlFor={id}>
        {name} <span className="text-quiet">{what}</span>
      </label>
      <input id={id} type="number" className="field num" value={value} onChange={(e) => change(Number(e.target.value))} />
    </>
  )
}
