/** A server for tests that answers when it is told to, each edit with its number. Not part of the application. */
import { vi } from 'vitest'

export type Edit = { path: string; body: Record<string, unknown>; keepalive: boolean }

export class HeldServer {
  /** what was done, in order */
  readonly done: Edit[] = []
  /** the project's number of edits */
  edits = 0
  private readonly waiting: (() => void)[] = []

  /** @param apply does an edit; one that throws is refused with what it says */
  constructor(private readonly apply: (edit: Edit) => void) {
    vi.stubGlobal('fetch', async (request: Request) => {
      const text = await request.clone().text()
      const edit = { path: new URL(request.url).pathname, body: text ? JSON.parse(text) : {}, keepalive: request.keepalive }
      await new Promise<void>((go) => this.waiting.push(go))
      return this.answer(edit)
    })
  }

  get isAsked() {
    return this.waiting.length > 0
  }

  /** Lets the oldest that waits be answered. @return when the window has heard of it */
  async answerOne() {
    await turns()
    this.waiting.shift()?.()
    await turns()
  }

  /** Somebody else's edit, or another of one's own. */
  another(change: () => void) {
    change()
    this.edits++
  }

  private answer(edit: Edit): Response {
    try {
      this.apply(edit)
    } catch (e) {
      return new Response(JSON.stringify({ message: (e as Error).message }), { status: 409 })
    }
    this.done.push(edit)
    this.edits++
    return new Response('[]', { status: 200, headers: { 'Content-Type': 'application/json', 'X-Edit': String(this.edits) } })
  }
}

/** Lets all that waits for nothing but its turn go on. */
export async function turns() {
  for (let i = 0; i < 30; i++) {
    await Promise.resolve()
  }
  // after what the machine has under way, whether or not a test has taken its clock away
  const { port1, port2 } = new MessageChannel()
  await new Promise<void>((go) => {
    port1.onmessage = () => go()
    port2.postMessage(0)
  })
  port1.close()
}
