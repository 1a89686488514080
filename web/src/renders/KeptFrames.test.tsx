// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { useMessages } from '../desk/messages'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import { KeptFrames } from './KeptFrames'

afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
})

const KEPT = [
  { id: 8, name: 'sh0010_v002', state: 'DONE', frames: 96, bytes: 8_000_000 },
  { id: 9, name: 'sh0020_v001', state: 'STOPPED', frames: 1, bytes: 2_000_000 },
]

it('counts what frames take, and lets go of them', async () => {
  const asked = fakeServer({ '/api/projects/3/kept-frames/let-go': 10_000_000, '/api/projects/3/kept-frames': KEPT })
  show(<KeptFrames projectId={3} close={() => {}} />)
  expect(await screen.findByText('10.0 MB in all')).toBeTruthy()
  expect((screen.getByText('Let go') as HTMLButtonElement).disabled).toBe(true)
  fireEvent.click(screen.getByText('all'))
  expect(screen.getByText('Let go of 10.0 MB')).toBeTruthy()
  fireEvent.click(screen.getByText('none'))
  fireEvent.click(screen.getByText('all'))
  fireEvent.click(screen.getByText('Let go of 10.0 MB'))
  await waitFor(() => expect(posts(asked)).toHaveLength(1))
  expect(posts(asked)[0]?.body).toEqual({ renders: [8, 9] })
  await waitFor(() => expect(useMessages.getState().all.at(-1)?.text).toBe('10.0 MB are free again'))
})

it('says so where none are kept', async () => {
  fakeServer({ '/api/projects/3/kept-frames': [] })
  show(<KeptFrames projectId={3} close={() => {}} />)
  expect(await screen.findByText('No frames are kept.')).toBeTruthy()
})
