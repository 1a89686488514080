import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

type Props = {
  title: string
  /** what it is for, below its title */
  says: ReactNode
  saysClass?: string
  /** where it lies and how large it is */
  className: string
  /** title and words in one line */
  inLine?: boolean
  close: () => void
  children: ReactNode
}

/** A box over the window, which is dealt with before anything else. */
export function Box({ title, says, saysClass = '', className, inLine = false, close, children }: Props) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content className={`fixed z-50 flex flex-col rounded-lg border border-line bg-raised p-4 shadow-2xl ${className}`}>
          <div className={inLine ? 'flex items-baseline gap-3' : ''}>
            <Dialog.Title className="text-[17px] font-semibold">{title}</Dialog.Title>
            <Dialog.Description className={`text-quiet ${saysClass}`}>{says}</Dialog.Description>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
