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

/** The same in whole pixels, so that what is drawn falls on them. */
export function useWholeSize(element: RefObject<HTMLElement | null>) {
  const { width, height } = useSize(element)
  return { width: Math.floor(width / 2) * 2, height: Math.floor(height / 2) * 2 }
}
