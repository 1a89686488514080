import { useRef, useState } from 'react'
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
  const scrub = useScrub(
    value,
    digits,
    (v) => setTyped(v?.toFixed(digits)),
    (v) => {
      give(v)
      setTyped(undefined)
    },
  )
  return (
    <label className="flex items-center gap-1 text-[12.5px] text-quiet" title={untouched ? 'as it was made: nobody has set it yet' : does}>
      <span className={`w-9 shrink-0 ${disabled ? '' : 'cursor-ew-resize touch-none'}`} {...(disabled ? {} : scrub)}>
        {label}
      </span>
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

/** Pixels of the hand that change the last digit by one. */
const PIXELS = 4

/** Dragging a number's word: shown while it is dragged, given when it is let go. */
function useScrub(value: number, digits: number, show: (v: number | undefined) => void, give: (v: number) => void) {
  const hold = useRef<{ x: number; to: number } | undefined>(undefined)
  const scrubbed = useRef(false)
  return {
    onPointerDown: (e: React.PointerEvent) => {
      scrubbed.current = false
      hold.current = { x: e.clientX, to: value }
      e.currentTarget.setPointerCapture?.(e.pointerId)
    },
    onPointerMove: (e: React.PointerEvent) => {
      const h = hold.current
      if (h && e.clientX !== h.x) {
        const step = 10 ** -digits * (e.shiftKey ? 10 : 1)
        scrubbed.current = true
        h.to = value + Math.round((e.clientX - h.x) / PIXELS) * step
        show(h.to)
      }
    },
    onPointerUp: (e: React.PointerEvent) => {
      const h = hold.current
      hold.current = undefined
      if (h && h.to !== value) {
        e.preventDefault()
        give(h.to)
      }
    },
    onPointerCancel: () => {
      hold.current = undefined
      show(undefined)
    },
    // a press alone still means the number beside the word
    onClick: (e: React.MouseEvent) => scrubbed.current && e.preventDefault(),
  }
}
