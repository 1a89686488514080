import { setDesk } from '../desk/desk'
import { bytesInWords, plural } from '../parts/words'
import { goTo } from '../playhead/transport'
import { useForecast } from '../server/queries'
import type { Forecast as Foreseen, Master, Output, Recipe, RenderAsk } from '../server/types'
import { isMovie, KINDS, written } from './recipes'

/** What will be written, said before it is: how many files of which kind, where, how large, how long; and what to look at first. */
export function Forecast({ ask, recipe, master }: { ask: RenderAsk; recipe: Recipe; master: Master }) {
  const { data: seen, error } = useForecast(master.projectId, ask)
  if (error) {
    return (
      <p role="alert" className="text-offset">
        {error.message}
      </p>
    )
  }
  if (!seen) {
    return <p className="text-quiet">Counting…</p>
  }
  return (
    <section aria-label="What will be written" className="flex flex-col gap-1.5">
      {seen.renders === 0 ? (
        <p className="text-quiet">Nothing is missing: all frames that are shown are rendered.</p>
      ) : (
        <>
          <p className="leading-snug">
            <Files seen={seen} outputs={written(recipe)} />
            <br />
            <b className="font-semibold">{plural(seen.frames, 'frame')}</b>, {seen.seconds.toFixed(1)} s at {seen.rate}
            {(ask.handles ?? 0) > 0 && `, with ${ask.handles} to spare at both ends`}
            {(ask.every ?? 1) > 1 && `, one of ${ask.every}`}
            <br />
            <span className="text-quiet">{GRADES[ask.grade ?? 'DRAFT']}</span>
          </p>
          <p className="num wrap-anywhere text-[12px] leading-snug text-quiet" title={`${seen.first} … ${seen.last}`}>
            {seen.first.replaceAll('/', ' / ')}
            {seen.last !== seen.first && ` … ${seen.last.slice(seen.last.lastIndexOf('/') + 1)}`}
          </p>
          <Room seen={seen} />
        </>
      )}
      <Findings seen={seen} master={master} />
    </section>
  )
}

const GRADES = {
  TRIAL: "trial: never counts as a shot's render",
  DRAFT: "draft: counts as the shot's render until a final takes its place",
  FINAL: 'final: takes the name and place of the draft of the same frames',
}

function Files({ seen, outputs }: { seen: Foreseen; outputs: Output[] }) {
  const size = `${seen.width} × ${seen.height}`
  if (outputs.length === 0) {
    return (
      <>
        {plural(seen.renders, 'movie')} to look at, <b className="font-semibold">H.264</b>, {size}: the recipe asks for no files
      </>
    )
  }
  return outputs.map((o, i) => (
    <span key={o.kind}>
      {i > 0 && ', and '}
      {isMovie(o.kind) ? plural(seen.renders, 'movie') : `${plural(seen.renders, 'run')} of pictures`},{' '}
      <b className="font-semibold">{KINDS.find(([kind]) => kind === o.kind)?.[1]}</b>
      {i === 0 && `, ${size}`}
    </span>
  ))
}

const time = (s: number) =>
  s < 90 ? `${Math.max(1, Math.round(s))} s` : s < 5400 ? `${Math.round(s / 60)} min` : `${(s / 3600).toFixed(1)} h`
const between = (a: string, b: string) => (a === b ? a : `${a} to ${b}`)

function Room({ seen }: { seen: Foreseen }) {
  const most = seen.mostBytes + seen.frameBytes
  const share = seen.free > 0 ? Math.min(1, most / seen.free) : 0
  const full = seen.free >= 0 && most > seen.free
  return (
    <div
      className="relative h-6 overflow-hidden rounded-sm bg-deep text-[13px]"
      title={`Besides the files up to ${bytesInWords(seen.frameBytes)} of frames are kept, from which other kinds are written later`}
    >
      <div
        className={`absolute inset-y-0 left-0 ${full ? 'bg-offset/40' : 'bg-[#5f6b73]'}`}
        style={{ width: `${Math.max(1, share * 100)}%` }}
      />
      <span className="absolute inset-0 flex items-center justify-between gap-2 px-2">
        <span>
          {between(bytesInWords(seen.leastBytes), bytesInWords(seen.mostBytes))}
          {seen.free >= 0 && <span className="text-quiet"> of {bytesInWords(seen.free)} free</span>}
        </span>
        <span>{seen.leastTime < 0 ? 'how long is not known yet' : between(time(seen.leastTime), time(seen.mostTime))}</span>
      </span>
    </div>
  )
}

/** Nobody reads more of them at once. */
const MOST_LISTED = 100

function Findings({ seen, master }: { seen: Foreseen; master: Master }) {
  if (seen.findings.length === 0 && seen.unlooked === 0) {
    return null
  }
  const goThere = (shotId: number, frame: number) => {
    const clip = master.clips.find((s) => s.shotId === shotId)
    if (clip) {
      goTo(Math.min(clip.out - 1, Math.max(clip.in, clip.in + frame - clip.shotFirst)))
    }
    setDesk({ view: 'Stage' })
  }
  return (
    <div>
      <b className="font-semibold">Look first</b>
      {seen.unlooked > 0 && <span className="text-quiet"> · looking at {plural(seen.unlooked, 'shot')} more…</span>}
      <ul className="scroll mt-0.5 max-h-[92px]" aria-label="Look first" tabIndex={0}>
        {seen.findings.slice(0, MOST_LISTED).map((f, i) => (
          <li key={i} className="flex items-baseline gap-2 border-b border-line/60 py-0.5">
            <span className="num w-16 shrink-0 text-offset">{master.shots.find((s) => s.shotId === f.shotId)?.code}</span>
            <span className="min-w-0 flex-1">{f.words}</span>
            <button type="button" className="link shrink-0 text-[13px]" onClick={() => goThere(f.shotId, f.frame)}>
              go there
            </button>
          </li>
        ))}
        {seen.findings.length > MOST_LISTED && (
          <li className="py-0.5 text-quiet">{plural(seen.findings.length - MOST_LISTED, 'thing')} more, not listed</li>
        )}
      </ul>
    </div>
  )
}
