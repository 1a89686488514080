// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { NumberBox, type Question } from './NumberBox'

afterEach(cleanup)

function asked(question: Partial<Question> = {}) {
  const give = vi.fn()
  const close = vi.fn()
  render(<NumberBox question={{ label: 'Speed', unit: 'percent', start: '100', give, ...question }} close={close} />)
  const field = screen.getByLabelText('Speed') as HTMLInputElement
  const enter = (text: string) => {
    fireEvent.change(field, { target: { value: text } })
    fireEvent.submit(field)
  }
  return { give, close, field, enter }
}

it('gives a whole number, with a true minus as with a hyphen', () => {
  for (const [text, value] of [
    ['12', 12],
    ['−3', -3],
    ['-3', -3],
    ['1 200', 1200],
  ] as const) {
    const { give, close, enter } = asked()
    enter(text)
    expect(give).toHaveBeenCalledWith(value, '')
    expect(close).toHaveBeenCalledOnce()
    cleanup()
  }
})

it('keeps what is no number, and says what it wants', () => {
  const { give, close, enter } = asked()
  for (const text of ['', 'abc', '1.5', '1e999']) {
    enter(text)
  }
  expect(give).not.toHaveBeenCalled()
  expect(close).not.toHaveBeenCalled()
  expect(screen.getByText(/whole number/)).toBeTruthy()
})

it('takes fractions where they are meant, with a comma as with a point', () => {
  const { give, enter } = asked({ fraction: true })
  enter('12,5')
  enter('0.25')
  expect(give.mock.calls.map(([value]) => value)).toEqual([12.5, 0.25])
})

it('gives the way that was chosen beside the number, and leaves all as it is with Escape', () => {
  const { give, close, field, enter } = asked({
    ways: [
      ['keep', 'keep its length'],
      ['push', 'push the rest'],
    ],
  })
  fireEvent.change(screen.getByLabelText('How'), { target: { value: 'push' } })
  enter('50')
  expect(give).toHaveBeenCalledWith(50, 'push')
  fireEvent.keyDown(field, { key: 'Escape' })
  expect(close).toHaveBeenCalledTimes(2)
  expect(give).toHaveBeenCalledOnce()
})
