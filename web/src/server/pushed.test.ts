import { beforeEach, expect, it, vi } from 'vitest'
import { takeChange } from './pushed'
import { edited } from './queries'
import { queryClient } from './queryClient'
import type { Master, MasterChange } from './types'

const clips = [{ name: 'bd_1' }]
const stays = { stretches: [] }
const LISTS = { clips: stays, live: stays, seams: stays, renders: stays, shots: stays, differences: stays, sound: stays, markers: stays }

const view = (stamp: string, seq: number, cutStamp = 'c1') => ({
  id: 7,
  stamp,
  seq,
  cut: { id: 3, version: 1, name: 'Cut', stamp: cutStamp },
  clips: [],
  live: [],
  seams: [],
  renders: [],
  gaps: [],
  shots: [],
  differences: [],
  sound: [],
  markers: [],
  upper: [],
})
const change = (since: string, stamp: string, seq: number, cutStamp?: string) =>
  ({ whole: view(stamp, seq, cutStamp), lists: LISTS, since }) as unknown as MasterChange

const KEY = edited(1, 'master', 7)
const known = () => queryClient.getQueryData<Master>(KEY)
let asked: ReturnType<typeof vi.spyOn>

beforeEach(() => {
  queryClient.clear()
  vi.restoreAllMocks()
  asked = vi.spyOn(queryClient, 'invalidateQueries').mockResolvedValue()
  queryClient.setQueryData(KEY, { ...view('a', 1), cut: { ...view('a', 1).cut, clips } })
})

it('takes a change that begins at what the window has, and keeps the clips of the cut', () => {
  takeChange(1, change('a', 'b', 2))
  takeChange(1, change('b', 'c', 3))
  expect(known()).toMatchObject({ stamp: 'c', seq: 3 })
  expect(known()?.cut.clips).toBe(clips)
  expect(asked).not.toHaveBeenCalled()
})

it('does nothing with what the window has asked for meanwhile', () => {
  queryClient.setQueryData(KEY, { ...view('c', 3), cut: view('c', 3).cut })
  takeChange(1, change('a', 'b', 2))
  takeChange(1, change('b', 'c', 3))
  expect(known()?.stamp).toBe('c')
  expect(asked).not.toHaveBeenCalled()
})

it('asks where the change begins at another view', () => {
  takeChange(1, change('x', 'y', 9))
  expect(known()?.stamp).toBe('a')
  expect(asked).toHaveBeenCalledExactlyOnceWith({ queryKey: KEY, exact: true })
})

it('asks where the cut under the master is another one: its clips are not in the change', () => {
  takeChange(1, change('a', 'b', 2, 'c2'))
  expect(known()?.stamp).toBe('a')
  expect(asked).toHaveBeenCalledOnce()
})

it('does not touch a master that was never shown', () => {
  takeChange(2, change('a', 'b', 2))
  expect(queryClient.getQueryData(edited(2, 'master', 7))).toBeUndefined()
  expect(asked).not.toHaveBeenCalled()
})
