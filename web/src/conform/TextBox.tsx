import { useEffect, useRef, useState } from 'react'
import { isLeftForGood } from '../parts/leftForGood'
import { useUngiven } from './useUngiven'

type Props = { label: string; start?: string; hint?: string; give: (text: string) => void; close: () => void }

/** Asks for some words: Enter gives them, Escape leaves all as it is. */
export function TextBox({ label, start = '', hint = 'Enter', give, close: leave }: Props) {
  const [typed, setTyped] = useState(start)
  const ends = useUngiven(label, typed, start)
  const close = () => {
    ends()
    leave()
  }
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => {
    field.current?.focus()
    field.current?.select()
  }, [])
  return (
    <form
      className="absolute left-1/2 top-[46%] z-30 flex max-w-[92%] -translate-x-1/2 items-center gap-3 rounded-lg border border-line bg-raised px-4 py-2 shadow-xl"
      onSubmit={(e) => {
        e.preventDefault()
        if (typed.trim()) {
          give(typed.trim())
          close()
        }
      }}
    >
      <label htmlFor="asked-text" className="whitespace-nowrap">
        {label}
      </label>
      <input
        id="asked-text"
        ref={field}
        className="field w-72"
        value={typed}
        autoComplete="off"
        onChange={(e) => setTyped(e.target.value)}
        onBlur={(e) => isLeftForGood(e) && close()}
        onKeyDown={(e) => e.key === 'Escape' && close()}
      />
      <span className="whitespace-nowrap text-quiet">{hint}</span>
    </form>
  )
}
