// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useActions } from '../desk/actions'
import { CommandBox, openCommands } from './CommandBox'

const slip = vi.fn()
const locked = vi.fn()

function Offers() {
  useActions('test', [
    { group: 'Conform', name: 'Slip one frame later', keys: 'Alt+.', run: slip },
    { group: 'Conform', name: 'Take a clip out', keys: 'X', run: locked, disabled: true },
    { group: 'Stage', name: 'Key all of the camera here', keys: 'K', run: () => undefined },
  ])
  return null
}

beforeEach(() => {
  vi.useFakeTimers()
  Element.prototype.scrollIntoView = () => undefined
  render(
    <>
      <Offers />
      <CommandBox />
    </>,
  )
  act(openCommands)
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.clearAllMocks()
})

const field = () => screen.getByRole('combobox')
const type = (text: string) => fireEvent.change(field(), { target: { value: text } })
const names = () => screen.queryAllByRole('option').map((o) => o.textContent ?? '')

it('finds by every word that is typed, in any order, by group and by key', () => {
  type('later slip')
  expect(names()).toHaveLength(1)
  type('stage camera')
  expect(names()[0]).toContain('Key all of the camera here')
  type('no such thing')
  expect(names()).toHaveLength(0)
  expect(screen.getByText(/try another word/)).toBeTruthy()
})

it('does what is chosen with the arrows, and closes', () => {
  type('slip')
  fireEvent.keyDown(field(), { key: 'Enter' })
  act(() => vi.runAllTimers())
  expect(slip).toHaveBeenCalledOnce()
  expect(screen.queryByRole('combobox')).toBeNull()
})

it('does nothing that cannot be done now, and stays', () => {
  type('take a clip')
  fireEvent.keyDown(field(), { key: 'Enter' })
  act(() => vi.runAllTimers())
  expect(locked).not.toHaveBeenCalled()
  expect(screen.getByRole('option').getAttribute('aria-disabled')).toBe('true')
})

it('finds what a view offers that comes while it is open', () => {
  type('differs')
  expect(names()).toHaveLength(0)
  function Late() {
    useActions('late', [{ group: 'Conform', name: 'Next seam that differs', keys: 'B', run: () => undefined }])
    return null
  }
  render(<Late />)
  expect(names()).toHaveLength(1)
})
