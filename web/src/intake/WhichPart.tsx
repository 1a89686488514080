import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import { refreshEdited } from '../server/queries'
import type { IntakeCut, Project } from '../server/types'

/** Which of a file's sequences is the edit, and whether shots are made of what is seen or of one lane. */
export function WhichPart({ project, cut }: { project: Project; cut: IntakeCut }) {
  const lanes = cut.lanes.map((lane, index) => ({ lane, index })).filter(({ lane }) => lane.kind === 'picture')
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
      {lanes.length > 1 && (
        <label className="flex items-center gap-2 text-quiet">
          Shots from
          <select
            className="field"
            value={cut.pickedLane ?? ''}
            disabled={cut.received}
            onChange={(e) =>
              void ask(post('/api/cuts/{id}/lane', of(cut.id, { place: e.target.value === '' ? undefined : Number(e.target.value) })))
            }
          >
            <option value="">what is seen</option>
            {lanes.map(({ lane, index }) => (
              <option key={index} value={index}>
                {lane.name} alone
              </option>
            ))}
          </select>
        </label>
      )}
    </>
  )
}
