import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { dice } from './dice'
import { Draft, type Place, REST, type Written } from './draft'

/** A number on a server that answers when it is told to: what is written is added, and each write is an edit. */
class Server {
  value = 0
  edits = 0
  readonly written: number[] = []
  private readonly waiting: (() => void)[] = []
  refuses = false

  take(to: number, before: number): Promise<Written | undefined> {
    return new Promise((answer) =>
      this.waiting.push(() => {
        if (this.refuses) {
          answer(undefined)
          return
        }
        this.written.push(to - before)
        this.value = to
        this.edits++
        answer({ edit: this.edits })
      }),
    )
  }

  async answer() {
    this.waiting.shift()?.()
    await Promise.resolve()
    await Promise.resolve()
    await Promise.resolve()
  }

  /** Somebody else's edit. */
  jump(by: number) {
    this.value += by
    this.edits++
  }

  get isAsked() {
    return this.waiting.length > 0
  }
}

let server: Server
let draft: Draft<number>
/** What the window has of it: asked for anew only where the test says so. */
let known: { value: number; edits: number }
const place = (key = 'here'): Place<number> => ({
  key,
  says: () => ({ of: known, value: known.value }),
  write: (to, before) => server.take(to, before),
})
const hear = () => {
  known = { value: server.value, edits: server.edits }
  draft.knows(known.edits)
}
const shown = (key = 'here') => draft.shown(key) ?? known.value
const step = (by = 1, rests = true) => draft.change(place(), (v) => v + by, rests)

function begin() {
  server = new Server()
  draft = new Draft(() => undefined)
  known = { value: 0, edits: 0 }
  draft.knows(0)
}

beforeEach(() => {
  vi.useFakeTimers()
  begin()
})
afterEach(() => vi.useRealTimers())

describe('a gesture', () => {
  it('is one write, when it rests or is let go', async () => {
    step()
    vi.advanceTimersByTime(REST - 1)
    step()
    vi.advanceTimersByTime(REST - 1)
    expect([shown(), server.isAsked]).toEqual([2, false])
    vi.advanceTimersByTime(1)
    await server.answer()
    step(5, false)
    vi.advanceTimersByTime(10 * REST)
    expect(server.isAsked, 'a drag is over when it is let go').toBe(false)
    draft.write()
    draft.write()
    await server.answer()
    expect(server.written).toEqual([2, 5])
    expect(server.isAsked).toBe(false)
  })

  it('is laid over what the server says meanwhile', async () => {
    step()
    server.jump(100)
    hear()
    expect(shown(), 'the step is still there').toBe(101)
    step()
    draft.write()
    await server.answer()
    expect([server.value, server.written]).toEqual([102, [2]])
  })

  it('is shown after it was written until the server’s own state has it, and not longer', async () => {
    step()
    draft.write()
    server.jump(100)
    hear()
    expect(shown(), 'an answer without it').toBe(1)
    await server.answer()
    expect(shown(), 'written, and not heard of yet').toBe(1)
    hear()
    expect([shown(), draft.waiting]).toEqual([server.value, []])
    server.jump(-50)
    hear()
    expect(shown(), 'what others do then is seen').toBe(server.value)
  })

  it('that was heard of before its own answer came is not laid over itself', async () => {
    step()
    draft.write()
    void server.answer()
    hear()
    expect(shown()).toBe(1)
    await server.answer()
    expect([shown(), draft.waiting]).toEqual([1, []])
  })

  it('that is refused is shown no longer, and the next one begins where the server is', async () => {
    server.refuses = true
    step()
    draft.write()
    await server.answer()
    expect([shown(), draft.waiting]).toEqual([0, []])
    server.refuses = false
    step(7)
    draft.write()
    await server.answer()
    expect(server.value).toBe(7)
  })

  it('made elsewhere is written there when one goes on here', async () => {
    step(3)
    draft.change(place('there'), (v) => v + 10)
    expect(server.isAsked).toBe(true)
    draft.leave('there')
    expect(draft.isOpen, 'it is made here').toBe(true)
    draft.leave('somewhere else')
    await server.answer()
    await server.answer()
    expect(server.written).toEqual([3, 10])
  })

  it('that is dropped is never written', () => {
    step()
    draft.drop()
    vi.advanceTimersByTime(2 * REST)
    draft.write()
    expect([server.isAsked, shown()]).toEqual([false, 0])
  })

  it('that says all that it has come to is the last of it', async () => {
    for (const to of [4, 9, 6]) {
      draft.put(place(), to)
      expect(shown()).toBe(to)
    }
    draft.write()
    await server.answer()
    expect(server.value).toBe(6)
  })

  it('whose write fails in some other way is shown no longer', async () => {
    draft.change({ ...place(), write: () => Promise.reject(new Error('no')) }, (v) => v + 1)
    draft.write()
    await vi.waitFor(() => expect(draft.waiting).toEqual([]))
  })
})

describe('steps with answers at every moment', () => {
  it('are each written once, in order', async () => {
    for (let seed = 1; seed <= 200; seed++) {
      begin()
      await many(seed)
    }
  })

  async function many(seed: number) {
    const throwDice = dice(seed)
    let asked = 0
    let jumped = 0
    for (let i = 0; i < 50; i++) {
      step(1, throwDice(2) === 0)
      asked++
      for (let n = throwDice(4); n > 0; n--) {
        const what = throwDice(5)
        if (what === 0) {
          await server.answer()
        } else if (what === 1) {
          hear()
        } else if (what === 2) {
          // before, within and after the rest
          vi.advanceTimersByTime(throwDice(2 * REST))
        } else if (what === 3) {
          draft.write()
        } else {
          server.jump(1000)
          jumped += 1000
        }
        // a jump that came while a write was under way is written over, as by whoever comes last
        expect(shown() % 1000, `no step is seen to be lost, seed ${seed}`).toBe(asked)
      }
    }
    draft.write()
    while (server.isAsked) {
      await server.answer()
    }
    hear()
    expect(server.written.reduce((sum, by) => sum + by, 0)).toBe(asked)
    expect(server.written.every((by) => by > 0)).toBe(true)
    expect(shown()).toBe(server.value)
    expect(jumped % 1000).toBe(0)
  }
})
