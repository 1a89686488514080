// @vitest-environment jsdom
import { QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, renderHook, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { press, said } from '../../desk/fakeKeys'
import { putAwayAll } from '../../desk/messages'
import { fakeWindow } from '../../parts/fakeWindow'
import { fakeServer, posts, show } from '../../server/fakeServer'
import { HeldServer } from '../../server/heldServer'
import { queryClient } from '../../server/queryClient'
import type { CameraLine, Project, StageLayer, StageShot } from '../../server/types'
import { GuideChoice, Guides } from '../Guides'
import { useRecording } from '../hands/useRecording'
import { ProjectPicture } from '../ProjectPicture'
import { SceneChoice } from '../SceneChoice'
import { setStage, useStageDesk } from '../stageDesk'
import { CamerasPanel } from './CamerasPanel'
import { LayersPanel } from './LayersPanel'
import { NOTHING_TICKED, useTicked } from './ticked'
import { ViewpointsPanel } from './ViewpointsPanel'

const project = { id: 3, pictureWidth: 1280, pictureHeight: 720, handles: 8, rate: '24' } as Project
const LEVEL = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 4, 1.5, 9, 1]
const viewpoint = (id: number, name: string) => ({ id, name, placed: LEVEL, lens: 35, focus: 4 })
const jolt: StageLayer = {
  use: 4,
  layer: 6,
  name: 'jolt',
  sway: 'JOLT 6 0.15',
  amounts: { y: 0.1 },
  from: 1010,
  frames: 20,
  strength: 0.6,
  on: true,
  shared: ['cam_wide'],
  curve: [0, 1, 0],
}
const stage = {
  shotId: 5,
  code: 'sh0030',
  sceneId: 1,
  camera: 'cam_sh0030',
  cameraId: 8,
  first: 1001,
  last: 1048,
  locked: false,
  lensKit: [25, 35],
  stopKit: [2.8],
  layers: [jolt],
  sceneLayers: [
    { layer: 6, name: 'jolt', frames: 20 },
    { layer: 7, name: 'sea wind', frames: 96 },
  ],
  viewpoints: [viewpoint(31, 'wide'), viewpoint(32, 'gate'), viewpoint(33, 'close')],
  cameras: [],
} as unknown as StageShot

beforeEach(() => {
  fakeWindow(500, 300)
  setStage({ scouts: { 1: { x: 2, y: 3, z: 4, turn: 0, tilt: 0, lens: 40 } }, guides: ['safe'], margin: 0.08 })
})
afterEach(() => {
  cleanup()
  useTicked.setState(NOTHING_TICKED)
  queryClient.clear()
  putAwayAll()
  vi.unstubAllGlobals()
})

const bodies = (asked: ReturnType<typeof fakeServer>) => posts(asked).map((a) => a.body)

describe('viewpoints', () => {
  it('takes the scout view to one, with its lens, and keeps the view over it', async () => {
    const asked = fakeServer({ '/api/scenes/1/edits': [] })
    show(<ViewpointsPanel project={project} stage={stage} action={42} />)
    await press('Alt+2')
    expect(useStageDesk.getState().scouts[1]).toMatchObject({ x: 4, y: 1.5, z: 9, lens: 35 })
    fireEvent.click(screen.getAllByText('overwrite')[0] as HTMLElement)
    await waitFor(() => expect(bodies(asked)[0]).toMatchObject({ kind: 'KEEP_VIEWPOINT', viewpoint: 31, lens: 35, focus: 4 }))
  })

  it('lays a move through those that are ticked, in the order of the strip, with typed frames and halts', async () => {
    const asked = fakeServer()
    show(<ViewpointsPanel project={project} stage={stage} action={42} />)
    for (const name of ['close in the move', 'wide in the move', 'gate in the move']) {
      fireEvent.click(screen.getByLabelText(name))
    }
    expect(screen.getByText('2 ways, 48 frames of 48')).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Frames from wide on'), { target: { value: '1.25 s' } })
    fireEvent.click(screen.getByLabelText('gate'))
    await press('Ctrl+Alt+V')
    await waitFor(() =>
      expect(bodies(asked)[0]).toEqual({
        kind: 'MOVE_THROUGH',
        from: 1001,
        stops: [
          { viewpoint: 31, frames: 30, halt: false },
          { viewpoint: 32, frames: 24, halt: true },
          { viewpoint: 33, frames: 0, halt: false },
        ],
      }),
    )
  })

  it('says how to keep the first', () => {
    fakeServer()
    show(<ViewpointsPanel project={project} stage={{ ...stage, viewpoints: [] }} action={42} />)
    expect(screen.getByText(/keep it with Shift K/)).toBeTruthy()
  })
})

describe('layers', () => {
  it('lays one over from the playhead, shares another camera’s, and says whom a change reaches', async () => {
    const asked = fakeServer()
    show(<LayersPanel stage={stage} shotFrame={1015} />)
    expect(screen.getByText('shared with cam_wide: a change shows there too')).toBeTruthy()
    fireEvent.click(screen.getByText('shake'))
    fireEvent.change(screen.getByLabelText('Share a layer of another camera'), { target: { value: '7' } })
    await waitFor(() => expect(bodies(asked)).toHaveLength(2))
    expect(bodies(asked)[0]).toMatchObject({ kind: 'LAYER_ADD', name: 'shake', sway: 'SHAKE 8 24 1', from: 1015 })
    expect(bodies(asked)[1]).toEqual({ kind: 'LAYER_SHARE', layer: 7, from: 1015, frames: 96 })
  })

  it('changes where it lies and how strong it is here, and what it does everywhere', async () => {
    const asked = fakeServer()
    show(<LayersPanel stage={stage} shotFrame={1015} />)
    const type = (label: string, value: string) => {
      const field = screen.getByLabelText(label)
      fireEvent.change(field, { target: { value } })
      fireEvent.blur(field)
    }
    type('from', '1020')
    type('%', '50')
    type('damping', '0.3')
    type('tilt, °', '2')
    fireEvent.click(screen.getByLabelText('jolt'))
    await waitFor(() => expect(bodies(asked)).toHaveLength(5))
    expect(bodies(asked)).toEqual([
      { kind: 'LAYER_CHANGE', use: 4, from: 1020 },
      { kind: 'LAYER_CHANGE', use: 4, strength: 0.5 },
      { kind: 'LAYER_RESHAPE', use: 4, sway: 'JOLT 6 0.3' },
      { kind: 'LAYER_RESHAPE', use: 4, amounts: { tilt: 2 } },
      { kind: 'LAYER_CHANGE', use: 4, on: false },
    ])
  })
})

describe('cameras of the scene', () => {
  const line = (id: number, name: string, lens: number, shots: string[]): CameraLine => ({
    id,
    name,
    values: { lens, stop: 2.8, focus: 5, y: 1.6 },
    touched: ['lens'],
    backWidth: 24.89,
    backHeight: 14,
    keys: 0,
    locked: false,
    shots,
    placed: LEVEL,
    near: 3.9,
    frame: 1001,
  })
  const table = [line(8, 'cam_sh0030', 85, ['sh0030']), line(9, 'crane', 24, []), line(10, 'cam_sh0010', 50, ['sh0010'])]
  const names = () => screen.getAllByLabelText(/^Name of /).map((i) => (i as HTMLInputElement).value)

  it('sorts by what is pressed and searches names and shots', async () => {
    fakeServer({ '/api/scenes/1/cameras': table })
    show(<CamerasPanel project={project} stage={stage} />)
    await screen.findByText('sh0030')
    expect(names()).toEqual(['cam_sh0010', 'cam_sh0030', 'crane'])
    expect(screen.getAllByText('3.9–∞')).toHaveLength(3)
    fireEvent.click(screen.getByText('mm'))
    expect(names()).toEqual(['crane', 'cam_sh0010', 'cam_sh0030'])
    fireEvent.change(screen.getByLabelText('Search cameras'), { target: { value: 'sh0010' } })
    expect(names()).toEqual(['cam_sh0010'])
  })

  it('renames, locks, films with one, and takes away only one without shots', async () => {
    const asked = fakeServer({ '/api/scenes/1/cameras': table, '/api/scenes/1/edits': [] })
    show(<CamerasPanel project={project} stage={stage} />)
    const name = await screen.findByLabelText('Name of crane')
    fireEvent.change(name, { target: { value: 'high crane' } })
    fireEvent.blur(name)
    expect(screen.queryByLabelText('Take away cam_sh0010')).toBeNull()
    fireEvent.click(screen.getByLabelText('Take away crane'))
    fireEvent.click(screen.getAllByText('lock')[0] as HTMLElement)
    fireEvent.click(screen.getAllByText('film')[0] as HTMLElement)
    await waitFor(() => expect(posts(asked)).toHaveLength(4))
    expect(posts(asked).map((a) => a.path)).toContain('/api/shots/5/film-with?camera=10')
    expect(bodies(asked)).toEqual(
      expect.arrayContaining([
        { kind: 'RENAME', name: 'high crane' },
        { kind: 'REMOVE_CAMERA', camera: 9 },
        { kind: 'LOCK', locked: true },
      ]),
    )
  })

  it('sets those that are ticked at once, each number throughout', async () => {
    const asked = fakeServer({ '/api/scenes/1/cameras': table, '/api/scenes/1/edits': [] })
    show(<CamerasPanel project={project} stage={stage} />)
    fireEvent.click(await screen.findByLabelText('Choose crane'))
    fireEvent.click(screen.getByLabelText('Choose cam_sh0010'))
    const lens = screen.getByLabelText('focal length, of all chosen cameras')
    fireEvent.change(lens, { target: { value: '65' } })
    fireEvent.blur(lens)
    fireEvent.change(lens, { target: { value: 'long' } })
    fireEvent.blur(lens)
    expect(said()).toContain('"long" is no number')
    fireEvent.click(within(screen.getByRole('group', { name: 'All chosen cameras' })).getByText('lock'))
    await waitFor(() => expect(posts(asked)).toHaveLength(2))
    expect(bodies(asked)).toEqual([
      { kind: 'SET_CAMERAS', cameras: [10, 9], values: { lens: 65 } },
      { kind: 'SET_CAMERAS', cameras: [10, 9], locked: true },
    ])
    fireEvent.change(screen.getByLabelText('Search cameras'), { target: { value: 'sh0030' } })
    expect(screen.queryByText('2 at once'), 'what is not shown is not changed').toBeNull()
    fireEvent.click(screen.getByLabelText('Choose all cameras shown'))
    expect(screen.getByText('1 at once')).toBeTruthy()
  })

  it('makes one where the scout view is', async () => {
    const asked = fakeServer({ '/api/scenes/1/cameras': table, '/api/scenes/1/edits': [77] })
    show(<CamerasPanel project={project} stage={stage} />)
    await press('Ctrl+Alt+C')
    await waitFor(() => expect(bodies(asked)[0]).toMatchObject({ kind: 'ADD_CAMERA', lens: 40 }))
    expect((bodies(asked)[0] as { placed: number[] }).placed.slice(12, 15)).toEqual([2, 3, 4])
  })
})

describe('keys of a layer’s own', () => {
  it('are typed as frames and shares, and go to all that share it', async () => {
    const asked = fakeServer({ '/api/shots/5/camera/edits': null })
    const own = { ...jolt, sway: 'KEYS 0:0.0 8:1.0 24:0.0' }
    show(<LayersPanel stage={{ ...stage, layers: [own] }} shotFrame={1010} />)
    const keys = screen.getByLabelText('Keys of the layer')
    expect(keys).toHaveProperty('value', '0:0 8:1 24:0')
    fireEvent.change(keys, { target: { value: '0:0 12:-1 24:0' } })
    fireEvent.blur(keys)
    await waitFor(() => expect(bodies(asked)).toEqual([{ kind: 'LAYER_RESHAPE', use: 4, sway: 'KEYS 0:0 12:-1 24:0' }]))
  })
})

describe('what is typed or ticked while answers come late', () => {
  it('one figure of a layer after another: the second goes on from the first', async () => {
    const server = new HeldServer(() => undefined)
    show(<LayersPanel stage={{ ...stage, edit: 0 }} shotFrame={1015} />)
    const type = (label: string, value: string) => {
      fireEvent.change(screen.getByLabelText(label), { target: { value } })
      fireEvent.blur(screen.getByLabelText(label))
    }
    type('swing', '9')
    type('damping', '0.3')
    await act(() => server.answerOne())
    await act(() => server.answerOne())
    expect(server.done.map((e) => e.body.sway)).toEqual(['JOLT 9 0.15', 'JOLT 9 0.3'])
    expect(screen.getByLabelText('swing'), 'until the server says so').toHaveProperty('value', '9')
  })

  it('viewpoints and cameras stay ticked while one looks at another shot', async () => {
    fakeServer({
      '/api/scenes/1/cameras': [{ id: 8, name: 'crane', values: {}, touched: [], shots: [], placed: LEVEL, near: 1, backWidth: 24 }],
    })
    show(<ViewpointsPanel project={project} stage={stage} action={42} />)
    fireEvent.click(screen.getByLabelText('wide in the move'))
    fireEvent.click(screen.getByLabelText('close in the move'))
    fireEvent.change(screen.getByLabelText('Frames from wide on'), { target: { value: '31' } })
    cleanup()
    show(<CamerasPanel project={project} stage={stage} />)
    fireEvent.click(await screen.findByLabelText('Choose crane'))
    cleanup()
    show(<ViewpointsPanel project={project} stage={{ ...stage, shotId: 6 }} action={42} />)
    expect(screen.getByLabelText('Frames from wide on')).toHaveProperty('value', '31')
    cleanup()
    show(<CamerasPanel project={project} stage={{ ...stage, shotId: 6 }} />)
    expect(await screen.findByText('1 at once')).toBeTruthy()
  })

  it('a name goes to the viewpoint that it was typed for, wherever that comes to stand', async () => {
    const asked = fakeServer({ '/api/scenes/1/edits': [] })
    show(<ViewpointsPanel project={project} stage={stage} action={42} />)
    fireEvent.change(screen.getAllByLabelText('Name of the viewpoint')[1] as HTMLElement, { target: { value: 'the gate' } })
    cleanup()
    await waitFor(() => expect(bodies(asked)).toEqual([{ kind: 'RENAME_VIEWPOINT', viewpoint: 32, name: 'the gate' }]))
  })

  it('the project’s picture: what nobody typed is as others made it meanwhile', async () => {
    const asked = fakeServer({ '/api/film-backs': [], '/api/projects/3/picture': { said: '' } })
    const form = (of: StageShot) => (
      <QueryClientProvider client={queryClient}>
        <ProjectPicture project={project} stage={of} />
      </QueryClientProvider>
    )
    const { rerender } = render(form(stage))
    fireEvent.change(screen.getByLabelText('T-stops'), { target: { value: '2 2.8 4' } })
    rerender(form({ ...stage, lensKit: [18, 25, 35], stopKit: [8] }))
    fireEvent.click(screen.getByText('Change it'))
    await waitFor(() => expect(bodies(asked)[0]).toMatchObject({ lensKit: '18 25 35', stopKit: '2 2.8 4' }))
  })
})

describe('a walk that is recorded', () => {
  const place = (x: number) => ({ x, y: 1.7, z: 0, turn: 0, tilt: 0, lens: 35 })

  it.each([
    ['one goes to another shot or view', (unmount: () => void) => unmount()],
    ['the window loses the focus', () => act(() => void window.dispatchEvent(new Event('blur')))],
  ])('is written when %s', async (_, leave) => {
    const asked = fakeServer({ '/api/shots/5/camera/edits': null })
    const hook = renderHook(({ x }) => useRecording(stage, place(x), 1015), { initialProps: { x: 0 } })
    act(() => hook.result.current.toggle())
    hook.rerender({ x: 1 })
    leave(hook.unmount)
    hook.unmount()
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    const body = bodies(asked)[0] as { samples: { placed: number[] }[] }
    expect(body).toMatchObject({ kind: 'WALK', from: 1015 })
    expect(body.samples.at(-1)?.placed[12]).toBe(1)
  })

  it('is not written where it was dropped', async () => {
    const asked = fakeServer()
    const hook = renderHook(() => useRecording(stage, place(0), 1015))
    act(() => hook.result.current.toggle())
    act(() => hook.result.current.drop())
    hook.unmount()
    expect(posts(asked)).toEqual([])
  })
})

describe('the scene, the picture and the lines over it', () => {
  it('films a shot in another scene, a new one too', async () => {
    const asked = fakeServer({
      '/api/projects/3/scenes': [
        { id: 1, code: '12', name: 'The causeway', shots: 13 },
        { id: 2, code: '13', name: 'Kitchen', shots: 1 },
      ],
    })
    show(<SceneChoice project={project} stage={stage} />)
    const box = screen.getByLabelText('Scene of this shot')
    await screen.findByText('13 Kitchen')
    fireEvent.change(box, { target: { value: '2' } })
    fireEvent.change(box, { target: { value: 'new' } })
    await waitFor(() =>
      expect(bodies(asked)).toEqual([
        { kind: 'MOVE_SHOTS', shots: [5], scene: 2 },
        { kind: 'MOVE_SHOTS', shots: [5] },
      ]),
    )
  })

  it('changes the project’s picture by a shape and says what was made even', async () => {
    const asked = fakeServer({
      '/api/film-backs': [{ name: 'Full frame', back: { widthMm: 36, heightMm: 24 } }],
      '/api/projects/3/picture': { said: '1.9:1 at 3840 wide is 2021.05 high, made 2022' },
    })
    show(<ProjectPicture project={project} stage={stage} />)
    await screen.findByText('Full frame, 36 × 24')
    fireEvent.change(screen.getByLabelText('Handles of new shots'), { target: { value: '12' } })
    fireEvent.change(screen.getByLabelText('Width, pixels'), { target: { value: '3840' } })
    fireEvent.change(screen.getByLabelText('Shape'), { target: { value: '1.9' } })
    fireEvent.change(screen.getByLabelText('Back of new cameras'), { target: { value: 'Full frame' } })
    fireEvent.click(screen.getByText('Change it'))
    await waitFor(() => expect(said()).toContain('made 2022'))
    expect(bodies(asked)[0]).toEqual({
      width: 3840,
      shape: '1.9',
      backWidth: 36,
      backHeight: 24,
      lensKit: '25 35',
      stopKit: '2.8',
      handles: 12,
    })
  })

  it('draws the lines that are chosen, each on its own, where renders draw them', async () => {
    const across = { fromX: 0, fromY: 0.25, toX: 1, toY: 0.25 }
    const down = { fromX: 0.75, fromY: 0, toX: 0.75, toY: 1 }
    fakeServer({
      '/api/aids': [
        { aid: 'SAFE_AREAS', strokes: [across] },
        { aid: 'THIRDS', strokes: [across, down] },
      ],
    })
    show(<GuideChoice />)
    const { container } = show(<Guides aspect={16 / 9} />)
    const ways = () => [...container.querySelectorAll('path')].map((p) => p.getAttribute('d'))
    await waitFor(() => expect(ways()).toEqual(['M0 0.25L1 0.25']))
    fireEvent.click(screen.getByLabelText('thirds'))
    expect(ways()).toEqual(['M0 0.25L1 0.25', 'M0 0.25L1 0.25M0.75 0L0.75 1'])
    fireEvent.click(screen.getByLabelText('safe areas'))
    fireEvent.change(screen.getByLabelText('Shape that is marked inside'), { target: { value: '1' } })
    expect(ways()).toEqual(['M0 0.25L1 0.25M0.75 0L0.75 1'])
    const inside = container.querySelector('rect')
    expect(Number(inside?.getAttribute('width'))).toBeCloseTo(9 / 16)
    expect(inside?.getAttribute('height')).toBe('1')
    fireEvent.change(screen.getByLabelText('Margin around the delivery frame'), { target: { value: '40' } })
    expect(useStageDesk.getState().margin).toBe(0.4)
  })
})
