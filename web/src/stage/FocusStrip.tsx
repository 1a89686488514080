import { useDraft } from '../parts/useDraft'
import { useFocus } from '../server/queries'
import type { Project, StageShot } from '../server/types'
import { changeCamera } from './edits'
import { useStageDesk } from './stageDesk'

const MARKS = [0.5, 1, 2, 3, 5, 10, 20, 50, 100]

/** Distances from 0.4 to 150 m, each decade as wide as the next: in percent of the bar, and back. */
const share = (metres: number) => Math.max(0, Math.min(100, (Math.log(metres / 0.4) / Math.log(150 / 0.4)) * 100))
const metresAt = (part: number) => 0.4 * (150 / 0.4) ** Math.max(0, Math.min(1, part))
/** About the width of a letter in percent of the bar. */
const LETTER = 1.7

/** The things of the set at their distances, and what of it is sharp. */
export function FocusStrip({ project, stage, shotFrame }: { project: Project; stage: StageShot; shotFrame: number }) {
  const ruler = useFocus(project.id, stage.shotId, shotFrame).data
  const at = (metres: number) => `${share(metres)}%`
  const reach = useStageDesk((d) => d.reach)
  const key = `${stage.shotId} ${shotFrame} ${reach}`
  const draft = useDraft<number>(stage.edit, key)
  const focusAt = (e: React.PointerEvent) => {
    const box = e.currentTarget.getBoundingClientRect()
    const metres = Math.round(metresAt((e.clientX - box.left) / box.width) * 100) / 100
    draft.put(
      {
        key,
        says: () => ({ of: ruler, value: ruler?.focus ?? 0 }),
        write: (focus) => changeCamera(stage, { kind: 'SET', frame: shotFrame, values: { focus } }, reach),
      },
      metres,
    )
  }
  if (!ruler) {
    return <div className="h-[50px] shrink-0" />
  }
  const far = ruler.far ?? 150
  const focus = draft.shown(key) ?? ruler.focus
  const named: typeof ruler.things = []
  for (const thing of ruler.things) {
    const last = named[named.length - 1]
    if (!last || share(thing.metres) - share(last.metres) > (last.name.length + 3) * LETTER) {
      named.push(thing)
    }
  }
  return (
    <div className="flex h-[50px] shrink-0 items-center gap-4 text-[12.5px]">
      <span className="w-12 text-quiet">Focus</span>
      <div className="relative h-full flex-1">
        {named.map((t) => (
          <span key={t.name} className="absolute top-0 whitespace-nowrap text-[12px]" style={{ left: at(t.metres) }}>
            ▾ {t.name}
          </span>
        ))}
        <div
          role="group"
          className="absolute inset-x-0 top-[19px] h-2.5 cursor-pointer touch-none bg-[#454545]"
          title="Press or drag for the focus there"
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId)
            focusAt(e)
          }}
          onPointerMove={(e) => draft.isOpen && focusAt(e)}
          onPointerUp={() => draft.write()}
          onPointerCancel={() => draft.drop()}
        >
          <div className="absolute inset-y-0 bg-[#5c8f89]" style={{ left: at(ruler.near), right: `calc(100% - ${at(far)})` }} />
          <div className="absolute -inset-y-1 w-[3px] bg-live" style={{ left: at(focus) }} title={`focus ${focus.toFixed(2)} m`} />
        </div>
        {MARKS.map((m) => (
          <span key={m} className="num absolute top-[33px] -translate-x-1/2 text-[11.5px] text-quiet" style={{ left: at(m) }}>
            {m}
          </span>
        ))}
      </div>
      <span className="num whitespace-nowrap text-quiet">
        {ruler.near.toFixed(1)}–{ruler.far ? ruler.far.toFixed(1) : '∞'} m · {ruler.degrees.toFixed(1)}° · H {ruler.hyper.toFixed(1)} m
      </span>
    </div>
  )
}
