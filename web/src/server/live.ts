import { useEffect } from 'react'
import { setLine } from '../desk/line'
import { whoAmI } from './client'
import { catchUp, refreshEdited, refreshRenders, refreshTasks } from './queries'
import { heardOf } from './others'
import { colleagueDid } from '../desk/colleague'
import { sayError } from '../desk/messages'
import type { Here } from './types'

type Update = { kind: string; seq: number; name: string; who: string; touched: string[] }

/**
 * Follows a project: edits of all windows arrive at once. When the line was lost the window asks where the project
 * stands and catches up.
 */
export function useLive(projectId: number | undefined) {
  useEffect(() => {
    if (!projectId) {
      return
    }
    let lost = false
    let rendersAsked = 0
    const line = new EventSource(`/api/projects/${projectId}/live`)
    line.onopen = () => setLine(true)
    line.onerror = () => {
      lost = true
      setLine(false)
    }
    line.addEventListener('update', (event) => {
      const update = JSON.parse((event as MessageEvent<string>).data) as Update
      if (update.kind === 'hello') {
        if (lost) {
          // renders and pictures that came meanwhile have no number
          refreshEdited(projectId)
          refreshTasks(projectId)
        } else {
          catchUp(projectId, update.seq)
        }
        lost = false
      } else if (update.kind === 'edit') {
        refreshEdited(projectId, update.touched)
        if (update.who !== (whoAmI() || 'somebody')) {
          colleagueDid(update.who, update.name)
        }
      } else if (update.kind === 'failed') {
        sayError(new Error(update.name))
      } else if (update.kind === 'task') {
        refreshTasks(projectId)
      } else if (update.kind === 'media') {
        refreshEdited(projectId)
      } else if (update.kind === 'render') {
        refreshRenders(projectId)
        // lanes show finished renders only, so they need not follow every frame
        window.clearTimeout(rendersAsked)
        rendersAsked = window.setTimeout(() => refreshEdited(projectId), 1500)
      }
    })
    line.addEventListener('here', (event) => heardOf(JSON.parse((event as MessageEvent<string>).data) as Here))
    return () => {
      window.clearTimeout(rendersAsked)
      line.close()
    }
  }, [projectId])
}
