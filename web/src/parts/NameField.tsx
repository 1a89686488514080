import { useTyped } from './useTyped'

type Props = { label: string; of: string | number; name: string; className?: string; give: (name: string) => void }

/** A name that is typed over where it stands. An empty one and the same are no news. */
export function NameField({ label, of, name, className = '', give }: Props) {
  const { typed, type, end } = useTyped(of, (text) => {
    if (text.trim() && text.trim() !== name) {
      give(text.trim())
    }
  })
  return (
    <input
      className={`min-w-0 bg-transparent ${className}`}
      aria-label={label}
      value={typed ?? name}
      onChange={(e) => type(e.target.value)}
      onBlur={end}
      onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
    />
  )
}
