import { useState } from 'react'

type Props = {
  /** what it is, for whoever does not see where it stands */
  label: string
  /** what stands there until something is typed */
  shown?: string
  placeholder?: string
  className?: string
  disabled?: boolean
  /** told what was typed, when it is left or Enter is pressed; nothing and what stands there already are no news */
  give: (typed: string) => void
}

/** A field that is typed over and shows what is so again afterwards. */
export function TypedField({ label, shown = '', placeholder, className = '', disabled, give }: Props) {
  const [typed, setTyped] = useState<string>()
  const end = () => {
    const text = typed?.trim()
    if (text && text !== shown) {
      give(text)
    }
    setTyped(undefined)
  }
  return (
    <input
      className={`field num ${className}`}
      aria-label={label}
      placeholder={placeholder}
      value={typed ?? shown}
      disabled={disabled}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={end}
      onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
    />
  )
}
