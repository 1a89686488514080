import { create } from 'zustand'

export type Message = { id: number; text: string; error: boolean }

/** Sentences that come up for a while; errors stay until they are put away. */
export const useMessages = create<{ all: Message[] }>(() => ({ all: [] }))

let next = 1

export function say(text: string) {
  const id = show(text, false)
  window.setTimeout(() => putAway(id), 5000)
}

export function sayError(error: unknown) {
  show(error instanceof Error ? error.message : String(error), true)
}

function show(text: string, error: boolean): number {
  const id = next++
  useMessages.setState((s) => ({ all: [...s.all.filter((m) => m.text !== text).slice(-3), { id, text, error }] }))
  return id
}

export function putAway(id: number) {
  useMessages.setState((s) => ({ all: s.all.filter((m) => m.id !== id) }))
}
