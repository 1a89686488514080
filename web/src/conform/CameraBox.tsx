import { useEffect, useRef, useState } from 'react'
import { isLeftForGood } from '../parts/leftForGood'
import { Rows } from '../parts/Rows'
import type { Clip, Master } from '../server/types'

type Props = { master: Master; now: Clip; choose: (shotId: number) => void; close: () => void }

/** The cameras that can be live from this frame on: those of the master's shots, found by typing. */
export function CameraBox({ master, now, choose, close }: Props) {
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => field.current?.focus(), [])
  const shots = [...new Map(master.clips.map((s) => [s.shotId, s])).values()].filter(
    (s) => s.shotId !== now.shotId && `${s.code} ${s.camera}`.toLowerCase().includes(text.toLowerCase()),
  )
  return (
    <div
      role="dialog"
      aria-label="Cut to another camera"
      className="absolute left-1/2 top-[30%] z-20 flex h-[300px] w-[340px] -translate-x-1/2 flex-col rounded-lg border border-line bg-raised p-3 shadow-xl"
    >
      <label htmlFor="to-camera" className="pb-2">
        From this frame on, the camera of
      </label>
      <input
        id="to-camera"
        ref={field}
        className="field mb-2"
        value={text}
        placeholder="shot or camera"
        autoComplete="off"
        onBlur={(e) => isLeftForGood(e) && !e.relatedTarget && close()}
        onChange={(e) => {
          setText(e.target.value)
          setAt(0)
        }}
        onKeyDown={(e) => {
          if (e.key === 'Escape') {
            close()
          } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            e.preventDefault()
            setAt((n) => Math.max(0, Math.min(shots.length - 1, n + (e.key === 'ArrowDown' ? 1 : -1))))
          } else if (e.key === 'Enter' && shots[at]) {
            choose(shots[at].shotId)
            close()
          }
        }}
      />
      <Rows rows={shots} height={30} label="Cameras" at={at}>
        {(shot, i) => (
          <button
            type="button"
            className={`flex h-full w-full items-center gap-3 rounded px-2 text-left ${i === at ? 'bg-[#3a4341]' : ''}`}
            onMouseDown={(e) => e.preventDefault()}
            onClick={() => {
              choose(shot.shotId)
              close()
            }}
          >
            <span className="num">{shot.code}</span>
            <span className="truncate text-quiet">
              {shot.camera} · {shot.lens.toFixed(0)} mm
            </span>
          </button>
        )}
      </Rows>
    </div>
  )
}
