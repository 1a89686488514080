import { expect, it } from 'vitest'

/** What may import what: each room those of the rows before it, and no room another of its own row. */
const ROWS = [
  ['parts', 'desk'],
  ['server'],
  ['playhead'],
  ['painting'],
  ['pictures'],
  ['intake', 'conform', 'stage', 'renders', 'review', 'turnover'],
  ['app'],
]

const FILES = import.meta.glob<string>('./*/**/*.{ts,tsx}', { query: '?raw', eager: true, import: 'default' })

const row = (room: string) => ROWS.findIndex((rooms) => rooms.includes(room))
const roomOf = (path: string) => path.split('/')[1] ?? ''

/** Rooms that a file imports from: a path that leaves its own begins with `../`. */
const importsOf = (text: string) => [...text.matchAll(/(?:from |import\()'(?:\.\.\/)+([a-z]+)\/[^']+'/gi)].map((m) => m[1] ?? '')

it('has arrows one way only: every room imports rooms below it', () => {
  const ours = Object.entries(FILES).filter(([path]) => !path.includes('.test.'))
  expect(
    [...new Set(ours.map(([path]) => roomOf(path)))].filter((room) => row(room) < 0),
    'rooms that no row names',
  ).toEqual([])
  const wrong = ours.flatMap(([path, text]) =>
    importsOf(text)
      .filter((to) => to !== roomOf(path) && row(to) >= row(roomOf(path)))
      .map((to) => `${path} imports ${to}`),
  )
  expect(wrong).toEqual([])
  expect(ours.flatMap(([, text]) => importsOf(text)).length, 'imports were found').toBeGreaterThan(100)
})
