// @vitest-environment jsdom
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk } from '../desk/desk'
import { press } from '../desk/fakeKeys'
import { useMessages } from '../desk/messages'
import { fakeWindow } from '../parts/fakeWindow'
import { type Asked, fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Master, Project, Render } from '../server/types'
import { NOTHING, setAsking } from './asking'
import { placeOf } from './Queue'
import { Renders } from './Renders'
import { useDrafts } from './recipes'

const project = { id: 3, pictureWidth: 1280, pictureHeight: 720, sizes: [{ width: 640, height: 360 }] } as unknown as Project
const clip = (shotId: number, code: string, from: number, to: number) => ({
  id: shotId,
  shotId,
  code,
  in: from,
  out: to,
  seenIn: from,
  seenOut: to,
  enabled: true,
})
const master = {
  id: 9,
  projectId: 3,
  start: 100,
  end: 160,
  main: { enabled: true },
  live: [],
  masterStart: 100,
  masterEnd: 160,
  renders: [],
  gaps: [],
  counts: { shots: 3, rendered: 2, outOfDate: 1 },
  clips: [clip(1, 'sh0010', 100, 120), clip(2, 'sh0020', 120, 150), clip(4, 'sh0040', 150, 160)],
  shots: [
    { shotId: 1, code: 'sh0010', in: 100, frames: 20, renderId: 51, version: 2, stand: '', toRender: false, staged: true },
    { shotId: 2, code: 'sh0020', in: 120, frames: 30, renderId: 52, version: 1, stand: 'stale: camera', toRender: true, staged: true },
    { shotId: 4, code: 'sh0040', in: 150, frames: 10, version: 0, toRender: true, staged: false },
  ],
} as unknown as Master
const movie = (id: number, shotId: number, name: string, part: object = {}) => ({
  id,
  shotId,
  name,
  state: 'DONE',
  width: 1280,
  height: 720,
  frames: 36,
  framesDone: 36,
  framesPerSecond: 0,
  secondsLeft: -1,
  bytes: 2_500_000,
  burnIn: true,
  blur: false,
  stale: [] as string[],
  who: 'Ada',
  requestedAt: '2026-02-03T10:00:00Z',
  grade: 'DRAFT',
  place: id,
  fromFrame: 1001,
  version: 1,
  ...part,
})
const RENDERS = [
  movie(54, 4, 'sh0040_v001', { state: 'DRAWING', framesDone: 9, frames: 10, framesPerSecond: 12.34, secondsLeft: 70 }),
  movie(53, 2, 'sh0020_v002', { state: 'FAILED', error: 'the disk is full', bytes: 0 }),
  movie(52, 2, 'sh0020_v001', { stale: ['camera', 'set'] }),
  movie(51, 1, 'sh0010_v002', { burnIn: false, frames: 1 }),
]

const output = (kind: string, on = false) => ({
  kind,
  on,
  quality: 80,
  mostMb: null,
  alpha: false,
  numbering: { first: null, digits: null },
})
const NAMED = [
  { field: 'NAME', corner: 'BOTTOM_LEFT' },
  { field: 'FRAME', corner: 'BOTTOM_RIGHT' },
  { field: 'TIMECODE', corner: 'BOTTOM_RIGHT' },
]
const RECIPE = {
  look: { width: 1280, height: 720, percent: 100, edges: 'QUICK', shutter: 0, samples: 8, blur: false, board: 0 },
  burnIn: NAMED,
  text: '',
  rate: null,
  sound: true,
  unstaged: 'BOARD',
  outputs: [output('H264', true), output('PNG8')],
  movieName: '{shot}_{version}',
  runName: '{shot}_{version}.{frame}',
}
const FORECAST = {
  renders: 2,
  frames: 76,
  seconds: 3.17,
  width: 1280,
  height: 720,
  rate: '24',
  first: 'low_water/sc12/draft/sh0020_v003/sh0020_v003.mp4',
  last: 'low_water/sc12/draft/sh0040_v002/sh0040_v002.mp4',
  leastBytes: 2e6,
  mostBytes: 9e6,
  leastTime: 4,
  mostTime: 11,
  free: 2e10,
  findings: [{ shotId: 4, words: 'camera never touched', frame: 1001 }],
  unlooked: 0,
}
const ANSWERS = {
  '/api/projects/3/renders/forecast': FORECAST,
  '/api/projects/3/recipes/edits': {},
  '/api/projects/3/renders?master=9': RENDERS,
  '/api/projects/3/renders': [71, 72],
  '/api/projects/3/recipes': [
    { name: 'Review', usual: true, recipe: RECIPE },
    { name: 'Stills', usual: false, recipe: { ...RECIPE, burnIn: [], outputs: [output('H264'), output('PNG8', true)] } },
  ],
}

const at = (frame: number) => act(() => setDesk({ frame }))
const done = (all: Asked[]) => posts(all).filter((p) => !p.path.endsWith('/forecast'))
const shots = () => screen.getByRole('region', { name: 'Shots to render' })

let asked: Asked[]
beforeEach(async () => {
  fakeWindow(430, 600)
  at(125)
  act(() => {
    setAsking(NOTHING)
    useDrafts.setState({ of: {} })
  })
  asked = fakeServer(ANSWERS)
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
  useMessages.setState({ all: [] })
})
const open = async () => {
  show(<Renders project={project} master={master} />)
  await screen.findByText('sh0020_v002')
  await screen.findByText('Stills')
}

describe('asking for renders', () => {
  it('renders the shot at the playhead where none is chosen', async () => {
    await open()
    fireEvent.click(screen.getByText('Render sh0020'))
    await waitFor(() => expect(done(asked)).toHaveLength(1))
    expect(done(asked)[0]?.body).toMatchObject({
      shotIds: [2],
      master: false,
      masterId: 9,
      extent: 'CLIPS',
      grade: 'DRAFT',
      recipeName: 'Review',
      recipe: RECIPE,
    })
  })

  it('renders what is chosen and the whole master beside it, in the size that was typed', async () => {
    await open()
    fireEvent.click(screen.getByLabelText('Choose sh0010'))
    fireEvent.click(screen.getByLabelText('Choose sh0040'))
    fireEvent.click(screen.getByLabelText('the whole master'))
    fireEvent.click(screen.getByLabelText('burn-in'))
    fireEvent.click(screen.getByLabelText('blur'))
    fireEvent.change(screen.getByLabelText('Size'), { target: { value: '640x360' } })
    fireEvent.click(screen.getByRole('radio', { name: 'final' }))
    fireEvent.click(screen.getByText('Render 2 shots and the master'))
    await waitFor(() => expect(done(asked)).toHaveLength(1))
    expect(done(asked)[0]?.body).toMatchObject({
      shotIds: [1, 4],
      master: true,
      grade: 'FINAL',
      recipe: { burnIn: [], look: { width: 640, height: 360, blur: true } },
    })
    // what was asked for is chosen no more
    expect(await screen.findByText('Render sh0020')).toBeTruthy()
  })

  it.each(['wide', '1280', '1280 x', 'x 720', '-5 x 3'])('asks for nothing in a size of "%s", and says why', async (size) => {
    await open()
    fireEvent.change(screen.getByLabelText('Size'), { target: { value: size } })
    expect(screen.getByLabelText('Size').getAttribute('aria-invalid')).toBe('true')
    fireEvent.click(screen.getByText('Render sh0020'))
    await waitFor(() => expect(JSON.stringify(useMessages.getState().all)).toContain('A size is two numbers of pixels'))
    expect(done(asked)).toEqual([])
  })

  it('chooses by keys: what is to be rendered, all or none, and the shot at the playhead', async () => {
    await open()
    const chosen = () =>
      within(shots())
        .getAllByRole('checkbox', { checked: true })
        .map((box) => box.getAttribute('aria-label'))
    press('N')
    expect(chosen()).toEqual(['Choose sh0020', 'Choose sh0040', null])
    press('X')
    expect(chosen()).toEqual(['Choose sh0040', null])
    press('A')
    expect(chosen()).toEqual(['Choose sh0010', 'Choose sh0020', 'Choose sh0040', null])
    press('A')
    expect(chosen()).toEqual([null])
  })
})

describe('recipes', () => {
  it('marks what nobody kept, keeps it, under a new name too, and drops it', async () => {
    await open()
    fireEvent.click(screen.getByLabelText('burn-in'))
    expect(screen.getByRole('button', { name: 'Review changed' })).toBeTruthy()
    fireEvent.click(screen.getByText('keep'))
    await waitFor(() => expect(done(asked)[0]?.body).toEqual({ kind: 'KEEP_RECIPE', name: 'Review', recipe: { ...RECIPE, burnIn: [] } }))
    fireEvent.click(screen.getByLabelText('blur'))
    fireEvent.click(screen.getByText('keep as…'))
    fireEvent.change(screen.getByLabelText('Name of the recipe'), { target: { value: 'Soft' } })
    fireEvent.click(screen.getByText('Keep'))
    await waitFor(() => expect(done(asked)[1]?.body).toMatchObject({ kind: 'KEEP_RECIPE', name: 'Soft', recipe: { look: { blur: true } } }))
    fireEvent.click(screen.getByLabelText('blur'))
    fireEvent.click(screen.getByText('drop the changes'))
    expect(screen.queryByRole('button', { name: 'Review changed' })).toBeNull()
  })

  it('keeps what is changed while the answer to “keep” is under way', async () => {
    await open()
    fireEvent.click(screen.getByLabelText('burn-in'))
    let answer: () => void = () => undefined
    const others = globalThis.fetch
    vi.stubGlobal('fetch', async (request: Request) => {
      if (!request.url.endsWith('/recipes/edits')) {
        return others(request)
      }
      await new Promise<void>((go) => {
        answer = go
      })
      return new Response('{}', { status: 200, headers: { 'Content-Type': 'application/json' } })
    })
    fireEvent.click(screen.getByText('keep'))
    fireEvent.click(screen.getByLabelText('blur'))
    await act(async () => {
      await new Promise((go) => setTimeout(go, 5))
      answer()
      await new Promise((go) => setTimeout(go, 5))
    })
    expect(useDrafts.getState().of[3]?.changed).toMatchObject({ look: { blur: true }, burnIn: [] })
  })

  it('keeps changes of a recipe that somebody renamed meanwhile, to be kept under a name or dropped', async () => {
    await open()
    fireEvent.click(screen.getByText('Stills'))
    fireEvent.click(screen.getByLabelText('blur'))
    asked = fakeServer({ ...ANSWERS, '/api/projects/3/recipes': [{ name: 'Review', usual: true, recipe: RECIPE }] })
    await act(() => queryClient.refetchQueries({ queryKey: ['edited', 3, 'recipes'] }))
    expect(await screen.findByText('changed here, not there any more')).toBeTruthy()
    press('R')
    await waitFor(() => expect(done(asked)[0]?.body).toMatchObject({ recipeName: 'Stills', recipe: { look: { blur: true } } }))
    fireEvent.click(screen.getByText('drop the changes'))
    expect(screen.getByRole('button', { name: 'Review' }).getAttribute('aria-pressed')).toBe('true')
  })

  it('asks in another recipe once it is chosen, with what is set in it', async () => {
    await open()
    fireEvent.click(screen.getByText('Stills'))
    press('S')
    const digits = screen.getByLabelText('Digits of PNG8')
    fireEvent.change(digits, { target: { value: '5' } })
    fireEvent.blur(digits)
    fireEvent.change(screen.getByLabelText('drawn at'), { target: { value: '150' } })
    fireEvent.change(screen.getByLabelText('Where lens stands'), { target: { value: 'TOP' } })
    press('S')
    press('R')
    await waitFor(() => expect(done(asked)).toHaveLength(1))
    expect(done(asked)[0]?.body).toMatchObject({
      recipeName: 'Stills',
      recipe: {
        look: { percent: 150 },
        burnIn: [{ field: 'LENS', corner: 'TOP' }],
        outputs: [
          { kind: 'H264', on: false },
          { kind: 'PNG8', on: true, numbering: { first: null, digits: 5 } },
        ],
      },
    })
  })
})

describe('before it starts', () => {
  it('says what will be written, where, how large, how long, and what to look at first', async () => {
    await open()
    const what = await screen.findByRole('region', { name: 'What will be written' })
    expect(what.textContent).toContain('2 movies, H.264, 1280 × 72076 frames, 3.2 s at 24draft: counts as')
    expect(what.textContent).toContain('low_water / sc12 / draft / sh0020_v003 / sh0020_v003.mp4 … sh0040_v002.mp4')
    expect(what.textContent).toContain('2.0 MB to 9.0 MB of 20.0 GB free4 s to 11 s')
    expect(what.textContent).toContain('sh0040camera never touched')
  })

  it('looks at many shots some at a time, and says what is to be looked at still', async () => {
    const answers: Record<string, unknown> = { ...ANSWERS, '/api/projects/3/renders/forecast': { ...FORECAST, unlooked: 40 } }
    fakeServer(answers)
    await open()
    expect(await screen.findByText(/looking at 40 shots more…/)).toBeTruthy()
    answers['/api/projects/3/renders/forecast'] = {
      ...FORECAST,
      findings: [{ shotId: 2, words: 'Boat leaves the frame at 1012', frame: 1012 }],
    }
    expect(await screen.findByText('Boat leaves the frame at 1012', {}, { timeout: 3000 })).toBeTruthy()
    expect(screen.queryByText(/looking at/)).toBeNull()
  })

  it('asks for a range with frames to spare, one of so many, as they were typed', async () => {
    await open()
    const type = (label: string, value: string) => {
      fireEvent.change(screen.getByLabelText(label), { target: { value } })
      fireEvent.blur(screen.getByLabelText(label))
    }
    fireEvent.change(screen.getByLabelText('Which frames'), { target: { value: 'RANGE' } })
    type('First frame', '1005')
    type('Last frame', '1012')
    type('Frames to spare', '8')
    type('Every so many frames', '2')
    press('R')
    await waitFor(() => expect(done(asked)).toHaveLength(1))
    expect(done(asked)[0]?.body).toMatchObject({ extent: 'RANGE', in: 1005, out: 1013, handles: 8, every: 2 })
  })
})

describe('what there is of renders', () => {
  it('says of each shot how it stands', async () => {
    await open()
    const row = (code: string) => screen.getByLabelText(`Choose ${code}`).closest('label')?.textContent
    expect(row('sh0010')).toBe('sh001020v002 ')
    expect(row('sh0020')).toBe('sh002030v001  stale: camera')
    expect(row('sh0040')).toBe('sh004010not staged')
    expect(shots().textContent).toContain('3, 2 to render')
  })

  it('says of each render how it stands, how fast it goes and who asked', async () => {
    await open()
    const row = (name: string) => screen.getByRole('button', { name }).closest('div')?.textContent
    expect(row('sh0040_v001')).toContain('frame 9 of 10')
    expect(row('sh0040_v001')).toContain('12.3 frames/s 70 s left')
    expect(row('sh0020_v002')).toContain('failed: the disk is full')
    expect(screen.getByText('1 under way · every version is kept')).toBeTruthy()
    fireEvent.click(screen.getByText('pause'))
    await waitFor(() => expect(done(asked)[0]?.path).toBe('/api/renders/54/pause'))
    fireEvent.click(screen.getByText('stop'))
    await waitFor(() => expect(done(asked)[1]?.path).toBe('/api/renders/54/stop'))
    fireEvent.click(screen.getByText('go on'))
    await waitFor(() => expect(done(asked)[2]?.path).toBe('/api/renders/53/go-on'))
  })

  it('shows the picture in work, or what is chosen, and says what made it stale', async () => {
    await open()
    const movieRegion = () => screen.getByRole('region', { name: 'Movie' })
    expect(movieRegion().querySelector('img')?.getAttribute('src')).toBe('/api/renders/54/frame?shown=9')
    fireEvent.click(screen.getByText('sh0020_v001'))
    expect(movieRegion().textContent).toContain('draft, 1280 × 720, 36 frames, burnt in · stale, camera and set changed')
    expect(movieRegion().querySelector('video')?.getAttribute('src')).toBe('/api/renders/52/movie')
    fireEvent.click(screen.getByText('sh0010_v002'))
    expect(movieRegion().textContent).toContain('1280 × 720, 1 frame')
    expect(movieRegion().querySelector('video')?.getAttribute('src')).toBe('/api/renders/51/movie')
    fireEvent.click(screen.getAllByText('sh0020_v002')[0] as HTMLElement)
    expect(movieRegion().querySelector('video')).toBeNull()
    expect(screen.getAllByText('failed: the disk is full').length).toBeGreaterThan(1)
  })

  it('saves the movies of the chosen shots, those that there are', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true })
    const saved: string[] = []
    const click = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      saved.push(`${new URL(this.href).pathname} ${this.download}`)
    })
    await open()
    press('A')
    fireEvent.click(screen.getByText('Save 2 movies'))
    act(() => vi.advanceTimersByTime(2000))
    expect(saved).toEqual(['/api/renders/51/movie sh0010_v002.mp4', '/api/renders/52/movie sh0020_v001.mp4'])
    click.mockRestore()
    vi.useRealTimers()
  })

  it('tells what to do where nothing was rendered yet', async () => {
    fakeServer({ ...ANSWERS, '/api/projects/3/renders?master=9': [] })
    show(<Renders project={project} master={master} />)
    expect(await screen.findByText('No render yet')).toBeTruthy()
    expect(screen.getByText(/Choose shots at the right and press R/)).toBeTruthy()
  })
})

describe('the queue by keys', () => {
  const waiting = (id: number, place: number) => movie(id, 1, `sh0010_v00${id}`, { state: 'WAITING', place }) as unknown as Render
  const queue = [waiting(1, 10), waiting(2, 20), waiting(3, 30), movie(9, 1, 'sh0010_v009') as unknown as Render]

  it('says before which one a render is put, and nothing at the ends or for what waits no more', () => {
    expect(placeOf(queue, 2, -1)).toEqual({ before: 1 })
    expect(placeOf(queue, 1, 1)).toEqual({ before: 3 })
    expect(placeOf(queue, 2, 1)).toEqual({ before: undefined })
    expect(placeOf(queue, 1, -1)).toBeUndefined()
    expect(placeOf(queue, 3, 1)).toBeUndefined()
    expect(placeOf(queue, 9, -1)).toBeUndefined()
  })
})
