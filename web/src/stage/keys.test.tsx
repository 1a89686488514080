// @vitest-environment jsdom
import { QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { allActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { press, said } from '../desk/fakeKeys'
import { putAwayAll } from '../desk/messages'
import { boxes, fakeWindow, type Stroke, texts, whereIs } from '../parts/fakeWindow'
import { setScore } from '../playhead/transport'
import { fakeServer, posts, show } from '../server/fakeServer'
import { HeldServer } from '../server/heldServer'
import { queryClient } from '../server/queryClient'
import type { Master, Project, StageItem, StageShot } from '../server/types'
import { Channels } from './Channels'
import { FilmWith } from './FilmWith'
import { FocusStrip } from './FocusStrip'
import { KeyBar } from './KeyBar'
import { CameraPanel } from './panels/CameraPanel'
import { ThingsPanel } from './panels/ThingsPanel'
import { choose, useStageDesk } from './stageDesk'
import { type KeyAt, LEFT } from './tracks'

const WIDTH = 1248
const project = { id: 3 } as Project
const gull = {
  id: 21,
  name: 'gull 1',
  shape: 'GULL',
  colour: '#dddddd',
  width: 1,
  height: 1,
  depth: 1,
  middle: [0.1, 0.9, 0],
  locked: false,
  hidden: false,
  hanging: ['cam_wide'],
  curves: {},
  channels: {
    x: [
      { frame: 40, value: 0, easing: 'STRAIGHT' },
      { frame: 60, value: 5, easing: 'STRAIGHT' },
    ],
  },
} as unknown as StageItem
const pole = { ...gull, id: 22, name: 'tide pole', shape: 'TIDE_POLE', hanging: [], channels: {} } as StageItem
const stage = {
  shotId: 5,
  code: 'sh0030',
  sceneId: 1,
  camera: 'cam_sh0030',
  cameraId: 8,
  first: 1001,
  last: 1048,
  framesFirst: 993,
  framesLast: 1056,
  actionOffset: -961,
  stop: 2.8,
  backWidth: 24.89,
  backHeight: 14,
  channels: {
    pan: [
      { frame: 1001, value: -10, easing: 'EASED' },
      { frame: 1040, value: 20, easing: 'STEPPED' },
    ],
    lens: [{ frame: 1001, value: 35, easing: 'EASED' }],
  },
  plain: {},
  curves: { pan: Array.from({ length: 64 }, (_, i) => i / 2), lens: Array.from({ length: 64 }, () => 35) },
  touched: ['pan', 'lens'],
  reach: {
    HERE: { pan: 'makes a key here' },
    ALL_KEYS: { pan: 'moves all 2 keys along' },
    WHOLE: { pan: 'takes all 2 keys away' },
  },
  locked: false,
  lensKit: [35, 50],
  stopKit: [2, 2.8],
  mounts: [],
  layers: [],
  sceneLayers: [],
  viewpoints: [],
  items: [gull, pole],
  cameras: [
    { id: 8, name: 'cam_sh0030', shots: ['sh0030', 'sh0050'] },
    { id: 9, name: 'cam_wide', shots: [] },
  ],
} as unknown as StageShot

let strokes: Stroke[]

beforeEach(() => {
  strokes = fakeWindow(WIDTH, 170)
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  putAwayAll()
  vi.unstubAllGlobals()
})

const values = { x: 1.234, y: 1.6, z: -4, pan: 12.34, tilt: 0, roll: 0, lens: 35, focus: 8, stop: 2.8 }

describe('numbers of the camera', () => {
  const panel = (of: StageShot, shotFrame = 1003) => <CameraPanel project={project} stage={of} shotFrame={shotFrame} runs={false} />
  const shown = (of: StageShot = stage) => show(panel(of))

  it('shows the values at the frame, each with its digits, and marks what nobody ever set', async () => {
    fakeServer({ '/api/shots/5/camera?frame=1003': { keyed: values, pose: values } })
    shown()
    expect(await screen.findByLabelText('x, m')).toHaveProperty('value', '1.23')
    expect(screen.getByLabelText('pan, °')).toHaveProperty('value', '12.3')
    expect(screen.getByLabelText('T-stop')).toHaveProperty('value', '2.8')
    expect(screen.getByLabelText('back, mm')).toHaveProperty('value', '24.89')
    expect(screen.getByLabelText('T-stop').dataset.untouched).toBe('true')
    expect(screen.getByLabelText('pan, °').dataset.untouched).toBe('false')
  })

  it('says what a change will do before it is typed, and reaches as far as is chosen; a comma and a true minus are read', async () => {
    const asked = fakeServer({ '/api/shots/5/camera?frame=1003': { keyed: values, pose: values } })
    shown()
    fireEvent.change(screen.getByLabelText('How far a change reaches'), { target: { value: 'ALL_KEYS' } })
    const pan = await screen.findByLabelText('pan, °')
    fireEvent.focus(pan)
    expect(screen.getByRole('status').textContent).toBe('moves all 2 keys along')
    fireEvent.change(pan, { target: { value: '−7,5' } })
    fireEvent.blur(pan)
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]).toMatchObject({
      path: '/api/shots/5/camera/edits',
      body: { kind: 'SET', frame: 1003, values: { pan: -7.5 }, reach: 'ALL_KEYS' },
    })
  })

  it('goes on from what is there after a plus, and sends nothing for what is no number, for an empty field, or after Escape', async () => {
    const asked = fakeServer({ '/api/shots/5/camera?frame=1003': { keyed: values, pose: values } })
    shown()
    const lens = await screen.findByLabelText('lens, mm')
    for (const typed of ['wide', ' ']) {
      fireEvent.change(lens, { target: { value: typed } })
      fireEvent.blur(lens)
    }
    fireEvent.change(lens, { target: { value: '85' } })
    fireEvent.keyDown(lens, { key: 'Escape' })
    fireEvent.blur(lens)
    expect(lens).toHaveProperty('value', '35.0')
    expect(posts(asked)).toEqual([])
    fireEvent.change(lens, { target: { value: '+15' } })
    fireEvent.blur(lens)
    await waitFor(() => expect(posts(asked)[0]?.body).toMatchObject({ values: { lens: 50 } }))
  })

  it('goes on from the last that was given, also where the server does not say it yet', async () => {
    fakeServer({ '/api/shots/5/camera?frame=1003': { keyed: values, pose: values } })
    shown()
    const lens = await screen.findByLabelText('lens, mm')
    const server = new HeldServer(() => undefined)
    for (let i = 0; i < 2; i++) {
      fireEvent.change(lens, { target: { value: '+5' } })
      fireEvent.blur(lens)
      expect(lens).toHaveProperty('value', ['40.0', '45.0'][i])
    }
    await act(() => server.answerOne())
    await act(() => server.answerOne())
    expect(server.done.map((e) => e.body.values)).toEqual([{ lens: 40 }, { lens: 45 }])
  })

  it('gives a number that was typed or drawn to the frame at which that was done', async () => {
    const asked = fakeServer({ '/api/shots/5/camera?frame=': { keyed: values, pose: values } })
    const { rerender } = shown()
    const at = (shotFrame: number) => rerender(<QueryClientProvider client={queryClient}>{panel(stage, shotFrame)}</QueryClientProvider>)
    fireEvent.change(await screen.findByLabelText('lens, mm'), { target: { value: '50' } })
    at(1004)
    const word = screen.getByText('tilt')
    fireEvent.pointerDown(word, { clientX: 0, pointerId: 1 })
    fireEvent.pointerMove(word, { clientX: 40, pointerId: 1 })
    at(1005)
    fireEvent.pointerMove(word, { clientX: 80, pointerId: 1 })
    fireEvent.pointerUp(word, { clientX: 80, pointerId: 1 })
    await waitFor(() => expect(posts(asked)).toHaveLength(2))
    expect(posts(asked).map((a) => a.body)).toEqual([
      expect.objectContaining({ frame: 1003, values: { lens: 50 } }),
      expect.objectContaining({ frame: 1004, values: { tilt: 1 } }),
    ])
  })

  it('lets nothing be typed on a locked camera, and unlocks it', async () => {
    const asked = fakeServer({ '/api/shots/5/camera?frame=1003': { keyed: values, pose: values } })
    shown({ ...stage, locked: true })
    expect(await screen.findByLabelText('lens, mm')).toHaveProperty('disabled', true)
    expect(screen.getByLabelText('back, mm')).toHaveProperty('disabled', true)
    fireEvent.click(screen.getByText('Locked'))
    await waitFor(() => expect(posts(asked)[0]?.body).toEqual({ kind: 'LOCK', locked: false }))
  })

  it('shows where an aimed camera really looks, says what says so, and lets go of it', async () => {
    const asked = fakeServer({ '/api/shots/5/camera?frame=1003': { keyed: values, pose: { ...values, pan: 77 } } })
    shown({ ...stage, aim: { item: 21, name: 'gull 1', x: 0, y: 0, z: 0, lag: 0 } })
    const pan = await screen.findByLabelText('pan, °')
    expect([pan.getAttribute('value'), pan.hasAttribute('disabled')]).toEqual(['77.0', true])
    const lag = screen.getByLabelText('Frames that the aim is behind')
    fireEvent.change(lag, { target: { value: '6' } })
    fireEvent.blur(lag)
    await waitFor(() => expect(posts(asked)[0]?.body).toMatchObject({ kind: 'AIM', item: 21, lag: 6 }))
    asked.length = 0
    fireEvent.click(screen.getByText('let go'))
    await waitFor(() => expect(posts(asked)[0]?.body).toMatchObject({ kind: 'AIM', frame: 1003 }))
    expect(posts(asked)[0]?.body).not.toHaveProperty('item')
  })

  it('offers no reach where there is no key: a change is for all frames', async () => {
    fakeServer({ '/api/shots/5/camera?frame=1003': { keyed: values, pose: values } })
    shown({ ...stage, channels: {} })
    expect(await screen.findByText('stands still')).toBeTruthy()
    expect(screen.queryByLabelText('How far a change reaches')).toBeNull()
  })
})

describe('things of the set', () => {
  const shown = () => show(<ThingsPanel project={project} stage={stage} action={42} shotFrame={1003} runs={false} />)
  beforeEach(() => choose(undefined))

  it('keys a chosen thing on the clock of the action', async () => {
    const asked = fakeServer({ '/api/items/21/at?frame=42': { x: 1, y: 2, z: 3, turn: 90, lean: 0 } })
    choose(21)
    shown()
    const turn = await screen.findByLabelText('turn, °')
    fireEvent.change(turn, { target: { value: '45' } })
    fireEvent.blur(turn)
    await waitFor(() =>
      expect(posts(asked)).toEqual([
        {
          method: 'POST',
          path: '/api/scenes/1/edits',
          body: { kind: 'PLACE', frame: 42, places: [{ id: 21, values: { turn: 45 } }] },
        },
      ]),
    )
  })

  it('takes a thing out, says what hung on it, and chooses none', async () => {
    const asked = fakeServer({ '/api/items/21/at': { x: 0 }, '/api/scenes/1/edits': [] })
    choose(21)
    shown()
    fireEvent.click(await screen.findByText('take out of the set'))
    await waitFor(() => expect(posts(asked)[0]?.body).toEqual({ kind: 'REMOVE', items: [21], frame: 42 }))
    await waitFor(() => expect(said()).toContain('gull 1 taken out; cam_wide let go of it and stays where it was. Ctrl Z brings all back'))
    expect(useStageDesk.getState().chosen).toEqual([])
  })

  it('says where a chosen thing leaves the frame, and goes there', async () => {
    fakeServer({
      '/api/items/21/at': { x: 0 },
      '/api/shots/5/in-frame': [{ item: 21, name: 'gull 1', from: 1020, to: 1032, sides: ['LEFT', 'TOP'] }],
    })
    setScore({ start: 0, end: 2000, framesPerSecond: 24, sound: [] } as unknown as Master)
    setDesk({ frame: 500 })
    choose(21)
    shown()
    fireEvent.click(await screen.findByText('out left and top 1020–1032'))
    expect(useDesk.getState().frame).toBe(517)
  })

  it('chooses what is put in', async () => {
    const asked = fakeServer({ '/api/shots/5/items': 77 })
    shown()
    fireEvent.change(screen.getByLabelText('Put a thing in the set'), { target: { value: 'TIDE_POLE' } })
    await waitFor(() => expect(useStageDesk.getState().chosen).toEqual([77]))
    expect(asked.at(-1)?.body).toMatchObject({ shape: 'TIDE_POLE', frame: 1003 })
  })

  it('names, colours and ties the camera to what is chosen, with a key for each tie', async () => {
    const asked = fakeServer({ '/api/items/21/at': { x: 0 } })
    choose(21)
    shown()
    const name = await screen.findByLabelText('Name of the thing')
    fireEvent.change(name, { target: { value: 'old gull' } })
    fireEvent.blur(name)
    await press('Ctrl+Alt+M')
    await waitFor(() =>
      expect(posts(asked).map((a) => a.body)).toEqual([
        { kind: 'LOOK', items: [21], name: 'old gull' },
        { kind: 'MOUNT', frame: 1003, item: 21, throughout: true },
      ]),
    )
    await press('Ctrl+Alt+A')
    await waitFor(() => expect(posts(asked)).toHaveLength(3))
    expect(posts(asked)[2]?.body, 'at its middle').toEqual({ kind: 'AIM', frame: 1003, item: 21, x: 0.1, y: 0.9, z: 0, lag: 0 })
  })
})

describe('which camera films a shot', () => {
  it('says which are shared, and gives the shot another or one of its own', async () => {
    const asked = fakeServer()
    show(<FilmWith stage={stage} />)
    const box = screen.getByLabelText('Camera that films this shot')
    expect(box.title).toBe('films sh0030, sh0050')
    expect([...box.querySelectorAll('option')].map((o) => o.textContent)).toEqual(['cam_sh0030, 2 shots', 'cam_wide', 'one of its own'])
    fireEvent.change(box, { target: { value: '9' } })
    fireEvent.change(box, { target: { value: '' } })
    await waitFor(() => expect(asked.map((a) => a.path)).toEqual(['/api/shots/5/film-with?camera=9', '/api/shots/5/film-with']))
  })

  it('offers one of its own only where the camera films others too', () => {
    fakeServer()
    show(<FilmWith stage={{ ...stage, cameraId: 9 }} />)
    expect(screen.queryByText('one of its own')).toBeNull()
    expect(allActions().find((a) => a.keys === 'Shift+F8')?.disabled).toBe(true)
  })
})

describe('the focus strip', () => {
  const ruler = {
    near: 5.2,
    far: 12.4,
    focus: 8,
    degrees: 39.1,
    hyper: 21.5,
    stop: 2.8,
    things: [
      { name: 'gate', metres: 4 },
      { name: 'gate post', metres: 4.1 },
      { name: 'lighthouse', metres: 60 },
    ],
  }

  it('names things at their distances where their names have room, and says what is sharp', async () => {
    fakeServer({ '/api/shots/5/focus': ruler })
    show(<FocusStrip project={project} stage={stage} shotFrame={1003} />)
    expect(await screen.findByText('▾ gate')).toBeTruthy()
    expect(screen.queryByText('▾ gate post')).toBeNull()
    expect(screen.getByText('▾ lighthouse')).toBeTruthy()
    expect(screen.getByText('5.2–12.4 m · 39.1° · H 21.5 m')).toBeTruthy()
  })

  it('says infinity where nothing far is unsharp', async () => {
    fakeServer({ '/api/shots/5/focus': { ...ruler, far: undefined } })
    show(<FocusStrip project={project} stage={stage} shotFrame={1003} />)
    expect(await screen.findByText('5.2–∞ m · 39.1° · H 21.5 m')).toBeTruthy()
  })

  it('keys the focus where it is pressed: the middle of the bar is the middle of its decades', async () => {
    const asked = fakeServer({ '/api/shots/5/focus': ruler })
    show(<FocusStrip project={project} stage={stage} shotFrame={1003} />)
    const bar = await screen.findByTitle('Press or drag for the focus there')
    fireEvent.pointerDown(bar, { clientX: WIDTH / 2, pointerId: 1 })
    expect(posts(asked)).toEqual([])
    fireEvent.pointerUp(bar, { pointerId: 1 })
    // √(0.4 × 150) m
    await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ kind: 'SET', frame: 1003, values: { focus: 7.75 } }))
  })
})

describe('what is tried before it is given', () => {
  it('focus is drawn at the frame at which it was pressed, whatever is answered or played meanwhile', async () => {
    const known = { focus: 8, near: 5, far: 12, degrees: 39, hyper: 21, stop: 2.8, things: [] }
    const asked = fakeServer({ '/api/shots/5/focus': known })
    const strip = (shotFrame: number, edit = 0) => (
      <QueryClientProvider client={queryClient}>
        <FocusStrip project={project} stage={{ ...stage, edit }} shotFrame={shotFrame} />
      </QueryClientProvider>
    )
    const { rerender } = render(strip(1003))
    const bar = await screen.findByTitle('Press or drag for the focus there')
    fireEvent.pointerDown(bar, { clientX: 100, pointerId: 1 })
    rerender(strip(1003, 7))
    fireEvent.pointerMove(bar, { clientX: WIDTH / 2, pointerId: 1 })
    expect(screen.getByTitle('focus 7.75 m')).toBeTruthy()
    rerender(strip(1004, 7))
    fireEvent.pointerMove(bar, { clientX: 900, pointerId: 1 })
    fireEvent.pointerUp(bar, { pointerId: 1 })
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]?.body).toMatchObject({ frame: 1003, values: { focus: 7.75 } })
  })

  it('a colour is given once, the one that the hand rests at, and stands there until the server has it', async () => {
    fakeServer({ '/api/items/21/at': { x: 0 } })
    choose(21)
    show(<ThingsPanel project={project} stage={{ ...stage, edit: 0 }} action={42} shotFrame={1003} runs={false} />)
    const colour = await screen.findByLabelText('Colour of the thing')
    const server = new HeldServer(() => undefined)
    for (const value of ['#110000', '#220000', '#330000']) {
      fireEvent.change(colour, { target: { value } })
    }
    fireEvent.blur(colour)
    await act(() => server.answerOne())
    expect(server.done.map((e) => e.body.colour)).toEqual(['#330000'])
    expect(colour).toHaveProperty('value', '#330000')
    choose(undefined)
  })

  it('a lens at the subject’s size is offered for its frame: elsewhere it is left', async () => {
    const asked = fakeServer({
      '/api/shots/5/camera?frame=': { keyed: values, pose: values },
      '/api/shots/5/keep-size': { metres: 11.4, lens: 50, placed: [] },
    })
    const panel = (shotFrame: number) => (
      <QueryClientProvider client={queryClient}>
        <CameraPanel project={project} stage={stage} shotFrame={shotFrame} runs={false} />
      </QueryClientProvider>
    )
    const { rerender } = render(panel(1003))
    const offer = async () =>
      fireEvent.change(await screen.findByLabelText("Another lens at the subject's size"), { target: { value: '50' } })
    await offer()
    await screen.findByText('take')
    rerender(panel(1004))
    await waitFor(() => expect(screen.queryByText('take')).toBeNull())
    expect(useStageDesk.getState().ghost).toBeUndefined()
    await offer()
    fireEvent.click(await screen.findByText('take'))
    await waitFor(() => expect(posts(asked)[0]?.body).toMatchObject({ kind: 'KEEP_SIZE', frame: 1004, metres: 8, lens: 50 }))
  })
})

describe('the value of a key', () => {
  it('that was typed goes to the key that it was typed for, whichever is chosen before it is left', async () => {
    const asked = fakeServer()
    const bar = (chosen: KeyAt) => (
      <QueryClientProvider client={queryClient}>
        <KeyBar stage={stage} chosen={[chosen]} copy={() => undefined} paste={() => undefined} />
      </QueryClientProvider>
    )
    const { rerender } = render(bar({ channel: 'pan', frame: 1040 }))
    fireEvent.change(screen.getByLabelText('Value of the key'), { target: { value: '33' } })
    rerender(bar({ channel: 'lens', frame: 1001 }))
    fireEvent.blur(screen.getByLabelText('Value of the key'))
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]?.body).toEqual({ kind: 'KEY_VALUE', channel: 'pan', frame: 1040, value: 33 })
  })
})

describe('the tracks of keys', () => {
  const x = (frame: number) => LEFT + 10 + ((frame - 993) / (1056 - 993)) * (WIDTH - LEFT - 34)
  const done = () => ({ choose: vi.fn(), moveKeys: vi.fn(), moveLayer: vi.fn() })
  const tracks = (item?: StageItem, chosen: KeyAt[] = [], of: StageShot = stage) => {
    const told = done()
    show(<Channels stage={of} item={item} shotFrame={1010} chosen={chosen} {...told} />)
    return { canvas: screen.getByRole('img'), ...told }
  }
  const drag = (canvas: HTMLElement, from: [number, number], to: [number, number]) => {
    fireEvent.pointerDown(canvas, { clientX: from[0], clientY: from[1], button: 0, buttons: 1, pointerId: 1 })
    fireEvent.pointerMove(canvas, { clientX: to[0], clientY: to[1], buttons: 1, pointerId: 1 })
    fireEvent.pointerUp(canvas, { clientX: to[0], clientY: to[1], pointerId: 1 })
  }
  /** The middle of a row of four. */
  const row = (i: number) => 30 + (i + 0.5) * ((170 - 34) / 4)

  it('shows the camera’s channels, and says where there are no keys', () => {
    tracks()
    expect(screen.getByLabelText('Keys of cam_sh0030, frames 993 to 1056')).toBeTruthy()
    expect(texts(strokes)).toEqual(expect.arrayContaining(['Place', 'Aim', 'Lens', 'Focus', 'pan']))
    expect(texts(strokes).filter((t) => t === 'no keys')).toHaveLength(2)
  })

  it('shades the handles, and puts the playhead and the marks of frames in their places', () => {
    tracks()
    expect(boxes(strokes, '#1c1c1c').map(([left = 0, , w = 0]) => [Math.round(left), Math.round(w)])).toEqual([
      [LEFT, Math.round(x(1001) - LEFT)],
      [Math.round(x(1048)), Math.round(WIDTH - x(1048))],
    ])
    expect(whereIs(strokes, '1000')).toBeCloseTo(x(1000) + 4)
    expect(boxes(strokes, '#ffffff').find(([, , w]) => w === 1.5)?.[0]).toBeCloseTo(x(1010))
  })

  it('draws a channel as the server works it out, frame by frame', () => {
    tracks()
    const [from, ...to] = strokes.filter((s) => s.what === 'moveTo' || s.what === 'lineTo')
    expect(from?.with[0]).toBeCloseTo(x(993))
    expect(to[9]?.with[0]).toBeCloseTo(x(1003))
  })

  it('shows a thing’s keys on the shot’s frames', () => {
    tracks(gull)
    const marks = strokes.filter((s) => s.what === 'translate').map((s) => Math.round(s.with[0] as number))
    // action 40 is shot frame 1001
    expect(marks).toEqual([Math.round(x(1001)), Math.round(x(1021))])
  })

  it('moves a key that is taken hold of to where it is let go', () => {
    const { canvas, choose: chosen, moveKeys } = tracks()
    drag(canvas, [x(1040), row(1)], [x(1035), row(1)])
    expect(chosen).toHaveBeenCalledWith([{ channel: 'pan', frame: 1040 }])
    expect(moveKeys).toHaveBeenCalledExactlyOnceWith(-5, [{ channel: 'pan', frame: 1040 }])
  })

  it('lets a key be where it was put back, was let go at once, or the pointer was lost', () => {
    const { canvas, moveKeys } = tracks()
    drag(canvas, [x(1040), row(1)], [x(1040), row(1)])
    fireEvent.pointerDown(canvas, { clientX: x(1040), clientY: row(1), button: 0, buttons: 1, pointerId: 1 })
    fireEvent.pointerMove(canvas, { clientX: x(1030), clientY: row(1), buttons: 1, pointerId: 1 })
    fireEvent.pointerCancel(canvas, { pointerId: 1 })
    expect(moveKeys).not.toHaveBeenCalled()
  })

  it.each([
    ['the window loses the focus', () => act(() => void window.dispatchEvent(new Event('blur')))],
    ['one goes elsewhere', () => cleanup()],
  ])('moves a key to where it was drawn when %s', (_, leave) => {
    const { canvas, moveKeys } = tracks()
    fireEvent.pointerDown(canvas, { clientX: x(1040), clientY: row(1), button: 0, buttons: 1, pointerId: 1 })
    fireEvent.pointerMove(canvas, { clientX: x(1030), clientY: row(1), buttons: 1, pointerId: 1 })
    leave()
    expect(moveKeys).toHaveBeenCalledExactlyOnceWith(-10, [{ channel: 'pan', frame: 1040 }])
  })

  it('moves the key that was taken hold of, whatever is chosen or comes meanwhile', () => {
    const told = done()
    const drawn = (chosen: KeyAt[]) => (
      <QueryClientProvider client={queryClient}>
        <Channels stage={stage} shotFrame={1010} chosen={chosen} {...told} />
      </QueryClientProvider>
    )
    const { rerender } = render(drawn([]))
    const canvas = screen.getByRole('img')
    fireEvent.pointerDown(canvas, { clientX: x(1040), clientY: row(1), button: 0, buttons: 1, pointerId: 1 })
    fireEvent.pointerMove(canvas, { clientX: x(1035), clientY: row(1), buttons: 1, pointerId: 1 })
    rerender(drawn([{ channel: 'lens', frame: 1001 }]))
    fireEvent.pointerUp(canvas, { clientX: x(1035), clientY: row(1), pointerId: 1 })
    expect(told.moveKeys).toHaveBeenCalledExactlyOnceWith(-5, [{ channel: 'pan', frame: 1040 }])
  })

  it('chooses keys of several channels by a box, and none by a press beside them', () => {
    const { canvas, choose: chosen } = tracks()
    drag(canvas, [x(995), row(1) - 5], [x(1030), row(2) + 5])
    expect(chosen).toHaveBeenLastCalledWith([
      { channel: 'pan', frame: 1001 },
      { channel: 'lens', frame: 1001 },
    ])
    drag(canvas, [x(1020), row(3)], [x(1020), row(3)])
    expect(chosen).toHaveBeenLastCalledWith([])
  })

  it('keeps what is chosen together when one of it is taken hold of', () => {
    const both = [
      { channel: 'pan', frame: 1001 },
      { channel: 'lens', frame: 1001 },
    ]
    const { canvas, choose: chosen, moveKeys } = tracks(undefined, both)
    drag(canvas, [x(1001), row(1)], [x(1011), row(1)])
    expect(chosen).not.toHaveBeenCalled()
    expect(moveKeys).toHaveBeenCalledExactlyOnceWith(10, both)
  })

  it('never moves a key beyond the shot’s frames', () => {
    const { canvas, moveKeys } = tracks()
    drag(canvas, [x(1001), row(1)], [10, row(1)])
    expect(moveKeys).toHaveBeenCalledExactlyOnceWith(-8, [{ channel: 'pan', frame: 1001 }])
  })

  it('draws a layer as a clip of its own, and draws it along', () => {
    const jolt = {
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
    const { canvas, moveLayer } = tracks(undefined, [], { ...stage, layers: [jolt] })
    expect(texts(strokes)).toEqual(expect.arrayContaining(['jolt', '60 %, shared']))
    const fifth = 30 + 4.5 * ((170 - 34) / 5)
    drag(canvas, [x(1015), fifth], [x(1020), fifth])
    expect(moveLayer).toHaveBeenCalledExactlyOnceWith(4, 5)
  })
})

describe('what is done to chosen keys', () => {
  const key = [{ channel: 'pan', frame: 1001 }]
  const bar = (chosen: KeyAt[]) => show(<KeyBar stage={stage} chosen={chosen} copy={vi.fn()} paste={vi.fn()} />)

  it('sets each side by itself, the way round, and the value', async () => {
    const asked = fakeServer()
    bar(key)
    fireEvent.change(screen.getByLabelText('How the key is left'), { target: { value: 'THROUGH' } })
    fireEvent.change(screen.getByLabelText('How the key is reached'), { target: { value: 'STRAIGHT' } })
    fireEvent.change(screen.getByLabelText('Which way round'), { target: { value: 'LONG' } })
    const value = screen.getByLabelText('Value of the key')
    fireEvent.change(value, { target: { value: '33,5' } })
    fireEvent.blur(value)
    await waitFor(() =>
      expect(posts(asked).map((a) => a.body)).toEqual([
        { kind: 'EASE_KEYS', keys: key, leaving: 'THROUGH' },
        { kind: 'EASE_KEYS', keys: key, arriving: 'STRAIGHT' },
        { kind: 'EASE_KEYS', keys: key, way: 'LONG' },
        { kind: 'KEY_VALUE', channel: 'pan', frame: 1001, value: 33.5 },
      ]),
    )
  })

  it('scales the time between several from the first on', async () => {
    const asked = fakeServer()
    const two = [...key, { channel: 'pan', frame: 1040 }]
    bar(two)
    expect(screen.queryByLabelText('Value of the key')).toBeNull()
    const time = screen.getByLabelText('Scale the time between the keys')
    fireEvent.change(time, { target: { value: '3/2' } })
    fireEvent.blur(time)
    await waitFor(() => expect(posts(asked)[0]?.body).toEqual({ kind: 'SCALE_KEYS', keys: two, pivot: 1001, factor: '3/2' }))
  })

  it('is not there where no key is chosen', () => {
    bar([])
    expect(document.querySelector('[data-key-bar]')).toBeNull()
  })
})
