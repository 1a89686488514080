import { useEffect, useMemo, useRef } from 'react'
import { ownRatio } from '../painting/ownRatio'
import { useSetPainter } from '../painting/useSetPainter'
import { readBake, seenAt } from '../pictures/bake'
import { useSize } from '../pictures/useSize'
import { useBake } from '../server/queries'
import type { Project, PullView } from '../server/types'

/** The last frame before a line that is pulled and the first one after it, side by side, with what it makes of them. */
export function PeekPicture({ project, seen }: { project: Project; seen: PullView }) {
  return (
    <div className="absolute inset-0 z-10 flex flex-col bg-black" role="status">
      <div className="flex min-h-0 flex-1 gap-[3px]">
        <Frame project={project} side={seen.left} />
        <Frame project={project} side={seen.right} />
      </div>
      <p className={`num px-2 py-1 text-[13px] ${seen.refused ? 'text-offset' : ''}`}>{seen.words}</p>
    </div>
  )
}

function Frame({ project, side }: { project: Project; side: PullView['left'] }) {
  const holder = useRef<HTMLDivElement>(null)
  const { width, height } = useSize(holder)
  const bytes = useBake(project.id, side?.shotId, { from: side?.position ?? '0', speed: '1', frames: 1 }).data
  const bake = useMemo(() => (bytes ? readBake(bytes) : undefined), [bytes])
  const { canvas, painter, ready } = useSetPainter(project.id, side?.sceneId)
  useEffect(() => {
    if (painter && bake && width > 0) {
      painter.draw({ width, height, ratio: ownRatio(), ...seenAt(bake, 0, false) })
    }
  }, [painter, ready, bake, width, height])
  return (
    <div ref={holder} className="relative min-w-0 flex-1 overflow-hidden">
      <canvas ref={canvas} className="absolute inset-0 h-full w-full" style={{ opacity: bake ? 1 : 0 }} />
      <span className="num absolute left-2 top-1 text-[13px]" style={{ textShadow: '0 1px 3px #000' }}>
        {side ? `${side.code} ${side.frame}` : 'black'}
      </span>
    </div>
  )
}
