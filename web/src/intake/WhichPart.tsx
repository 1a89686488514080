import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import { refreshEdited } from '../server/queries'
import type { IntakeCut, Project } from '../server/types'

/** Which of a file's sequences is the edit, and whether shots are made of what is seen or of one track. */
export function WhichPart({ project, cut }: { project: Project; cut: IntakeCut }) {
  const tracks = cut.tracks.map((track, index) => ({ track, index })).filter(({ track }) => track.kind === 'picture')
  const ask = async (work: Promise<void>) => {
    try {
      await work
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <>
      {cut.choices.length > 1 && (
        <label className="flex items-center gap-2 text-quiet">
          Sequence
          <select
            className="field max-w-56"
            value={cut.chosen}
            disabled={cut.received}
            onChange={(e) => void ask(post('/api/cuts/{id}/sequence', of(cut.id, { index: Number(e.target.value) })))}
          >
            {cut.choices.map((c, i) => (
              <option key={i} value={i}>
                {c.name || `Sequence ${i + 1}`}, {c.events} events
              </option>
            ))}
          </select>
        </label>
      )}
      {tracks.length > 1 && (
        <label className="flex items-center gap-2 text-quiet">
          Shots from
          <select
            className="field"
            value={cut.pickedTrack ?? ''}
            disabled={cut.received}
            onChange={(e) =>
              void ask(post('/api/cuts/{id}/track', of(cut.id, { place: e.target.value === '' ? undefined : Number(e.target.value) })))
            }
          >
            <option value="">what is seen</option>
            {tracks.map(({ track, index }) => (
              <option key={index} value={index}>
                {track.name} alone
              </option>
            ))}
          </select>
        </label>
      )}
    </>
  )
}
