import { useEffect, useRef } from 'react'
import { useDesk } from '../desk/desk'
import { ownRatio } from '../painting/ownRatio'
import { useSetPainter } from '../painting/useSetPainter'
import { BoardOver } from '../pictures/BoardOver'
import { BoardPicture } from '../pictures/BoardPicture'
import { type Bake, seenAt } from '../pictures/bake'
import { useSize } from '../pictures/useSize'
import { useGrain } from '../playhead/transport'
import type { Project, Section, StageShot } from '../server/types'

type Props = { project: Project; section: Section; stage: StageShot; bake: Bake; k: number; shotFrame: number; boardFrame?: number }

/** The shot's picture in its delivery frame. */
export function CameraPane({ project, section, stage, bake, k, shotFrame, boardFrame }: Props) {
  const boardOver = useDesk((d) => d.boardOver)
  const holder = useRef<HTMLDivElement>(null)
  const grain = useGrain()
  const { width, height } = useSize(holder)
  const { canvas, painter, ready } = useSetPainter(project.id, stage.sceneId)
  const aspect = stage.pictureWidth / stage.pictureHeight
  const w = Math.min(width, height * aspect)
  const h = w / aspect

  useEffect(() => {
    if (painter && w > 0) {
      painter.draw({
        width: w,
        height: h,
        ratio: ownRatio() * grain,
        ...seenAt(bake, k),
      })
    }
  }, [painter, ready, bake, k, w, h, grain])

  return (
    <>
      <div className="flex h-7 items-center gap-2 whitespace-nowrap">
        <b className="font-semibold">Camera {section.code}</b>
        <span className="min-w-0 flex-1 truncate text-quiet">
          {stage.camera} · {stage.backWidth} × {stage.backHeight} mm · {bake.lens(k).toFixed(0)} mm · T{stage.stop}
        </span>
        <BoardOver short />
        <span className="num text-quiet">{shotFrame}</span>
      </div>
      <div ref={holder} className="relative min-h-0 flex-1 bg-[#1d1d1d]">
        <div
          className="absolute left-1/2 top-1/2 -translate-x-1/2 -translate-y-1/2 outline outline-white/70"
          style={{ width: w, height: h }}
        >
          <canvas
            ref={canvas}
            className="absolute inset-0 h-full w-full"
            role="img"
            aria-label={`Camera ${section.code} at ${shotFrame}`}
            data-picture="camera"
          />
          {boardOver > 0 && boardFrame !== undefined && (
            <BoardPicture
              mediaId={section.mediaId}
              name={section.boardName}
              frame={boardFrame}
              opacity={boardOver}
              className="mix-blend-multiply"
            />
          )}
          <div className="pointer-events-none absolute inset-[3.5%] border border-white/35" aria-hidden />
          <span className="num absolute bottom-1.5 left-2 text-[12.5px] text-white drop-shadow-[0_1px_2px_#000]">
            delivery {stage.pictureWidth} × {stage.pictureHeight}
          </span>
          <span className="num absolute bottom-1.5 right-2 text-[12.5px] text-white drop-shadow-[0_1px_2px_#000]">
            board over {Math.round(boardOver * 100)} %
          </span>
        </div>
      </div>
    </>
  )
}
