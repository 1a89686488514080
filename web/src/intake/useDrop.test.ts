// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk, useDesk } from '../desk/desk'
import { useMessages } from '../desk/messages'
import type { Given } from '../server/client'
import type { Arrival, Project } from '../server/types'
import { alone, useDrop } from './useDrop'

const sent = vi.hoisted(() => vi.fn())
vi.mock('../server/sending', () => ({ BATCH: 100, sent }))

const project = { id: 3 } as Project
const file = (path: string): Given => ({ file: new File(['x'], path.slice(path.lastIndexOf('/') + 1)), path })
const arrived = (more: Partial<Arrival> = {}): Arrival => ({ found: 0, listed: 0, refused: [], ...more }) as Arrival
const said = () => JSON.stringify(useMessages.getState().all)
const batches = () => sent.mock.calls.map((call) => (call[1] as Given[]).map((g) => g.path))

beforeEach(() => {
  sent.mockReset().mockResolvedValue(arrived())
  useMessages.setState({ all: [] })
  setDesk({ view: 'Stage', cutId: undefined })
})
afterEach(cleanup)

const open = () => renderHook(() => useDrop(project)).result
const take = (given: Given[], drop = open()) => act(() => drop.current.take(given))

describe('taking files in', () => {
  it('sends the cut first and alone, so that it is seen while the pictures still come', async () => {
    await take([file('a/one.jpg'), file('a/two.mov'), file('a/low_water.EDL')])
    expect(batches()).toEqual([['a/low_water.EDL'], ['a/one.jpg', 'a/two.mov']])
  })

  it.each(['cut.edl', 'cut.xml', 'cut.AAF', 'cut.otio', 'cut.otioz'])('takes %s for a cut', async (name) => {
    await take([file('board.png'), file(name)])
    expect(batches()).toEqual([[name], ['board.png']])
  })

  it('sends many in batches, each of them once', async () => {
    const many = Array.from({ length: 230 }, (_, i) => file(`board_${i}.png`))
    await take(many)
    expect(batches().map((b) => b.length)).toEqual([100, 100, 30])
    expect(batches().flat()).toEqual(many.map((g) => g.path))
    expect(said()).toContain('230 files taken in')
  })

  it('shows the cut that came', async () => {
    sent.mockResolvedValue(arrived({ cutId: 17 }))
    await take([file('cut.edl')])
    expect(useDesk.getState()).toMatchObject({ cutId: 17, view: 'Intake' })
  })

  it('says what was refused, what was missing and is there now, and how much a list of checksums has', async () => {
    sent.mockResolvedValue(arrived({ refused: ['notes.txt is no picture'], found: 2 }))
    await take([file('notes.txt'), file('a.png')])
    expect(said()).toContain('notes.txt is no picture')
    expect(said()).toContain('2 files taken in, 2 that were missing are in place')
    sent.mockResolvedValue(arrived({ found: 1 }))
    await take([file('b.png')])
    expect(said()).toContain('1 file taken in, 1 that was missing is in place')
    sent.mockResolvedValue(arrived({ listed: 4 }))
    await take([file('list.mhl')])
    expect(said()).toContain('A list of checksums of 4 files')
  })

  it('says what went wrong, sends no more, and shows no progress any longer', async () => {
    sent.mockRejectedValueOnce(new Error('The disk is full'))
    const drop = open()
    await take([file('cut.edl'), file('a.png')], drop)
    expect(said()).toContain('The disk is full')
    expect(sent).toHaveBeenCalledTimes(1)
    expect(drop.current.progress).toBeUndefined()
  })
})

describe('progress', () => {
  it('says how far it is over all batches, that the server is looking, and that it waits for it', async () => {
    const seen: (string | undefined)[] = []
    const drop = open()
    const note = () => seen.push(`${drop.current.progress?.text} ${drop.current.progress?.share?.toFixed(3)}`)
    sent.mockImplementation(async (_id, _batch, told: (share: number) => void, _stop, waits: (on: boolean) => void) => {
      act(() => told(0.5))
      note()
      act(() => told(1))
      note()
      act(() => waits(true))
      note()
      return arrived()
    })
    await drop.current.take([file('cut.edl'), file('a.png'), file('b.png'), file('c.png')])
    expect(seen).toEqual([
      'Taking in 4 files 0.113',
      'Looking at 4 files 0.225',
      'The server does not answer: 4 files will be sent when it does 0.000',
      'Taking in 4 files 0.588',
      'Looking at 4 files 0.925',
      'The server does not answer: 3 files will be sent when it does 0.250',
    ])
  })

  it('can be stopped: what is under way is told so', async () => {
    const drop = open()
    let stop: AbortSignal | undefined
    sent.mockImplementation(async (_id, _batch, _told, signal: AbortSignal) => {
      stop = signal
      await act(async () => undefined)
      act(() => drop.current.progress?.stop())
      return arrived()
    })
    await drop.current.take([file('a.png')])
    expect(stop?.aborted).toBe(true)
  })
})

describe('what is dropped', () => {
  const entry = (path: string) =>
    ({
      isFile: true,
      isDirectory: false,
      fullPath: path,
      file: (ok: (f: File) => void) => ok(file(path).file),
    }) as unknown as FileSystemEntry
  /** A folder whose reader gives its entries a few at a time, as browsers do. */
  const folder = (path: string, inside: FileSystemEntry[], atOnce = 2) => {
    const left = [...inside]
    return {
      isFile: false,
      isDirectory: true,
      fullPath: path,
      createReader: () => ({ readEntries: (ok: (some: FileSystemEntry[]) => void) => ok(left.splice(0, atOnce)) }),
    } as unknown as FileSystemEntry
  }
  const drop = async (entries: FileSystemEntry[], files: File[]) => {
    const result = open()
    const items = entries.map((e) => ({ webkitGetAsEntry: () => e }))
    const event = { preventDefault: vi.fn(), dataTransfer: { items, files } } as unknown as React.DragEvent
    act(() => result.current.target.onDragOver(event))
    expect(result.current.over).toBe(true)
    await act(async () => {
      result.current.target.onDrop(event)
      await new Promise((done) => setTimeout(done, 20))
    })
    expect(result.current.over).toBe(false)
  }

  it('is read folder by folder, with the paths, without hidden files', async () => {
    const inner = folder('/reel/boards', [entry('/reel/boards/a.png'), entry('/reel/boards/.DS_Store'), entry('/reel/boards/b.png')])
    await drop([folder('/reel', [inner, entry('/reel/cut.edl'), entry('/reel/sound.wav')])], [])
    expect(batches()).toEqual([['reel/cut.edl'], ['reel/boards/a.png', 'reel/boards/b.png', 'reel/sound.wav']])
  })

  it('is taken as it is where there are files alone', async () => {
    await drop([entry('/a.png')], [new File(['x'], 'a.png')])
    expect(batches()).toEqual([['a.png']])
  })

  it('keeps the folders of a folder that was chosen', () => {
    const chosen = new File(['x'], 'a.png')
    expect(alone(chosen).path).toBe('a.png')
    Object.defineProperty(chosen, 'webkitRelativePath', { value: 'reel/a.png' })
    expect(alone(chosen).path).toBe('reel/a.png')
  })
})
