import { useCallback, useEffect, useRef, useState } from 'react'
import { Euler, Matrix4, Quaternion, Vector3 } from 'three'
import { useActions } from '../desk/actions'
import { say, sayError } from '../desk/messages'
import { ownRatio } from '../painting/ownRatio'
import { useSetPainter } from '../painting/useSetPainter'
import { itemAt } from '../parts/lists'
import type { Bake } from '../pictures/bake'
import { useSize } from '../pictures/useSize'
import { useGrain } from '../playhead/transport'
import { of, post } from '../server/client'
import type { Project, StageShot } from '../server/types'

type Props = { project: Project; stage: StageShot; bake: Bake; k: number; shotFrame: number }
type Place = { x: number; y: number; z: number; turn: number; tilt: number }

const placeOf = (matrix: Matrix4): Place => {
  const at = new Vector3()
  const turned = new Quaternion()
  matrix.decompose(at, turned, new Vector3())
  const angles = new Euler().setFromQuaternion(turned, 'YXZ')
  return { x: at.x, y: at.y, z: at.z, turn: angles.y, tilt: angles.x }
}

const matrixOf = (p: Place) =>
  new Matrix4().compose(
    new Vector3(p.x, p.y, p.z),
    new Quaternion().setFromEuler(new Euler(p.tilt, p.turn, 0, 'YXZ')),
    new Vector3(1, 1, 1),
  )

const kept = new Map<number, Place>()

/** The free working view. Moving it never moves a shot's camera; only "film from here" does. */
export function ScoutPane({ project, stage, bake, k, shotFrame }: Props) {
  const holder = useRef<HTMLDivElement>(null)
  const grain = useGrain()
  const { width, height } = useSize(holder)
  const { canvas, painter, ready } = useSetPainter(project.id, stage.sceneId)
  const [place, setPlace] = useState<Place>(() => kept.get(stage.sceneId) ?? behind(bake, k))
  const hold = useRef<{ x: number; y: number; button: number } | undefined>(undefined)

  useEffect(() => {
    kept.set(stage.sceneId, place)
  }, [place, stage.sceneId])

  useEffect(() => {
    if (painter && width > 0) {
      const view = new Float32Array(matrixOf(place).invert().elements)
      const projection = bake.projection(k).slice()
      projection[5] = (itemAt(projection, 0) * width) / height
      const guide = { view: bake.view(k), projection: bake.projection(k) }
      painter.draw({ width, height, ratio: ownRatio() * grain, view, projection, places: bake.places(k), guide })
    }
  }, [painter, ready, bake, k, width, height, place, grain])

  const fly = useCallback((ahead: number, right: number, up: number) => {
    setPlace((p) => {
      const way = new Vector3(right, 0, -ahead).applyEuler(new Euler(p.tilt, p.turn, 0, 'YXZ'))
      return { ...p, x: p.x + way.x, y: p.y + way.y + up, z: p.z + way.z }
    })
  }, [])

  const filmFromHere = async () => {
    try {
      await post('/api/shots/{id}/film-from', {
        ...of(stage.shotId),
        body: { frame: shotFrame, placed: [...matrixOf(place).elements], lens: bake.lens(k) },
      })
      say(`${stage.code} is filmed from here`)
    } catch (e) {
      sayError(e)
    }
  }
  const goToCamera = () => setPlace(placeOf(new Matrix4().fromArray(bake.view(k)).invert()))

  useActions('scout', [
    { group: 'Stage', name: 'Film from here: the camera goes where the scout view is', keys: 'G', run: () => void filmFromHere() },
    { group: 'Stage', name: 'Scout view to the camera', keys: 'C', run: goToCamera },
    { group: 'Stage', name: 'Scout ahead', keys: 'W', run: () => fly(0.6, 0, 0) },
    { group: 'Stage', name: 'Scout back', keys: 'S', run: () => fly(-0.6, 0, 0) },
    { group: 'Stage', name: 'Scout left', keys: 'A', run: () => fly(0, -0.6, 0) },
    { group: 'Stage', name: 'Scout right', keys: 'D', run: () => fly(0, 0.6, 0) },
    { group: 'Stage', name: 'Scout up', keys: 'E', run: () => fly(0, 0, 0.4) },
    { group: 'Stage', name: 'Scout down', keys: 'Q', run: () => fly(0, 0, -0.4) },
    { group: 'Stage', name: 'Scout turn left', keys: 'Ctrl+ArrowLeft', run: () => setPlace((p) => ({ ...p, turn: p.turn + 0.06 })) },
    { group: 'Stage', name: 'Scout turn right', keys: 'Ctrl+ArrowRight', run: () => setPlace((p) => ({ ...p, turn: p.turn - 0.06 })) },
  ])

  const move = (e: React.PointerEvent) => {
    const from = hold.current
    if (!from) {
      return
    }
    const dx = e.clientX - from.x
    const dy = e.clientY - from.y
    hold.current = { ...from, x: e.clientX, y: e.clientY }
    if (from.button === 0 && !e.shiftKey) {
      setPlace((p) => ({ ...p, turn: p.turn + dx * 0.004, tilt: Math.max(-1.5, Math.min(1.5, p.tilt + dy * 0.004)) }))
    } else {
      fly(0, -dx * 0.03, dy * 0.03)
    }
  }

  return (
    <>
      <div className="flex h-7 items-center gap-2 whitespace-nowrap">
        <b className="font-semibold">Scout view</b>
        <span className="truncate text-quiet">free; nothing here moves a shot camera</span>
      </div>
      <div
        ref={holder}
        role="group"
        aria-label="Scout view"
        className="relative min-h-0 flex-1 cursor-move overflow-hidden bg-black"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId)
          hold.current = { x: e.clientX, y: e.clientY, button: e.button }
        }}
        onPointerMove={move}
        onPointerUp={() => {
          hold.current = undefined
        }}
        onContextMenu={(e) => e.preventDefault()}
        onWheel={(e) => fly(-e.deltaY * 0.01, 0, 0)}
      >
        <canvas ref={canvas} className="absolute inset-0 h-full w-full" role="img" aria-label="Scout view" data-picture="scout" />
      </div>
      <div className="flex items-center gap-2 py-1.5">
        <button type="button" className="button border-live!" onClick={() => void filmFromHere()}>
          Film from here
        </button>
        <button type="button" className="button" onClick={goToCamera}>
          Go to camera
        </button>
        <span className="ml-auto truncate text-[13px] text-quiet">drag to look, Shift to slide, wheel to go</span>
      </div>
    </>
  )
}

/** To begin with: above and behind the camera, looking its way. */
function behind(bake: Bake, k: number): Place {
  const p = placeOf(new Matrix4().fromArray(bake.view(k)).invert())
  const back = new Vector3(2.5, 0, 7).applyEuler(new Euler(0, p.turn, 0))
  return { ...p, x: p.x + back.x, y: p.y + 3, z: p.z + back.z, tilt: -0.28 }
}
