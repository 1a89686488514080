import { useState } from 'react'
import { sayError } from '../../desk/messages'
import { readNumber } from '../../parts/typed'

type Props = {
  label: string
  unit: string
  value: number
  digits: number
  give: (v: number) => void
  /** whether nobody ever set it */
  untouched?: boolean
  /** whether it is none of what was chosen to work with */
  outside?: boolean
  /** what a changed value will do, in words */
  does?: string
  told?: (does: string | undefined) => void
  disabled?: boolean
}

/** A number that can be typed over; `+` and `−` before it count from what is there. */
export function NumberField({ label, unit, value, digits, give, untouched, outside, does, told, disabled }: Props) {
  const [typed, setTyped] = useState<string>()
  const end = () => {
    told?.(undefined)
    if (typed !== undefined && typed.trim() !== '') {
      const number = read(typed, value)
      if (Number.isFinite(number)) {
        give(number)
      } else {
        sayError(new Error(`"${typed}" is no number`))
      }
    }
    setTyped(undefined)
  }
  return (
    <label className="flex items-center gap-1 text-[12.5px] text-quiet" title={untouched ? 'as it was made: nobody has set it yet' : does}>
      <span className="w-9 shrink-0">{label}</span>
      <input
        className={`field num w-full min-w-0 px-1.5! py-0.5! ${untouched ? 'border-dashed! italic text-quiet!' : outside ? 'text-text! underline decoration-dotted' : 'text-text!'}`}
        value={typed ?? value.toFixed(digits)}
        aria-label={`${label}${unit && `, ${unit}`}`}
        data-untouched={untouched}
        disabled={disabled}
        onFocus={(e) => {
          e.target.select()
          told?.(does)
        }}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={end}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.currentTarget.blur()
          } else if (e.key === 'Escape') {
            setTyped(undefined)
          }
        }}
      />
    </label>
  )
}

/** A comma and a true minus are read; `+2` and `+-2` go on from what is there. */
function read(typed: string, value: number): number {
  const text = typed.trim()
  return text.startsWith('+') ? value + readNumber(text.slice(1)) : readNumber(text)
}
