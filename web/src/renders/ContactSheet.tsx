import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { sayError } from '../desk/messages'
import { Box } from '../parts/Box'
import { TypedField } from '../parts/TypedField'
import { readNumber } from '../parts/typed'
import { bytesInWords, plural } from '../parts/words'
import { of, post } from '../server/client'
import { useSheets, useTasks } from '../server/queries'
import type { Master, SheetAsk } from '../server/types'
import type { When } from './asking'

type Field = SheetAsk['captions'][number]

const PAGES: [string, number, number][] = [
  ['A4 upright', 1240, 1754],
  ['A4 across', 1754, 1240],
  ['square', 3000, 3000],
  ['16:9', 3840, 2160],
]
const CAPTIONS: [Field, string][] = [
  ['SHOT', 'shot'],
  ['FRAME', 'frame'],
  ['LENS', 'lens'],
  ['SCENE', 'scene'],
  ['DATE', 'date'],
]
const GROUNDS: [string, string][] = [
  ['#ffffff', 'white'],
  ['#202020', 'dark'],
  ['#000000', 'black'],
]

/** Pictures of chosen shots on pages: how they would lie is said while it is chosen, the last one that was made is seen. */
export function ContactSheet({ master, shotIds, close }: { master: Master; shotIds: number[]; close: () => void }) {
  const [page, setPage] = useState({ width: 1754, height: 1240 })
  const [sheet, setSheet] = useState({ margin: 60, columns: 0, gap: 24, corner: 8, caption: 32, background: '#ffffff' })
  const [when, setWhen] = useState<When>('MIDDLE')
  const [captions, setCaptions] = useState<Field[]>(['SHOT', 'LENS'])
  const [reversed, setReversed] = useState(false)
  const [making, setMaking] = useState<string>()
  const ids = reversed ? [...shotIds].reverse() : shotIds
  const ask: SheetAsk = { shotIds: ids, when, captions, pdf: true, sheet: { ...sheet, ...page } }
  const layout = useQuery({
    queryKey: ['edited', master.projectId, 'sheet-layout', JSON.stringify(ask)],
    queryFn: () => post('/api/projects/{id}/sheets/layout', { ...of(master.projectId), body: ask }),
    placeholderData: (before) => before,
    retry: false,
  })
  const sheets = useSheets(master.projectId, making).data ?? []
  const shown = sheets.find((s) => s.name === making) ?? (making === undefined ? sheets[0] : undefined)
  const make = async () => {
    try {
      setMaking((await post('/api/projects/{id}/sheets', { ...of(master.projectId), body: ask })).name)
    } catch (e) {
      sayError(e)
    }
  }
  const number = (key: 'margin' | 'columns' | 'gap' | 'corner' | 'caption', words: string, label: string) => (
    <label className="flex items-center gap-1.5 text-quiet">
      <TypedField
        label={label}
        className="w-14 py-0.5!"
        shown={key === 'columns' && sheet.columns === 0 ? '' : String(sheet[key])}
        placeholder={key === 'columns' ? 'auto' : ''}
        give={(t) => setSheet({ ...sheet, [key]: Math.round(readNumber(t)) || 0 })}
      />
      {words}
    </label>
  )
  return (
    <Box
      title="Contact sheet"
      says={<>{plural(ids.length, 'shot')}, one picture each; a shot that nobody staged is its board.</>}
      className="inset-x-[4vw] inset-y-[5vh] gap-3"
      inLine
      close={close}
    >
      <div className="flex min-h-0 flex-1 gap-4">
        <div className="flex min-w-0 flex-1 flex-col items-center justify-center bg-deep">
          {shown ? (
            <img
              className="max-h-full min-h-0 max-w-full object-contain"
              src={`/api/projects/${master.projectId}/sheets/${shown.name}/${shown.files.find((f) => f.endsWith('.png'))}`}
              alt={`${shown.name}, its first page`}
            />
          ) : (
            <Making projectId={master.projectId} name={making} />
          )}
        </div>
        <div className="scroll -m-1 flex w-[308px] shrink-0 flex-col gap-3 p-1 text-[13px]">
          <span className="flex flex-wrap gap-1.5">
            {PAGES.map(([words, width, height]) => (
              <button
                key={words}
                type="button"
                aria-pressed={page.width === width && page.height === height}
                className={`button px-2! py-0.5! ${page.width === width && page.height === height ? 'bg-[#3a4341]' : ''}`}
                onClick={() => setPage({ width, height })}
              >
                {words}
              </button>
            ))}
          </span>
          <span className="flex items-center gap-1.5 text-quiet">
            <TypedField
              label="Width of the page"
              className="w-16 py-0.5!"
              shown={String(page.width)}
              give={(t) => setPage({ ...page, width: Math.round(readNumber(t)) || 0 })}
            />
            ×
            <TypedField
              label="Height of the page"
              className="w-16 py-0.5!"
              shown={String(page.height)}
              give={(t) => setPage({ ...page, height: Math.round(readNumber(t)) || 0 })}
            />
            pixels
          </span>
          <div className="grid grid-cols-2 gap-2">
            {number('columns', 'columns', 'Columns')}
            {number('margin', 'margin', 'Margin')}
            {number('gap', 'gap', 'Gap')}
            {number('corner', 'corners', 'Corners')}
            {number('caption', 'high captions', 'Height of captions')}
            <label className="flex items-center gap-1.5 text-quiet">
              <select
                className="field py-0.5!"
                aria-label="Ground"
                value={sheet.background}
                onChange={(e) => setSheet({ ...sheet, background: e.target.value })}
              >
                {GROUNDS.map(([colour, words]) => (
                  <option key={colour} value={colour}>
                    {words}
                  </option>
                ))}
              </select>
              ground
            </label>
          </div>
          <span className="flex flex-wrap gap-x-3 gap-y-1">
            {CAPTIONS.map(([field, words]) => (
              <label key={field} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  checked={captions.includes(field)}
                  onChange={(e) => setCaptions(e.target.checked ? [...captions, field] : captions.filter((f) => f !== field))}
                />
                {words}
              </label>
            ))}
          </span>
          <span className="flex items-center gap-3">
            <select className="field py-0.5!" aria-label="Which frame" value={when} onChange={(e) => setWhen(e.target.value as When)}>
              <option value="FIRST">first frame</option>
              <option value="MIDDLE">middle frame</option>
              <option value="LAST">last frame</option>
            </select>
            <label className="flex items-center gap-1.5">
              <input type="checkbox" checked={reversed} onChange={(e) => setReversed(e.target.checked)} /> last first
            </label>
          </span>
          {layout.error ? (
            <p className="text-offset" role="alert">
              {layout.error.message}
            </p>
          ) : (
            <p>{layout.data?.words}</p>
          )}
          <ul aria-label="Sheets that were made" className="mt-auto">
            {sheets.slice(0, 6).map((s) => (
              <li key={s.name} className="flex flex-wrap items-baseline gap-x-2 border-t border-line/60 py-1">
                <button type="button" className="num" onClick={() => setMaking(s.name)}>
                  {s.name}
                </button>
                {s.files.map((f) => (
                  <a key={f} className="link" href={`/api/projects/${master.projectId}/sheets/${s.name}/${f}`} download={f}>
                    {f.slice(s.name.length + 1)}
                  </a>
                ))}
                <span className="text-quiet">{bytesInWords(s.bytes)}</span>
              </li>
            ))}
          </ul>
        </div>
      </div>
      <div className="flex justify-end gap-3">
        <button type="button" className="button" onClick={close}>
          Close
        </button>
        <button type="button" className="button button-main" disabled={!!layout.error || ids.length === 0} onClick={() => void make()}>
          Make the sheet
        </button>
      </div>
    </Box>
  )
}

/** How far a sheet is; it can be stopped. */
function Making({ projectId, name }: { projectId: number; name: string | undefined }) {
  const task = useTasks(projectId).data?.find((t) => t.name === `Drawing ${name}`)
  if (!name || !task) {
    return (
      <p className="px-8 text-center text-quiet" role="status">
        {name
          ? `${name} is not there: it was stopped, or waits for other work`
          : 'No sheet was made yet: choose at the right what it is to be.'}
      </p>
    )
  }
  return (
    <p className="flex items-center gap-3 text-quiet" role="status">
      {name}: picture {task.done} of {task.of}
      <progress className="h-2 w-40" max={task.of || 1} value={task.done} aria-label={`${name}: ${task.done} of ${task.of} pictures`} />
      <button type="button" className="link" onClick={() => void post('/api/tasks/{id}/stop', of(task.id)).catch(sayError)}>
        stop
      </button>
    </p>
  )
}
