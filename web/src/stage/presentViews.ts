/** What the pictures of the stage show now, for whoever wants one of them at another size. */
import { useEffect } from 'react'
import type { Seen } from '../painting/orders'

export type PresentView = {
  /** as people call it */
  name: string
  /** in the delivery frame, without what lies around it */
  seen: Seen & { blur?: { focus: number; farCircle: number } }
  places: Float32Array
  /** metres to the eye of a flat view */
  flat?: number
}

const shown = new Map<string, PresentView>()

/** Makes known what a picture shows, while it shows it. */
export function usePresentView(pane: string, view: PresentView) {
  useEffect(() => {
    shown.set(pane, view)
  })
  useEffect(() => () => void shown.delete(pane), [pane])
}

export const presentViews = () => [...shown.entries()].map(([pane, view]) => ({ pane, ...view }))
