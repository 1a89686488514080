import { Rows } from '../parts/Rows'
import { versionName } from '../parts/words'
import { goTo } from '../playhead/transport'
import type { Clip, Master } from '../server/types'
import { setAsking, toggle, useAsking } from './asking'
import type { Dropped } from './Elsewhere'

type Props = {
  master: Master
  here: Clip | undefined
  look: (shotId: number) => void
  /** takes files that another program made */
  drop: (dropped: Dropped) => void
}

/** The shots of a master, to choose those that are rendered; how each stands. Files of other programs are dropped on their shot. */
export function Shots({ master, here, look, drop }: Props) {
  const chosen = useAsking((a) => a.chosen)
  const rows = master.shots
  const needed = rows.filter((r) => r.toRender)
  return (
    <>
      <div className="mb-1 flex h-7 shrink-0 items-center gap-3">
        <b className="font-semibold">Shots</b>
        <span className="text-quiet">
          {rows.length}, <span className="num">{needed.length}</span> to render
        </span>
        <button
          type="button"
          className="link ml-auto"
          disabled={needed.length === 0}
          onClick={() => setAsking({ chosen: new Set(needed.map((r) => r.shotId)) })}
        >
          choose those
        </button>
        <button type="button" className="link" onClick={() => drop({ files: [] })}>
          made elsewhere…
        </button>
      </div>
      <Rows rows={rows} height={30} label="Shots" at={here && rows.findIndex((r) => r.shotId === here.shotId)}>
        {(row) => (
          <label
            onDragOver={(e) => e.preventDefault()}
            onDrop={(e) => {
              e.preventDefault()
              drop({ files: [...e.dataTransfer.files], shotId: row.shotId })
            }}
            className={`flex h-full items-center gap-3 border-b border-line/60 px-1 ${row.shotId === here?.shotId ? 'bg-[#3a4341]' : ''}`}
          >
            <input type="checkbox" checked={chosen.has(row.shotId)} onChange={() => toggle(row.shotId)} aria-label={`Choose ${row.code}`} />
            <button
              type="button"
              className="num w-16 text-left"
              onClick={() => {
                goTo(row.in)
                look(row.shotId)
              }}
            >
              {row.code}
            </button>
            <span className="num w-12 text-right text-quiet">{row.frames}</span>
            <span className="min-w-0 flex-1 truncate text-[13px] leading-tight text-quiet" title={row.stand}>
              {row.renderId ? (
                <>
                  <span className="num text-text">{versionName(row.version)}</span>{' '}
                  {row.stand && (
                    <>
                      <span className="hatched inline-block h-2.5 w-4 rounded-sm" aria-hidden />{' '}
                      <span className="text-stale">{row.stand}</span>
                    </>
                  )}
                </>
              ) : row.staged ? (
                'not rendered'
              ) : (
                'not staged'
              )}
            </span>
          </label>
        )}
      </Rows>
    </>
  )
}
