import { create } from 'zustand'
import { useActions } from '../desk/actions'

/** Which picture fills the window, and which the pointer was over last. */
export const useFills = create<{ fills?: string; over?: string }>(() => ({}))

/** A part of a view that can fill the window and come back, with its picture in it. @param name of it in its view */
export function Fills({ name, className = '', children }: { name: string; className?: string; children: React.ReactNode }) {
  const fills = useFills((f) => f.fills === name)
  return (
    <div
      className={fills ? 'fixed inset-0 z-40 flex flex-col bg-deep p-2' : `flex min-h-0 min-w-0 flex-1 flex-col ${className}`}
      onPointerEnter={() => useFills.setState({ over: name })}
      data-fills={fills ? name : undefined}
    >
      {children}
    </div>
  )
}

/** Offers the key by which a picture fills the window. @param usual the one that is meant where no pointer was over any */
export function useFilling(names: readonly string[], usual: string) {
  const { fills, over } = useFills()
  const meant = over && names.includes(over) ? over : usual
  useActions('fills', [
    {
      group: 'Views',
      name: fills ? 'The picture back to its place' : 'The picture fills the window',
      keys: 'Shift+Space',
      run: () => useFills.setState({ fills: fills ? undefined : meant }),
    },
  ])
}
