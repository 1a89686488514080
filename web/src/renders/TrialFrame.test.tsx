// @vitest-environment jsdom
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { fakeServer, posts, show } from '../server/fakeServer'
import type { Clip, Master, Recipe } from '../server/types'
import { askTrialFrame, TrialFrame } from './TrialFrame'

vi.mock('../pictures/CameraPicture', () => ({
  CameraPicture: ({ frame }: { frame: number }) => <canvas aria-label={`the camera at record frame ${frame}`} />,
}))

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const clip = { code: 'sh0030', shotId: 5, in: 86_400, shotFrames: Array.from({ length: 40 }, (_, k) => 1001 + k) } as unknown as Clip
const recipe = { look: { width: 1920, height: 1080 } } as Recipe
const master = { projectId: 3, framesPerSecond: 24 } as Master

it('shows a frame as the recipe draws it beside the camera at the same frame and scale', async () => {
  URL.createObjectURL = () => 'blob:trial'
  const asked = fakeServer()
  const trial = await askTrialFrame(clip, 86_410, recipe)
  expect(posts(asked)[0]).toMatchObject({ path: '/api/shots/5/trial-frame', body: { recipe } })
  expect(trial).toMatchObject({ width: 1920, height: 1080, frame: 86_410 })
  show(<TrialFrame master={master} trial={trial} />)
  const drawn = screen.getByAltText(/as it would be drawn/)
  const camera = screen.getByLabelText('the camera at record frame 86410')
  expect(drawn.getAttribute('src')).toBe('blob:trial')
  expect(drawn.parentElement?.style.aspectRatio).toBe('1920 / 1080')
  expect(camera.parentElement?.style.aspectRatio).toBe('1920 / 1080')
  fireEvent.click(screen.getByText('pixel by pixel'))
  for (const picture of [drawn, camera]) {
    expect(picture.parentElement?.style.width).toBe(`${1920 / devicePixelRatio}px`)
    expect(picture.parentElement?.style.height).toBe(`${1080 / devicePixelRatio}px`)
  }
  fireEvent.click(screen.getByText('whole'))
  expect(drawn.parentElement?.style.width).toBe('100%')
})
