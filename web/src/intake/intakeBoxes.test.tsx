// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { fakeServer, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { IntakeCut, Project } from '../server/types'
import { PairsBox } from './PairsBox'
import { RateWays } from './RateWays'
import { WhichPart } from './WhichPart'

const project = { id: 3 } as Project
const cut = {
  id: 7,
  received: false,
  chosen: 0,
  choices: ['Reel one', 'Reel two'],
  lanes: [
    { kind: 'sound', name: 'A1' },
    { kind: 'picture', name: 'V1' },
    { kind: 'picture', name: 'V2' },
  ],
  ownRate: '25',
  rateWay: 'REAL_TIME',
  clipRates: [{ rate: '30', realTime: 2, frameForFrame: 0 }],
  rate: '24',
  ways: [
    { word: 'REAL_TIME', words: 'in real time' },
    { word: 'FRAME_FOR_FRAME', words: 'frame for frame' },
  ],
} as unknown as IntakeCut

beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  )
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
})

it('asks for another sequence by its place, and for one lane or all that is seen', async () => {
  const asked = fakeServer()
  show(<WhichPart project={project} cut={cut} />)
  const [sequence, lane] = screen.getAllByRole('combobox')
  fireEvent.change(sequence!, { target: { value: '1' } })
  await waitFor(() => expect(asked.map((a) => a.path)).toContain('/api/cuts/7/sequence?index=1'))
  fireEvent.change(lane!, { target: { value: '2' } })
  await waitFor(() => expect(asked.map((a) => a.path)).toContain('/api/cuts/7/lane?place=2'))
  fireEvent.change(lane!, { target: { value: '' } })
  await waitFor(() => expect(asked.map((a) => a.path)).toContain('/api/cuts/7/lane'))
})

it('says how a cut of another rate is meant, each choice with what was chosen of the other', async () => {
  const asked = fakeServer()
  show(<RateWays project={project} cut={cut} />)
  fireEvent.change(screen.getAllByRole('combobox')[0]!, { target: { value: 'FRAME_FOR_FRAME' } })
  await waitFor(() => expect(asked[0]).toEqual({ method: 'POST', path: '/api/cuts/7/rate-ways', body: { rate: 'FRAME_FOR_FRAME' } }))
  fireEvent.change(screen.getAllByRole('combobox')[1]!, { target: { value: 'FRAME_FOR_FRAME' } })
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ rate: 'REAL_TIME', clips: 'FRAME_FOR_FRAME' }))
})

it('offers nothing where a cut and its clips have the rate of the project', () => {
  fakeServer()
  const { container } = show(<RateWays project={project} cut={{ ...cut, ownRate: undefined, clipRates: [] }} />)
  expect(container.textContent).toBe('')
})

it('gives pictures by order, as they were offered', async () => {
  const asked = fakeServer({
    '/api/cuts/7/sources/by-order': {
      pairs: [
        { key: 'k1', name: 'bd_010', mediaId: 41 },
        { key: 'k2', name: 'bd_020', mediaId: 42 },
        { key: 'k3', name: 'bd_030' },
      ],
      unused: [
        { kind: 'picture', mediaId: 41, path: 'a.png' },
        { kind: 'picture', mediaId: 42, path: 'b.png' },
        { kind: 'sound', mediaId: 43, path: 'c.wav' },
      ],
    },
  })
  const close = vi.fn()
  show(<PairsBox project={project} cut={cut} close={close} />)
  expect(await screen.findByText('3 pictures missing, 2 files not used')).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: /Give/ }))
  await waitFor(() => expect(close).toHaveBeenCalled())
  expect(asked.at(-1)?.method === 'POST' ? asked.at(-1) : asked.find((a) => a.method === 'POST')).toEqual({
    method: 'POST',
    path: '/api/projects/3/sources/by-order',
    body: { files: { k1: 41, k2: 42 } },
  })
})
