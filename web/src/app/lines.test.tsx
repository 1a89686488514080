// @vitest-environment jsdom
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useActions, useKeys } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { said } from '../desk/fakeKeys'
import { setLine } from '../desk/line'
import { say, sayError, useMessages } from '../desk/messages'
import { fakeWindow } from '../parts/fakeWindow'
import { setScore, useTransport } from '../playhead/transport'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Master, Project } from '../server/types'
import { History } from './History'
import { Messages } from './Messages'
import { Projects } from './Projects'
import { StatusLine } from './StatusLine'
import { TaskLine } from './TaskLine'
import { TopLine } from './TopLine'

const project = {
  id: 3,
  name: 'Low Water',
  seq: 12,
  masterId: 9,
  againstCutId: 41,
  cuts: [
    { id: 41, version: 1, state: 'RECEIVED' },
    { id: 42, version: 2, state: 'RECEIVED' },
    { id: 43, version: 3, state: 'LOOKED_AT' },
  ],
  undo: { name: 'Slip sh0010', who: 'Ada' },
} as unknown as Project
const clip = (id: number, code: string, from: number, to: number, part: object = {}) => ({
  id,
  shotId: id,
  code,
  content: 'SHOT',
  in: from,
  out: to,
  seenIn: from,
  seenOut: to,
  enabled: true,
  shotFirst: 1001,
  shotLast: 1001 + to - from - 1,
  shotFrames: [],
  headWeights: [],
  tailWeights: [],
  ...part,
})
const master = {
  id: 9,
  projectId: 3,
  name: 'Low Water, scene 12',
  seq: 12,
  start: 90,
  end: 210,
  masterStart: 100,
  masterEnd: 200,
  framesPerSecond: 24,
  dropFrame: false,
  main: { enabled: true },
  live: [],
  clips: [clip(1, 'sh0010', 100, 150), clip(2, 'sh0020', 150, 190)],
  seams: [
    { at: 100, cutOffset: 0, renderOffset: 0 },
    { at: 150, cutOffset: 3, renderOffset: 0 },
  ],
  differences: [
    { in: 120, out: 130, name: 'sh0010', words: 'slipped by 3' },
    { in: 160, out: 170, name: '', words: 'another picture' },
  ],
  cut: { id: 41, version: 1, clips: [] },
  counts: { shots: 2, offsetSeams: 1, outOfDate: 1, toRender: 3, blackFrames: 10, missingBoards: 0 },
} as unknown as Master

beforeEach(() => {
  fakeWindow(440, 400)
  localStorage.setItem('who', 'Ada')
  act(() => {
    setDesk({ frame: 110, view: 'Stage', units: 'frames', seam: undefined, range: {}, past: undefined })
    setScore({ start: 90, end: 210, masterEnd: 200, framesPerSecond: 24, sound: [] })
    setLine(true)
  })
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
  useMessages.setState({ all: [] })
  act(() => useTransport.setState({ speed: 0, dropped: 0 }))
})

describe('keys that are pressed while the server is asked where a shot is', () => {
  const done = vi.fn()
  function Offers() {
    useKeys()
    const frame = useDesk((d) => d.frame)
    useActions('test', [{ group: 'Test', name: 'Take out', keys: 'X', run: () => done(frame, useDesk.getState().clips) }])
    return <StatusLine project={project} master={master} />
  }
  const goToShot = (text: string) => {
    const field = screen.getByLabelText('Go to a timecode, or by frames')
    fireEvent.focus(field)
    fireEvent.change(field, { target: { value: text } })
    fireEvent.submit(field)
  }
  beforeEach(() => done.mockReset())

  it('are done there, once, and to the shot that was named', async () => {
    fakeServer({ '/api/masters/9/position': { frame: 150, label: '00:00:06:06' } })
    setDesk({ clips: [1] })
    show(<Offers />)
    goToShot('sh0020')
    fireEvent.keyDown(document.body, { key: 'x' })
    expect(done).not.toHaveBeenCalled()
    await waitFor(() => expect(done).toHaveBeenCalledExactlyOnceWith(150, [2]))
    fireEvent.keyDown(document.body, { key: 'x' })
    expect(done, 'afterwards at once').toHaveBeenCalledTimes(2)
  })

  it('are not done where one came from when there is no such shot', async () => {
    fakeServer({ '/api/masters/9/position': new Error('"Low Water" does not show sh0990') })
    show(<Offers />)
    goToShot('sh0990')
    fireEvent.keyDown(document.body, { key: 'x' })
    await waitFor(() => expect(said()).toContain('does not show'))
    await act(() => new Promise((go) => setTimeout(go, 20)))
    expect(done).not.toHaveBeenCalled()
  })

  it('a timecode leaves what is chosen', async () => {
    fakeServer({ '/api/masters/9/position': { frame: 150, label: '00:00:06:06' } })
    setDesk({ clips: [1] })
    show(<Offers />)
    goToShot('606')
    await waitFor(() => expect(useDesk.getState().frame).toBe(150))
    expect(useDesk.getState().clips).toEqual([1])
  })
})

describe('the top line', () => {
  it('says where one is, and which cuts wait where', () => {
    fakeServer({ '/api/projects/3/masters': [] })
    show(<TopLine project={project} master={master} />)
    expect(screen.getByRole('heading').parentElement?.textContent).toBe('Low Water · Cut 1')
    expect(screen.getByRole('tab', { name: /Intake/ }).textContent).toBe('Intake1')
    expect(screen.getByTitle('a cut is newer than the one that the master is held against')).toBeTruthy()
    expect(screen.getByRole('tab', { name: 'Stage' }).getAttribute('aria-selected')).toBe('true')
    fireEvent.click(screen.getByRole('tab', { name: 'Review' }))
    expect(useDesk.getState().view).toBe('Review')
  })

  it('counts what is not right, and goes to it', () => {
    fakeServer({ '/api/projects/3/masters': [] })
    show(<TopLine project={project} master={master} />)
    expect(screen.getByText('seam differs').parentElement?.textContent).toBe('1 seam differs')
    expect(screen.getByText('frames black').parentElement?.textContent).toBe('10 frames black')
    expect(screen.queryByText('pictures to find')).toBeNull()
    expect(screen.getByTitle('1 render out of date, 2 staged and not rendered')).toBeTruthy()
    fireEvent.click(screen.getByText('seam differs'))
    expect(useDesk.getState()).toMatchObject({ view: 'Conform', seam: 150, frame: 150 })
  })

  it('goes from one difference from the cut to the next, and round again', () => {
    fakeServer({ '/api/projects/3/masters': [] })
    show(<TopLine project={project} master={master} />)
    const unlike = screen.getByText('unlike the cut')
    expect(unlike.parentElement?.title).toBe('sh0010: slipped by 3\nanother picture')
    const frames = [1, 2, 3].map(() => {
      fireEvent.click(unlike)
      return useDesk.getState().frame
    })
    expect(frames).toEqual([120, 160, 120])
  })

  it('undoes what it names, and says where there is no line to the server', async () => {
    const asked = fakeServer({ '/api/projects/3/masters': [], '/api/projects/3/undo': { name: 'Slip sh0010' } })
    show(<TopLine project={project} master={master} />)
    expect(screen.getByLabelText('Undo').title).toBe('Undo: Slip sh0010 (Ada)')
    expect(screen.getByLabelText('Redo')).toHaveProperty('disabled', true)
    fireEvent.click(screen.getByLabelText('Undo'))
    await waitFor(() => expect(said()).toBe('Undone: Slip sh0010'))
    expect(posts(asked)[0]?.path).toBe('/api/projects/3/undo')
    expect(screen.queryByText('no line to the server')).toBeNull()
    act(() => setLine(false))
    expect(screen.getByText('no line to the server')).toBeTruthy()
  })
})

describe('the status line', () => {
  const line = () => screen.getByRole('contentinfo').textContent ?? ''
  const at = (frame: number, part: object = {}) => {
    act(() => setDesk({ frame, ...part }))
    return line()
  }

  it('says the frame in every reading', () => {
    fakeServer({ '/api/projects/3/tasks': [] })
    show(<StatusLine project={project} master={master} />)
    expect(at(110)).toContain('record 11 of 100sh0010, frame 1011 of 1001–1050')
    expect(at(95)).toContain('5 frames before the master')
    expect(at(204)).toContain('5 frames past the master')
    expect(at(195)).toContain('record 96 of 100black')
    expect(screen.getByTitle('Running time 0:04.2 min')).toBeTruthy()
    expect(at(110, { range: { in: 100, out: 148 } })).toContain('range 48 frames')
  })

  it('says what passes into what, and by how much', () => {
    fakeServer({ '/api/projects/3/tasks': [] })
    const clips = [clip(1, 'sh0010', 100, 150, { seenOut: 154 }), clip(2, 'sh0020', 150, 190, { headWeights: [0.25, 0.5, 0.75, 0.9] })]
    show(<StatusLine project={project} master={{ ...master, clips } as unknown as Master} />)
    expect(at(151)).toContain('sh0010 passes into sh0020, 50 %')
  })

  it('says how fast it plays, and what was not shown', () => {
    fakeServer({ '/api/projects/3/tasks': [] })
    show(<StatusLine project={project} master={master} />)
    act(() => useTransport.setState({ speed: -2, dropped: 1 }))
    expect(line()).toContain('1 frame dropped−2 ×')
  })

  it('goes where what is typed leads, and says where that is not in the master', async () => {
    const asked = fakeServer({ '/api/projects/3/tasks': [], '/api/masters/9/position': { frame: 300, label: '00:00:12:12' } })
    show(<StatusLine project={project} master={master} />)
    const box = screen.getByLabelText('Go to a timecode, or by frames')
    fireEvent.focus(box)
    fireEvent.change(box, { target: { value: '+190' } })
    fireEvent.submit(box)
    await waitFor(() => expect(said()).toBe('00:00:12:12 lies after the last frame of the master: gone to that'))
    expect(useDesk.getState().frame).toBe(209)
    expect(asked.find((a) => a.path.includes('position'))?.path).toBe('/api/masters/9/position?text=%2B190&from=110&unit=FRAMES')
  })

  it('stays where nobody can read what is typed', async () => {
    fakeServer({ '/api/projects/3/tasks': [], '/api/masters/9/position': new Error('"abc" is no place') })
    show(<StatusLine project={project} master={master} />)
    const box = screen.getByLabelText('Go to a timecode, or by frames')
    fireEvent.change(box, { target: { value: 'abc' } })
    fireEvent.submit(box)
    await waitFor(() => expect(said()).toBe('"abc" is no place'))
    expect(useDesk.getState().frame).toBe(110)
  })

  it('shows what goes on in the background, and stops it', async () => {
    const asked = fakeServer({
      '/api/projects/3/tasks': [
        { id: 61, name: 'Looking for files', done: 3, of: 9 },
        { id: 62, name: 'Small movies', done: 0, of: 0 },
      ],
    })
    show(<TaskLine projectId={3} />)
    expect((await screen.findByRole('status')).textContent).toBe('Looking for files, 3 of 9, and 1 morestop')
    fireEvent.click(screen.getByText('stop'))
    await waitFor(() => expect(posts(asked)[0]?.path).toBe('/api/tasks/61/stop'))
  })
})

describe('the history', () => {
  const step = (seq: number, name: string, who: string, done = true) => ({ seq, name, who, done, madeAt: '2026-02-03T10:00:00Z' })
  const STEPS = [
    step(5, 'Key pan', 'Tom', false),
    step(4, 'Slip sh0020', 'Tom'),
    step(3, 'Slip sh0010', 'Ada'),
    step(2, 'Slip sh0010', 'Ada'),
    step(1, 'Receive cut 1', 'Ada'),
  ]
  const open = async (turned = 2) => {
    const asked = fakeServer({ '/api/projects/3/history/': turned, '/api/projects/3/history': STEPS })
    show(<History project={project} />)
    fireEvent.click(screen.getByTitle('History, Ctrl H'))
    await screen.findByText('Slip sh0020')
    return asked
  }

  it('shows one thing done over and over as one line, and what waits crossed out', async () => {
    await open()
    const rows = within(screen.getByRole('list', { name: 'Steps' })).getAllByRole('listitem')
    expect(rows.map((r) => r.querySelector('.truncate')?.textContent)).toEqual([
      'Key pan',
      'Slip sh0020',
      'Slip sh0010 · 2 times',
      'Receive cut 1',
    ])
    expect(rows[0]?.querySelector('.line-through')).toBeTruthy()
    expect(rows[1]?.querySelector('[aria-current=true]')).toBeTruthy()
  })

  it('asks before it takes back what others did', async () => {
    const asked = await open()
    fireEvent.click(screen.getByText('Receive cut 1'))
    expect(screen.getByRole('alertdialog').textContent).toContain('This takes back 1 step of Tom.')
    fireEvent.click(screen.getByText('Leave it'))
    expect(screen.queryByRole('alertdialog')).toBeNull()
    expect(posts(asked)).toEqual([])
    fireEvent.click(screen.getByText('Receive cut 1'))
    fireEvent.click(screen.getByText('Take it back'))
    await waitFor(() => expect(posts(asked)[0]?.path).toBe('/api/projects/3/history/1'))
    await waitFor(() => expect(said()).toBe('Gone back 2 steps'))
  })

  it('goes forward without asking, and says where it stands there already', async () => {
    const asked = await open(0)
    fireEvent.click(screen.getByText('Key pan'))
    await waitFor(() => expect(posts(asked)[0]?.path).toBe('/api/projects/3/history/5'))
    await waitFor(() => expect(said()).toBe('It stands there already'))
  })

  it('lays a step over the master, and takes it off again', async () => {
    await open()
    const compare = screen.getAllByText('compare')[0] as HTMLElement
    fireEvent.click(compare)
    expect(useDesk.getState()).toMatchObject({ past: 3, view: 'Conform' })
    fireEvent.click(compare)
    expect(useDesk.getState().past).toBeUndefined()
  })
})

describe('projects and messages', () => {
  it('opens a project, and begins a new one in Intake', async () => {
    const asked = fakeServer({ '/api/projects': { id: 8, name: 'Tide' } })
    show(<Projects projects={[{ id: 3, name: 'Low Water' }]} />)
    fireEvent.click(screen.getByText('Low Water'))
    expect(useDesk.getState()).toMatchObject({ projectId: 3, view: 'Conform', frame: 0 })
    expect(screen.getByText('New project')).toHaveProperty('disabled', true)
    fireEvent.change(screen.getByLabelText('Name of a new project'), { target: { value: 'Tide' } })
    fireEvent.click(screen.getByText('New project'))
    await waitFor(() => expect(useDesk.getState()).toMatchObject({ projectId: 8, view: 'Intake' }))
    expect(posts(asked)[0]?.body).toEqual({ name: 'Tide' })
  })

  it('remembers who one is', () => {
    fakeServer()
    show(<Projects projects={[]} />)
    fireEvent.change(screen.getByPlaceholderText('so that others see who did what'), { target: { value: 'Tom' } })
    expect(localStorage.getItem('who')).toBe('Tom')
  })

  it('shows the newest messages, counts those before, and puts one or all away', () => {
    show(<Messages />)
    act(() => {
      for (const n of [1, 2, 3, 4, 5]) {
        sayError(new Error(`Refused ${n}`))
      }
      say('Done')
    })
    expect(screen.queryByText('Refused 1')).toBeNull()
    expect(screen.getByText(/3 messages before these/)).toBeTruthy()
    const done = screen.getByText('Done').parentElement as HTMLElement
    expect(done.getAttribute('role')).toBe('status')
    fireEvent.click(within(done).getByText('OK'))
    expect(screen.queryByText('Done')).toBeNull()
    expect(screen.getAllByRole('alert')).toHaveLength(3)
  })
})
