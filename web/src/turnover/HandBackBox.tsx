import { useState } from 'react'
import { useActions } from '../desk/actions'
import { sayError } from '../desk/messages'
import { saveFile } from '../server/client'
import { useHandBack } from '../server/queries'
import type { Sequence } from '../server/types'

const FORMATS = [['edl', 'EDL'], ['xmeml', 'XML'], ['aaf', 'AAF'], ['otio', 'OTIO']] as const

/** The list that goes back to the edit room. */
export function HandBackBox({ sequence }: { sequence: Sequence }) {
  const [format, setFormat] = useState<string>('edl')
  const back = useHandBack(sequence.projectId, sequence.id, format).data
  const href = `/api/projects/${sequence.projectId}/hand-back/${format}?master=${sequence.id}`
  const save = () => void saveFile(href).catch(sayError)
  useActions('hand-back', [{ group: 'Turnover', name: 'Hand back: save the list', keys: 'Ctrl+S', run: save }])
  if (!back) {
    return null
  }
  const losses = back.remarks.filter((r) => r.severity === 'loss')
  return (
    <div className="mt-auto border-t border-line py-2">
      <div className="flex items-center gap-4">
        <p className="min-w-0 flex-1 truncate" title={sequence.name}>
          <b className="font-semibold">Hand back</b>{' '}
          <span className="text-quiet">{sequence.name}: {back.rendered} of {back.events} events name a render</span>
        </p>
        <select className="field" aria-label="Format of the list" value={format} onChange={(e) => setFormat(e.target.value)}>
          {FORMATS.map(([id, name]) => <option key={id} value={id}>{name}</option>)}
        </select>
        <button type="button" className="button" onClick={save}>Save list</button>
      </div>
      {losses.length > 0 && (
        <ul className="max-h-[40px] overflow-y-auto text-[13px] text-bent" aria-label="What the list cannot say" tabIndex={0}>
          {losses.map((l, i) => <li key={i}>{l.place}: {l.text}</li>)}
        </ul>
      )}
    </div>
  )
}
