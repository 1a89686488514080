import { setDesk, useDesk } from '../desk/desk'

/** How much of the board lies over the camera's picture. @property short where there is little room */
export function BoardOver({ short = false }: { short?: boolean }) {
  const boardOver = useDesk((d) => d.boardOver)
  const percent = Math.round(boardOver * 100)
  return (
    <label className={short ? 'flex items-center gap-2 text-[13px] text-quiet' : 'flex h-7 flex-1 items-center gap-3'}>
      {short ? 'board' : 'Board over camera'}
      <input
        type="range"
        min={0}
        max={100}
        value={percent}
        className={short ? 'w-24' : 'min-w-0 flex-1'}
        aria-label="Board over camera"
        onChange={(e) => setDesk({ boardOver: Number(e.target.value) / 100 })}
      />
      {!short && <span className="num w-12 text-right">{percent} %</span>}
    </label>
  )
}
