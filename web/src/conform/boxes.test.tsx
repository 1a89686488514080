// @vitest-environment jsdom
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { allActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { press, said } from '../desk/fakeKeys'
import { useMessages } from '../desk/messages'
import { fakeWindow } from '../parts/fakeWindow'
import { setScore } from '../playhead/transport'
import { fakeServer, posts, show } from '../server/fakeServer'
import { HeldServer } from '../server/heldServer'
import { queryClient } from '../server/queryClient'
import type { LaidSound, Master, Project } from '../server/types'
import { InsertBox, type InsertMode } from './InsertBox'
import { RenumberBox } from './RenumberBox'
import { SeamBox } from './SeamBox'
import { SoundBar } from './SoundBar'
import { TrackNames } from './TrackNames'
import { layOut } from './tracks'

const project = { id: 3, cuts: [] } as unknown as Project
const sound = { id: 31, track: 'A1', name: 'guide', in: 100, out: 148, level: -6, gain: 0.5, fadeIn: 0, fadeOut: 12 } as LaidSound
const master = {
  id: 9,
  projectId: 3,
  seq: 12,
  name: 'Low Water',
  start: 100,
  end: 200,
  masterStart: 100,
  main: { id: 90, name: 'Shots', enabled: true, locked: false },
  upper: [{ track: { id: 91, name: 'Track 2', enabled: false, locked: true }, clips: [] }],
  clips: [],
  seams: [{ at: 120 }, { at: 150 }],
  shots: [
    { shotId: 1, code: 'sh0010', cutIn: 1001, cutOut: 1021 },
    { shotId: 2, code: 'sh0020', cutIn: 1001, cutOut: 1031 },
  ],
  sound: [sound, { ...sound, id: 32, track: 'A2', name: 'sea_and_wind.wav', in: 130, out: 160, gain: 0 }],
  soundTracks: [{ name: 'A1', muted: true, solo: false, level: -3 }],
  counts: { shots: 2, staged: 1, rendered: 1 },
  cut: { id: 41, version: 2, name: 'Low Water', clips: [] },
} as unknown as Master

const action = (key: string) =>
  allActions()
    .reverse()
    .find((a) => a.keys?.split(' ').includes(key))

beforeEach(() => {
  fakeWindow(600, 400)
  act(() => {
    setDesk({ frame: 110, seam: undefined, clips: [], sound: undefined, track: undefined, along: undefined, soundStays: false })
    setScore({ start: 100, end: 200, masterEnd: 200, framesPerSecond: 24, sound: [] })
  })
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
  useMessages.setState({ all: [] })
})

describe('moving a seam by a typed number', () => {
  it('asks the server what was typed means, moves the seam by that, and keeps it chosen', async () => {
    const asked = fakeServer({ '/api/masters/9/position': { frame: 153, label: '00:00:06:09' }, '/api/masters/9/seam': {} })
    setDesk({ seam: 150 })
    show(<SeamBox master={master} />)
    press('+')
    fireEvent.change(screen.getByLabelText('Move this seam by'), { target: { value: '3' } })
    fireEvent.submit(screen.getByLabelText('Move this seam by'))
    await waitFor(() => expect(posts(asked)[0]?.body).toEqual({ at: 150, frames: 3 }))
    expect(asked[0]?.path).toBe('/api/masters/9/position?text=%2B3&from=150&unit=FRAMES')
    await waitFor(() => expect(useDesk.getState().seam).toBe(153))
  })

  it('says how it is written where nobody can read it, and moves nothing', async () => {
    const asked = fakeServer({ '/api/masters/9/position': new Error('no such place') })
    setDesk({ seam: 150 })
    show(<SeamBox master={master} />)
    press('-')
    fireEvent.change(screen.getByLabelText('Move this seam by'), { target: { value: '−three' } })
    fireEvent.submit(screen.getByLabelText('Move this seam by'))
    expect(await screen.findByText('frames such as +3, seconds such as +1.5, or +1:00')).toBeTruthy()
    expect(posts(asked)).toEqual([])
  })

  it('moves by one and by ten with keys, and only a seam that is there', async () => {
    const asked = fakeServer({ '/api/masters/9/seam': {} })
    setDesk({ seam: 120 })
    show(<SeamBox master={master} />)
    press('Ctrl+ArrowLeft')
    await waitFor(() => expect(useDesk.getState().seam).toBe(119))
    expect(posts(asked).at(-1)?.body).toEqual({ at: 120, frames: -1 })
    act(() => setDesk({ seam: 150 }))
    press('Ctrl+Shift+ArrowRight')
    await waitFor(() => expect(useDesk.getState().seam).toBe(160))
    expect(posts(asked).at(-1)?.body).toEqual({ at: 150, frames: 10 })
    act(() => setDesk({ seam: 133 }))
    expect(action('Ctrl+ArrowLeft')?.disabled).toBe(true)
    press('+')
    expect(screen.queryByLabelText('Move this seam by')).toBeNull()
    expect(said()).toContain('Choose a seam first')
  })
})

describe('a seam that is moved by keys faster than the server answers', () => {
  it('goes on from where it is on its way to, each step once', async () => {
    setDesk({ seam: 120 })
    show(<SeamBox master={master} />)
    const server = new HeldServer(() => undefined)
    for (let i = 0; i < 3; i++) {
      press('Ctrl+ArrowRight')
    }
    await act(() => server.answerOne())
    press('Ctrl+ArrowRight')
    for (let i = 0; i < 3; i++) {
      await act(() => server.answerOne())
    }
    expect(server.done.map((e) => e.body)).toEqual([120, 121, 122, 123].map((at) => ({ at, frames: 1 })))
    expect(useDesk.getState().seam).toBe(124)
  })

  it('leaves the choice to whoever chose another meanwhile', async () => {
    setDesk({ seam: 120 })
    show(<SeamBox master={master} />)
    const server = new HeldServer(() => undefined)
    press('Ctrl+ArrowRight')
    act(() => setDesk({ seam: 150 }))
    press('Ctrl+ArrowRight')
    await act(() => server.answerOne())
    await act(() => server.answerOne())
    expect(server.done.map((e) => e.body.at)).toEqual([120, 150])
    expect(useDesk.getState().seam).toBe(151)
  })
})

describe('a box that goes before Enter was pressed', () => {
  const level = () => {
    press('G')
    return screen.getByLabelText('Level')
  }

  it('says what was typed where somebody takes the sound away, and is there still when the window comes back', () => {
    fakeServer()
    show(<SoundBar master={master} sound={sound} />)
    const field = level()
    fireEvent.change(field, { target: { value: '-12' } })
    field.focus()
    fireEvent.blur(field)
    expect(screen.getByLabelText('Level'), 'the window lost the focus, not the field').toHaveProperty('value', '-12')
    cleanup()
    expect(said()).toContain('Level -12: not done')
  })

  it('says nothing where it was left by its own keys, or nothing was typed', () => {
    fakeServer()
    show(<SoundBar master={master} sound={sound} />)
    fireEvent.change(level(), { target: { value: '-12' } })
    fireEvent.keyDown(screen.getByLabelText('Level'), { key: 'Escape' })
    level()
    cleanup()
    expect(said()).toBe('')
  })
})

describe('putting something into the master', () => {
  const open = (way: InsertMode, start?: 'sound') => {
    const put = vi.fn()
    const putSound = vi.fn()
    const close = vi.fn()
    show(<InsertBox {...{ project, master, way, put, putSound, close }} start={start} />)
    return { put, putSound, close }
  }
  const kind = (to: string) => fireEvent.change(screen.getByLabelText('What it shows'), { target: { value: to } })
  const find = (text: string) => fireEvent.change(screen.getByLabelText(/Find by name|Words on the slate/), { target: { value: text } })

  it('takes the shot that is found by its name, from a frame on, for so many frames', () => {
    fakeServer()
    const { put, close } = open('insert')
    find('0020')
    fireEvent.change(screen.getByLabelText('From frame'), { target: { value: '1005' } })
    fireEvent.change(screen.getByLabelText('Frames'), { target: { value: '12' } })
    fireEvent.keyDown(screen.getByLabelText('Frames'), { key: 'Enter' })
    expect(put).toHaveBeenCalledExactlyOnceWith({ shows: 'SHOT', id: 2, from: 1005, frames: 12, text: undefined })
    expect(close).toHaveBeenCalled()
  })

  it('says how many frames are left from a typed one on', () => {
    fakeServer()
    open('insert')
    expect(screen.getByLabelText('Frames').getAttribute('placeholder')).toBe('20')
    fireEvent.change(screen.getByLabelText('From frame'), { target: { value: '1011' } })
    expect(screen.getByLabelText('Frames').getAttribute('placeholder')).toBe('10')
  })

  it('goes through what there is by keys', () => {
    fakeServer()
    const { put } = open('overwrite')
    const box = screen.getByLabelText('Find by name')
    fireEvent.keyDown(box, { key: 'ArrowDown' })
    fireEvent.keyDown(box, { key: 'ArrowDown' })
    fireEvent.keyDown(box, { key: 'Enter' })
    expect(put.mock.calls[0]?.[0]).toMatchObject({ shows: 'SHOT', id: 2 })
  })

  it('offers finished renders alone, and masters but this one', async () => {
    fakeServer({
      '/api/projects/3/renders': [
        { id: 51, name: 'sh0010_v001', state: 'DONE', frames: 20 },
        { id: 52, name: 'sh0010_v002', state: 'DRAWING', frames: 20 },
      ],
      '/api/projects/3/masters': [
        { id: 9, name: 'Low Water', start: 100, end: 200 },
        { id: 10, name: 'The tide', start: 0, end: 48 },
      ],
    })
    const { put } = open('replace')
    kind('render')
    expect(await screen.findByText('sh0010_v001')).toBeTruthy()
    expect(screen.queryByText('sh0010_v002')).toBeNull()
    kind('master')
    expect(await screen.findByText('The tide')).toBeTruthy()
    expect(screen.queryByText('Low Water')).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'Replace by' }))
    expect(put.mock.calls[0]?.[0]).toMatchObject({ shows: 'MASTER', id: 10 })
  })

  it('takes black as it is, and a slate only with words', () => {
    fakeServer()
    const { put } = open('insert')
    kind('slate')
    expect(screen.getByRole('button', { name: 'Insert' })).toHaveProperty('disabled', true)
    find('Scene missing')
    fireEvent.click(screen.getByRole('button', { name: 'Insert' }))
    kind('black')
    fireEvent.click(screen.getByRole('button', { name: 'Insert' }))
    expect(put.mock.calls.map(([clip]) => [clip.shows, clip.id, clip.text])).toEqual([
      ['SLATE', undefined, 'Scene missing'],
      ['BLACK', undefined, undefined],
    ])
  })

  it('takes nothing for frames that are no whole numbers, or where nothing is found', () => {
    fakeServer()
    const { put } = open('insert')
    fireEvent.change(screen.getByLabelText('Frames'), { target: { value: '1.5' } })
    expect(screen.getByText('whole numbers of frames')).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Frames'), { target: { value: '' } })
    find('gull')
    fireEvent.keyDown(screen.getByLabelText('Find by name'), { key: 'Enter' })
    expect(put).not.toHaveBeenCalled()
  })

  it('lays sound only where something is put over', async () => {
    fakeServer({
      '/api/projects/3/files': {
        files: [
          { mediaId: 77, path: 'sea.wav', kind: 'sound' },
          { path: 'lost.wav', kind: 'sound' },
        ],
      },
    })
    const { putSound, put } = open('overwrite', 'sound')
    expect(await screen.findByText('sea.wav')).toBeTruthy()
    expect(screen.queryByText('lost.wav')).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'Overwrite' }))
    expect(putSound).toHaveBeenCalledExactlyOnceWith(77)
    expect(put).not.toHaveBeenCalled()
    cleanup()
    open('insert')
    expect([...screen.getByLabelText('What it shows').querySelectorAll('option')].map((o) => o.textContent)).not.toContain('sound')
  })
})

describe('numbering shots anew', () => {
  it('shows the numbers before they are given, for what is typed, digits alone', async () => {
    const asked = fakeServer({ '/api/projects/3/renumber': [{ from: 'sh0010', to: 'ga0100' }] })
    const close = vi.fn()
    show(<RenumberBox projectId={3} masterId={9} close={close} />)
    fireEvent.change(screen.getByLabelText('prefix'), { target: { value: 'ga' } })
    fireEvent.change(screen.getByLabelText('first'), { target: { value: '1oo0' } })
    expect(await screen.findByText('ga0100')).toBeTruthy()
    expect(asked.at(-1)?.path).toBe('/api/projects/3/renumber?master=9&prefix=ga&first=10')
    fireEvent.click(screen.getByText('Give these numbers'))
    await waitFor(() => expect(posts(asked)[0]?.path).toBe('/api/projects/3/renumber?master=9&prefix=ga&first=10'))
    await waitFor(() => expect(close).toHaveBeenCalled())
  })

  it('says why numbers cannot be given, and gives none', async () => {
    fakeServer({ '/api/projects/3/renumber': new Error('A prefix has letters') })
    show(<RenumberBox projectId={3} masterId={9} close={vi.fn()} />)
    expect((await screen.findByRole('alert')).textContent).toBe('A prefix has letters')
    expect(screen.getByText('Give these numbers')).toHaveProperty('disabled', true)
  })
})

describe('the chosen sound', () => {
  it('says what it is, and how loud its track is', () => {
    fakeServer()
    show(<SoundBar master={master} sound={sound} />)
    expect(screen.getByRole('toolbar').textContent).toContain('guide · 48 frames · -6 dB, its track −3 dB')
    cleanup()
    show(<SoundBar master={master} sound={master.sound[1] as LaidSound} />)
    expect(screen.getByRole('toolbar').textContent).toContain('not heard')
  })

  it.each([
    [',', '/api/sounds/31', { offset: -1 }],
    ['>', '/api/sounds/31', { offset: 10 }],
    ['X', '/api/sounds/31/remove', undefined],
    ['S', '/api/sounds/31/split?at=110', undefined],
  ])('does with %s what it says', async (key, path, body) => {
    const asked = fakeServer()
    show(<SoundBar master={master} sound={sound} />)
    press(key)
    await waitFor(() => expect(posts(asked)).toEqual([{ method: 'POST', path, body }]))
  })

  it.each([
    ['G', '-4.5', '/api/sounds/31', { level: -4.5 }],
    ['Shift+G', '2', '/api/masters/9/sound-tracks', { name: 'A1', level: 2 }],
    ['[', '-3', '/api/sounds/31', { head: -3 }],
    ['U', '24', '/api/sounds/31', { fadeOut: 24 }],
  ])('asks with %s for a number', async (key, typed, path, body) => {
    const asked = fakeServer()
    show(<SoundBar master={master} sound={sound} />)
    press(key)
    const box = await screen.findByRole('textbox')
    fireEvent.change(box, { target: { value: typed } })
    fireEvent.submit(box)
    await waitFor(() => expect(posts(asked)).toEqual([{ method: 'POST', path, body }]))
  })

  it('goes to the next sound, and leaves them', () => {
    fakeServer()
    setDesk({ sound: 31 })
    show(<SoundBar master={master} sound={sound} />)
    press('Alt+ArrowRight')
    expect(useDesk.getState()).toMatchObject({ sound: 32, frame: 130 })
    press('Escape')
    expect(useDesk.getState().sound).toBeUndefined()
  })
})

describe('names of tracks', () => {
  const names = () => show(<TrackNames layout={layOut(400, 2, 1)} master={master} sounds={['A1', 'A2']} />)

  it('say what the tracks are, and in which state', () => {
    fakeServer()
    names()
    expect(screen.getByText('version 2')).toBeTruthy()
    expect(screen.getByText('2 shots, 1 staged')).toBeTruthy()
    expect(screen.getByText('1 of 2 shots')).toBeTruthy()
    expect(screen.getByTitle('Track 2, off, locked')).toBeTruthy()
    expect(screen.getByTitle('Track Shots')).toBeTruthy()
  })

  it('go up and down by keys; what is done to a track is done to that one', async () => {
    const asked = fakeServer({ '/api/masters/9/edits': { said: [], made: [] } })
    names()
    press('Alt+L')
    await waitFor(() => expect(posts(asked)[0]?.body).toMatchObject({ kind: 'TRACK_LOCK', track: 90, clips: [] }))
    press('Alt+PageUp')
    expect(useDesk.getState().track).toBe(91)
    press('Alt+Q')
    await waitFor(() => expect(posts(asked)[1]?.body).toMatchObject({ kind: 'TRACK_SWITCH', track: 91 }))
    press('Alt+PageUp')
    expect(useDesk.getState().track).toBe(91)
    press('Alt+PageDown')
    expect(useDesk.getState().track).toBe(90)
  })

  it('neither order nor take away the main track', () => {
    fakeServer()
    names()
    const of = (name: string) => allActions().find((a) => a.name === name)?.disabled
    expect([of('Take away: Shots'), of('Higher: Shots'), of('Lock: Shots')]).toEqual([true, true, undefined])
    press('Alt+PageUp')
    expect([of('Take away: Track 2'), of('Unlock: Track 2'), of('Switch on: Track 2')]).toEqual([false, undefined, undefined])
  })

  it('mute and hear tracks of sound alone', async () => {
    const asked = fakeServer()
    names()
    const mute = screen.getByLabelText('Mute guide')
    expect(mute.getAttribute('aria-pressed')).toBe('true')
    fireEvent.click(mute)
    fireEvent.click(screen.getByLabelText('Hear only sea and wind'))
    await waitFor(() =>
      expect(posts(asked).map((a) => a.body)).toEqual([
        { name: 'A1', muted: false },
        { name: 'A2', solo: true },
      ]),
    )
  })
})
