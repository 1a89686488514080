import { type RefObject, useEffect } from 'react'

/** Draws into a canvas at the screen's own resolution, after every render. */
export function useDrawing(canvas: RefObject<HTMLCanvasElement | null>, width: number, height: number, draw: (g: CanvasRenderingContext2D) => void) {
  useEffect(() => {
    const element = canvas.current
    const g = element?.getContext('2d')
    if (!element || !g || width === 0) {
      return
    }
    const ratio = window.devicePixelRatio
    element.width = Math.round(width * ratio)
    element.height = Math.round(height * ratio)
    g.setTransform(ratio, 0, 0, ratio, 0, 0)
    g.clearRect(0, 0, width, height)
    draw(g)
  })
}
