// @vitest-environment jsdom
import { QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk, useDesk } from '../desk/desk'
import { useMessages } from '../desk/messages'
import { fakeWindow } from '../parts/fakeWindow'
import { LABELS } from '../parts/scale'
import { setScore } from '../playhead/transport'
import { HeldServer } from '../server/heldServer'
import { queryClient } from '../server/queryClient'
import type { Clip, Master, Project } from '../server/types'
import { Tracks } from './Tracks'
import { layOut } from './tracks'

const WIDTH = 1000
const HEIGHT = 400
const project = { id: 3, cuts: [] } as unknown as Project
const clip = (id: number, from: number, to: number) =>
  ({
    id,
    shotId: id,
    code: `sh00${id}0`,
    content: 'SHOT',
    in: from,
    out: to,
    seenIn: from,
    seenOut: to,
    enabled: true,
    keys: [],
    speed: '1',
    headWeights: [],
    tailWeights: [],
    shotFirst: 1001,
    shotLast: 1050,
  }) as unknown as Clip
const sound = { id: 31, track: 'A1', name: 'guide', in: 100, out: 160, level: 0, gain: 1, fadeIn: 0, fadeOut: 0 }
const master = (seq: number) =>
  ({
    id: 9,
    projectId: 3,
    seq,
    name: 'Low Water',
    start: 100,
    end: 200,
    masterStart: 100,
    masterEnd: 200,
    framesPerSecond: 24,
    main: { id: 90, name: 'Shots', enabled: true, locked: false },
    upper: [],
    live: [],
    clips: [clip(1, 100, 150), clip(2, 150, 200)],
    seams: [{ at: 150, cut: 150, cutOffset: 0, renderOffset: 0 }],
    markers: [],
    renders: [],
    gaps: [],
    transitions: [],
    shots: [],
    sound: [sound],
    soundTracks: [{ name: 'A1', level: 0 }],
    counts: { shots: 2, staged: 0, rendered: 0, offsetSeams: 0 },
    cut: { id: 0, version: 0, name: '', clips: [] },
  }) as unknown as Master

const layout = layOut(HEIGHT, 1, 0)
const x = (frame: number) => LABELS + ((frame - 100) / 100) * (WIDTH - LABELS - 16)
const middle = ([top, bottom]: [number, number] | readonly [number, number]) => (top + bottom) / 2
const tracks = (seq = 12) => (
  <QueryClientProvider client={queryClient}>
    <Tracks project={project} master={master(seq)} />
  </QueryClientProvider>
)
const canvas = () => screen.getByRole('img')
const y = { seam: layout.cut[0] + 2, shots: middle(layout.shots), sound: middle(layout.sound[0] as [number, number]) }
const down = (frame: number, at: number, more = {}) =>
  fireEvent.pointerDown(canvas(), { clientX: x(frame), clientY: at, button: 0, buttons: 1, pointerId: 1, ...more })
const move = (frame: number, at: number) => fireEvent.pointerMove(canvas(), { clientX: x(frame), clientY: at, buttons: 1, pointerId: 1 })
const up = () => fireEvent.pointerUp(canvas(), { pointerId: 1 })
let server: HeldServer
/** Edits alone: what is seen beside a line that is pulled is asked for too. */
const edits = () => server.done.filter((e) => Object.keys(e.body).length > 0).map((e) => [e.path, e.body])
const answerAll = async () => {
  for (let i = 0; i < 30; i++) {
    await act(() => server.answerOne())
  }
}

beforeEach(() => {
  fakeWindow(WIDTH, HEIGHT)
  server = new HeldServer(() => undefined)
  act(() => {
    setDesk({ frame: 110, seam: undefined, clips: [], sound: undefined, zoom: undefined })
    setScore({ start: 100, end: 200, masterEnd: 200, framesPerSecond: 24, sound: [] })
  })
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  useMessages.setState({ all: [] })
  vi.unstubAllGlobals()
})

describe('what a hand edits in the tracks', () => {
  it('a seam goes where it was put, whatever edit is heard of between the last move and letting go', async () => {
    const { rerender } = render(tracks())
    down(150, y.seam)
    move(155, y.seam)
    rerender(tracks(13))
    up()
    await answerAll()
    expect(edits()).toEqual([['/api/masters/9/seam', { at: 150, frames: 5 }]])
  })

  it.each([
    ['the view is left', () => cleanup()],
    ['the window loses the focus', () => act(() => void window.dispatchEvent(new Event('blur')))],
  ])('what a pull has come to is written when %s', async (_, leave) => {
    render(tracks())
    down(120, y.shots, { altKey: true })
    move(117, y.shots)
    leave()
    await answerAll()
    expect(edits()).toEqual([['/api/masters/9/edits', expect.objectContaining({ kind: 'SLIP', clips: [1], frames: 3 })]])
  })

  it('a sound goes by the frames that it was drawn, once', async () => {
    render(tracks())
    down(120, y.sound)
    move(124, y.sound)
    up()
    up()
    await answerAll()
    expect(edits()).toEqual([['/api/sounds/31', { offset: 4 }]])
  })

  it('goes back on Escape', async () => {
    render(tracks())
    down(150, y.seam)
    move(155, y.seam)
    fireEvent.keyDown(window, { key: 'Escape' })
    up()
    await answerAll()
    expect(edits()).toEqual([])
    expect(useDesk.getState().seam).toBe(150)
  })
})
