import { useEffect, useRef, useState } from 'react'
import { sayError } from '../desk/messages'
import { useMeshes, useShading } from '../server/queries'
import { SetPainter } from './SetPainter'

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
    try {
      painter.current = new SetPainter(canvas.current, shading)
    } catch {
      sayError(new Error('This browser cannot draw the set: WebGL 2 is off or missing'))
    }
    return () => {
      painter.current?.dispose()
      painter.current = undefined
    }
  }, [shading])

  useEffect(() => {
    if (painter.current && meshes) {
      painter.current.meshes(meshes.slice(0)).then(() => setReady((n) => n + 1), sayError)
    }
  }, [meshes, shading])

  return { canvas, painter: ready > 0 ? painter.current : undefined, ready }
}
