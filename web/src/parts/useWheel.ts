import { type RefObject, useEffect } from 'react'

/** A wheel over a drawing: with Ctrl or Alt it zooms about the place under it, else it pans. Places and ways are in pixels. */
export function useWheel(
  canvas: RefObject<HTMLCanvasElement | null>,
  zoom: (factor: number, x: number) => void,
  pan: (pixels: number) => void,
) {
  useEffect(() => {
    const element = canvas.current
    if (!element) {
      return
    }
    const wheel = (e: WheelEvent) => {
      e.preventDefault()
      if (e.ctrlKey || e.altKey) {
        zoom(Math.exp(e.deltaY * 0.004), e.clientX - element.getBoundingClientRect().left)
      } else {
        pan(Math.abs(e.deltaX) > Math.abs(e.deltaY) ? e.deltaX : e.deltaY)
      }
    }
    element.addEventListener('wheel', wheel, { passive: false })
    return () => element.removeEventListener('wheel', wheel)
  })
}
