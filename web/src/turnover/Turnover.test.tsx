// @vitest-environment jsdom
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setDesk, useDesk } from '../desk/desk'
import { press, said } from '../desk/fakeKeys'
import { useMessages } from '../desk/messages'
import { fakeWindow } from '../parts/fakeWindow'
import { setScore } from '../playhead/transport'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Master, Project } from '../server/types'
import { NOTHING_CHOSEN, useChoices } from './choices'
import { Turnover } from './Turnover'

const project = {
  id: 3,
  masterId: 9,
  cuts: [
    { id: 41, version: 1, state: 'RECEIVED' },
    { id: 42, version: 2, state: 'RECEIVED' },
    { id: 43, version: 3, state: 'LOOKED_AT' },
  ],
} as unknown as Project
const master = { id: 9, projectId: 3, name: 'Low Water', clips: [], start: 0, end: 100, framesPerSecond: 24 } as unknown as Master
const change = (index: number, part: object) => ({
  index,
  id: `c${index}`,
  code: `sh00${index}0`,
  name: `bd_${index}`,
  kind: 'TRIMMED',
  words: 'longer at the tail',
  asks: 'nothing: the camera has these frames',
  needs: 'NOTHING',
  head: 0,
  tail: 0,
  slip: 0,
  shift: 0,
  missing: 0,
  pushed: false,
  ours: index,
  theirs: index,
  ...part,
})
const CHANGES = [
  change(1, { tail: 6, needs: 'RENDER', asks: '6 frames to render' }),
  change(2, { slip: -3, words: 'slipped' }),
  change(3, { head: 2, tail: -4 }),
  change(4, { kind: 'SHIFTED', shift: 12, pushed: true }),
  change(5, { kind: 'NEW', code: '', name: 'gull_closer', words: 'new', needs: 'CAMERA', asks: 'a camera' }),
]
const clips = [0, 1, 2, 3, 4, 5].map((n) => ({ in: n * 10, out: n * 10 + 10, name: `bd_${n}`, mediaFrame: 0, code: `sh00${n}0` }))
const list = (part: object = {}) => ({
  cutId: 42,
  version: 2,
  kept: 4,
  changes: CHANGES,
  ours: clips,
  theirs: clips,
  sources: [],
  unchanged: [],
  ...part,
})
const handBack = { tally: { clips: 14, rendered: 8, part: 1, stale: 2, none: 3 }, remarks: [] as object[], lines: 0 }

function server(part: object = {}, more: Record<string, unknown> = {}) {
  return fakeServer({
    '/api/cuts/42/turnover/apply': { applied: 4, left: [], outOfDate: [] },
    '/api/cuts/42/turnover': list(part),
    '/api/projects/3/hand-back': handBack,
    ...more,
  })
}
const open = async () => {
  show(<Turnover project={project} master={master} />)
  await screen.findByText('Cut 2 against our master')
}

beforeEach(() => {
  fakeWindow(1200, 500)
  act(() => {
    setDesk({ frame: 0, cutId: undefined })
    setScore({ start: 0, end: 100, masterEnd: 100, framesPerSecond: 24, sound: [] })
  })
})
afterEach(() => {
  useChoices.setState(NOTHING_CHOSEN)
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
  useMessages.setState({ all: [] })
})

describe('the list of changes', () => {
  it('compares with the newest received cut, and says how much there is to do', async () => {
    server()
    await open()
    const region = screen.getByRole('region', { name: 'Changes' })
    expect(region.textContent).toContain('4 changes, 1 needs camera work, 1 asks for a new render')
    expect(region.textContent).toContain('1 shot only pushed along')
    expect(screen.getByText('cut 3 waits in Intake')).toBeTruthy()
  })

  it('says of each change its frames: both ends, a slip, or none', async () => {
    server()
    await open()
    const frames = screen.getAllByRole('listitem').map((row) => row.querySelectorAll('span.num')[1]?.textContent)
    expect(frames).toEqual(['+6', 'slip −3', '+2 −4', '0'])
    expect(screen.getByText('new: gull_closer')).toBeTruthy()
  })

  it('applies what is taken, in the words that were read, so that the server knows what was meant', async () => {
    const asked = server()
    await open()
    fireEvent.click(screen.getByLabelText('Take the change of sh0020'))
    fireEvent.click(screen.getByText('Apply 3 changes'))
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]).toMatchObject({
      path: '/api/cuts/42/turnover/apply?master=9',
      body: {
        changes: [
          { id: 'c1', words: 'sh0010: longer at the tail' },
          { id: 'c3', words: 'sh0030: longer at the tail' },
          { id: 'c5', words: 'gull_closer: new' },
        ],
      },
    })
    await waitFor(() => expect(said()).toContain('4 changes applied, no camera work is lost'))
    expect(screen.getByText('Every render still stands as it is.')).toBeTruthy()
  })

  it('goes on by keys: each change moves the playhead to its clip, and Space leaves it', async () => {
    const asked = server()
    await open()
    press('ArrowDown')
    expect(useDesk.getState().frame).toBe(20)
    press('Space')
    expect(screen.getByLabelText('Take the change of sh0020')).toHaveProperty('checked', false)
    press('ArrowUp')
    press('ArrowUp')
    expect(useDesk.getState().frame).toBe(10)
    press('Enter')
    await waitFor(() => expect(posts(asked)[0]?.body).toMatchObject({ changes: [{ id: 'c1' }, { id: 'c3' }, { id: 'c5' }] }))
  })

  it('leaves what was left, and looks at what was looked at, however the list comes again', async () => {
    server()
    await open()
    press('ArrowDown')
    press('ArrowDown')
    fireEvent.click(screen.getByLabelText('Take the change of sh0010'))
    // another view, another master's list for a moment, and a list in which something came before
    cleanup()
    queryClient.clear()
    server({ changes: [change(7, { id: 'c7', code: 'sh0005' }), ...CHANGES] })
    await open()
    expect(screen.getByLabelText('Take the change of sh0010')).toHaveProperty('checked', false)
    expect(screen.getByLabelText('Take the change of sh0005')).toHaveProperty('checked', true)
    press('Space')
    expect(screen.getByLabelText('Take the change of sh0030'), 'the one that was looked at').toHaveProperty('checked', false)
  })

  it('stays while it cannot be asked for again', async () => {
    server()
    await open()
    server({}, { '/api/cuts/42/turnover': new Error('the disk is full') })
    await act(() => queryClient.refetchQueries({ queryKey: ['edited', 3, 'turnover'] }))
    expect(screen.getByText('Apply 4 changes')).toBeTruthy()
    expect((await screen.findByRole('alert')).textContent).toBe('As it was before: the disk is full')
  })

  it('hands back as was chosen before', async () => {
    server()
    await open()
    fireEvent.change(await screen.findByLabelText('Format of the list'), { target: { value: 'otio' } })
    cleanup()
    await open()
    expect(await screen.findByLabelText('Format of the list')).toHaveProperty('value', 'otio')
  })

  it('says what was left because somebody else was there, and which renders went out of date', async () => {
    server(
      {},
      {
        '/api/cuts/42/turnover/apply': {
          applied: 3,
          left: ['sh0010: longer at the tail'],
          outOfDate: [
            { code: 'sh0030', why: 'no frames for its new head', before: false },
            { code: 'sh0020', why: 'camera changed', before: true },
          ],
        },
      },
    )
    await open()
    fireEvent.click(screen.getByText('Apply 4 changes'))
    expect(await screen.findByText('1 render put out of date')).toBeTruthy()
    expect(screen.getByText(', 1 out of date before')).toBeTruthy()
    expect(screen.getByText('camera changed, as before')).toBeTruthy()
    expect(said()).toContain('somebody edited there meanwhile: sh0010: longer at the tail')
  })

  it('keeps the list where applying is refused, and can be asked again', async () => {
    server({}, { '/api/cuts/42/turnover/apply': new Error('None of these changes is there any more') })
    await open()
    fireEvent.click(screen.getByText('Apply 4 changes'))
    await waitFor(() => expect(said()).toContain('None of these changes is there any more'))
    expect(screen.getByText('Apply 4 changes')).toHaveProperty('disabled', false)
  })

  it('says so where the master is the cut, frame by frame', async () => {
    server({ changes: [] })
    await open()
    expect(screen.getByText(/No changes: our master is this cut, frame by frame/).textContent).toContain('4 clips agree')
  })

  it('says what to do without a cut, and why one cannot be compared', async () => {
    server()
    show(<Turnover project={{ ...project, masterId: undefined }} master={master} />)
    expect(screen.getByText('No cut yet')).toBeTruthy()
    cleanup()
    queryClient.clear()
    queryClient.setDefaultOptions({ queries: { retry: false } })
    fakeServer({ '/api/cuts/42/turnover': new Error('Its rate is not known') })
    show(<Turnover project={project} master={master} />)
    expect(await screen.findByText('Its rate is not known')).toBeTruthy()
  })
})

describe('sources under other names', () => {
  const source = (older: string, sureness: string, same = true) => ({
    older,
    newer: `${older}_v2`,
    olderName: older,
    newerName: `${older}_v2`,
    same,
    sureness,
    because: 'their frames agree',
  })

  it('shows those to look at first, and remembers what is said', async () => {
    const asked = server({ sources: [source('bd_sure', 'SURE'), source('bd_likely', 'LIKELY'), source('bd_not', 'DECIDED', false)] })
    await open()
    fireEvent.click(screen.getByText('3 sources have other names in this cut, 1 to look at'))
    const buttons = await screen.findAllByText(/^(Keep apart|One source)$/)
    expect(buttons.map((b) => b.textContent)).toEqual(['Keep apart', 'One source', 'Keep apart'])
    fireEvent.click(buttons[0] as HTMLElement)
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]).toMatchObject({
      path: '/api/cuts/42/turnover/sources',
      body: { pairs: [{ older: 'bd_likely', newer: 'bd_likely_v2' }], same: false },
    })
  })

  it('takes one decision for all that were known for the same reason', async () => {
    const because = { because: 'the reel, shortened' }
    const asked = server({
      sources: [
        { ...source('HA_010', 'LIKELY'), ...because },
        { ...source('HA_020', 'LIKELY'), ...because },
        source('bd_likely', 'LIKELY'),
      ],
    })
    await open()
    fireEvent.click(screen.getByText('3 sources have other names in this cut, 3 to look at'))
    expect(await screen.findByText('2 known by the reel, shortened')).toBeTruthy()
    fireEvent.click(screen.getByText('All are one'))
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]).toMatchObject({
      path: '/api/cuts/42/turnover/sources',
      body: {
        pairs: [
          { older: 'HA_010', newer: 'HA_010_v2' },
          { older: 'HA_020', newer: 'HA_020_v2' },
        ],
        same: true,
      },
    })
  })
})

describe('handing back', () => {
  it('says how much of the list is rendered, and what it cannot say', async () => {
    const remarks = [
      { severity: 'loss', place: 'event 3', text: 'its speed is held' },
      { severity: 'note', place: 'event 4', text: 'a note' },
    ]
    server({}, { '/api/projects/3/hand-back': { ...handBack, remarks } })
    await open()
    expect(await screen.findByText('Low Water: 8 of 14 clips rendered, 1 in part, 2 stale, 3 not rendered')).toBeTruthy()
    expect(screen.getByText('event 3: its speed is held')).toBeTruthy()
    expect(screen.queryByText('event 4: a note')).toBeNull()
  })

  it('asks for the format that is chosen; short reels are for an EDL alone', async () => {
    const asked = server()
    await open()
    fireEvent.click(await screen.findByLabelText('reels of 8 letters'))
    await waitFor(() => expect(asked.at(-1)?.path).toContain('shortReels=true'))
    fireEvent.change(screen.getByLabelText('where no render is'), { target: { value: 'gap' } })
    fireEvent.change(screen.getByLabelText('Format of the list'), { target: { value: 'otio' } })
    await waitFor(() => expect(asked.at(-1)?.path).toContain('format=otio'))
    expect(asked.at(-1)?.path).toContain('gap=true')
    expect(asked.at(-1)?.path).toContain('shortReels=false')
    expect(screen.queryByLabelText('reels of 8 letters')).toBeNull()
  })
})
