/** Talking to the server as its description says. Every failure is an Error whose message is a sentence for people. */
import createClient, { type MaybeOptionalInit } from 'openapi-fetch'
import type { PathsWithMethod, RequiredKeysOf } from 'openapi-typescript-helpers'
import { setLine } from '../desk/line'
import { Left, Unanswered } from '../desk/messages'
import { confirmed } from '../desk/question'
import { isEnding } from '../parts/unwritten'
import type { paths } from './schema'

const OFFLINE = 'The server does not answer. What you see stays; it is asked again as soon as the server is back.'
const NOT_DONE = 'Not done: the server does not answer. When the top line says that it is there again, look, and do it once more.'

export function whoAmI(): string {
  return localStorage.getItem('who') ?? ''
}

type Said = { message?: string; confirm?: boolean } | null

/** @param again asks for the same once more, confirmed */
async function answer(response: Response, again: () => Promise<Response>): Promise<Response> {
  if (response.ok) {
    return response
  }
  const said = (await response.json().catch(() => null)) as Said
  const message = said && typeof said === 'object' && 'message' in said ? String(said.message) : OFFLINE
  if (said?.confirm && !isEnding()) {
    if (await confirmed(message)) {
      return again()
    }
    throw new Left('Left as it was')
  }
  throw new Error(message)
}

async function ask(request: Request): Promise<Response> {
  // its body can be sent once
  const same = request.method === 'POST' ? request.clone() : undefined
  request.headers.set('X-Who', encodeURIComponent(whoAmI()))
  let response: Response
  try {
    // what is written as the window ends must outlive it
    response = await fetch(isEnding() ? new Request(request, { keepalive: true }) : request)
  } catch {
    setLine(false)
    throw new Unanswered(request.method === 'POST' ? NOT_DONE : OFFLINE)
  }
  setLine(true)
  return answer(response, () => {
    same?.headers.set('X-Confirmed', '1')
    return ask(same ?? request)
  })
}

const api = createClient<paths>({ baseUrl: globalThis.location?.origin ?? 'http://localhost', fetch: ask })

type Gets = PathsWithMethod<paths, 'get'>
type Posts = PathsWithMethod<paths, 'post'>
/** What `post` takes, for who hands it on. */
export type Asking<P extends Posts> = [path: P, ...init: Init<P, 'post'>]
/** What an address needs to be asked; may be left out where it needs nothing. */
type Init<P extends keyof paths, M extends 'get' | 'post'> =
  RequiredKeysOf<MaybeOptionalInit<paths[P], M>> extends never ? [MaybeOptionalInit<paths[P], M>?] : [MaybeOptionalInit<paths[P], M>]
/** What an address answers with. */
export type Answer<P extends keyof paths, M extends 'get' | 'post'> = paths[P][M] extends { responses: { 200: { content: infer C } } }
  ? C[keyof C]
  : undefined

/** What an address is asked about. @param query what stands after the question mark */
export function of(id: number | undefined): { params: { path: { id: number } } }
export function of<Q>(id: number | undefined, query: Q): { params: { path: { id: number }; query: Q } }
export function of(id: number | undefined, query?: unknown) {
  if (id === undefined) {
    throw new Error('Asked about nothing')
  }
  return { params: { path: { id }, query } }
}

/** A refusal says who came between. @param edits the project's number of edits that is shown */
export const seen = (edits: number) => ({ headers: { 'X-Seen': String(edits) } })

export async function get<P extends Gets>(path: P, ...init: Init<P, 'get'>): Promise<Answer<P, 'get'>> {
  return (await api.GET(path, ...(init as never))).data as Answer<P, 'get'>
}

/** An answer, with how many edits of the project it knows at least; undefined where it is of no project. */
export type Numbered<T> = { data: T; edit?: number }

const numbered = <T>({ data, response }: { data?: unknown; response: Response }): Numbered<T> => ({
  data: data as T,
  edit: Number(response.headers.get('X-Edit') ?? undefined) || undefined,
})

/** As {@link get}, with the number of edits that it knows. */
export async function numberedOf<P extends Gets>(path: P, ...init: Init<P, 'get'>): Promise<Numbered<Answer<P, 'get'>>> {
  return numbered(await api.GET(path, ...(init as never)))
}

/** As {@link get}; an object that says how many edits it knows. */
export async function getNumbered<P extends Gets>(path: P, ...init: Init<P, 'get'>): Promise<Answer<P, 'get'> & { edit?: number }> {
  const { data, edit } = await numberedOf(path, ...init)
  return { ...(data as unknown as object), edit } as Answer<P, 'get'> & { edit?: number }
}

async function read<P extends Gets>(parseAs: 'text' | 'arrayBuffer', path: P, init: object): Promise<unknown> {
  return (await api.GET(path, { ...init, parseAs } as never)).data
}

export async function getText<P extends Gets>(path: P, ...[init]: Init<P, 'get'>): Promise<string> {
  return (await read('text', path, init as object)) as string
}

export async function getBytes<P extends Gets>(path: P, ...[init]: Init<P, 'get'>): Promise<ArrayBuffer> {
  return (await read('arrayBuffer', path, init as object)) as ArrayBuffer
}

export async function getBytesNumbered<P extends Gets>(path: P, ...[init]: Init<P, 'get'>): Promise<Numbered<ArrayBuffer>> {
  return numbered(await api.GET(path, { ...(init as object), parseAs: 'arrayBuffer' } as never))
}

export async function post<P extends Posts>(path: P, ...init: Init<P, 'post'>): Promise<Answer<P, 'post'>> {
  return (await api.POST(path, ...(init as never))).data as Answer<P, 'post'>
}

/** As {@link post}, with the number of the edit that it was. */
export async function postNumbered<P extends Posts>(path: P, ...init: Init<P, 'post'>): Promise<Numbered<Answer<P, 'post'>>> {
  return numbered(await api.POST(path, ...(init as never)))
}

/** Asks for something to be made that is a file, and gives it. */
export async function postForFile<P extends Posts>(path: P, ...[init]: Init<P, 'post'>): Promise<Blob> {
  return (await api.POST(path, { ...(init as object), parseAs: 'blob' } as never)).data as unknown as Blob
}

/** Asks for a file and saves it under the name that the server gives it. */
export async function saveFile(path: string, query: Record<string, string | number | boolean>): Promise<void> {
  const address = new URL(path, globalThis.location?.origin)
  Object.entries(query).forEach(([name, value]) => address.searchParams.set(name, String(value)))
  const response = await ask(new Request(address, { method: 'POST' }))
  const name = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? 'list'
  saveAs(name, await response.blob())
}

/** Saves something under a name. */
export function saveAs(name: string, file: Blob) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = name
  document.body.append(link)
  link.click()
  link.remove()
  // the browser reads it after the click has been dealt with
  window.setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}

/** A file and its name with the folders that it was dropped with. */
export type Given = { file: File; path: string }

/** Sends files, telling how much has gone; resolves to the server's answer. */
export function upload<T>(path: string, files: Given[], told: (share: number) => void, stop: AbortSignal): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest()
    request.open('POST', path)
    request.setRequestHeader('X-Who', encodeURIComponent(whoAmI()))
    request.upload.onprogress = (e) => told(e.total > 0 ? e.loaded / e.total : 0)
    request.onerror = () => reject(new Unanswered(OFFLINE))
    request.onabort = () => reject(new Error('Stopped. Nothing of it was kept that was not whole.'))
    request.onload = () => {
      const said = JSON.parse(request.responseText || '{}') as T & { message?: string }
      if (request.status >= 200 && request.status < 300) {
        resolve(said)
      } else {
        reject(said.message ? new Error(said.message) : new Unanswered(OFFLINE))
      }
    }
    stop.addEventListener('abort', () => request.abort())
    const form = new FormData()
    // one field of lines before the files, so that a folder stays with its file whatever is in its name
    form.append('paths', files.map((f) => f.path.replaceAll('\n', ' ')).join('\n'))
    files.forEach(({ file }) => form.append('files', file, file.name))
    request.send(form)
  })
}
