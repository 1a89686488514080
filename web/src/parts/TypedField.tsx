import { useTypedOver } from './useTyped'

type Props = {
  /** what it is, for whoever does not see where it stands */
  label: string
  /** what it is of, where that changes under it: what was typed is given to what it was of then */
  of?: string | number
  /** what stands there until something is typed */
  shown?: string
  placeholder?: string
  className?: string
  disabled?: boolean
  /** told what was typed, when it is left or Enter is pressed; nothing and what stands there already are no news */
  give: (typed: string) => void
}

/** A field that is typed over and shows what is so again afterwards. Escape leaves all as it is. */
export function TypedField({ label, of, shown = '', placeholder, className = '', disabled, give }: Props) {
  const over = useTypedOver(of, shown, give)
  return <input className={`field num ${className}`} aria-label={label} placeholder={placeholder} disabled={disabled} {...over} />
}
