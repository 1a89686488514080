import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef } from 'react'

type Props<T> = {
  rows: T[]
  height: number
  label: string
  /** index that is kept in view */
  at?: number
  children: (row: T, index: number) => React.ReactNode
}

/** A long list of which only what is seen is there. */
export function Rows<T>({ rows, height, label, at, children }: Props<T>) {
  const box = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => height,
    overscan: 4,
  })
  useEffect(() => {
    if (at !== undefined && at >= 0) {
      virtual.scrollToIndex(at, { align: 'auto' })
    }
  }, [at, virtual])
  return (
    <div
      ref={box}
      className="scroll min-h-0 flex-1 max-[900px]:h-[320px] max-[900px]:flex-none"
      tabIndex={0}
      role="list"
      aria-label={label}
    >
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index]
          return (
            row !== undefined && (
              <div
                key={index}
                role="listitem"
                aria-setsize={rows.length}
                aria-posinset={index + 1}
                style={{ position: 'absolute', top: start, height, left: 0, right: 0 }}
              >
                {children(row, index)}
              </div>
            )
          )
        })}
      </div>
    </div>
  )
}
