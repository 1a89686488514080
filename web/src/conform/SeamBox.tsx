import { useEffect, useRef, useState } from 'react'
import { useDesk } from '../desk/desk'
import { useActions } from '../desk/actions'
import type { Sequence } from '../server/types'
import { moveSeam } from './edits'

/** Typing + or − at a selected seam moves it: `+3`, Enter. */
export function SeamBox({ sequence }: { sequence: Sequence }) {
  const seam = useDesk((d) => d.seam)
  const [typed, setTyped] = useState<string>()
  const field = useRef<HTMLInputElement>(null)
  const there = sequence.seams.some((s) => s.at === seam)

  useEffect(() => {
    if (typed !== undefined) {
      field.current?.focus()
    }
  }, [typed !== undefined])

  const open = (sign: string) => there && setTyped(sign)
  useActions('seam', [
    { group: 'Conform', name: 'Move the selected seam later by …', keys: '+', run: () => open('+'), disabled: !there },
    { group: 'Conform', name: 'Move the selected seam earlier by …', keys: '-', run: () => open('−'), disabled: !there },
    { group: 'Conform', name: 'Seam ten frames later', keys: 'Ctrl+Shift+ArrowRight', run: () => seam !== undefined && moveSeam(sequence, seam, 10), disabled: !there },
    { group: 'Conform', name: 'Seam ten frames earlier', keys: 'Ctrl+Shift+ArrowLeft', run: () => seam !== undefined && moveSeam(sequence, seam, -10), disabled: !there },
    { group: 'Conform', name: 'Seam one frame later', keys: 'Ctrl+ArrowRight', run: () => seam !== undefined && moveSeam(sequence, seam, 1), disabled: !there },
    { group: 'Conform', name: 'Seam one frame earlier', keys: 'Ctrl+ArrowLeft', run: () => seam !== undefined && moveSeam(sequence, seam, -1), disabled: !there },
  ])
  if (typed === undefined || seam === undefined) {
    return null
  }
  const frames = Number(typed.replace('−', '-').replace(/\s/g, ''))
  const wrong = !/^[+\-−]?\s*\d{0,6}$/.test(typed)
  const give = () => {
    if (!wrong && Number.isInteger(frames) && frames !== 0) {
      void moveSeam(sequence, seam, frames)
    }
    setTyped(undefined)
  }
  return (
    <form
      className="absolute left-1/2 top-[46%] z-20 flex -translate-x-1/2 items-center gap-3 rounded-lg border border-line bg-raised px-4 py-2 shadow-xl"
      onSubmit={(e) => {
        e.preventDefault()
        give()
      }}
    >
      <label htmlFor="seam-frames">Move this seam by</label>
      <input
        id="seam-frames"
        ref={field}
        className="field num w-24"
        value={typed}
        autoComplete="off"
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => setTyped(undefined)}
        onKeyDown={(e) => e.key === 'Escape' && setTyped(undefined)}
      />
      <span className="text-quiet">{wrong ? 'a whole number of frames, such as +3' : 'frames, Enter'}</span>
    </form>
  )
}
