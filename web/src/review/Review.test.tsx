// @vitest-environment jsdom
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk, useDesk } from '../desk/desk'
import { press } from '../desk/fakeKeys'
import { fakeWindow } from '../parts/fakeWindow'
import { setScore } from '../playhead/transport'
import { fakeServer, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Master, Project } from '../server/types'
import { Review } from './Review'

vi.mock('../pictures/CameraPicture', () => ({ CameraPicture: ({ frame }: { frame: number }) => <p>camera at {frame}</p> }))
vi.mock('../pictures/CutPicture', () => ({ CutPicture: ({ frame }: { frame: number }) => <p>board at {frame}</p> }))
vi.mock('../pictures/RenderPicture', () => ({
  RenderPicture: ({ renderId, frame }: { renderId?: number; frame: number }) => (
    <p>
      render {renderId ?? 'none'} at {frame}
    </p>
  ),
}))

const project = { id: 3, sceneId: 1 } as Project
const clip = (id: number, code: string, from: number, to: number) => ({
  id,
  shotId: id,
  code,
  in: from,
  out: to,
  seenIn: from,
  seenOut: to,
  enabled: true,
  shotFirst: 1001,
  shotFrames: [],
  headWeights: [],
  tailWeights: [],
})
const master = {
  id: 9,
  projectId: 3,
  start: 100,
  end: 200,
  framesPerSecond: 24,
  main: { enabled: true },
  live: [],
  clips: [clip(1, 'sh0010', 100, 150), clip(2, 'sh0020', 150, 180)],
  cut: { clips: [clip(1, 'bd_1', 100, 150), clip(2, 'bd_2', 150, 180)] },
} as unknown as Master
const movie = (id: number, shotId: number, version: number, state = 'DONE') => ({
  id,
  shotId,
  version,
  state,
  name: `sh00${shotId}0_v00${version}`,
  frames: 50,
})
const RENDERS = [movie(54, 1, 4, 'DRAWING'), movie(53, 1, 3), movie(52, 1, 2), movie(51, 2, 1)]

const open = async () => {
  fakeServer({
    '/api/projects/3/renders': RENDERS,
    '/api/masters/9/movie-frames': { in: 100, frames: Array.from({ length: 50 }, (_, i) => i + 8) },
  })
  show(<Review project={project} master={master} />)
  await screen.findAllByText('sh0010_v003')
}

beforeEach(() => {
  fakeWindow(1000, 400)
  act(() => {
    setDesk({ frame: 110 })
    setScore({ start: 100, end: 200, masterEnd: 200, framesPerSecond: 24, sound: [] })
  })
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
})

describe('two pictures of one frame', () => {
  it('are the board and the newest finished render to begin with, at the render’s own frame', async () => {
    await open()
    expect(screen.getByText('board at 110')).toBeTruthy()
    // its movie begins eight frames before the clip: handles
    expect(await screen.findByText('render 53 at 18')).toBeTruthy()
  })

  it('can be any two; an older version stays chosen only for the shot that has it', async () => {
    await open()
    fireEvent.change(screen.getByLabelText('Left picture'), { target: { value: 'camera' } })
    fireEvent.change(screen.getByLabelText('Right picture'), { target: { value: 'v2' } })
    expect(screen.getByText('camera at 110')).toBeTruthy()
    expect(await screen.findByText(/render 52/)).toBeTruthy()
    expect([...screen.getByLabelText('Right picture').querySelectorAll('option')].map((o) => o.textContent)).toEqual([
      'Board',
      'Camera',
      'Newest render',
      'sh0010_v003',
      'sh0010_v002',
    ])
    act(() => setDesk({ frame: 160 }))
    expect(await screen.findByText(/render none/)).toBeTruthy()
    expect(screen.getByLabelText('Right picture')).toHaveProperty('value', 'render')
  })

  it('change sides', async () => {
    await open()
    press('S')
    expect(screen.getByLabelText('Left picture')).toHaveProperty('value', 'render')
    expect(screen.getByLabelText('Right picture')).toHaveProperty('value', 'board')
  })

  it('say black where nothing is seen', async () => {
    await open()
    act(() => setDesk({ frame: 190 }))
    expect(screen.getAllByText('black').length).toBeGreaterThan(1)
  })
})

describe('ways to compare', () => {
  const way = () => screen.getByRole('radio', { checked: true }).textContent

  it('go round by one key', async () => {
    await open()
    const ways = [1, 2, 3, 4].map(() => {
      press('W')
      return way()
    })
    expect(ways).toEqual(['wiped', 'blended', 'flicked', 'side by side'])
  })

  it('wipe where the pointer is held, and by keys', async () => {
    await open()
    fireEvent.click(screen.getByRole('radio', { name: 'wiped' }))
    const share = () => screen.getByLabelText('Where the wipe stands')
    const picture = screen.getByText('board at 110').parentElement?.parentElement as HTMLElement
    fireEvent.pointerDown(picture, { clientX: 250, buttons: 1 })
    expect(share()).toHaveProperty('value', '25')
    fireEvent.pointerMove(picture, { clientX: 900, buttons: 0 })
    expect(share()).toHaveProperty('value', '25')
    press('[')
    expect(share()).toHaveProperty('value', '20')
    fireEvent.pointerMove(picture, { clientX: 5000, buttons: 1 })
    press(']')
    expect(share()).toHaveProperty('value', '100')
    expect(document.querySelector('[style*="inset(0 0 0 100%)"]')?.textContent).toMatch(/render 53/)
  })

  it('blend by a share, and flick from one to the other', async () => {
    await open()
    const right = () => screen.getByText(/render 53/).closest('[style]') as HTMLElement
    fireEvent.click(screen.getByRole('radio', { name: 'blended' }))
    fireEvent.change(screen.getByLabelText('Share of the right picture'), { target: { value: '30' } })
    expect(document.querySelector('[style*="opacity: 0.3"]')).toBeTruthy()
    press('X')
    expect(way()).toBe('flicked')
    const hidden = () => [...document.querySelectorAll<HTMLElement>('[style*="visibility: hidden"]')].map((e) => e.textContent)
    const [first] = hidden()
    press('X')
    expect(hidden()[0]).not.toBe(first)
    expect(right()).toBeTruthy()
  })
})

it('goes from shot to shot, and anywhere along the strip', async () => {
  await open()
  press('ArrowDown')
  expect(useDesk.getState().frame).toBe(150)
  press('ArrowUp')
  expect(useDesk.getState().frame).toBe(100)
  const strip = screen.getByRole('slider', { name: 'Playhead' })
  fireEvent.pointerDown(strip, { clientX: 500 })
  await waitFor(() => expect(useDesk.getState().frame).toBe(150))
  expect(strip.getAttribute('aria-valuenow')).toBe('150')
})
