// @vitest-environment jsdom
import { QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { fakeServer, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { IntakeCut, PlannedShot, Project } from '../server/types'
import { CameraCell } from './CameraCell'
import { NumberingBox } from './NumberingBox'
import { PairsBox } from './PairsBox'
import { RateWays } from './RateWays'
import { WhichPart } from './WhichPart'

const project = { id: 3 } as Project
const cut = {
  id: 7,
  received: false,
  chosen: 0,
  choices: ['Reel one', 'Reel two'],
  tracks: [
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

const planned = (from: number, code: string) => ({ in: from, code, camera: `cam_${code}`, shares: 1 }) as PlannedShot

it('names the camera of the shot that it was typed for, wherever the list of shots moves meanwhile', () => {
  const named: [string, string][] = []
  const cell = (shot: PlannedShot) => <CameraCell shot={shot} fixed={false} name={(camera) => named.push([shot.code, camera])} />
  const { rerender } = render(cell(planned(100, 'sh0010')))
  fireEvent.change(screen.getByLabelText('Camera of sh0010'), { target: { value: 'crane' } })
  // two clips were joined: another shot stands in this row
  rerender(cell(planned(148, 'sh0020')))
  expect(screen.getByLabelText('Camera of sh0020')).toHaveProperty('value', 'cam_sh0020')
  fireEvent.blur(screen.getByLabelText('Camera of sh0020'))
  expect(named).toEqual([['sh0010', 'crane']])
})

it('numbers shots by what was typed, and by what others said of all else meanwhile', async () => {
  const asked = fakeServer({ '/api/cuts/7/numbering/examples': [] })
  const numbering = { prefix: 'sh', step: 10, digits: 4, firstFrame: 1001, handles: 8 }
  const box = (handles: number) => (
    <QueryClientProvider client={queryClient}>
      <NumberingBox project={project} cut={{ ...cut, numbering: { ...numbering, handles } } as unknown as IntakeCut} />
    </QueryClientProvider>
  )
  const { rerender } = render(box(8))
  fireEvent.click(screen.getByText('Numbering'))
  fireEvent.change(await screen.findByLabelText(/^Prefix/), { target: { value: 'ga' } })
  rerender(box(12))
  fireEvent.click(screen.getByText('Number so'))
  await waitFor(() =>
    expect(asked.find((a) => a.path === '/api/projects/3/numbering')?.body).toEqual({ ...numbering, prefix: 'ga', handles: 12 }),
  )
})

it('shows the codes of what is typed now, in whatever order the answers come', async () => {
  const answers: ((code: string) => void)[] = []
  vi.stubGlobal('fetch', async () => {
    const code = await new Promise<string>((answer) => answers.push(answer))
    return new Response(JSON.stringify([{ code, from: [] }]), { status: 200, headers: { 'Content-Type': 'application/json' } })
  })
  const numbering = { prefix: 'sh', step: 10, digits: 4, firstFrame: 1001, handles: 8 }
  show(<NumberingBox project={project} cut={{ ...cut, numbering } as unknown as IntakeCut} />)
  fireEvent.click(screen.getByText('Numbering'))
  await waitFor(() => expect(answers).toHaveLength(1))
  fireEvent.change(await screen.findByLabelText(/^Step/), { target: { value: '100' } })
  await waitFor(() => expect(answers).toHaveLength(2))
  answers[1]?.('sh0500')
  await screen.findByText('sh0500')
  answers[0]?.('sh0050')
  await new Promise((go) => setTimeout(go, 30))
  expect(screen.queryByText('sh0050')).toBeNull()
})

it('asks for another sequence by its place, and for one track or all that is seen', async () => {
  const asked = fakeServer()
  show(<WhichPart project={project} cut={cut} />)
  const [sequence, track] = screen.getAllByRole('combobox')
  fireEvent.change(sequence!, { target: { value: '1' } })
  await waitFor(() => expect(asked.map((a) => a.path)).toContain('/api/cuts/7/sequence?index=1'))
  fireEvent.change(track!, { target: { value: '2' } })
  await waitFor(() => expect(asked.map((a) => a.path)).toContain('/api/cuts/7/track?place=2'))
  fireEvent.change(track!, { target: { value: '' } })
  await waitFor(() => expect(asked.map((a) => a.path)).toContain('/api/cuts/7/track'))
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
