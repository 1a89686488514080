/** The scout view recorded as it is walked or flown, and made the camera's movement with few keys. */
import { useEffect, useRef, useState } from 'react'
import { say, sayError } from '../../desk/messages'
import type { StageShot } from '../../server/types'
import { editCamera } from '../edits'
import { useStageDesk } from '../stageDesk'
import { matrixOf, type ScoutPlace } from './matrices'

/** Samples nearer together than this say no more, seconds. */
const FINEST = 0.01

type Recording = { from: number; begun: number }

export function useRecording(stage: StageShot, place: ScoutPlace, shotFrame: number) {
  const [recording, setRecording] = useState<Recording>()
  const samples = useRef<Sample[]>([])

  useEffect(() => {
    if (recording) {
      const at = sample(place, recording.begun)
      const last = samples.current.at(-1)
      if (!last || at.seconds - last.seconds >= FINEST) {
        samples.current.push(at)
      }
    }
  }, [place, recording])

  const begin = () => {
    if (stage.locked) {
      sayError(new Error(`"${stage.camera}" is locked because it is finished: unlock it first`))
      return
    }
    samples.current = []
    setRecording({ from: shotFrame, begun: performance.now() })
  }
  const end = async ({ from, begun }: Recording) => {
    const { keeps } = useStageDesk.getState()
    setRecording(undefined)
    // it stood still until now
    const all = [...samples.current, sample(place, begun)]
    if (await editCamera(stage.shotId, { kind: 'WALK', from, samples: all, ...keeps })) {
      say(`Recorded from ${from} on, kept within ${Math.round(keeps.metres * 100)} cm and ${keeps.degrees}° of what was walked`)
    }
  }
  return {
    recording,
    toggle: () => (recording ? void end(recording) : begin()),
    drop: () => setRecording(undefined),
  }
}

type Sample = ReturnType<typeof sample>

const sample = (place: ScoutPlace, begun: number) => ({
  seconds: (performance.now() - begun) / 1000,
  placed: [...matrixOf(place).elements],
  lens: place.lens,
})
