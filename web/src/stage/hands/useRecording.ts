/** The scout view recorded as it is walked or flown, and made the camera's movement with few keys. */
import { useEffect } from 'react'
import { say, sayError } from '../../desk/messages'
import type { StageShot } from '../../server/types'
import { editCamera } from '../edits'
import { type ScoutPlace, setStage, useStageDesk } from '../stageDesk'
import { matrixOf } from './matrices'

/** Samples nearer together than this say no more, seconds. */
const FINEST = 0.01

export function useRecording(stage: StageShot, place: ScoutPlace, shotFrame: number) {
  const recording = useStageDesk((d) => d.recording)

  useEffect(() => {
    const now = useStageDesk.getState().recording
    if (now) {
      const at = sample(place, now.begun)
      const last = now.samples.at(-1)
      if (!last || at.seconds - last.seconds >= FINEST) {
        setStage({ recording: { ...now, samples: [...now.samples, at] } })
      }
    }
  }, [place])
  useEffect(() => () => void setStage({ recording: undefined }), [stage.shotId])

  const begin = () => {
    if (stage.locked) {
      sayError(new Error(`"${stage.camera}" is locked because it is finished: unlock it first`))
      return
    }
    const begun = performance.now()
    setStage({ recording: { from: shotFrame, begun, samples: [sample(place, begun)] } })
  }
  const end = async () => {
    const { recording: now, keeps } = useStageDesk.getState()
    setStage({ recording: undefined })
    if (!now) {
      return
    }
    // it stood still until now
    const samples = [...now.samples, sample(place, now.begun)]
    if (await editCamera(stage.shotId, { kind: 'WALK', from: now.from, samples, ...keeps })) {
      say(`Recorded from ${now.from} on, kept within ${Math.round(keeps.metres * 100)} cm and ${keeps.degrees}° of what was walked`)
    }
  }
  return {
    recording: !!recording,
    toggle: () => (recording ? void end() : begin()),
    drop: () => setStage({ recording: undefined }),
  }
}

const sample = (place: ScoutPlace, begun: number) => ({
  seconds: (performance.now() - begun) / 1000,
  placed: [...matrixOf(place).elements],
  lens: place.lens,
})
