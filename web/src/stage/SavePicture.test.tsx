// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { StageShot } from '../server/types'
import { usePresentView } from './presentViews'
import { SavePicture } from './SavePicture'

const stage = { sceneId: 4, code: 'sh0010', pictureWidth: 1280, pictureHeight: 720 } as StageShot
const matrix = (value: number) => new Float32Array(16).fill(value)

afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
})

function Views() {
  usePresentView('camera', {
    name: 'camera',
    seen: { view: matrix(1), projection: matrix(2), blur: { focus: 3, farCircle: 0.5 } },
    places: matrix(4),
  })
  usePresentView('scout', { name: 'plan', seen: { view: matrix(5), projection: matrix(6) }, places: matrix(7), flat: 500 })
  return null
}

const open = () => {
  URL.createObjectURL = () => 'blob:picture'
  const asked = fakeServer()
  const close = vi.fn()
  show(<Views />)
  const box = (frame: number) => <SavePicture stage={stage} shotFrame={frame} close={close} />
  const { rerender } = render(box(1034))
  return { asked, close, playTo: (frame: number) => rerender(box(frame)) }
}

it('says name and size first, and saves what the camera shows', async () => {
  const { asked, close } = open()
  expect(screen.getByText('sh0010_1034_camera.png, 1280 × 720 pixels')).toBeTruthy()
  fireEvent.click(screen.getByText('Save it'))
  await waitFor(() => expect(close).toHaveBeenCalled())
  expect(posts(asked)).toHaveLength(1)
  expect(posts(asked)[0]).toMatchObject({
    path: '/api/scenes/4/picture',
    body: { width: 1280, height: 720, flat: 0, focus: 3, farCircle: 0.5 },
  })
  expect(posts(asked)[0]?.body).toHaveProperty('view', Array(16).fill(1))
})

it('saves the moment at which it was asked, though the stage plays on', () => {
  const { playTo } = open()
  playTo(1040)
  expect(screen.getByText('sh0010_1034_camera.png, 1280 × 720 pixels')).toBeTruthy()
})

it('saves another view, larger, under a name of one’s own', async () => {
  const { asked } = open()
  fireEvent.click(screen.getByLabelText('plan'))
  expect(screen.getByText('sh0010_1034_plan.png, 1280 × 720 pixels')).toBeTruthy()
  fireEvent.click(screen.getByText('1920'))
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'set from above' } })
  expect(screen.getByText('set from above.png, 1920 × 1080 pixels')).toBeTruthy()
  fireEvent.click(screen.getByText('Save it'))
  await waitFor(() => expect(posts(asked)).toHaveLength(1))
  expect(posts(asked)[0]?.body).toMatchObject({ width: 1920, height: 1080, flat: 500, focus: 0 })
})

it('needs a name', () => {
  open()
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: ' ' } })
  expect((screen.getByText('Save it') as HTMLButtonElement).disabled).toBe(true)
})
