import { setLine, untilThere } from '../desk/line'
import { Unanswered } from '../desk/messages'
import { type Given, upload } from './client'
import type { Arrival } from './types'

/** So many go at once: what has come is looked at and kept before the next, and a stop loses none of it. */
export const BATCH = 100

/** A batch goes again from its start when the server is back: what of it was kept before is known by its content. */
export async function sent(
  projectId: number,
  batch: Given[],
  told: (share: number) => void,
  stop: AbortSignal,
  waits: (on: boolean) => void,
): Promise<Arrival> {
  for (;;) {
    try {
      return await upload<Arrival>(`/api/projects/${projectId}/files`, batch, told, stop)
    } catch (e) {
      if (!(e instanceof Unanswered)) {
        throw e
      }
      setLine(false)
      waits(true)
      await untilThere(stop).catch(() => {
        throw new Error('Stopped. Nothing of it was kept that was not whole.')
      })
      waits(false)
    }
  }
}
