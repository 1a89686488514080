import { useLayoutEffect, useRef } from 'react'
import { useDesk } from '../desk/desk'
import { useTransport } from './transport'

/** Moves what goes along with the playhead, at every frame, without React: only what `place` writes changes. */
export function useAtPlayhead(place: (frame: number) => void) {
  useLayoutEffect(() => {
    place(useDesk.getState().frame)
    return useDesk.subscribe(({ frame }, { frame: before }) => {
      if (frame !== before) {
        place(frame)
      }
    })
  })
}

/** The frame at which time last stood still, for what is asked of the server: nothing is asked frame by frame while time runs. */
export function useRestingFrame(frame: number): { frame: number; runs: boolean } {
  const runs = useTransport((t) => t.speed !== 0)
  const rested = useRef(frame)
  if (!runs) {
    rested.current = frame
  }
  return { frame: rested.current, runs }
}
