import { useEffect, useRef, useState } from 'react'
import { useActions } from '../desk/actions'
import { useDesk } from '../desk/desk'
import { boxWentAway } from '../desk/lateKeys'
import { say } from '../desk/messages'
import { isLeftForGood } from '../parts/leftForGood'
import { useDraft } from '../parts/useDraft'
import { get, of } from '../server/client'
import type { Master } from '../server/types'
import { moveSeam } from './edits'

/** Typing + or − at a selected seam moves it: `+3`, Enter. */
export function SeamBox({ master }: { master: Master }) {
  const seam = useDesk((d) => d.seam)
  const [typed, setTyped] = useState<string>()
  const [wrong, setWrong] = useState(false)
  const field = useRef<HTMLInputElement>(null)
  const there = master.seams.some((s) => s.at === seam)
  // where it is on its way to, from one frame to the next: a key that is pressed again goes on from there
  const way = useDraft<number[]>(master.seq)
  const asked = way.shown('seam')
  const goes = seam !== undefined && asked?.includes(seam)
  const by = (frames: number) => {
    const from = asked && goes ? asked : seam === undefined ? [] : [seam]
    const at = from.at(-1)
    if (at !== undefined) {
      way.put({ key: 'seam', says: () => ({ of: undefined, value: [] }), write: () => moveSeam(master, at, frames) }, [
        ...from,
        at + frames,
      ])
      way.write()
    }
  }

  const open = typed !== undefined
  useEffect(() => {
    if (open) {
      field.current?.focus()
    }
  }, [open])

  const openWith = (sign: string) => {
    if (there) {
      setTyped(sign)
    } else {
      // the digits that follow are meant for it, and open no view
      boxWentAway(performance.now())
      say('Choose a seam first: ↑ and ↓ go to one, or press on it')
    }
  }
  useActions('seam', [
    { group: 'Conform', name: 'Move the selected seam later by …', keys: '+', run: () => openWith('+') },
    { group: 'Conform', name: 'Move the selected seam earlier by …', keys: '-', run: () => openWith('−') },
    {
      group: 'Conform',
      name: 'Seam ten frames later',
      keys: 'Ctrl+Shift+ArrowRight',
      run: () => by(10),
      disabled: !there && !goes,
    },
    {
      group: 'Conform',
      name: 'Seam ten frames earlier',
      keys: 'Ctrl+Shift+ArrowLeft',
      run: () => by(-10),
      disabled: !there && !goes,
    },
    {
      group: 'Conform',
      name: 'Seam one frame later',
      keys: 'Ctrl+ArrowRight',
      run: () => by(1),
      disabled: !there && !goes,
    },
    {
      group: 'Conform',
      name: 'Seam one frame earlier',
      keys: 'Ctrl+ArrowLeft',
      run: () => by(-1),
      disabled: !there && !goes,
    },
  ])
  if (typed === undefined || seam === undefined) {
    return null
  }
  const give = async () => {
    const way = /^[+\-−]/.test(typed) ? typed : `+${typed}`
    try {
      const to = await get('/api/masters/{id}/position', of(master.id, { text: way, from: seam, unit: 'FRAMES' }))
      if (to.frame !== seam) {
        void moveSeam(master, seam, to.frame - seam)
      }
      setTyped(undefined)
    } catch {
      setWrong(true)
    }
  }
  return (
    <form
      className="absolute left-1/2 top-[46%] z-20 flex -translate-x-1/2 items-center gap-3 rounded-lg border border-line bg-raised px-4 py-2 shadow-xl"
      onSubmit={(e) => {
        e.preventDefault()
        void give()
      }}
    >
      <label htmlFor="seam-frames">Move this seam by</label>
      <input
        id="seam-frames"
        ref={field}
        className="field num w-24"
        value={typed}
        autoComplete="off"
        onChange={(e) => {
          setTyped(e.target.value)
          setWrong(false)
        }}
        onBlur={(e) => isLeftForGood(e) && setTyped(undefined)}
        onKeyDown={(e) => e.key === 'Escape' && setTyped(undefined)}
      />
      <span className="text-quiet">
        {wrong ? <span className="text-offset">frames such as +3, seconds such as +1.5, or +1:00</span> : 'frames, or +1:00, Enter'}
      </span>
    </form>
  )
}
