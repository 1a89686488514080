// @vitest-environment jsdom
import { act, cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, it } from 'vitest'
import { setDesk, useDesk } from '../desk/desk'
import { useAtPlayhead, useRestingFrame } from './atPlayhead'
import { useTransport } from './transport'

let rendered = 0

function Line() {
  rendered++
  const box = { current: undefined as HTMLElement | undefined }
  useAtPlayhead((frame) => {
    const line = document.getElementById('line')
    if (line) {
      line.dataset.frame = String(frame)
    }
  })
  return <div id="line" ref={() => void box} />
}

function Numbers() {
  const { frame, runs } = useRestingFrame(useDesk((d) => d.frame))
  return <p>{`${frame}${runs ? ' running' : ''}`}</p>
}

afterEach(() => {
  cleanup()
  act(() => useTransport.setState({ speed: 0 }))
})

it('moves what goes along with the playhead, and renders nothing for it', () => {
  rendered = 0
  setDesk({ frame: 100 })
  render(<Line />)
  for (let frame = 101; frame <= 150; frame++) {
    act(() => setDesk({ frame }))
  }
  expect(document.getElementById('line')?.dataset.frame).toBe('150')
  expect(rendered).toBe(1)
})

it('asks about the frame where time last stood still', () => {
  setDesk({ frame: 7 })
  render(<Numbers />)
  act(() => useTransport.setState({ speed: 1 }))
  act(() => setDesk({ frame: 30 }))
  expect(screen.getByText('7 running')).toBeTruthy()
  act(() => useTransport.setState({ speed: 0 }))
  expect(screen.getByText('30')).toBeTruthy()
})
