// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import * as client from '../server/client'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Master } from '../server/types'
import { Elsewhere } from './Elsewhere'

const master = { id: 9, projectId: 3, shots: [{ shotId: 4, code: 'sh0040' }] } as unknown as Master
const offer = (name: string, part: object) => ({
  name,
  render: '',
  from: 1001,
  frames: 40,
  width: 1920,
  height: 1080,
  rate: '24',
  wrong: '',
  words: [],
  cameras: [],
  ...part,
})
const OFFERS = [
  offer('sh0010_v003.####.png', { render: 'sh0010_v003' }),
  offer('sh0020_v001.mov', {
    render: 'sh0020_v004',
    cameras: [3, 1],
    cameraOf: 1,
    words: ['10 of 40 frames that the master shows are not in it'],
  }),
  offer('nothing.mov', { wrong: "its name is no shot's: call it as SHOT_v001, or drop it on a shot" }),
]
const files = ['sh0010_v003.1001.png', 'sh0020_v001.mov', 'nothing.mov'].map((name) => new File(['x'], name))

afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

const open = (dropped: { files: File[]; shotId?: number }, answers: object = {}) => {
  const asked = fakeServer({ '/api/projects/3/versions/offers': OFFERS, '/api/projects/3/versions': [71, 72], ...answers })
  const sent = vi.spyOn(client, 'upload').mockResolvedValue({ refused: [] })
  const close = vi.fn()
  show(<Elsewhere master={master} dropped={dropped} close={close} />)
  return { asked, sent, close }
}

it('sends what was chosen, says what would become of each, and takes in what can be', async () => {
  const { asked, sent, close } = open({ files: [] })
  fireEvent.change(screen.getByLabelText('Files made elsewhere'), { target: { files } })
  expect(await screen.findByText('Take in 2 versions')).toBeTruthy()
  expect(sent).toHaveBeenCalledOnce()
  expect(screen.getByText('frame for frame, from 1001')).toBeTruthy()
  expect(screen.getByText('10 of 40 frames that the master shows are not in it')).toBeTruthy()
  expect(screen.getByText(/its name is no shot's/)).toBeTruthy()
  fireEvent.click(screen.getByLabelText('as finals'))
  fireEvent.click(screen.getByText('Take in 2 versions'))
  await waitFor(() => expect(close).toHaveBeenCalled())
  expect(posts(asked).at(-1)).toMatchObject({ path: '/api/projects/3/versions', body: { names: files.map((f) => f.name), grade: 'FINAL' } })
})

it('takes what was dropped on a shot for that shot, at once', async () => {
  const { asked } = open({ files, shotId: 4 })
  expect(await screen.findByText(/all of these are of sh0040/)).toBeTruthy()
  await waitFor(() => expect(posts(asked)).toHaveLength(1))
  expect(posts(asked)[0]?.body).toMatchObject({ shotId: 4 })
})

it('says from which camera it was made, as its name has it, and takes what somebody knows better', async () => {
  const { asked } = open({ files })
  const camera = (await screen.findByLabelText('Camera of sh0020_v001.mov')) as HTMLSelectElement
  expect(camera.value).toBe('1')
  expect(screen.queryByLabelText('Camera of sh0010_v003.####.png')).toBeNull()
  fireEvent.change(camera, { target: { value: '3' } })
  fireEvent.click(screen.getByText('Take in 2 versions'))
  await waitFor(() => expect(posts(asked).at(-1)?.path).toBe('/api/projects/3/versions'))
  expect(posts(asked).at(-1)?.body).toMatchObject({ cameras: { 'sh0020_v001.mov': 3 } })
})

it('takes nothing in where nothing can be', async () => {
  open({ files }, { '/api/projects/3/versions/offers': OFFERS.slice(2) })
  await screen.findByText(/its name is no shot's/)
  expect((screen.getByText('Take in') as HTMLButtonElement).disabled).toBe(true)
})
