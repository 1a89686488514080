// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import { Machines } from './Machines'

const MACHINES = {
  machines: [
    { name: 'this machine', own: true, driver: 'a driver', silence: 0 },
    {
      name: 'anna',
      own: false,
      driver: 'another driver',
      address: '10.0.0.7',
      silence: 4.2,
      doing: { renderId: 5, renderName: 'sh0010_v003', first: 96, frames: 24, done: 7 },
    },
    { name: 'berta', own: false, silence: 0, cannot: 'there is no OpenGL' },
  ],
  keys: [
    { id: 7, name: 'room 2', who: 'Ada', madeAt: '2026-02-03T10:00:00Z', letIn: true },
    { id: 8, name: 'room 3', who: 'Ada', madeAt: '2026-02-03T10:00:00Z', letIn: false },
  ],
  port: 8041,
}

afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
})

const open = async (machines: object = MACHINES) => {
  const asked = fakeServer({ '/api/machines/keys': { id: 9, key: 'fs-worker-abc' }, '/api/machines': machines })
  show(<Machines close={() => {}} />)
  await screen.findByText('Make a key')
  return asked
}

it('says what each machine does, since when nothing is heard of it, and what it draws with', async () => {
  await open()
  const list = await screen.findByText('anna')
  const text = list.closest('ul')?.textContent ?? ''
  expect(text).toContain('sh0010_v003, its frames 97 to 120: 7 drawn')
  expect(text).toContain('heard 4 s ago')
  expect(text).toContain('waits for something to draw')
  expect(text).toContain('cannot draw: there is no OpenGL')
  expect(text).toContain('another driver · 10.0.0.7')
})

it('shows a key once, with what to do with it', async () => {
  const asked = await open()
  expect((screen.getByText('Make a key') as HTMLButtonElement).disabled).toBe(true)
  fireEvent.change(screen.getByLabelText('Name of a new key'), { target: { value: 'room 4' } })
  fireEvent.click(screen.getByText('Make a key'))
  expect(await screen.findByText('fs-worker-abc')).toBeTruthy()
  expect(screen.getByRole('status').textContent).toContain('--server http://THIS-MACHINE:8041 --key worker.key')
  expect(posts(asked)[0]).toMatchObject({ path: '/api/machines/keys', body: { name: 'room 4' } })
})

it('revokes a key and lets it in again', async () => {
  const asked = await open()
  fireEvent.click(await screen.findByLabelText('Revoke room 2'))
  fireEvent.click(screen.getByLabelText('Let in again room 3'))
  await waitFor(() => expect(posts(asked).map((p) => p.path)).toEqual(['/api/machines/keys/7/revoke', '/api/machines/keys/8/let-in']))
})

it('says that nothing draws, and how machines elsewhere are answered', async () => {
  await open({ machines: [], keys: [], port: 0 })
  expect(await screen.findByText(/No machine draws/)).toBeTruthy()
  expect(await screen.findByText('fresh-splice.workers-address=0.0.0.0:8041')).toBeTruthy()
})
