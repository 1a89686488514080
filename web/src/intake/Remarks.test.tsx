// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { allActions } from '../desk/actions'
import { press, said } from '../desk/fakeKeys'
import { useMessages } from '../desk/messages'
import { fakeWindow } from '../parts/fakeWindow'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { IntakeCut, PlannedShot, Project, SourceView } from '../server/types'
import { NumberingBox } from './NumberingBox'
import { PlannedRow } from './PlannedRow'
import { Remarks } from './Remarks'
import { SourcePicker } from './SourcePicker'

const project = {
  id: 3,
  cuts: [
    { id: 7, version: 2, state: 'LOOKED_AT' },
    { id: 6, version: 1, state: 'RECEIVED' },
  ],
} as unknown as Project
const NOTES = [
  { severity: 'loss', place: 'event 3', text: 'Its wipe is kept as a dissolve', at: 86_500, offers: [] },
  {
    severity: 'note',
    place: 'event 5',
    text: 'It is one frame long',
    at: 86_700,
    offers: [
      { word: 'JOIN', words: 'join it to the one before' },
      { word: 'DROP', words: 'leave it out' },
    ],
  },
]
const cut = {
  id: 7,
  received: false,
  fileName: 'low_water_v2.edl',
  sameAs: 0,
  doubtful: 1,
  remarks: NOTES,
  missing: [
    { kind: 'picture', name: 'bd_0400.png', frames: 24 },
    { kind: 'sound', name: 'wind.wav', frames: 48 },
  ],
  numbering: { prefix: 'sh', step: 10, digits: 4, firstFrame: 1001, handles: 8, codePattern: '' },
} as unknown as IntakeCut
const SOURCES = [
  { kind: 'picture', key: 'a', name: 'bd_0400.png', path: '' },
  {
    kind: 'picture',
    key: 'b',
    name: 'bd_0010.png',
    path: '/cut/bd_0010.png',
    mediaId: 5,
    mediaFrame: 0,
    found: 'by its name',
    file: 'boards/bd_0010_a.png',
  },
  { kind: 'sound', key: 'c', name: 'guide.wav', path: '', mediaId: 6, found: 'alike', doubtful: true },
]

function server(more: Record<string, unknown> = {}) {
  return fakeServer({
    '/api/cuts/7/sources/by-order': { pairs: [], unused: [{ path: 'x.png' }] },
    '/api/cuts/7/sources': SOURCES,
    '/api/projects/3/tasks': [],
    '/api/projects/3/files': { files: [] },
    ...more,
  })
}
const open = (part: Partial<IntakeCut> = {}) => {
  const did = { receive: vi.fn(), choose: vi.fn(), lead: vi.fn() }
  show(<Remarks project={project} cut={{ ...cut, ...part }} busy={false} {...did} />)
  return did
}

beforeEach(() => {
  fakeWindow(370, 600)
})
afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
  useMessages.setState({ all: [] })
})

describe('remarks', () => {
  it('say what changes the picture and what is to be found', async () => {
    server()
    open()
    expect(screen.getByText('1 changes the picture.')).toBeTruthy()
    expect(screen.getByText('bd_0400.png').closest('li')?.textContent).toContain(
      '24 framesNo picture given fits this name. A slate stands in',
    )
    expect(screen.getByText('wind.wav').closest('li')?.textContent).toContain('It stays silent until it comes')
    expect(screen.getByRole('tab', { name: 'Remarks 4' })).toBeTruthy()
    expect(await screen.findByRole('tab', { name: 'Not used 1' })).toBeTruthy()
  })

  it('lead to their place, one after the other and round again', () => {
    server()
    const { lead } = open()
    for (const _ of NOTES) {
      press('N')
    }
    press('N')
    expect(lead.mock.calls.map(([where]) => where.at)).toEqual([86_500, 86_700, 86_500])
    fireEvent.click(screen.getByText('bd_0400.png'))
    expect(lead).toHaveBeenLastCalledWith({ source: 'bd_0400.png' })
  })

  it('offer what can be done about a place, and do it by mouse or key', async () => {
    const asked = server()
    open()
    fireEvent.click(screen.getByText('leave it out'))
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(posts(asked)[0]).toMatchObject({ path: '/api/cuts/7/fix', body: { at: 86_700, fix: 'DROP' } })
    press('N')
    press('N')
    press('D')
    await waitFor(() => expect(posts(asked)).toHaveLength(2))
    expect(posts(asked)[1]?.body).toEqual({ at: 86_700, fix: 'JOIN' })
  })

  it('take a choice back, and say why one cannot be made', async () => {
    const asked = server({ '/api/cuts/7/fix': new Error('The first clip has none before it') })
    open({ remarks: [{ ...NOTES[1], chosen: 'JOIN' }] as never })
    fireEvent.click(screen.getByText('leave it as the cut has it'))
    await waitFor(() => expect(said()).toBe('The first clip has none before it'))
    expect(posts(asked)[0]?.body).toEqual({ at: 86_700 })
  })

  it('offer nothing of a cut that was received', () => {
    server()
    open({ received: true })
    expect(screen.queryByText('leave it out')).toBeNull()
    expect(screen.queryByText('Receive this cut')).toBeNull()
    expect(screen.getByText('low_water_v2.edl').getAttribute('href')).toBe('/api/cuts/7/file')
    press('N')
    press('N')
    expect(allActions().find((a) => a.keys === 'D')?.disabled).toBe(true)
  })

  it('say that a file came before, to the byte', () => {
    server()
    open({ sameAs: 1, remarks: [], missing: [] })
    expect(screen.getByText(/the same, to the byte, as cut 1/)).toBeTruthy()
    expect(screen.getByText('None changes the picture.')).toBeTruthy()
    expect(screen.queryByText('Pair what is missing by order')).toBeNull()
  })

  it('receive, and go to the files', () => {
    server()
    const { receive, choose } = open()
    fireEvent.click(screen.getByText('Receive this cut'))
    fireEvent.click(screen.getByText('Files'))
    expect([receive.mock.calls.length, choose.mock.calls.length]).toEqual([1, 1])
  })
})

describe('sources', () => {
  it('say how each was found, and which is missing', async () => {
    server()
    open()
    press('S')
    expect(await screen.findByText('1 to look at, 1 missing, 3 in all')).toBeTruthy()
    const row = (name: string) => screen.getByText(name).closest('[role=listitem]') as HTMLElement
    expect(within(row('bd_0400.png')).getByText('to find')).toBeTruthy()
    expect(within(row('guide.wav')).getByText('alike').className).toContain('text-offset')
    expect(row('bd_0010.png').querySelector('img')?.getAttribute('src')).toBe('/api/media/5/picture?width=240&frame=0')
  })

  it('open with the files of the one that a remark is about', async () => {
    server({ '/api/projects/3/files': { files: [{ path: 'boards/bd_0400_v2.png', mediaId: 44 }] } })
    open()
    fireEvent.click(screen.getAllByText('choose its file')[0] as HTMLElement)
    expect(await screen.findByText('boards/bd_0400_v2.png')).toBeTruthy()
  })

  it('are looked for in the folders', async () => {
    const asked = server()
    open()
    press('S')
    fireEvent.click(await screen.findByText('look in the folders'))
    await waitFor(() => expect(posts(asked)[0]?.path).toBe('/api/projects/3/search'))
  })
})

describe('choosing the file of a source', () => {
  const picker = (source: object, files: object[], answer: object = { sources: 1 }) => {
    const asked = server({ '/api/projects/3/files': { files }, '/api/projects/3/sources/choice': answer })
    const setOpen = vi.fn()
    show(<SourcePicker project={project} source={source as SourceView} open setOpen={setOpen} give={vi.fn()} />)
    return { asked, setOpen }
  }

  it('takes one that was given by its number, one in the folders by its path', async () => {
    const { asked, setOpen } = picker(SOURCES[0] as object, [{ path: 'a.png', mediaId: 44 }, { path: 'boards/b.png' }])
    fireEvent.click(await screen.findByText('a.png'))
    await waitFor(() => expect(posts(asked)[0]?.body).toEqual({ kind: 'picture', key: 'a', mediaId: 44, withFolder: false }))
    await waitFor(() => expect(setOpen).toHaveBeenCalledWith(false))
    fireEvent.click(screen.getByText('boards/b.png'))
    await waitFor(() => expect(posts(asked)[1]?.body).toEqual({ kind: 'picture', key: 'a', path: 'boards/b.png', withFolder: false }))
  })

  it('takes what lay beside it along, unless that is switched off', async () => {
    const { asked } = picker(SOURCES[1] as object, [{ path: 'a.png', mediaId: 44 }], { sources: 12 })
    const box = await screen.findByLabelText('Find a file')
    await screen.findByText('a.png')
    fireEvent.keyDown(box, { key: 'Enter' })
    await waitFor(() => expect(said()).toBe('Chosen, with 11 others of its folder'))
    expect(posts(asked)[0]?.body).toMatchObject({ withFolder: true })
    fireEvent.click(screen.getByLabelText(/what lay beside it/))
    fireEvent.click(screen.getByText('a.png'))
    await waitFor(() => expect(posts(asked)[1]?.body).toMatchObject({ withFolder: false }))
  })

  it('can be none of them, and can be found by itself again', async () => {
    const { asked } = picker({ ...SOURCES[0], chosen: true }, [])
    fireEvent.click(await screen.findByText('none of these'))
    await waitFor(() => expect(said()).toContain('None of the files, then: a slate stands in'))
    fireEvent.click(screen.getByText('find it by itself again'))
    await waitFor(() =>
      expect(posts(asked)[1]).toMatchObject({ path: '/api/projects/3/sources/forget', body: { kind: 'picture', key: 'a' } }),
    )
  })
})

describe('numbering', () => {
  it('shows the codes as they would be, and gives them', async () => {
    const asked = server({ '/api/cuts/7/numbering/examples': [{ code: 'ga0100', from: ['LW_010_gulls'] }] })
    show(<NumberingBox project={project} cut={cut} />)
    fireEvent.click(screen.getByText('Numbering'))
    fireEvent.change(screen.getByLabelText(/^Prefix/), { target: { value: 'ga' } })
    fireEvent.change(screen.getByLabelText(/^Step/), { target: { value: '100' } })
    expect(await screen.findByText('ga0100')).toBeTruthy()
    fireEvent.click(screen.getByText('Number so'))
    await waitFor(() => expect(posts(asked).at(-1)?.path).toBe('/api/projects/3/numbering'))
    expect(posts(asked).at(-1)?.body).toMatchObject({ prefix: 'ga', step: 100, digits: 4, firstFrame: 1001, handles: 8 })
  })

  it('says what is wrong with a pattern, and gives nothing', async () => {
    server({ '/api/cuts/7/numbering/examples': new Error('A pattern has one part in brackets') })
    show(<NumberingBox project={project} cut={cut} />)
    fireEvent.click(screen.getByText('Numbering'))
    fireEvent.change(screen.getByLabelText('Codes that are in clip names or markers already'), { target: { value: 'LW_#' } })
    expect((await screen.findByRole('alert')).textContent).toBe('A pattern has one part in brackets')
    expect(screen.getByText('Number so')).toHaveProperty('disabled', true)
  })
})

describe('a planned shot', () => {
  const shot = {
    code: 'sh0030',
    camera: 'cam_sh0030',
    shares: 2,
    in: 100,
    out: 152,
    cutFrames: 48,
    firstFrame: 1001,
    lastFrame: 1052,
    seams: [120, 140],
    joined: '3 clips of one source',
    canJoin: true,
    boardName: 'bd_0030.png',
    found: 'by its name',
    doubtful: false,
    mediaId: 5,
    mediaFrame: 0,
  } as unknown as PlannedShot
  const row = (part: object = {}) => {
    const did = { choose: vi.fn(), apart: vi.fn(), camera: vi.fn() }
    show(<PlannedRow shot={shot} selected={false} received={false} first {...did} {...part} />)
    return did
  }

  it('says its frames, those under a dissolve apart, and what was joined', () => {
    row()
    expect(screen.getByText('1001–1052')).toBeTruthy()
    expect(screen.getByText('48 + 4 mixed')).toBeTruthy()
    expect(screen.getByText('3 clips of one source')).toBeTruthy()
    expect(screen.getByText('films 2 shots')).toBeTruthy()
  })

  it('can be kept apart at each of its seams, or joined to the one before', () => {
    const { apart } = row()
    fireEvent.click(screen.getByText('keep apart'))
    fireEvent.click(screen.getByText('join to the one before'))
    expect(apart.mock.calls).toEqual([
      [120, true],
      [140, true],
      [100, false],
    ])
  })

  it('gets another camera by its name; Escape leaves it', () => {
    const { camera } = row()
    const box = screen.getByLabelText('Camera of sh0030')
    fireEvent.focus(box)
    fireEvent.change(box, { target: { value: 'cam_wide' } })
    fireEvent.keyDown(box, { key: 'Escape' })
    fireEvent.blur(box)
    expect(camera).not.toHaveBeenCalled()
    fireEvent.change(box, { target: { value: 'cam_wide' } })
    fireEvent.blur(box)
    expect(camera).toHaveBeenCalledExactlyOnceWith('cam_wide')
  })

  it('stands fast once it is received', () => {
    row({ received: true })
    expect(screen.queryByText('keep apart')).toBeNull()
    expect(screen.queryByLabelText('Camera of sh0030')).toBeNull()
    expect(screen.getByText('cam_sh0030')).toBeTruthy()
  })
})
