// @vitest-environment jsdom
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk, useDesk } from '../desk/desk'
import { press } from '../desk/fakeKeys'
import { useMessages } from '../desk/messages'
import { fakeWindow } from '../parts/fakeWindow'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Master, Project } from '../server/types'
import { MasterBox, openMasters } from './MasterBox'

const project = {
  id: 3,
  cuts: [
    { id: 41, version: 1, name: 'Low Water', state: 'RECEIVED' },
    { id: 42, version: 2, name: 'Low Water', state: 'LOOKED_AT' },
  ],
} as unknown as Project
const master = { id: 9, projectId: 3, name: 'Low Water', seq: 4 } as unknown as Master
const MASTERS = [
  { id: 9, name: 'Low Water', start: 100, end: 200, cutId: 41, nestedIn: [] },
  { id: 10, name: 'The tide', start: 0, end: 48, nestedIn: ['Low Water'] },
]

beforeEach(() => {
  fakeWindow(480, 400)
  act(() => {
    openMasters(false)
    setDesk({ frame: 130, masterId: 9, outer: [], clips: [5], range: { in: 1, out: 9 } })
  })
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
  useMessages.setState({ all: [] })
})

function server(more: Record<string, unknown> = {}) {
  return fakeServer({ ...more, '/api/projects/3/masters': MASTERS })
}
const open = async () => {
  show(<MasterBox project={project} master={master} />)
  press('Ctrl+M')
  await screen.findByText('The tide')
}

describe('masters', () => {
  it('are listed with what nests them, and open at what means the same there', async () => {
    server({ '/api/masters/10/same': 24 })
    await open()
    expect(screen.getByText('48 frames, in Low Water')).toBeTruthy()
    fireEvent.click(screen.getByText('The tide'))
    await waitFor(() => expect(useDesk.getState()).toMatchObject({ masterId: 10, frame: 24, outer: [] }))
    // what was chosen and marked belonged to the one before
    expect(useDesk.getState()).toMatchObject({ clips: [], range: {} })
  })

  it('open at their first frame where nothing means the same', async () => {
    server({ '/api/masters/10/same': new Error('nothing') })
    await open()
    fireEvent.click(screen.getByText('The tide'))
    await waitFor(() => expect(useDesk.getState()).toMatchObject({ masterId: 10, frame: 0 }))
  })

  it('are renamed, held against a received cut or none, and removed', async () => {
    const asked = server()
    await open()
    const name = await screen.findByLabelText('Name')
    expect(screen.getByText('Rename')).toHaveProperty('disabled', true)
    fireEvent.change(name, { target: { value: 'Low Water, evening' } })
    fireEvent.click(screen.getByText('Rename'))
    await waitFor(() => expect(posts(asked)[0]).toMatchObject({ path: '/api/masters/9/name', body: { name: 'Low Water, evening' } }))
    const against = screen.getByLabelText('Held against')
    expect([...against.querySelectorAll('option')].map((o) => o.textContent)).toEqual(['no cut', 'cut 1, Low Water'])
    fireEvent.change(against, { target: { value: '' } })
    await waitFor(() => expect(posts(asked)[1]?.path).toBe('/api/masters/9/hold'))
    fireEvent.click(screen.getByText('Remove this master'))
    await waitFor(() => expect(posts(asked)[2]?.path).toBe('/api/masters/9/remove'))
  })

  it('begin with empty shots, and are opened', async () => {
    const asked = fakeServer({ '/api/projects/3/masters': MASTERS })
    await open()
    fireEvent.change(screen.getByLabelText('Name of a new master'), { target: { value: 'Night' } })
    fireEvent.change(screen.getByLabelText('How many empty shots'), { target: { value: '12' } })
    fireEvent.change(screen.getByLabelText('Timecode of its first frame'), { target: { value: '02:00:00:00' } })
    fireEvent.click(screen.getByText('Begin'))
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]?.body).toEqual({ name: 'Night', shots: 12, frames: 48, start: '02:00:00:00' })
  })

  it('ask for a rate where there is no master yet', async () => {
    const asked = fakeServer({ '/api/projects/3/masters': [] })
    show(<MasterBox project={project} master={undefined} />)
    press('Ctrl+M')
    fireEvent.change(await screen.findByLabelText('Name of a new master'), { target: { value: 'First' } })
    fireEvent.change(screen.getByLabelText('Frames a second'), { target: { value: '30000/1001' } })
    fireEvent.click(screen.getByText('Begin'))
    await waitFor(() => expect(posts(asked)[0]?.body).toMatchObject({ name: 'First', rate: '30000/1001' }))
  })
})

describe('nested masters', () => {
  it('open at the frame of them that is seen, and remember where one came from', async () => {
    server({ '/api/masters/9/inside': { masterId: 10, frame: 12 } })
    show(<MasterBox project={project} master={master} />)
    press('Ctrl+Enter')
    await waitFor(() => expect(useDesk.getState()).toMatchObject({ masterId: 10, frame: 12, outer: [9] }))
  })

  it('say so where none is there', async () => {
    server({ '/api/masters/9/inside': new Error('No nested master is here') })
    show(<MasterBox project={project} master={master} />)
    press('Ctrl+Enter')
    await waitFor(() => expect(useMessages.getState().all.map((m) => m.text)).toEqual(['No nested master is here']))
    expect(useDesk.getState().masterId).toBe(9)
  })

  it('lead back one by one, or to any of those outside by its name', async () => {
    const asked = server({ '/api/masters/10/outside': 30 })
    act(() => setDesk({ outer: [11, 10] }))
    show(<MasterBox project={project} master={master} />)
    press('Ctrl+Backspace')
    await waitFor(() => expect(useDesk.getState()).toMatchObject({ masterId: 10, frame: 30, outer: [11] }))
    expect(asked.map((a) => a.path)).toContain('/api/masters/10/outside?inner=9&frame=130')
  })
})
