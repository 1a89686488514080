import { useEffect, useState } from 'react'
import { useDesk } from '../desk/desk'
import type { Master } from '../server/types'
import { liveAt } from './lookup'
import { useTransport } from './transport'

/** The playhead for what need not follow every frame: while it plays, only where another clip becomes live. */
export function useCalmFrame(master: Master): number {
  const [frame, setFrame] = useState(() => useDesk.getState().frame)
  useEffect(() => {
    let live = liveAt(master, useDesk.getState().frame).clip
    const look = () => {
      const { frame: now } = useDesk.getState()
      const clip = liveAt(master, now).clip
      if (useTransport.getState().speed === 0 || clip !== live) {
        live = clip
        setFrame(now)
      }
    }
    look()
    const stops = [useDesk.subscribe(look), useTransport.subscribe(look)]
    return () => stops.forEach((stop) => stop())
  }, [master])
  return frame
}
