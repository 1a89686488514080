import { type RefObject, useEffect, useState } from 'react'

/** The size of an element, as it changes. */
export function useSize(element: RefObject<HTMLElement | null>) {
  const [size, setSize] = useState({ width: 0, height: 0 })
  useEffect(() => {
    if (!element.current) {
      return
    }
    const observer = new ResizeObserver(([entry]) => entry && setSize({ width: entry.contentRect.width, height: entry.contentRect.height }))
    observer.observe(element.current)
    return () => observer.disconnect()
  }, [element])
  return size
}
