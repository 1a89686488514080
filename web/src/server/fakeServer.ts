/** A server for tests: answers by address, and keeps what it was asked. Not part of the application. */

import { QueryClientProvider } from '@tanstack/react-query'
import { render } from '@testing-library/react'
import { createElement, type ReactElement } from 'react'
import { vi } from 'vitest'
import { queryClient } from './queryClient'

export type Asked = { method: string; path: string; body: unknown }

/** @param answers by the beginning of an address; what none of them begins is answered with nothing */
export function fakeServer(answers: Record<string, unknown> = {}): Asked[] {
  const asked: Asked[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname, search } = new URL(request.url)
    const text = await request.clone().text()
    asked.push({ method: request.method, path: pathname + search, body: text ? JSON.parse(text) : undefined })
    const found = Object.keys(answers).find((path) => (pathname + search).startsWith(path))
    const answer = found === undefined ? undefined : answers[found]
    if (answer instanceof Error) {
      return new Response(JSON.stringify({ message: answer.message }), { status: 409 })
    }
    return answer === undefined
      ? new Response(null, { status: 200, headers: { 'Content-Length': '0' } })
      : new Response(JSON.stringify(answer), { status: 200, headers: { 'Content-Type': 'application/json' } })
  })
  return asked
}

/** What was asked that changes something. */
export const posts = (asked: Asked[]) => asked.filter((a) => a.method === 'POST')

/** Shows a component as the application does. */
export function show(element: ReactElement) {
  return render(createElement(QueryClientProvider, { client: queryClient }, element))
}
