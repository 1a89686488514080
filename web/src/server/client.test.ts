import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useQuestions } from '../desk/question'
import { get, of, post, seen } from './client'
import { postInOrder } from './inOrder'

type Asked = { path: string; headers: Headers; answer: (status: number, body: unknown) => void; fail: () => void }

/** Requests that wait until the test answers them. */
let asked: Asked[] = []

beforeEach(() => {
  asked = []
  vi.stubGlobal('localStorage', { getItem: () => 'Ines Ärger' })
  vi.stubGlobal(
    'fetch',
    (request: Request) =>
      new Promise<Response>((resolve, reject) => {
        asked.push({
          path: new URL(request.url).pathname,
          headers: request.headers,
          answer: (status, body) => resolve(new Response(JSON.stringify(body), { status })),
          fail: () => reject(new TypeError('failed')),
        })
      }),
  )
})
afterEach(() => vi.unstubAllGlobals())

const settled = () => new Promise((done) => setTimeout(done))

describe('talking to the server', () => {
  it('says who asks, so that any letter comes through', async () => {
    const got = get('/api/projects')
    expect(asked[0]!.headers.get('X-Who')).toBe('Ines%20%C3%84rger')
    asked[0]!.answer(200, 7)
    expect(await got).toBe(7)
  })

  it('gives the sentence of a refusal, and one of its own where there is none', async () => {
    const refused = post('/api/tasks/{id}/stop', of(1))
    asked[0]!.answer(409, { message: 'Track "Tries" is locked' })
    await expect(refused).rejects.toThrow('Track "Tries" is locked')
    const lost = post('/api/tasks/{id}/stop', of(1))
    asked[1]!.fail()
    await expect(lost).rejects.toThrow('he server does not answer')
    const odd = post('/api/tasks/{id}/stop', of(1))
    asked[2]!.answer(502, 'gateway')
    await expect(odd).rejects.toThrow('he server does not answer')
  })

  it('asks before what does more than may be meant, and asks for the same again, confirmed', async () => {
    const moved = post('/api/tasks/{id}/stop', of(1))
    asked[0]!.answer(409, { message: '"cam" is locked', confirm: true })
    await settled()
    expect(useQuestions.getState().all.map((q) => q.text)).toEqual(['"cam" is locked'])
    expect(asked).toHaveLength(1)
    useQuestions.getState().all[0]!.answer(true)
    await settled()
    expect(asked[1]!.path).toBe('/api/tasks/1/stop')
    expect(asked[0]!.headers.get('X-Confirmed')).toBeNull()
    expect(asked[1]!.headers.get('X-Confirmed')).toBe('1')
    asked[1]!.answer(200, 5)
    expect(await moved).toBe(5)
    expect(useQuestions.getState().all).toEqual([])
  })

  it('leaves what nobody wants', async () => {
    const left = post('/api/tasks/{id}/stop', of(1))
    asked[0]!.answer(409, { message: '"cam" is locked', confirm: true })
    await settled()
    useQuestions.getState().all[0]!.answer(false)
    await expect(left).rejects.toThrow('Left as it was')
    expect(asked).toHaveLength(1)
  })

  it('sends edits one after another, however fast they are asked for', async () => {
    const done: string[] = []
    const all = [1, 2, 3].map((id) => postInOrder('/api/tasks/{id}/stop', of(id)).then(() => done.push(`${id}`)))
    await settled()
    expect(asked.map((a) => a.path)).toEqual(['/api/tasks/1/stop'])
    asked[0]!.answer(200, 1)
    await settled()
    expect(asked.map((a) => a.path)).toEqual(['/api/tasks/1/stop', '/api/tasks/2/stop'])
    asked[1]!.answer(200, 1)
    await settled()
    asked[2]!.answer(200, 1)
    await Promise.all(all)
    expect(done).toEqual(['1', '2', '3'])
  })

  it('goes on with the next edit after one was refused', async () => {
    const first = postInOrder('/api/tasks/{id}/stop', of(1))
    const second = postInOrder('/api/tasks/{id}/stop', of(2))
    await settled()
    asked[0]!.answer(400, { message: 'frame 7 is past the end' })
    await expect(first).rejects.toThrow('frame 7')
    await settled()
    asked[1]!.answer(200, 2)
    expect(await second).toBe(2)
  })

  it('tells the number of edits that was shown, where an edit asks', async () => {
    const sent = post('/api/tasks/{id}/stop', { ...of(1), ...seen(41) })
    expect(asked[0]!.headers.get('X-Seen')).toBe('41')
    asked[0]!.answer(200, null)
    await sent
  })
})
