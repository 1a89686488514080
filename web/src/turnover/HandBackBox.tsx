import { useActions } from '../desk/actions'
import { sayError } from '../desk/messages'
import { plural } from '../parts/words'
import { saveFile } from '../server/client'
import { useHandBack } from '../server/queries'
import type { HandBack, Master } from '../server/types'
import { useChoices } from './choices'

const FORMATS = [
  ['edl', 'EDL'],
  ['xmeml', 'XML'],
  ['aaf', 'AAF'],
  ['otio', 'OTIO'],
] as const

/** The list that goes back to the edit room. */
export function HandBackBox({ master }: { master: Master }) {
  const { format, gap, shortReels } = useChoices()
  const how = { master: master.id, gap, shortReels: shortReels && format === 'edl' }
  const back = useHandBack(master.projectId, format, how).data
  const save = () => void saveFile(`/api/projects/${master.projectId}/hand-back/${format}`, how).catch(sayError)
  useActions('hand-back', [{ group: 'Turnover', name: 'Hand back: save the list (export EDL, XML, AAF, OTIO)', keys: 'Ctrl+S', run: save }])
  if (!back) {
    return null
  }
  const losses = back.remarks.filter((r) => r.severity === 'loss')
  return (
    <div className="mt-auto border-t border-line py-2">
      <div className="flex items-center gap-3">
        <p className="min-w-0 flex-1">
          <b className="font-semibold">Hand back</b>{' '}
          <span className="text-quiet">
            {master.name}: {tallied(back.tally)}
          </span>
        </p>
        <button type="button" className="button shrink-0" onClick={save}>
          Save list
        </button>
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px] text-quiet">
        <select
          className="field py-0.5!"
          aria-label="Format of the list"
          value={format}
          onChange={(e) => useChoices.setState({ format: e.target.value })}
        >
          {FORMATS.map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <label className="flex items-center gap-1.5">
          where no render is
          <select
            className="field py-0.5!"
            value={gap ? 'gap' : 'board'}
            onChange={(e) => useChoices.setState({ gap: e.target.value === 'gap' })}
          >
            <option value="board">the edit room&apos;s own source</option>
            <option value="gap">a gap</option>
          </select>
        </label>
        {format === 'edl' && (
          <label className="flex items-center gap-1.5">
            <input type="checkbox" checked={shortReels} onChange={(e) => useChoices.setState({ shortReels: e.target.checked })} /> reels of
            8 letters
          </label>
        )}
      </div>
      {losses.length > 0 && (
        <ul
          className="mt-1 max-h-[38px] overflow-y-auto text-[13px] text-offset"
          aria-label="What the list does not show as our renders would"
          tabIndex={0}
        >
          {losses.map((l, i) => (
            <li key={i}>
              {l.place}: {l.text}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

function tallied(t: HandBack['tally']): string {
  const parts = [t.part > 0 && `${t.part} in part`, t.stale > 0 && `${t.stale} stale`, t.none > 0 && `${t.none} not rendered`].filter(
    Boolean,
  )
  return `${t.rendered} of ${plural(t.clips, 'clip')} rendered${parts.length > 0 ? `, ${parts.join(', ')}` : ''}`
}
