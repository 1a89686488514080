import { useState } from 'react'
import { sayError } from '../desk/messages'
import { Box } from '../parts/Box'
import { post, saveAs } from '../server/client'
import { refreshMachines, useMachines } from '../server/queries'
import type { Machine, MachineKey } from '../server/types'

/** The machines that draw, what they do, and the keys that others are let in by. */
export function Machines({ close }: { close: () => void }) {
  const { data } = useMachines()
  const [made, setMade] = useState<{ name: string; key: string }>()
  const machines = data?.machines ?? []
  return (
    <Box
      title="Machines that draw"
      says={<>Each takes a stretch of frames at a time. What one has when it goes away is drawn by another; frames that came in stay.</>}
      className="scroll left-1/2 top-[10vh] max-h-[80vh] w-[760px] max-w-[94vw] -translate-x-1/2 gap-3"
      close={close}
    >
      <ul aria-label="Machines">
        {machines.map((m) => (
          <MachineRow key={m.name} machine={m} />
        ))}
        {machines.length === 0 && <li className="py-2 text-stale">No machine draws: what waits goes on waiting.</li>}
      </ul>
      <div className="border-t border-line pt-3">
        <b className="font-semibold">Keys</b>
        <ul aria-label="Keys">
          {data?.keys.map((k) => (
            <KeyRow key={k.id} of={k} />
          ))}
        </ul>
        <NewKey made={setMade} />
        {made && <MadeKey of={made} port={data?.port ?? 0} />}
        {data?.port === 0 && (
          <p className="pt-2 text-[13px] text-quiet">
            Machines elsewhere are answered when <span className="num">settings.properties</span> says{' '}
            <span className="num">fresh-splice.workers-address=0.0.0.0:8041</span>, from the next start.
          </p>
        )}
      </div>
      <div className="flex justify-end">
        <button type="button" className="button" onClick={close}>
          Close
        </button>
      </div>
    </Box>
  )
}

function doingWords({ doing, cannot }: Machine): string {
  if (doing) {
    return `${doing.renderName}, its frames ${doing.first + 1} to ${doing.first + doing.frames}: ${doing.done} drawn`
  }
  return cannot ? (cannot.startsWith('rests ') ? cannot : `cannot draw: ${cannot}`) : 'waits for something to draw'
}

function MachineRow({ machine: m }: { machine: Machine }) {
  return (
    <li className="border-b border-line/60 py-1.5">
      <div className="flex items-baseline gap-3">
        <b className="w-40 shrink-0 truncate font-semibold">{m.name}</b>
        <span className={`num min-w-0 flex-1 truncate ${m.cannot ? 'text-offset' : m.doing ? '' : 'text-quiet'}`}>{doingWords(m)}</span>
        {!m.own && <span className="num shrink-0 text-quiet">heard {m.silence < 2 ? 'just now' : `${Math.round(m.silence)} s ago`}</span>}
      </div>
      <div className="truncate text-[13px] text-quiet">
        {m.driver ?? (m.own ? 'looks what it draws with when there is something to draw' : '')}
        {m.address && ` · ${m.address}`}
      </div>
    </li>
  )
}

function KeyRow({ of: key }: { of: MachineKey }) {
  const change = () => {
    const path = { params: { path: { key: key.id } } }
    const asked = key.letIn ? post('/api/machines/keys/{key}/revoke', path) : post('/api/machines/keys/{key}/let-in', path)
    asked.then(refreshMachines, sayError)
  }
  return (
    <li className="flex h-8 items-center gap-3">
      <span className={`w-40 truncate ${key.letIn ? '' : 'text-quiet line-through'}`}>{key.name}</span>
      <span className="min-w-0 flex-1 truncate text-quiet">
        {key.letIn ? 'made' : 'not let in · made'} by {key.who}, {new Date(key.madeAt).toLocaleDateString()}
      </span>
      <button type="button" className="link" aria-label={`${key.letIn ? 'Revoke' : 'Let in again'} ${key.name}`} onClick={change}>
        {key.letIn ? 'revoke' : 'let in again'}
      </button>
    </li>
  )
}

function NewKey({ made }: { made: (key: { name: string; key: string }) => void }) {
  const [name, setName] = useState('')
  const make = async () => {
    try {
      const { key } = await post('/api/machines/keys', { body: { name } })
      made({ name, key })
      setName('')
      refreshMachines()
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <form
      className="flex items-center gap-2 pt-1"
      onSubmit={(e) => {
        e.preventDefault()
        void make()
      }}
    >
      <input
        className="field w-56"
        aria-label="Name of a new key"
        placeholder="for which machines"
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <button type="submit" className="button" disabled={name.trim() === ''}>
        Make a key
      </button>
    </form>
  )
}

/** A key is said once: whoever made it takes it along. */
function MadeKey({ of, port }: { of: { name: string; key: string }; port: number }) {
  const save = () => saveAs('worker.key', new Blob([`${of.key}\n`], { type: 'text/plain' }))
  return (
    <div className="mt-2 rounded border border-line bg-ground p-3" role="status">
      <p>
        The key for {of.name} is shown this once:{' '}
        <button type="button" className="link" onClick={save}>
          save it as a file
        </button>
      </p>
      <code className="num block select-all break-all py-1">{of.key}</code>
      <p className="text-quiet">
        Then, on the other machine:
        <code className="num block select-all">./fresh-splice worker --server http://THIS-MACHINE:{port || 'PORT'} --key worker.key</code>
      </p>
    </div>
  )
}
