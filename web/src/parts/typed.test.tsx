// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { NameField } from './NameField'
import { TypedField } from './TypedField'
import { isEnding, keepUnwritten } from './unwritten'

const give = vi.fn()
afterEach(() => {
  cleanup()
  give.mockReset()
})

const Field = ({ of, shown = '35' }: { of: string; shown?: string }) => (
  <TypedField label="lens" of={of} shown={shown} give={(typed) => give(of, typed)} />
)
const type = (value: string) => fireEvent.change(screen.getByLabelText('lens'), { target: { value } })

describe('what is typed', () => {
  it('stays while the server says something else, and is given once when it is left', () => {
    const { rerender } = render(<Field of="1003" />)
    type('50')
    rerender(<Field of="1003" shown="40" />)
    expect(screen.getByLabelText('lens')).toHaveProperty('value', '50')
    fireEvent.blur(screen.getByLabelText('lens'))
    fireEvent.blur(screen.getByLabelText('lens'))
    expect(give.mock.calls).toEqual([['1003', '50']])
  })

  it('belongs to the frame at which it was typed', () => {
    const { rerender } = render(<Field of="1003" />)
    type('50')
    rerender(<Field of="1004" />)
    expect(give.mock.calls).toEqual([['1003', '50']])
    fireEvent.blur(screen.getByLabelText('lens'))
    expect(give).toHaveBeenCalledTimes(1)
  })

  it.each([
    ['the field goes', (unmount: () => void) => unmount()],
    ['the window loses the focus', () => fireEvent(window, new Event('blur'))],
    ['the window ends', () => fireEvent(window, new Event('pagehide'))],
  ])('is given when %s', (_, end) => {
    const { unmount } = render(<Field of="1003" />)
    type('50')
    act(() => end(unmount))
    unmount()
    expect(give.mock.calls).toEqual([['1003', '50']])
    fireEvent(window, new Event('pageshow'))
  })

  it('is not meant after Escape, however the box around it closes then', () => {
    const { unmount } = render(<Field of="1003" />)
    type('50')
    fireEvent.keyDown(screen.getByLabelText('lens'), { key: 'Escape' })
    unmount()
    expect(give).not.toHaveBeenCalled()
  })

  it('as a name goes to what was named when it was typed, in a list that moves under it', () => {
    const Row = ({ id }: { id: number }) => <NameField label="name" of={id} name={`camera ${id}`} give={(name) => give(id, name)} />
    const { rerender } = render(<Row id={8} />)
    fireEvent.change(screen.getByLabelText('name'), { target: { value: 'crane' } })
    rerender(<Row id={9} />)
    expect(screen.getByLabelText('name')).toHaveProperty('value', 'camera 9')
    expect(give.mock.calls).toEqual([[8, 'crane']])
  })
})

describe('what nobody has written', () => {
  it('is written when the window is hidden or ends, and what is asked then outlives it', () => {
    const write = vi.fn()
    const forget = keepUnwritten(write)
    Object.defineProperty(document, 'visibilityState', { configurable: true, value: 'hidden' })
    fireEvent(document, new Event('visibilitychange'))
    expect([write.mock.calls.length, isEnding()]).toEqual([1, false])
    fireEvent(window, new Event('pagehide'))
    expect([write.mock.calls.length, isEnding()]).toEqual([2, true])
    fireEvent(window, new Event('pageshow'))
    forget()
    fireEvent(window, new Event('blur'))
    expect([write.mock.calls.length, isEnding()]).toEqual([2, false])
    Object.defineProperty(document, 'visibilityState', { configurable: true, value: 'visible' })
  })
})
