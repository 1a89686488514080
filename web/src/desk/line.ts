/** Whether the server answers. Messages that say it does not go when it does again. */
import { create } from 'zustand'
import { LINE, putAwayAbout } from './messages'

export const useLine = create<{ there: boolean }>(() => ({ there: true }))

export function setLine(there: boolean) {
  if (useLine.getState().there !== there) {
    useLine.setState({ there })
  }
  if (there) {
    putAwayAbout(LINE)
  }
}

/** Asks every two seconds until the server answers. @throws when it is stopped before */
export async function untilThere(stop: AbortSignal): Promise<void> {
  for (;;) {
    stop.throwIfAborted()
    await new Promise((go) => window.setTimeout(go, 2000))
    try {
      if ((await fetch('/api/projects', { signal: stop })).ok) {
        setLine(true)
        return
      }
    } catch {
      // not yet
    }
  }
}
