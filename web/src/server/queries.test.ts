import { QueryObserver } from '@tanstack/react-query'
import { afterEach, describe, expect, it } from 'vitest'
import { askAgain } from './queries'
import { queryClient } from './queryClient'

const KEY = ['edited', 1, 'master', 7]

/** Turns of the clock instead of milliseconds: on a busy machine those pass while nothing is done. */
async function settled() {
  for (let turn = 0; turn < 10; turn++) {
    await new Promise((done) => setTimeout(done, 1))
  }
}

/** Shows what is asked under the key; gives the ways to answer each question, in order. */
function shown() {
  const answers: ((said: string) => void)[] = []
  const queryFn = () => new Promise<string>((answer) => answers.push(answer))
  const observer = new QueryObserver(queryClient, { queryKey: KEY, queryFn })
  const stop = observer.subscribe(() => undefined)
  return { answers, stop, data: () => observer.getCurrentResult().data }
}

describe('asking again after edits', () => {
  afterEach(() => queryClient.clear())

  it('asks once more after an answer that is under way, however much is told meanwhile', async () => {
    const { answers, stop, data } = shown()
    answers[0]!('first')
    await settled()
    for (let edit = 0; edit < 50; edit++) {
      askAgain(['edited', 1])
    }
    await settled()
    expect(answers).toHaveLength(2)
    answers[1]!('as it was when the first edit was told')
    await settled()
    expect(answers).toHaveLength(3)
    answers[2]!('newest')
    await settled()
    expect(answers).toHaveLength(3)
    expect(data()).toBe('newest')
    stop()
  })

  it('asks a first answer once more, which may have been read before the edit', async () => {
    const { answers, stop, data } = shown()
    askAgain(['edited', 1])
    await settled()
    expect(answers).toHaveLength(1)
    answers[0]!('before the edit')
    await settled()
    answers[1]!('after it')
    await settled()
    expect(data()).toBe('after it')
    stop()
  })

  it('leaves what an edit did not touch', async () => {
    const { answers, stop } = shown()
    answers[0]!('first')
    await settled()
    askAgain(['edited', 1], (query) => query.queryKey[2] === 'stage')
    askAgain(['edited', 2])
    await settled()
    expect(answers).toHaveLength(1)
    stop()
  })
})
