import { useEffect, useState } from 'react'
import { useDesk } from '../desk/desk'
import type { Sequence } from '../server/types'
import { liveAt } from './lookup'
import { useTransport } from './transport'

/** The playhead for what need not follow every frame: while it plays, only where another piece becomes live. */
export function useCalmFrame(sequence: Sequence): number {
  const [frame, setFrame] = useState(() => useDesk.getState().frame)
  useEffect(() => {
    let live = liveAt(sequence, useDesk.getState().frame).section
    const look = () => {
      const { frame: now } = useDesk.getState()
      const section = liveAt(sequence, now).section
      if (useTransport.getState().speed === 0 || section !== live) {
        live = section
        setFrame(now)
      }
    }
    look()
    const stops = [useDesk.subscribe(look), useTransport.subscribe(look)]
    return () => stops.forEach((stop) => stop())
  }, [sequence])
  return frame
}
