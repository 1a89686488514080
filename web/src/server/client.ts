/** Talking to the server. Every failure is an Error whose message is a sentence for people. */
import { setLine } from '../desk/line'
import { Unanswered } from '../desk/messages'

const OFFLINE = 'The server does not answer. What you see stays; it is asked again as soon as the server is back.'
const NOT_DONE = 'Not done: the server does not answer. When the top line says that it is there again, look, and do it once more.'

export function whoAmI(): string {
  return localStorage.getItem('who') ?? ''
}

async function answer(response: Response): Promise<Response> {
  if (response.ok) {
    return response
  }
  const said: unknown = await response.json().catch(() => null)
  const message = said && typeof said === 'object' && 'message' in said ? String(said.message) : OFFLINE
  throw new Error(message)
}

async function ask(path: string, init: RequestInit = {}): Promise<Response> {
  const headers = new Headers(init.headers)
  headers.set('X-Who', encodeURIComponent(whoAmI()))
  let response: Response
  try {
    response = await fetch(path, { ...init, headers })
  } catch {
    setLine(false)
    throw new Unanswered(init.method === 'POST' ? NOT_DONE : OFFLINE)
  }
  setLine(true)
  return answer(response)
}

export async function getJson<T>(path: string): Promise<T> {
  return (await ask(path)).json() as Promise<T>
}

export async function getText(path: string): Promise<string> {
  return (await ask(path)).text()
}

export async function getBytes(path: string): Promise<ArrayBuffer> {
  return (await ask(path)).arrayBuffer()
}

/** @param seen the project's number of edits that is shown: a refusal then says who came between */
export async function post<T = void>(path: string, body?: unknown, seen?: number): Promise<T> {
  const response = await ask(path, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...(seen === undefined ? {} : { 'X-Seen': String(seen) }) },
    body: body === undefined ? undefined : JSON.stringify(body),
  })
  const text = await response.text()
  return (text ? JSON.parse(text) : undefined) as T
}

/** Asks for a file and saves it under the name that the server gives it. */
export async function saveFile(path: string): Promise<void> {
  const response = await ask(path, { method: 'POST' })
  const name = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? 'list'
  const link = document.createElement('a')
  link.href = URL.createObjectURL(await response.blob())
  link.download = name
  document.body.append(link)
  link.click()
  link.remove()
  // the browser reads it after the click has been dealt with
  window.setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}

let last: Promise<unknown> = Promise.resolve()

/** Edits go one after another, in the order in which they were asked for, however fast somebody types. */
export function postInOrder<T = void>(path: string, body?: unknown, seen?: number): Promise<T> {
  const next = last.then(() => post<T>(path, body, seen))
  last = next.catch(() => undefined)
  return next
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
