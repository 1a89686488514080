// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { offeredFor } from '../desk/actions'
import { press, said } from '../desk/fakeKeys'
import { putAwayAll } from '../desk/messages'
import { REST } from '../parts/draft'
import { fakeWindow } from '../parts/fakeWindow'
import { fakeServer, posts, show } from '../server/fakeServer'
import { HeldServer } from '../server/heldServer'
import type { BoardFit, Clip } from '../server/types'
import { useBoardKeys, useBoardOvers } from './boardOvers'
import { FitBox } from './FitBox'
import { useFitting, WHOLE } from './fitting'
import { LaidBoard } from './LaidBoard'

const clip = { shotId: 5, code: 'sh0050', mediaId: 9, boardName: 'bd_3', staged: true } as Clip
const cropped: BoardFit = {
  as: { filled: true, scale: 0.5, right: 0.1, up: 0, crop: { left: 0.25, right: 0.25, top: 0, bottom: 0.2 } },
  place: { left: 0.35, top: 0.2, width: 0.5, height: 0.6 },
}
const bodies = (asked: ReturnType<typeof fakeServer>) => posts(asked).map((a) => a.body)

beforeEach(() => {
  fakeWindow(1000, 500)
  useBoardOvers.setState({ overs: { 5: 0.4 }, blend: 'plain', back: {} })
  useFitting.setState({ byHand: false })
})
afterEach(() => {
  cleanup()
  putAwayAll()
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('a board over the picture', () => {
  it('is seen whole as it came, and nowhere while none of it is wanted', () => {
    const { rerender } = show(<LaidBoard clip={clip} frame={3} />)
    expect(screen.getByAltText('Board bd_3').className).toContain('object-contain')
    expect(screen.getByAltText('Board bd_3').style.opacity).toBe('0.4')
    useBoardOvers.setState({ overs: { 5: 0 } })
    rerender(<LaidBoard clip={clip} frame={4} />)
    expect(screen.queryByAltText('Board bd_3')).toBeNull()
  })

  it('lies where the server says, with what was cropped left out', () => {
    show(<LaidBoard clip={{ ...clip, boardFit: cropped }} frame={3} />)
    const picture = screen.getByAltText('Board bd_3')
    const part = picture.parentElement as HTMLElement
    expect(part.style).toMatchObject({ left: '35%', top: '20%', width: '50%', height: '60%' })
    // half of its width is left, so the whole is twice as wide and begins half as far to the left
    expect(picture.style).toMatchObject({ left: '-50%', width: '200%', height: '125%' })
    expect(part.className).toContain('overflow-hidden')
  })

  it('is laid by hand one shot at a time, named on the picture, and left by Escape or by going to another shot', () => {
    fakeServer()
    const { rerender } = show(<LaidBoard clip={clip} frame={3} />)
    act(() => useFitting.setState({ byHand: true }))
    expect(screen.getByText(/by hand: drag it, wheel for its size, Escape leaves it/).textContent).toContain(clip.code)
    act(() => offeredFor('Escape')?.run())
    expect(screen.queryByRole('group', { name: 'The board by hand' })).toBeNull()
    act(() => useFitting.setState({ byHand: true }))
    rerender(<LaidBoard clip={{ ...clip, shotId: 6, code: 'sh0060' }} frame={3} />)
    expect(useFitting.getState().byHand).toBe(false)
    expect(screen.queryByRole('group', { name: 'The board by hand' })).toBeNull()
  })

  it('is shifted by a drag, as one edit with all else as it was', async () => {
    const asked = fakeServer({ '/api/shots/5/edits': 1 })
    useFitting.setState({ byHand: true })
    show(<LaidBoard clip={{ ...clip, boardFit: cropped }} frame={3} />)
    const hands = screen.getByRole('group', { name: 'The board by hand' })
    fireEvent.pointerDown(hands, { clientX: 100, clientY: 100, pointerId: 1 })
    fireEvent.pointerMove(hands, { clientX: 150, clientY: 100, pointerId: 1 })
    fireEvent.pointerMove(hands, { clientX: 300, clientY: 50, pointerId: 1 })
    fireEvent.pointerUp(hands, { clientX: 300, clientY: 50, pointerId: 1 })
    await waitFor(() => expect(posts(asked)).toHaveLength(1))
    expect(bodies(asked)[0]).toEqual({
      kind: 'FIT_BOARD',
      filled: true,
      scale: 0.5,
      right: 0.3,
      up: 0.1,
      cropLeft: 0.25,
      cropRight: 0.25,
      cropTop: 0,
      cropBottom: 0.2,
      all: false,
    })
  })

  it('grows by the wheel: many turns in one go are one edit', async () => {
    const asked = fakeServer({ '/api/shots/5/edits': 1 })
    useFitting.setState({ byHand: true })
    show(<LaidBoard clip={clip} frame={3} />)
    const hands = screen.getByRole('group', { name: 'The board by hand' })
    for (let i = 0; i < 4; i++) {
      fireEvent.wheel(hands, { deltaY: -100 })
    }
    await waitFor(() => expect(posts(asked)).toHaveLength(1), { timeout: 2000 })
    expect((bodies(asked)[0] as { scale: number }).scale).toBeCloseTo(Math.exp(0.2), 3)
  })
})

describe('a board by hand while answers come late', () => {
  const board = (edits: number, fit: BoardFit = cropped, shotId = 5) => (
    <LaidBoard clip={{ ...clip, shotId, boardFit: fit } as Clip} frame={3} edits={edits} />
  )
  const hands = () => screen.getByRole('group', { name: 'The board by hand' })
  const drag = (x: number) => {
    fireEvent.pointerDown(hands(), { clientX: 100, clientY: 100, pointerId: 1 })
    fireEvent.pointerMove(hands(), { clientX: 100 + x, clientY: 100, pointerId: 1 })
  }
  const letGo = () => fireEvent.pointerUp(hands(), { pointerId: 1 })
  const wheel = () => fireEvent.wheel(hands(), { deltaY: -100 })
  const lies = (server: HeldServer) => server.done.map((e) => [e.body.right, e.body.scale])

  beforeEach(() => {
    useFitting.setState({ byHand: true })
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  })

  it('keeps a drag through the answer to the wheel, and the wheel’s size through the drag', async () => {
    const server = new HeldServer(() => undefined)
    const { rerender } = render(board(0))
    wheel()
    act(() => vi.advanceTimersByTime(REST))
    drag(100)
    await act(() => server.answerOne())
    rerender(board(0))
    letGo()
    await act(() => server.answerOne())
    expect(lies(server)).toEqual([
      [0.1, expect.closeTo(0.5 * Math.exp(0.05), 3)],
      [0.2, expect.closeTo(0.5 * Math.exp(0.05), 3)],
    ])
  })

  it('is one edit where wheel and drag go into each other', async () => {
    const server = new HeldServer(() => undefined)
    render(board(0))
    wheel()
    wheel()
    drag(100)
    letGo()
    await act(() => server.answerOne())
    expect(lies(server)).toEqual([[0.2, expect.closeTo(0.5 * Math.exp(0.1), 3)]])
  })

  it('is laid for the shot whose board it is, whichever comes to the playhead', async () => {
    const server = new HeldServer(() => undefined)
    const { rerender } = render(board(0))
    drag(100)
    rerender(board(0, cropped, 6))
    await act(() => server.answerOne())
    expect(server.done.map((e) => e.path)).toEqual(['/api/shots/5/edits'])
  })

  it('is shown where it was laid until the server says so, and is not moved twice', async () => {
    const server = new HeldServer(() => undefined)
    const { rerender } = render(board(0))
    const shift = () => screen.getByAltText('Board bd_3').closest<HTMLElement>('.inset-0[style*=translate]')?.style.transform
    drag(100)
    letGo()
    await act(() => server.answerOne())
    rerender(board(0))
    expect(shift()).toContain('translate(10%')
    rerender(board(1, { ...cropped, as: { ...cropped.as, right: 0.2 } }))
    expect(shift()).toBeUndefined()
  })
})

describe('how a board lies', () => {
  const open = async () => {
    show(<FitBox clip={{ ...clip, boardFit: cropped }} />)
    fireEvent.click(screen.getByText('fit'))
    await screen.findByText('fills the frame')
  }

  it('is typed in percent, given to all of one shape, and put back', async () => {
    const asked = fakeServer({ '/api/shots/5/edits': 3 })
    await open()
    const up = screen.getByLabelText('Board: up, percent')
    fireEvent.change(up, { target: { value: '−12,5' } })
    fireEvent.blur(up)
    fireEvent.click(screen.getByText('All of this shape'))
    await waitFor(() => expect(said()).toContain('The boards of 3 shots lie so'))
    fireEvent.click(screen.getByText('As it came'))
    expect(screen.getByLabelText('seen whole'), 'as it will be').toHaveProperty('checked', true)
    await waitFor(() => expect(screen.getByLabelText('fills the frame'), 'as the server says that it is').toHaveProperty('checked', true))
    fireEvent.click(screen.getByText('seen whole'))
    await waitFor(() => expect(posts(asked)).toHaveLength(4))
    expect(bodies(asked)[0]).toMatchObject({ up: -0.125, cropLeft: 0.25, all: false })
    expect(bodies(asked)[1]).toMatchObject({ filled: true, all: true })
    expect(bodies(asked)[2]).toEqual({ kind: 'FIT_BOARD', ...WHOLE, all: false })
    expect(bodies(asked)[3]).toMatchObject({ filled: false, scale: 0.5 })
  })

  it('has keys: away and back to what it was, round the blends, by hand and not', () => {
    const Keys = () => {
      useBoardKeys(clip, 'O')
      return null
    }
    show(<Keys />)
    const release = () => window.dispatchEvent(new KeyboardEvent('keyup', { key: 'o' }))
    press('O')
    release()
    expect(useBoardOvers.getState().overs[5]).toBe(0)
    press('O')
    release()
    expect(useBoardOvers.getState().overs[5]).toBe(0.4)
    vi.useFakeTimers({ toFake: ['performance'] })
    press('O')
    vi.advanceTimersByTime(800)
    press('O')
    expect(useBoardOvers.getState().overs[5], 'away as long as the key is down, however often it repeats').toBe(0)
    release()
    expect(useBoardOvers.getState().overs[5]).toBe(0.4)
    press('Shift+B')
    expect(useBoardOvers.getState().blend).toBe('lines')
    press('Alt+B')
    expect(useFitting.getState().byHand).toBe(true)
  })
})
