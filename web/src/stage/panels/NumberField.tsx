import { useEffect, useRef } from 'react'
import { sayError } from '../../desk/messages'
import type { Place, Written } from '../../parts/draft'
import { readNumber } from '../../parts/typed'
import { useDraft } from '../../parts/useDraft'
import { useTyped } from '../../parts/useTyped'

type Props = {
  label: string
  unit: string
  value: number
  digits: number
  /** what it is of, a frame or a thing: what was typed or dragged belongs to what it was of then */
  of: string | number
  /** after so many edits of the project the server said the value */
  edits?: number
  give: (v: number) => Promise<Written | undefined>
  /** whether nobody ever set it */
  untouched?: boolean
  /** whether it is none of what was chosen to work with */
  outside?: boolean
  /** what a changed value will do, in words */
  does?: string
  told?: (does: string | undefined) => void
  disabled?: boolean
}

/** A number that can be typed over; `+` and `−` before it count from what is there. What was given stands there until the server has it. */
export function NumberField({ label, unit, value, digits, of, edits, give, untouched, outside, does, told, disabled }: Props) {
  const key = String(of)
  const draft = useDraft<number>(edits, key)
  const latest = useRef({ value, give })
  const place: Place<number> = {
    key,
    says: () => ({ of: latest.current.value, value: latest.current.value }),
    write: give,
  }
  const stands = draft.shown(key) ?? value
  const { typed, type, end } = useTyped(of, (text) => {
    if (text.trim() === '') {
      return
    }
    const number = read(text, stands)
    if (Number.isFinite(number)) {
      draft.put(place, number)
      draft.write()
    } else {
      sayError(new Error(`"${text}" is no number`))
    }
  })
  useEffect(() => {
    latest.current = { value, give }
  })
  // whoever makes it fast meanwhile is told of what was dragged or typed before: the server says that it is
  useEffect(() => {
    if (disabled) {
      end()
      draft.write()
    }
  }, [disabled, draft, end])
  const scrub = useScrub({
    digits,
    stands,
    isOpen: () => draft.isOpen,
    show: (v) => draft.put(place, v),
    give: () => draft.write(),
    drop: () => draft.drop(),
  })
  return (
    <label className="flex items-center gap-1 text-[12.5px] text-quiet" title={untouched ? 'as it was made: nobody has set it yet' : does}>
      <span className={`w-9 shrink-0 ${disabled ? '' : 'cursor-ew-resize touch-none'}`} {...(disabled ? {} : scrub)}>
        {label}
      </span>
      <input
        className={`field num w-full min-w-0 px-1.5! py-0.5! ${untouched ? 'border-dashed! italic text-quiet!' : outside ? 'text-text! underline decoration-dotted' : 'text-text!'}`}
        value={typed ?? stands.toFixed(digits)}
        aria-label={`${label}${unit && `, ${unit}`}`}
        data-untouched={untouched}
        disabled={disabled}
        onFocus={(e) => {
          e.target.select()
          told?.(does)
        }}
        onChange={(e) => type(e.target.value)}
        onBlur={() => {
          told?.(undefined)
          end()
        }}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
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

type Scrub = {
  digits: number
  stands: number
  isOpen: () => boolean
  show: (v: number) => void
  give: () => void
  drop: () => void
}

/** Dragging a number's word: shown while it is dragged, given when it is let go. */
function useScrub({ digits, stands, isOpen, show, give, drop }: Scrub) {
  const hold = useRef<{ x: number; from: number; moved: boolean } | undefined>(undefined)
  const scrubbed = useRef(false)
  return {
    onPointerDown: (e: React.PointerEvent) => {
      scrubbed.current = false
      hold.current = { x: e.clientX, from: stands, moved: false }
      e.currentTarget.setPointerCapture?.(e.pointerId)
    },
    onPointerMove: (e: React.PointerEvent) => {
      const h = hold.current
      if (h?.moved && !isOpen()) {
        // it was given already: the hand holds nothing any more
        hold.current = undefined
      } else if (h && e.clientX !== h.x) {
        const step = 10 ** -digits * (e.shiftKey ? 10 : 1)
        scrubbed.current = true
        h.moved = true
        show(h.from + Math.round((e.clientX - h.x) / PIXELS) * step)
      }
    },
    onPointerUp: (e: React.PointerEvent) => {
      if (hold.current?.moved) {
        e.preventDefault()
      }
      hold.current = undefined
      give()
    },
    onPointerCancel: () => {
      hold.current = undefined
      drop()
    },
    // a press alone still means the number beside the word
    onClick: (e: React.MouseEvent) => scrubbed.current && e.preventDefault(),
  }
}
