import { useEffect, useRef, useState } from 'react'

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
  const [top, setTop] = useState(0)
  const [room, setRoom] = useState(600)
  useEffect(() => {
    const element = box.current!
    const observer = new ResizeObserver(() => setRoom(element.clientHeight))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  useEffect(() => {
    const element = box.current
    if (element && at !== undefined && at >= 0) {
      if (at * height < element.scrollTop) {
        element.scrollTop = at * height
      } else if ((at + 1) * height > element.scrollTop + element.clientHeight) {
        element.scrollTop = (at + 1) * height - element.clientHeight
      }
    }
  }, [at, height])
  const first = Math.max(0, Math.floor(top / height) - 4)
  const last = Math.min(rows.length, Math.ceil((top + room) / height) + 4)
  return (
    <div ref={box} className="scroll min-h-0 flex-1 max-[900px]:h-[320px] max-[900px]:flex-none" tabIndex={0} onScroll={(e) => setTop(e.currentTarget.scrollTop)} role="list" aria-label={label}>
      <div style={{ height: rows.length * height, position: 'relative' }}>
        {rows.slice(first, last).map((row, i) => (
          <div key={first + i} role="listitem" aria-setsize={rows.length} aria-posinset={first + i + 1}
            style={{ position: 'absolute', top: (first + i) * height, height, left: 0, right: 0 }}>
            {children(row, first + i)}
          </div>
        ))}
      </div>
    </div>
  )
}
