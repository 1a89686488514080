// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { fakeServer, posts, show } from '../server/fakeServer'
import { queryClient } from '../server/queryClient'
import type { Master } from '../server/types'
import { ContactSheet } from './ContactSheet'

const master = { id: 9, projectId: 3 } as unknown as Master

afterEach(() => {
  cleanup()
  queryClient.clear()
  vi.unstubAllGlobals()
})

const open = async (answers: object = {}) => {
  const asked = fakeServer({
    '/api/projects/3/sheets/layout': { columns: 2, rows: 2, pages: 1, onPage: 4, words: '3 pictures in 2 columns: 4 fit on a page' },
    '/api/projects/3/tasks': [{ id: 5, name: 'Drawing sheet_v002', done: 1, of: 3 }],
    ...answers,
  })
  show(<ContactSheet master={master} shotIds={[1, 2, 4]} close={() => {}} />)
  await screen.findByText('Make the sheet')
  return asked
}
/** What is asked to be made gets a name. */
const answerWith = (name: string) =>
  vi.stubGlobal(
    'fetch',
    new Proxy(fetch, {
      apply: async (real, of, [request]: [Request]) =>
        request.method === 'POST' && request.url.endsWith('/sheets')
          ? new Response(JSON.stringify({ name }), { headers: { 'Content-Type': 'application/json' } })
          : Reflect.apply(real, of, [request]),
    }),
  )
const made = (all: Awaited<ReturnType<typeof open>>) => posts(all).filter((p) => !p.path.endsWith('/layout'))

it('says how many fit, and makes what was chosen in the order that was chosen', async () => {
  const asked = await open()
  expect(await screen.findByText('3 pictures in 2 columns: 4 fit on a page')).toBeTruthy()
  fireEvent.click(screen.getByText('square'))
  fireEvent.click(screen.getByLabelText('last first'))
  fireEvent.click(screen.getByLabelText('lens'))
  fireEvent.change(screen.getByLabelText('Which frame'), { target: { value: 'LAST' } })
  fireEvent.click(screen.getByText('Make the sheet'))
  await waitFor(() => expect(made(asked)).toHaveLength(1))
  expect(made(asked)[0]?.body).toMatchObject({
    shotIds: [4, 2, 1],
    when: 'LAST',
    captions: ['SHOT'],
    sheet: { width: 3000, height: 3000, columns: 0 },
  })
})

it('shows how far it is, and stops it', async () => {
  const asked = await open()
  answerWith('sheet_v002')
  fireEvent.click(screen.getByText('Make the sheet'))
  expect(await screen.findByText(/sheet_v002: picture 1 of 3/)).toBeTruthy()
  fireEvent.click(screen.getByText('stop'))
  await waitFor(() => expect(made(asked).map((p) => p.path)).toEqual(['/api/tasks/5/stop']))
})

it('shows the newest sheet, with its files to be saved', async () => {
  await open({ '/api/projects/3/sheets': [{ name: 'sheet_v001', files: ['sheet_v001.png', 'sheet_v001.pdf'], bytes: 2000 }] })
  expect((await screen.findByAltText('sheet_v001, its first page')).getAttribute('src')).toContain('/sheets/sheet_v001/sheet_v001.png')
  expect(screen.getByText('pdf').getAttribute('href')).toContain('sheet_v001.pdf')
})

it('says what cannot be, and makes nothing of it', async () => {
  await open({ '/api/projects/3/sheets/layout': new Error('No picture fits in 9 columns') })
  expect((await screen.findByRole('alert')).textContent).toBe('No picture fits in 9 columns')
  expect((screen.getByText('Make the sheet') as HTMLButtonElement).disabled).toBe(true)
})
