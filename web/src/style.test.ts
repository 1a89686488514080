import { expect, it } from 'vitest'

const VIEWS = import.meta.glob<string>(['./**/*.{ts,tsx}', '!./**/*.test.*'], { query: '?raw', eager: true, import: 'default' })
const STYLE = import.meta.glob<string>('./style.css', { query: '?raw', eager: true, import: 'default' })

it('is used by some view, class by class: one that was renamed on one side alone shows what it should hide', () => {
  const views = Object.values(VIEWS).join('\n')
  const classes = [
    ...Object.values(STYLE)
      .join('\n')
      .matchAll(/^\s*\.([a-z][a-z-]+)/gm),
  ].map((m) => String(m[1]))
  expect(classes).toContain('track-reader')
  expect([...new Set(classes)].filter((name) => !new RegExp(`\\b${name}\\b`).test(views))).toEqual([])
})
