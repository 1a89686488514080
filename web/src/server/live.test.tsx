// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useColleague } from '../desk/colleague'
import { useLine } from '../desk/line'
import { useMessages } from '../desk/messages'
import { useLive } from './live'
import { edited } from './queries'
import { queryClient } from './queryClient'
import type { Project } from './types'

class Line {
  static all: Line[] = []
  onopen?: () => void
  onerror?: () => void
  closed = false
  private told?: (event: { data: string }) => void

  constructor(readonly address: string) {
    Line.all.push(this)
  }
  addEventListener(_: string, told: (event: { data: string }) => void) {
    this.told = told
  }
  tell(...what: object[]) {
    act(() => this.told?.({ data: JSON.stringify(what) }))
  }
  close() {
    this.closed = true
  }
}

const update = (kind: string, part: object = {}) => ({ update: { kind, seq: 8, name: '', who: '', touched: [], ...part } })
const KINDS = ['project', 'master', 'stage', 'clips', 'renders', 'bake']

let asked: string[] = []
/** What was asked for again since the last look, by kind. */
const again = () => {
  const kinds = [...new Set(asked)].sort()
  asked = []
  return kinds
}
const wait = (milliseconds: number) => act(() => vi.advanceTimersByTime(milliseconds))
const line = () => Line.all.at(-1) as Line

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', Line)
  localStorage.setItem('who', 'Ada')
  Line.all = []
  queryClient.clear()
  for (const kind of KINDS) {
    queryClient.setQueryData(edited(3, kind, kind === 'master' ? 9 : 1), {})
  }
  queryClient.setQueryData(edited(3, 'master', 10), {})
  queryClient.setQueryData<Project>(edited(3, 'project'), { seq: 7 } as Project)
  vi.spyOn(queryClient, 'invalidateQueries').mockImplementation(async (which) => {
    const [, , kind, id] = which?.queryKey ?? []
    asked.push(kind === 'master' ? `master ${id}` : String(kind))
  })
  again()
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const follow = () => renderHook(({ master }) => useLive(3, master), { initialProps: { master: 9 as number | undefined } })

it('opens a line for the master that is shown, and another one when that is another', () => {
  const { rerender, unmount } = follow()
  expect(line().address).toBe('/api/projects/3/live?master=9')
  rerender({ master: 10 })
  expect(Line.all.map((l) => [l.address, l.closed])).toEqual([
    ['/api/projects/3/live?master=9', true],
    ['/api/projects/3/live?master=10', false],
  ])
  unmount()
  expect(line().closed).toBe(true)
})

it('asks for all where the project has gone on before the line was there, and for nothing where it has not', () => {
  follow()
  line().tell(update('hello', { seq: 7 }))
  expect(again()).toEqual([])
  line().tell(update('hello', { seq: 8 }))
  expect(again()).toEqual(['bake', 'clips', 'master 10', 'master 9', 'project', 'renders', 'stage'])
})

it('asks at once after an edit of one’s own, for what that touched, and not for the tracks that come by themselves', () => {
  follow()
  line().tell(update('edit', { who: 'Ada', touched: ['CAMERAS'] }))
  expect(again()).toEqual(['bake', 'master 10', 'project', 'renders', 'stage'])
  line().tell(update('edit', { who: 'Ada', touched: ['TRACKS'] }))
  expect(again()).not.toContain('stage')
})

it('asks for what others did together, and says who did what', () => {
  follow()
  line().tell(update('edit', { who: 'Tom', name: 'Slip sh0010', touched: ['TRACKS'] }))
  line().tell(update('edit', { who: 'Tom', name: 'Key pan', touched: ['CAMERAS'], seq: 9 }))
  expect(again()).toEqual([])
  expect(useColleague.getState().text).toContain('Key pan')
  wait(100)
  expect(again()).toEqual(expect.arrayContaining(['bake', 'stage']))
  expect(queryClient.getQueryData<Project>(edited(3, 'project'))?.seq).toBe(9)
  wait(1000)
  expect(again()).toEqual([])
})

it('asks for all where others did what says not what it touched', () => {
  follow()
  line().tell(update('edit', { who: 'Tom', touched: ['TRACKS'] }), update('edit', { who: 'Tom', touched: [] }))
  wait(100)
  expect(again()).toEqual(expect.arrayContaining(['bake', 'clips', 'stage']))
})

it('shows finished renders while the queue goes on: frames that keep coming put it off no further', () => {
  follow()
  for (let i = 0; i < 4; i++) {
    line().tell(update('render'))
    expect(again()).toEqual(['renders'])
    wait(400)
  }
  expect(again()).toContain('master 9')
})

it('asks for everything when a lost line is back, and says that it was lost', () => {
  follow()
  act(() => line().onopen?.())
  expect(useLine.getState().there).toBe(true)
  act(() => line().onerror?.())
  expect(useLine.getState().there).toBe(false)
  line().tell(update('hello', { seq: 7 }))
  expect(again()).toEqual(expect.arrayContaining(['bake', 'clips', 'renders', 'master 9', 'stage']))
})

it('asks for the tracks where the server cannot say what changed', () => {
  follow()
  line().tell({ ask: 9 })
  expect(again()).toEqual(['master 9'])
})

it('says why work in the background ended early', () => {
  follow()
  line().tell(update('failed', { name: 'Looking for files ended before it was done' }))
  expect(useMessages.getState().all.map((m) => m.text)).toContain('Looking for files ended before it was done')
})

it('opens no line without a project', () => {
  renderHook(() => useLive(undefined, undefined))
  expect(Line.all).toEqual([])
})
