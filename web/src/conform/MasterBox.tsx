import { Popover } from 'radix-ui'
import { useState } from 'react'
import { create } from 'zustand'
import { useActions } from '../desk/actions'
import { openInDesk, setDesk, useDesk } from '../desk/desk'
import { say } from '../desk/messages'
import { itemAt } from '../parts/lists'
import { plural } from '../parts/words'
import { get, of } from '../server/client'
import { useMasters } from '../server/queries'
import type { Master, MasterBrief, Project } from '../server/types'
import { ask } from './edits'
import { RenumberBox } from './RenumberBox'

const useOpen = create<{ open: boolean }>(() => ({ open: false }))

export const openMasters = (open: boolean) => useOpen.setState({ open })

/** Opens another master; what was chosen and marked belonged to the one before. */
export function openMaster(masterId: number, outer: number[], frame?: number) {
  openInDesk(masterId, { outer, ...(frame === undefined ? {} : { frame }) })
}

/** Opens another master where it means the same: at the same frame of the same shot, else at the same timecode. */
async function openSame(master: Master | undefined, to: MasterBrief) {
  const { frame } = useDesk.getState()
  const at = master && (await get('/api/masters/{id}/same', of(to.id, { master: master.id, frame })).catch(() => undefined))
  openMaster(to.id, [], at ?? to.start)
}

/** Opens the master that is nested at a frame, at the frame of it that is seen there. */
export async function goInside(master: Master, frame: number, clip?: number) {
  try {
    const inside = await get('/api/masters/{id}/inside', of(master.id, { frame, clip }))
    openMaster(inside.masterId, [...useDesk.getState().outer, master.id], inside.frame)
  } catch (e) {
    say(e instanceof Error ? e.message : String(e))
  }
}

/** Back to the master that this one was opened from, at the frame that shows this one. */
export async function goOutside(master: Master, frame: number) {
  const { outer } = useDesk.getState()
  const to = outer[outer.length - 1]
  if (to !== undefined) {
    const at = await get('/api/masters/{id}/outside', of(to, { inner: master.id, frame })).catch(() => undefined)
    openMaster(to, outer.slice(0, -1), at)
  }
}

/** Which master is open, what it lies in, and the others of the project. */
export function MasterBox({ project, master, hidden = false }: { project: Project; master: Master | undefined; hidden?: boolean }) {
  const { open } = useOpen()
  const outer = useDesk((d) => d.outer)
  const masters = useMasters(project.id).data ?? []
  const [numbering, setNumbering] = useState(false)
  useActions('masters', [
    { group: 'Masters', name: 'Masters: open, begin, hold against a cut', keys: 'Ctrl+M', run: () => openMasters(true) },
    {
      group: 'Masters',
      name: 'Open the nested master here',
      keys: 'Ctrl+Enter',
      run: () => master && void goInside(master, useDesk.getState().frame),
      disabled: !master,
    },
    {
      group: 'Masters',
      name: 'Back to the master that nests this one',
      keys: 'Ctrl+Backspace',
      run: () => master && void goOutside(master, useDesk.getState().frame),
      disabled: outer.length === 0,
    },
    { group: 'Masters', name: 'Number the shots anew …', run: () => setNumbering(true), disabled: !master },
  ])
  const names = outer.map((id) => masters.find((m) => m.id === id)?.name ?? '')
  return (
    <Popover.Root open={open} onOpenChange={openMasters}>
      {outer.length > 0 && master && (
        <span className="flex min-w-0 shrink items-center gap-1 whitespace-nowrap text-quiet">
          {names
            .map((name, i) => (
              <button
                key={outer[i]}
                type="button"
                className="link max-w-[110px] truncate"
                title={`${name}, Ctrl Backspace goes out one`}
                onClick={() =>
                  void (i === names.length - 1
                    ? goOutside(master, useDesk.getState().frame)
                    : openMaster(itemAt(outer, i), outer.slice(0, i)))
                }
              >
                {name}
              </button>
            ))
            .flatMap((e, i) => [
              e,
              <span key={`to${i}`} aria-hidden>
                ›
              </span>,
            ])}
        </span>
      )}
      <Popover.Trigger
        className={hidden ? 'sr-only' : 'min-w-0 max-w-[240px] shrink truncate text-left text-quiet hover:text-white'}
        title="Masters, Ctrl M"
      >
        {master ? master.name : 'Masters'} <span aria-hidden>▾</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          collisionPadding={10}
          className="z-40 w-[480px] rounded-lg border border-line bg-raised p-3 shadow-xl"
          aria-label="Masters"
        >
          <Masters project={project} master={master} masters={masters} />
        </Popover.Content>
      </Popover.Portal>
      {numbering && master && <RenumberBox projectId={project.id} masterId={master.id} close={() => setNumbering(false)} />}
    </Popover.Root>
  )
}

function Masters({ project, master, masters }: { project: Project; master: Master | undefined; masters: MasterBrief[] }) {
  const now = masters.find((m) => m.id === master?.id)
  return (
    <>
      <ul className="scroll mb-3 max-h-[220px]">
        {masters.map((m) => (
          <li key={m.id}>
            <button
              type="button"
              className={`flex w-full items-center gap-3 rounded px-2 py-1.5 text-left ${m === now ? 'bg-[#3a4341]' : 'hover:bg-[#3f3f3f]'}`}
              aria-current={m === now}
              onClick={() => {
                void openSame(master, m)
                openMasters(false)
              }}
            >
              <span className="min-w-0 flex-1 truncate">{m.name}</span>
              <span className="num text-[13px] text-quiet">
                {plural(m.end - m.start, 'frame')}
                {m.nestedIn.length > 0 && `, in ${m.nestedIn.join(', ')}`}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {now && <OneMaster key={now.id} project={project} master={now} />}
      <Begin project={project} first={masters.length === 0} />
    </>
  )
}

function OneMaster({ project, master }: { project: Project; master: MasterBrief }) {
  const [typed, setTyped] = useState<string>()
  const name = typed ?? master.name
  const cuts = project.cuts.filter((c) => c.state === 'RECEIVED')
  return (
    <div className="mb-3 flex flex-col gap-2 border-t border-line pt-3">
      <form
        className="flex items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault()
          void ask('/api/masters/{id}/name', { ...of(master.id), body: { name } }).then(() => setTyped((t) => (t === name ? undefined : t)))
        }}
      >
        <label className="w-28" htmlFor="master-name">
          Name
        </label>
        <input id="master-name" className="field min-w-0 flex-1" value={name} onChange={(e) => setTyped(e.target.value)} />
        <button type="submit" className="button" disabled={!name.trim() || name === master.name}>
          Rename
        </button>
      </form>
      <div className="flex items-center gap-2">
        <label className="w-28" htmlFor="master-cut">
          Held against
        </label>
        <select
          id="master-cut"
          className="field min-w-0 flex-1"
          value={master.cutId ?? ''}
          onChange={(e) => void ask('/api/masters/{id}/hold', of(master.id, { cut: e.target.value ? Number(e.target.value) : undefined }))}
        >
          <option value="">no cut</option>
          {cuts.map((c) => (
            <option key={c.id} value={c.id}>{`cut ${c.version}, ${c.name}`}</option>
          ))}
        </select>
        <button type="button" className="button" onClick={() => void ask('/api/masters/{id}/remove', of(master.id))}>
          Remove this master
        </button>
      </div>
    </div>
  )
}

const RATES = [
  ['', 'rate'],
  ['24', '24'],
  ['24000/1001', '23.976'],
  ['25', '25'],
  ['30000/1001', '29.97'],
  ['30', '30'],
  ['48', '48'],
  ['50', '50'],
  ['60000/1001', '59.94'],
  ['60', '60'],
]

function Begin({ project, first }: { project: Project; first: boolean }) {
  const [name, setName] = useState('')
  const [shots, setShots] = useState('8')
  const [frames, setFrames] = useState('48')
  const [start, setStart] = useState('')
  const [rate, setRate] = useState('24')
  const begin = async () => {
    const id = await ask('/api/projects/{id}/masters', {
      ...of(project.id),
      body: {
        name,
        shots: Number(shots) || 0,
        frames: Number(frames) || 0,
        start: start || undefined,
        rate: first ? rate : undefined,
      },
    })
    if (id) {
      openMaster(id, [])
      setDesk({ view: 'Conform' })
      openMasters(false)
    }
  }
  return (
    <form
      className="flex flex-col gap-2 border-t border-line pt-3"
      onSubmit={(e) => {
        e.preventDefault()
        void begin()
      }}
    >
      <input
        className="field"
        aria-label="Name of a new master"
        placeholder="Begin a master: its name"
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <div className="flex flex-wrap items-center gap-2">
        <input className="field num w-14" aria-label="How many empty shots" value={shots} onChange={(e) => setShots(e.target.value)} />
        <span className="text-quiet">shots of</span>
        <input className="field num w-14" aria-label="Frames of each shot" value={frames} onChange={(e) => setFrames(e.target.value)} />
        <span className="text-quiet">frames from</span>
        <input
          className="field num w-32"
          aria-label="Timecode of its first frame"
          placeholder="01:00:00:00"
          value={start}
          onChange={(e) => setStart(e.target.value)}
        />
        {first && (
          <select className="field" aria-label="Frames a second" value={rate} onChange={(e) => setRate(e.target.value)}>
            {RATES.slice(1).map(([value, text]) => (
              <option key={value} value={value}>
                {text}
              </option>
            ))}
          </select>
        )}
        <button type="submit" className="button button-main ml-auto" disabled={!name.trim()}>
          Begin
        </button>
      </div>
    </form>
  )
}
