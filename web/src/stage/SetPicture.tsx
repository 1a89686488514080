import { useEffect, useMemo } from 'react'
import type { Lines, Seen } from '../painting/orders'
import { ownRatio } from '../painting/ownRatio'
import { useSetPainter } from '../painting/useSetPainter'
import type { Draft } from '../parts/draft'
import { useGrain } from '../playhead/transport'
import type { StageShot } from '../server/types'
import { type Moved, movedPlaces } from './hands/drag'
import { laidPlaces } from './hands/movedThings'
import { useHands } from './hands/useHands'
import { type PresentView, usePresentView } from './presentViews'
import { useStageDesk } from './stageDesk'

type Props = {
  projectId: number
  stage: StageShot
  things: Draft<Moved>
  pane: 'camera' | 'scout'
  /** as its picture is called where it is saved */
  name: string
  label: string
  width: number
  height: number
  seen: Seen
  /** the same in the delivery frame alone */
  frame: PresentView['seen']
  places: Float32Array
  action: number
  shotFrame: number
  guide?: Seen
  lines?: Lines[]
  flat?: number
  /** whether hidden things are left out: a shot's camera films them all the same */
  works: boolean
  off: boolean
  empty: Parameters<typeof useHands>[0]['empty']
}

/** A picture of the set with hands in it. */
export function SetPicture({
  projectId,
  stage,
  things,
  pane,
  name,
  label,
  width,
  height,
  seen,
  frame,
  places,
  action,
  shotFrame,
  guide,
  lines,
  flat,
  works,
  off,
  empty,
}: Props) {
  const { canvas, painter, ready } = useSetPainter(projectId, stage.sceneId)
  const grain = useGrain()
  const chosen = useStageDesk((d) => d.chosen)
  const under = useStageDesk((d) => d.under)
  const moving = useStageDesk((d) => d.moving)
  const laid = useStageDesk((d) => d.laid)
  const base = useMemo(() => laidPlaces(places, stage, laid, action), [places, stage, laid, action])
  const shown = useMemo(() => placesShown(base, stage, moving, works), [base, stage, moving, works])
  usePresentView(pane, { name, seen: frame, places: shown, flat })
  const hands = useHands({ pane, painter, seen: () => ({ ...seen, places: shown, base }), stage, things, action, shotFrame, empty, off })

  useEffect(() => {
    if (painter && width > 0) {
      const index = (id: number) => stage.items.findIndex((i) => i.id === id)
      const marked = [
        ...(under && !chosen.includes(under.id) ? [{ index: index(under.id), how: 'under' as const }] : []),
        ...chosen.map((id) => ({ index: index(id), how: 'chosen' as const })),
      ].filter((m) => m.index >= 0)
      painter.draw({ width, height, ratio: ownRatio() * grain, ...seen, places: shown, guide, lines, flat, marked })
    }
  }, [painter, ready, width, height, grain, seen, shown, guide, lines, flat, chosen, under, stage])

  return (
    <div
      role="group"
      aria-label={label}
      className="absolute left-0 top-0 touch-none"
      style={{ width, height }}
      {...hands.handlers}
      onContextMenu={(e) => e.preventDefault()}
    >
      <canvas ref={canvas} className="absolute inset-0 h-full w-full" role="img" aria-label={`${label}, drawn`} data-picture={pane} />
      {hands.label && (
        <span
          className="pointer-events-none absolute z-10 whitespace-nowrap text-[13px]"
          style={{
            left: Math.min(hands.label.left + 14, width - 150),
            top: Math.max(2, hands.label.top - 22),
            textShadow: '0 0 3px #000, 0 0 3px #000',
          }}
          data-named={pane}
        >
          {hands.label.text}
        </span>
      )}
    </div>
  )
}

/** Where things are shown: as they are, as hands move them, and those that are hidden nowhere. */
function placesShown(
  places: Float32Array,
  stage: StageShot,
  moving: ReturnType<typeof useStageDesk.getState>['moving'],
  works: boolean,
): Float32Array {
  const indexes = moving ? stage.items.flatMap((item, i) => (moving.ids.includes(item.id) ? [i] : [])) : []
  const shown = moving ? movedPlaces(places, indexes, moving.by, moving.pivot) : places
  if (!works || !stage.items.some((item) => item.hidden)) {
    return shown
  }
  const without = shown.slice()
  stage.items.forEach((item, i) => item.hidden && without.fill(0, i * 16, i * 16 + 16))
  return without
}
