import { create } from 'zustand'

/** @property about what has to be mended for it to go by itself */
export type Message = { id: number; text: string; error: boolean; about?: string }

/** Sentences that come up for a while; errors stay until they are put away. */
export const useMessages = create<{ all: Message[] }>(() => ({ all: [] }))

let next = 1

export function say(text: string) {
  const id = show(text, false)
  window.setTimeout(() => putAway(id), 5000)
}

export function sayError(error: unknown) {
  if (error instanceof Left) {
    say(error.message)
    return
  }
  const about = error instanceof Unanswered ? LINE : undefined
  show(error instanceof Error ? error.message : String(error), true, about)
}

/** What messages are about that say so: they go when it answers again. */
export const LINE = 'line'

/** The server did not answer. */
export class Unanswered extends Error {}

/** Somebody was asked, and left it: nothing failed. */
export class Left extends Error {}

/** More than these stand one above the other at once; the rest wait, none is lost. */
export const AT_ONCE = 3

function show(text: string, error: boolean, about?: string): number {
  const id = next++
  useMessages.setState((s) => ({ all: [...s.all.filter((m) => m.text !== text), { id, text, error, about }] }))
  return id
}

/** What a message told of is mended. */
export function putAwayAbout(about: string) {
  useMessages.setState((s) => ({ all: s.all.some((m) => m.about === about) ? s.all.filter((m) => m.about !== about) : s.all }))
}

export function putAwayAll() {
  useMessages.setState({ all: [] })
}

export function putAway(id: number) {
  useMessages.setState((s) => ({ all: s.all.filter((m) => m.id !== id) }))
}
