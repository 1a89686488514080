import { sayError } from '../desk/messages'
import { plural } from '../parts/words'
import { of, post } from '../server/client'
import { refreshEdited } from '../server/queries'
import type { IntakeCut, Project, Ways } from '../server/types'
import { rateName } from './rateName'

type RateWay = Ways['rate']

/** How a cut meets the project's rate, and how clips of another rate are shown; only where there are such. */
export function RateWays({ project, cut }: { project: Project; cut: IntakeCut }) {
  const ask = async (rate: string | undefined, clips: string | undefined) => {
    try {
      await post('/api/cuts/{id}/rate-ways', { ...of(cut.id), body: { rate: rate as RateWay, clips: clips as RateWay } })
      refreshEdited(project.id)
    } catch (e) {
      sayError(e)
    }
  }
  if (!cut.ownRate && cut.clipRates.length === 0) {
    return null
  }
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-1 text-[13px]">
      {cut.ownRate && (
        <label className="flex items-center gap-2">
          <span className="tag tag-offset">rate</span>
          The cut runs at {rateName(cut.ownRate)}, the project at {rateName(cut.rate)}: it is taken
          <select className="field" disabled={cut.received} value={cut.rateWay} onChange={(e) => void ask(e.target.value, cut.clipWay)}>
            {cut.ways.map((w) => (
              <option key={w.word} value={w.word}>
                {w.words}
              </option>
            ))}
          </select>
        </label>
      )}
      {cut.clipRates.length > 0 && (
        <label className="flex items-center gap-2">
          <span className="tag">rate</span>
          {cut.clipRates.map((r) => `${plural(r.realTime + r.frameForFrame, 'clip')} at ${rateName(r.rate)}`).join(', ')}: shown
          <select
            className="field"
            disabled={cut.received}
            value={cut.clipWay ?? ''}
            onChange={(e) => void ask(cut.rateWay, e.target.value || undefined)}
          >
            <option value="">as the file has it: {asFile(cut)}</option>
            {cut.ways.map((w) => (
              <option key={w.word} value={w.word}>
                {w.words}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  )
}

function asFile(cut: IntakeCut): string {
  const real = cut.clipRates.reduce((n, r) => n + r.realTime, 0)
  const frames = cut.clipRates.reduce((n, r) => n + r.frameForFrame, 0)
  return real && frames ? `${real} by real time, ${frames} frame for frame` : real ? 'by real time' : 'frame for frame'
}
