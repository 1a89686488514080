import { useTypedOver } from './useTyped'

type Props = { label: string; of: string | number; name: string; className?: string; give: (name: string) => void }

/** A name that is typed over where it stands. An empty one and the same are no news. */
export function NameField({ label, of, name, className = '', give }: Props) {
  return <input className={`min-w-0 bg-transparent ${className}`} aria-label={label} {...useTypedOver(of, name, give)} />
}
