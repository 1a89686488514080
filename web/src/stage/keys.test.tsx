// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { allActions } from '../desk/actions'
import { boxes, fakeWindow, type Stroke, texts, whereIs } from '../parts/fakeWindow'
import { fakeServer, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Project, StageItem, StageShot } from '../server/types'
import { Channels } from './Channels'
import { FilmWith } from './FilmWith'
import { FocusStrip } from './FocusStrip'
import { Properties } from './Properties'

const WIDTH = 1248
const project = { id: 3 } as Project
const gull = {
  id: 21,
  name: 'gull 1',
  channels: {
    x: [
      { frame: 40, value: 0, easing: 'STRAIGHT' },
      { frame: 60, value: 5, easing: 'STRAIGHT' },
    ],
  },
} as unknown as StageItem
const pole = { id: 22, name: 'tide pole', channels: {} } as unknown as StageItem
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
  vi.unstubAllGlobals()
})

describe('numbers of the camera and of things', () => {
  const shown = (item?: number, chooseItem = vi.fn()) =>
    show(<Properties project={project} stage={stage} action={42} shotFrame={1003} runs={false} item={item} chooseItem={chooseItem} />)
  const values = { x: 1.234, y: 1.6, z: -4, pan: 12.34, tilt: 0, roll: 0, lens: 35, focus: 8 }

  it('shows the values at the frame, each with its digits', async () => {
    fakeServer({ '/api/shots/5/camera?frame=1003': values })
    shown()
    expect(await screen.findByLabelText('x, m')).toHaveProperty('value', '1.23')
    expect(screen.getByLabelText('pan, °')).toHaveProperty('value', '12.3')
    expect(screen.getByLabelText('T-stop')).toHaveProperty('value', '2.8')
    expect(screen.getByLabelText('back, mm')).toHaveProperty('value', '24.89')
  })

  it('makes a typed number a key at this frame, moving on as is chosen; a comma and a true minus are read', async () => {
    const asked = fakeServer({ '/api/shots/5/camera?frame=1003': values })
    shown()
    fireEvent.change(screen.getByLabelText('Movement to the next key'), { target: { value: 'STRAIGHT' } })
    const pan = await screen.findByLabelText('pan, °')
    fireEvent.change(pan, { target: { value: '−7,5' } })
    fireEvent.blur(pan)
    await waitFor(() => expect(asked.map((a) => a.method)).toContain('POST'))
    expect(asked.find((a) => a.method === 'POST')).toMatchObject({
      path: '/api/shots/5/keys',
      body: { frame: 1003, values: { pan: -7.5 }, easing: 'STRAIGHT' },
    })
  })

  it('sends nothing for what is no number, for an empty field, or after Escape', async () => {
    const asked = fakeServer({ '/api/shots/5/camera?frame=1003': values })
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
    expect(asked.filter((a) => a.method === 'POST')).toEqual([])
  })

  it('changes the stop and the film back of the camera without a key', async () => {
    const asked = fakeServer({ '/api/shots/5/camera?frame=1003': values })
    shown()
    const back = await screen.findByLabelText('back, mm')
    fireEvent.change(back, { target: { value: '36' } })
    fireEvent.blur(back)
    await waitFor(() => expect(asked).toContainEqual({ method: 'POST', path: '/api/shots/5/camera', body: { backWidth: 36 } }))
  })

  it('keys a thing on the clock of the action, and says whether it moves', async () => {
    const asked = fakeServer({ '/api/items/21/values?frame=42': { x: 1, y: 2, z: 3, turn: 90, lean: 0 } })
    shown(21)
    const turn = await screen.findByLabelText('turn, °')
    expect(screen.getByText('action frame 42, moves')).toBeTruthy()
    fireEvent.change(turn, { target: { value: '45' } })
    fireEvent.blur(turn)
    await waitFor(() =>
      expect(asked).toContainEqual({
        method: 'POST',
        path: '/api/items/21/place',
        body: { frame: 42, values: { turn: 45 }, easing: 'EASED' },
      }),
    )
  })

  it('takes a thing out and chooses the camera again; one that is put in is chosen', async () => {
    const chooseItem = vi.fn()
    const asked = fakeServer({ '/api/items/22/values': { x: 0 }, '/api/shots/5/items': 77 })
    shown(22, chooseItem)
    fireEvent.click(await screen.findByText('take out of the set'))
    await waitFor(() => expect(asked.map((a) => a.path)).toContain('/api/items/22/remove'))
    expect(chooseItem).toHaveBeenCalledWith(undefined)
    fireEvent.change(screen.getByLabelText('Put a thing in the set'), { target: { value: 'TIDE_POLE' } })
    await waitFor(() => expect(chooseItem).toHaveBeenCalledWith(77))
    expect(asked.at(-1)?.body).toEqual({ shape: 'TIDE_POLE', frame: 1003 })
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
    expect(screen.getByText('5.2–12.4 m · 39.1°')).toBeTruthy()
  })

  it('says infinity where nothing far is unsharp', async () => {
    fakeServer({ '/api/shots/5/focus': { ...ruler, far: undefined } })
    show(<FocusStrip project={project} stage={stage} shotFrame={1003} />)
    expect(await screen.findByText('5.2–∞ m · 39.1°')).toBeTruthy()
  })

  it('keys the focus where it is pressed: the middle of the bar is the middle of its decades', async () => {
    const asked = fakeServer({ '/api/shots/5/focus': ruler })
    show(<FocusStrip project={project} stage={stage} shotFrame={1003} />)
    fireEvent.click(await screen.findByTitle('Press for the focus there'), { clientX: WIDTH / 2 })
    // √(0.4 × 150) m
    await waitFor(() => expect(asked.at(-1)?.body).toEqual({ frame: 1003, values: { focus: 7.75 } }))
  })
})

describe('the lanes of keys', () => {
  const LEFT = 214
  const x = (frame: number) => LEFT + 10 + ((frame - 993) / (1056 - 993)) * (WIDTH - LEFT - 34)
  const lanes = (item?: StageItem, moveKey = vi.fn()) => {
    show(<Channels stage={stage} item={item} shotFrame={1010} moveKey={moveKey} />)
    return { canvas: screen.getByRole('img'), moveKey }
  }

  it('shows the camera’s channels, and says where there are no keys', () => {
    lanes()
    expect(screen.getByLabelText('Keys of cam_sh0030, frames 993 to 1056')).toBeTruthy()
    expect(texts(strokes)).toEqual(expect.arrayContaining(['Place', 'Aim', 'Lens', 'Focus', 'pan']))
    expect(texts(strokes).filter((t) => t === 'no keys')).toHaveLength(2)
  })

  it('shades the handles, and puts the playhead and the marks of frames in their places', () => {
    lanes()
    expect(boxes(strokes, '#1c1c1c').map(([left = 0, , w = 0]) => [Math.round(left), Math.round(w)])).toEqual([
      [LEFT, Math.round(x(1001) - LEFT)],
      [Math.round(x(1048)), Math.round(WIDTH - x(1048))],
    ])
    expect(whereIs(strokes, '1000')).toBeCloseTo(x(1000) + 4)
    expect(boxes(strokes, '#ffffff').find(([, , w]) => w === 1.5)?.[0]).toBeCloseTo(x(1010))
  })

  it('draws eased ways as the curve they are, and steps as steps', () => {
    lanes()
    const [bezier] = strokes.filter((s) => s.what === 'bezierCurveTo')
    const third = (x(1040) - x(1001)) / 3
    expect(bezier?.with[0]).toBeCloseTo(x(1001) + third)
    expect(bezier?.with[2]).toBeCloseTo(x(1040) - third)
  })

  it('shows a thing’s keys on the shot’s frames', () => {
    lanes(gull)
    const marks = strokes.filter((s) => s.what === 'translate').map((s) => Math.round(s.with[0] as number))
    // action 40 is shot frame 1001
    expect(marks).toEqual([Math.round(x(1001)), Math.round(x(1021))])
  })

  it('moves a key that is taken hold of to where it is let go', () => {
    const { canvas, moveKey } = lanes()
    fireEvent.pointerDown(canvas, { clientX: x(1040), clientY: 80, button: 0, buttons: 1, pointerId: 1 })
    fireEvent.pointerMove(canvas, { clientX: x(1035), clientY: 80, buttons: 1, pointerId: 1 })
    fireEvent.pointerUp(canvas, { pointerId: 1 })
    expect(moveKey).toHaveBeenCalledExactlyOnceWith(1040, 1035)
  })

  it('lets a key be where it was put back, was let go at once, or the pointer was lost', () => {
    const { canvas, moveKey } = lanes()
    fireEvent.pointerDown(canvas, { clientX: x(1040), clientY: 80, button: 0, buttons: 1, pointerId: 1 })
    fireEvent.pointerUp(canvas, { pointerId: 1 })
    fireEvent.pointerDown(canvas, { clientX: x(1040), clientY: 80, button: 0, buttons: 1, pointerId: 1 })
    fireEvent.pointerMove(canvas, { clientX: x(1030), clientY: 80, buttons: 1, pointerId: 1 })
    fireEvent.pointerCancel(canvas, { pointerId: 1 })
    expect(moveKey).not.toHaveBeenCalled()
  })

  it('never moves a key beyond the shot’s frames', () => {
    const { canvas, moveKey } = lanes()
    fireEvent.pointerDown(canvas, { clientX: x(1001), clientY: 80, button: 0, buttons: 1, pointerId: 1 })
    fireEvent.pointerMove(canvas, { clientX: 10, clientY: 80, buttons: 1, pointerId: 1 })
    fireEvent.pointerUp(canvas, { pointerId: 1 })
    expect(moveKey).toHaveBeenCalledExactlyOnceWith(1001, 993)
  })
})
