import { useEffect, useRef, useState } from 'react'
import { say, sayError } from '../desk/messages'
import { Box } from '../parts/Box'
import { plural, versionName } from '../parts/words'
import { of, post } from '../server/client'
import { refreshRenders } from '../server/queries'
import { BATCH, sent } from '../server/sending'
import type { Master, Offer } from '../server/types'

/** Files that were dropped on a shot, or none yet. */
export type Dropped = { files: File[]; shotId?: number }

/** Movies and runs of pictures that other programs made: sent, checked, and taken in as versions of shots. */
export function Elsewhere({ master, dropped, close }: { master: Master; dropped: Dropped; close: () => void }) {
  const [share, setShare] = useState<number>()
  const [names, setNames] = useState<string[]>([])
  const [offers, setOffers] = useState<Offer[]>()
  const [final, setFinal] = useState(false)
  const [cameras, setCameras] = useState<Record<string, number>>({})
  const field = useRef<HTMLInputElement>(null)
  const stop = useRef(new AbortController())
  const send = async (files: File[]) => {
    try {
      const sent = await sendAll(master.projectId, files, setShare, stop.current.signal)
      setNames(sent)
      setOffers(
        await post('/api/projects/{id}/versions/offers', { ...of(master.projectId), body: { names: sent, shotId: dropped.shotId } }),
      )
    } catch (e) {
      sayError(e)
    }
    setShare(undefined)
  }
  const first = useRef(dropped.files)
  useEffect(() => {
    const files = first.current
    first.current = []
    if (files.length > 0) {
      void send(files)
    }
  })
  const good = offers?.filter((o) => o.wrong === '') ?? []
  const takeIn = async () => {
    try {
      const body = { names, shotId: dropped.shotId, grade: final ? 'FINAL' : 'DRAFT', cameras }
      const ids = await post('/api/projects/{id}/versions', { ...of(master.projectId), body: body as never })
      say(`${plural(ids.length, 'version is', 'versions are')} taken in`)
      refreshRenders(master.projectId)
      close()
    } catch (e) {
      sayError(e)
    }
  }
  const leave = () => {
    stop.current.abort()
    close()
  }
  return (
    <Box
      title="Versions made elsewhere"
      says={
        <>
          Movies and numbered pictures that another program made, named after their shots as <span className="num">sh0010_v003.mov</span> or{' '}
          <span className="num">sh0010_v003.1001.png</span>
          {dropped.shotId !== undefined && `; all of these are of ${master.shots.find((s) => s.shotId === dropped.shotId)?.code}`}. They are
          checked before anything is made of them.
        </>
      }
      className="left-1/2 top-[10vh] max-h-[78vh] w-[720px] max-w-[94vw] -translate-x-1/2 gap-3"
      close={leave}
    >
      {share !== undefined ? (
        <p className="flex items-center gap-3" role="status">
          <progress className="h-2 w-56" max={1} value={share} aria-label="Sent" />
          <span className="text-quiet">{share < 1 ? 'sent so far' : 'looked at'}</span>
          <button type="button" className="link" onClick={() => stop.current.abort()}>
            stop
          </button>
        </p>
      ) : (
        <div>
          <button type="button" className="button" onClick={() => field.current?.click()}>
            Choose files…
          </button>
        </div>
      )}
      <input
        ref={field}
        type="file"
        multiple
        hidden
        aria-label="Files made elsewhere"
        onChange={(e) => void send([...(e.target.files ?? [])])}
      />
      {offers && (
        <ul className="scroll min-h-0 flex-1" aria-label="What came" tabIndex={0}>
          {offers.map((o) => (
            <OfferRow
              key={o.name}
              offer={o}
              camera={cameras[o.name] ?? o.cameraOf ?? 0}
              setCamera={(version) => setCameras({ ...cameras, [o.name]: version })}
            />
          ))}
          {offers.length === 0 && <li className="text-stale">None of these files is a movie or a picture.</li>}
        </ul>
      )}
      <div className="flex items-center gap-3">
        <label className="flex items-center gap-1.5">
          <input type="checkbox" checked={final} onChange={(e) => setFinal(e.target.checked)} /> as finals
        </label>
        <button type="button" className="button ml-auto" onClick={leave}>
          Leave them
        </button>
        <button type="button" className="button button-main" disabled={good.length === 0} onClick={() => void takeIn()}>
          {good.length === 0 ? 'Take in' : `Take in ${plural(good.length, 'version')}`}
        </button>
      </div>
    </Box>
  )
}

function OfferRow({ offer: o, camera, setCamera }: { offer: Offer; camera: number; setCamera: (version: number) => void }) {
  return (
    <li className="border-b border-line/60 py-1.5">
      <div className="flex items-baseline gap-3">
        <span className="num min-w-0 flex-1 truncate" title={o.name}>
          {o.name}
        </span>
        <span className="num text-quiet">
          {plural(o.frames, 'frame')}, {o.width} × {o.height}, {o.rate}
        </span>
        <b className="num w-32 truncate text-right font-semibold">{o.render}</b>
      </div>
      <div className={`text-[13px] ${o.wrong ? 'text-offset' : o.words.length > 0 ? 'text-stale' : 'text-quiet'}`}>
        {o.wrong || o.words.join('; ') || `frame for frame, from ${o.from}`}
      </div>
      {!o.wrong && o.cameras.length > 0 && (
        <label className="flex items-center gap-2 text-[13px] text-quiet">
          made from the camera of
          <select
            className="field py-0!"
            aria-label={`Camera of ${o.name}`}
            value={camera}
            onChange={(e) => setCamera(Number(e.target.value))}
          >
            <option value={0}>nobody knows which version</option>
            {o.cameras.map((version) => (
              <option key={version} value={version}>
                {versionName(version)}
              </option>
            ))}
          </select>
        </label>
      )}
    </li>
  )
}

/** @return names of the files that came */
async function sendAll(projectId: number, files: File[], told: (share: number) => void, stop: AbortSignal): Promise<string[]> {
  for (let i = 0; i < files.length; i += BATCH) {
    const batch = files.slice(i, i + BATCH)
    const given = batch.map((file) => ({ file, path: file.name }))
    const share = (of: number) => told((i + batch.length * of) / files.length)
    const arrived = await sent(projectId, given, share, stop, () => told(i / files.length))
    arrived.refused.forEach((text) => sayError(new Error(text)))
  }
  return files.map((f) => f.name)
}
