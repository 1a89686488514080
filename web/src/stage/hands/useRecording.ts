/** The scout view recorded as it is walked or flown, and made the camera's movement with few keys. */
import { useEffect, useRef, useState } from 'react'
import { say, sayError } from '../../desk/messages'
import { keepUnwritten } from '../../parts/unwritten'
import type { StageShot } from '../../server/types'
import { editCamera } from '../edits'
import { useStageDesk } from '../stageDesk'
import { matrixOf, type ScoutPlace } from './matrices'

/** Samples nearer together than this say no more, seconds. */
const FINEST = 0.01

/** @property shotId whose camera it is for, @property from its frame at which it began, @property begun on the machine's clock, ms */
type Recording = { shotId: number; from: number; begun: number }

export function useRecording(stage: StageShot, place: ScoutPlace, shotFrame: number) {
  const [recording, setRecording] = useState<Recording>()
  const samples = useRef<Sample[]>([])
  const now = useRef({ recording, place })
  now.current = { recording, place }

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
    setRecording({ shotId: stage.shotId, from: shotFrame, begun: performance.now() })
  }
  const end = useRef(() => {
    const { recording: made, place: stood } = now.current
    if (made) {
      now.current.recording = undefined
      setRecording(undefined)
      // it stood still until now
      void write(made, [...samples.current, sample(stood, made.begun)])
    }
  })
  // a walk is written where one goes elsewhere, looks elsewhere, or the window ends
  useEffect(() => {
    const forget = keepUnwritten(() => end.current())
    return () => {
      forget()
      end.current()
    }
  }, [])
  return {
    recording,
    toggle: () => (recording ? end.current() : begin()),
    drop: () => setRecording(undefined),
  }
}

async function write({ shotId, from }: Recording, samples: Sample[]) {
  const { keeps } = useStageDesk.getState()
  if (await editCamera(shotId, { kind: 'WALK', from, samples, ...keeps })) {
    say(`Recorded from ${from} on, kept within ${Math.round(keeps.metres * 100)} cm and ${keeps.degrees}° of what was walked`)
  }
}

type Sample = ReturnType<typeof sample>

const sample = (place: ScoutPlace, begun: number) => ({
  seconds: (performance.now() - begun) / 1000,
  placed: [...matrixOf(place).elements],
  lens: place.lens,
})
