import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Box } from '../parts/Box'
import { Rows } from '../parts/Rows'
import { get, of } from '../server/client'
import { ask } from './edits'

type Props = { projectId: number; masterId: number; close: () => void }

/** New numbers in the master's order, seen before they are given. Old ones stay known. */
export function RenumberBox({ projectId, masterId, close }: Props) {
  const [prefix, setPrefix] = useState('')
  const [first, setFirst] = useState('')
  const [step, setStep] = useState('')
  const rules = {
    master: masterId,
    prefix: prefix || undefined,
    first: first ? Number(first) : undefined,
    step: step ? Number(step) : undefined,
  }
  const query = useQuery({
    queryKey: ['edited', projectId, 'renumber', rules],
    queryFn: () => get('/api/projects/{id}/renumber', of(projectId, rules)),
    gcTime: 0,
    retry: false,
  })
  const plan = query.data
  const give = async () => {
    await ask('/api/projects/{id}/renumber', of(projectId, rules))
    close()
  }
  const field = (label: string, value: string, set: (text: string) => void, hint: string) => (
    <label className="flex items-center gap-2 text-quiet">
      {label}
      <input className="field num w-20" value={value} placeholder={hint} onChange={(e) => set(e.target.value)} />
    </label>
  )
  return (
    <Box
      title="Number the shots anew"
      says={
        <>
          In the order of this master. A number that was used is never given again, so these go on after the last one; the old ones stay
          known, in names of renders too.
        </>
      }
      saysClass="pb-3"
      className="left-1/2 top-[12vh] h-[60vh] w-[460px] max-w-[94vw] -translate-x-1/2"
      close={close}
    >
      <div className="flex flex-wrap gap-x-4 gap-y-2 pb-2">
        {field('prefix', prefix, setPrefix, 'sh')}
        {field('first', first, (t) => setFirst(t.replace(/\D/g, '')), '10')}
        {field('step', step, (t) => setStep(t.replace(/\D/g, '')), '10')}
      </div>
      {query.error && (
        <p className="pb-2 text-offset" role="alert">
          {query.error.message}
        </p>
      )}
      <Rows rows={plan ?? []} height={28} label="New numbers">
        {(c) => (
          <span className="num flex h-full items-center gap-3 px-2">
            <span className="w-28">{c.from}</span>
            <span className="text-quiet" aria-hidden>
              →
            </span>
            <span>{c.to}</span>
          </span>
        )}
      </Rows>
      <div className="flex justify-end gap-3 pt-3">
        <button type="button" className="button" onClick={close}>
          Leave them
        </button>
        <button type="button" className="button button-main" disabled={!plan || plan.length === 0} onClick={() => void give()}>
          Give these numbers
        </button>
      </div>
    </Box>
  )
}
