import { useEffect, useRef, useState } from 'react'
import { isLeftForGood } from '../parts/leftForGood'
import { useUngiven } from './useUngiven'

/** @property ways offered beside the number, the first one chosen */
export type Question = {
  label: string
  unit: string
  start: string
  give: (value: number, way: string) => void
  fraction?: boolean
  ways?: [string, string][]
}

/** Asks for one number, typed: Enter gives it, Escape leaves all as it is. */
export function NumberBox({ question, close: leave }: { question: Question; close: () => void }) {
  const [typed, setTyped] = useState(question.start)
  const ends = useUngiven(question.label, typed, question.start)
  const close = () => {
    ends()
    leave()
  }
  const [way, setWay] = useState(question.ways?.[0]?.[0] ?? '')
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => {
    field.current?.focus()
    field.current?.select()
  }, [])
  const value = Number(typed.replace('−', '-').replace(',', '.').replace(/\s/g, ''))
  const wrong = typed.trim() === '' || !Number.isFinite(value) || (!question.fraction && !Number.isInteger(value))
  return (
    <form
      className="absolute left-1/2 top-[46%] z-30 flex -translate-x-1/2 items-center gap-3 rounded-lg border border-line bg-raised px-4 py-2 shadow-xl"
      onSubmit={(e) => {
        e.preventDefault()
        if (!wrong) {
          question.give(value, way)
          close()
        }
      }}
    >
      <label htmlFor="asked-number">{question.label}</label>
      <input
        id="asked-number"
        ref={field}
        className="field num w-24"
        value={typed}
        autoComplete="off"
        onChange={(e) => setTyped(e.target.value)}
        onBlur={(e) => isLeftForGood(e) && !e.currentTarget.form?.contains(e.relatedTarget) && close()}
        onKeyDown={(e) => e.key === 'Escape' && close()}
      />
      {question.ways && (
        <select
          className="field"
          aria-label="How"
          value={way}
          onChange={(e) => setWay(e.target.value)}
          onKeyDown={(e) => e.key === 'Escape' && close()}
        >
          {question.ways.map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      )}
      <span className="text-quiet">
        {wrong ? (question.fraction ? 'a number' : 'a whole number, such as 12 or −3') : `${question.unit}, Enter`}
      </span>
    </form>
  )
}
