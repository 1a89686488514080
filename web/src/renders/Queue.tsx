import { useState } from 'react'
import { sayError } from '../desk/messages'
import { Rows } from '../parts/Rows'
import { bytesInWords, plural } from '../parts/words'
import { getText, of, post } from '../server/client'
import type { Render } from '../server/types'
import { act } from './asking'

/** What waits, in its order, then what there was, the newest first. */
export function inOrder(renders: Render[]): Render[] {
  const open = renders.filter(isOpen).sort((a, b) => a.place - b.place)
  return [...open, ...renders.filter((r) => !isOpen(r))]
}

export const isOpen = (r: Render) => r.state === 'DRAWING' || r.state === 'WAITING' || r.state === 'PAUSED'

/** The render that one is put before so that it comes so many places later, or earlier; nothing where it is at that end. */
export function placeOf(renders: Render[], id: number, by: -1 | 1): { before?: number } | undefined {
  const open = inOrder(renders).filter(isOpen)
  const at = open.findIndex((r) => r.id === id)
  const to = at + by
  if (at < 0 || to < 0 || to >= open.length) {
    return undefined
  }
  return { before: open[by < 0 ? to : to + 1]?.id }
}

export const putInPlace = (id: number, query: { before?: number }) =>
  post('/api/renders/{id}/place', { params: { path: { id }, query } }).catch(sayError)

/** The queue and the history. What waits is dragged to another place. */
export function Queue({ renders, shown, show }: { renders: Render[]; shown: number | undefined; show: (id: number) => void }) {
  const [dragged, setDragged] = useState<number>()
  const [over, setOver] = useState<number>()
  const rows = inOrder(renders)
  const drop = () => {
    if (dragged !== undefined && over !== dragged) {
      void putInPlace(dragged, { before: over })
    }
    setDragged(undefined)
    setOver(undefined)
  }
  return (
    <Rows rows={rows} height={28} label="Renders">
      {(r) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: the order is set by keys too, from the command box
        <div
          draggable={isOpen(r)}
          className={`h-full ${over === r.id && dragged !== r.id ? 'border-t-2 border-live' : ''}`}
          onDragStart={() => setDragged(r.id)}
          onDragOver={(e) => {
            e.preventDefault()
            setOver(isOpen(r) ? r.id : undefined)
          }}
          onDragEnd={drop}
        >
          <Row render={r} selected={r.id === shown} show={() => show(r.id)} />
        </div>
      )}
    </Rows>
  )
}

const left = (seconds: number) => (seconds < 0 ? '' : seconds < 90 ? `${Math.ceil(seconds)} s left` : `${Math.ceil(seconds / 60)} min left`)

/** Today the time, before that the day. */
function when(at: string): string {
  const date = new Date(at)
  const today = date.toDateString() === new Date().toDateString()
  return today
    ? date.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
    : date.toLocaleDateString([], { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
}

export function stateWords(r: Render): string {
  switch (r.state) {
    case 'WAITING':
      return 'waits'
    case 'DRAWING':
      if (r.awaits) {
        return `waits for a machine with ${r.awaits}`
      }
      return r.framesDone >= r.frames ? 'files are written' : `frame ${r.framesDone} of ${r.frames}`
    case 'PAUSED':
      return 'paused'
    case 'STOPPED':
      return 'stopped'
    case 'FAILED':
      return `failed: ${r.error ?? ''}`
    default:
      return bytesInWords(r.bytes)
  }
}

/** Its first frame and how many it has. */
const range = (r: Render) => `${r.shotId ? `from ${r.fromFrame}, ` : ''}${plural(r.frames, 'frame')}`

function Row({ render: r, selected, show }: { render: Render; selected: boolean; show: () => void }) {
  return (
    <div className={`flex h-full items-center gap-3 border-b border-line/60 px-2 ${selected ? 'bg-[#3a4341]' : ''}`}>
      <button type="button" className="num w-[136px] truncate text-left" onClick={show}>
        {r.name}
      </button>
      <span className="w-11 text-quiet">{r.grade.toLowerCase()}</span>
      <span className={`w-[116px] shrink-0 truncate ${r.state === 'FAILED' ? 'text-offset' : 'text-quiet'}`} title={stateWords(r)}>
        {stateWords(r)}
      </span>
      {(r.state === 'DRAWING' || r.state === 'PAUSED') && (
        <progress
          className="h-2 w-16"
          max={r.frames}
          value={r.framesDone}
          aria-label={`${r.name}: ${r.framesDone} of ${r.frames} frames`}
        />
      )}
      <span className="min-w-0 flex-1 truncate text-quiet">
        {range(r)} {r.framesPerSecond > 0 && `· ${r.framesPerSecond.toFixed(1)} frames/s`} {r.state === 'DRAWING' && left(r.secondsLeft)}
      </span>
      {r.stale.length > 0 && (
        <span className="whitespace-nowrap text-stale">
          <span className="hatched inline-block h-2.5 w-4 rounded-sm" aria-hidden /> stale
        </span>
      )}
      <span className="truncate text-quiet">
        {r.who}, {when(r.requestedAt)}
      </span>
      <Doing render={r} />
    </div>
  )
}

function Doing({ render: r }: { render: Render }) {
  const button = (words: string, what: Parameters<typeof act>[1]) => (
    <button type="button" className="link" aria-label={`${words} ${r.name}`} onClick={() => void act(r.id, what)}>
      {words}
    </button>
  )
  return (
    <span className="flex w-[116px] shrink-0 justify-end gap-2">
      {r.awaits && button('any machine', 'any-driver')}
      {!r.awaits && (r.state === 'DRAWING' || r.state === 'WAITING') && button('pause', 'pause')}
      {(r.state === 'PAUSED' || r.state === 'STOPPED' || r.state === 'FAILED') && button('go on', 'go-on')}
      {isOpen(r) && button('stop', 'stop')}
    </span>
  )
}

/** The log of a render, as it stands. */
export const readLog = (id: number) => getText('/api/renders/{id}/log', of(id))

/** Writes a finished render into another kind of files. */
export const writeAlso = (id: number, kind: string) =>
  post('/api/renders/{id}/files', { ...of(id), body: { kind } as never }).catch(sayError)
