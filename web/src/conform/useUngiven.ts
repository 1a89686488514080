import { useEffect, useRef } from 'react'
import { sayError } from '../desk/messages'

/**
 * A box that asks for something goes where what it asks about is taken away, or another view is opened. What was typed into it
 * meanwhile is said, so that nobody takes it for done.
 *
 * @return to be called before the box goes by its own keys: then nothing is lost
 */
export function useUngiven(label: string, typed: string, start: string): () => void {
  const now = useRef({ label, typed, start, ends: false })
  now.current = { ...now.current, label, typed, start }
  useEffect(
    () => () => {
      const { ends, typed: lost, start: before } = now.current
      if (!ends && lost.trim() !== '' && lost !== before) {
        sayError(new Error(`${now.current.label} ${lost}: not done, the box went before Enter was pressed`))
      }
    },
    [],
  )
  return () => {
    now.current.ends = true
  }
}
