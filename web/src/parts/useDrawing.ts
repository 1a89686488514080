import { type RefObject, useEffect } from 'react'

/** Draws into a canvas at the screen's own resolution, after every render. */
export function useDrawing(
  canvas: RefObject<HTMLCanvasElement | null>,
  width: number,
  height: number,
  draw: (g: CanvasRenderingContext2D) => void,
) {
  useEffect(() => {
    const element = canvas.current
    // kept in main memory: thousands of small strokes draw evenly there, also where there is no graphics card
    const g = element?.getContext('2d', { willReadFrequently: true })
    if (!element || !g || width === 0) {
      return
    }
    const ratio = window.devicePixelRatio
    const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)]
    if (element.width !== w || element.height !== h) {
      element.width = w
      element.height = h
    }
    g.setTransform(ratio, 0, 0, ratio, 0, 0)
    g.clearRect(0, 0, width, height)
    draw(g)
  })
}
