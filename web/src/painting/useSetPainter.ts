import { useEffect, useRef, useState } from 'react'
import { sayError } from '../desk/messages'
import { useMeshes, useShading } from '../server/queries'
import { SetPainter } from './SetPainter'

const cannotDraw = (words: string) =>
  sayError(
    new Error(
      `This browser cannot draw the set (${words}): it needs WebGL 2 in a worker; switch hardware drawing on, or take a newer browser`,
    ),
  )

/** A painter on a canvas with the scene's meshes; undefined until both are there. */
export function useSetPainter(projectId: number, sceneId: number | undefined) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const shading = useShading().data
  const meshes = useMeshes(projectId, sceneId).data
  const painter = useRef<SetPainter | undefined>(undefined)
  const [ready, setReady] = useState(0)

  useEffect(() => {
    if (!canvas.current || !shading) {
      return
    }
    painter.current = new SetPainter(canvas.current, shading, cannotDraw)
    return () => {
      painter.current?.dispose()
      painter.current = undefined
    }
  }, [shading])

  useEffect(() => {
    if (shading && meshes) {
      painter.current?.meshes(meshes, () => setReady((n) => n + 1))
    }
  }, [meshes, shading])

  return { canvas, painter: ready > 0 ? painter.current : undefined, ready }
}
