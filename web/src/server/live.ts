import { useEffect } from 'react'
import { colleagueDid } from '../desk/colleague'
import { setLine } from '../desk/line'
import { sayError } from '../desk/messages'
import { whoAmI } from './client'
import { heardOf } from './others'
import { takeChange } from './pushed'
import { catchUp, refreshEdited, refreshForOthers, refreshMaster, refreshRenders, refreshTasks } from './queries'
import type { Here, MasterChange } from './types'

type Update = { kind: string; seq: number; name: string; who: string; touched: string[] }
/**
 * One of these. What happens quickly one after another is told together.
 *
 * @property change what edits changed of the open master
 * @property ask    the open master, where the server cannot say what changed of it
 */
type Told = { update?: Update; here?: Here; change?: MasterChange; ask?: number }

/** What others do is asked for together, in ms: fifty people at once are not asked after one by one. */
const OTHERS_MS = 100
/** All that shows renders is asked for so often while the queue draws, in ms. */
const RENDERS_MS = 1500

/**
 * Follows a project: edits of all windows arrive at once, and what they changed of the open master with them. When the line was
 * lost the window asks where the project stands and catches up.
 */
export function useLive(projectId: number | undefined, masterId: number | undefined) {
  useEffect(() => {
    if (!projectId) {
      return
    }
    let lost = false
    let rendersAsked = 0
    let othersAsked = 0
    let othersDid: Update[] = []
    const askForOthers = () => {
      // one that does not say what it touched may have touched all
      const all = othersDid.some(({ touched }) => touched.length === 0) ? [] : [...new Set(othersDid.flatMap(({ touched }) => touched))]
      const seq = Math.max(...othersDid.map((update) => update.seq))
      othersAsked = 0
      othersDid = []
      refreshForOthers(projectId, seq, all, masterId)
    }
    const line = new EventSource(`/api/projects/${projectId}/live${masterId ? `?master=${masterId}` : ''}`)
    line.onopen = () => setLine(true)
    line.onerror = () => {
      lost = true
      setLine(false)
    }
    const hear = (update: Update) => {
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
        if (update.who === (whoAmI() || 'somebody')) {
          refreshEdited(projectId, update.touched, masterId)
        } else {
          colleagueDid(update.who, update.name)
          othersDid.push(update)
          othersAsked ||= window.setTimeout(askForOthers, OTHERS_MS)
        }
      } else if (update.kind === 'failed') {
        sayError(new Error(update.name))
      } else if (update.kind === 'task') {
        refreshTasks(projectId)
      } else if (update.kind === 'media') {
        refreshEdited(projectId)
      } else if (update.kind === 'render') {
        refreshRenders(projectId)
        // tracks show finished renders only, so they need not follow every frame; yet one that is done must not wait for the queue's end
        rendersAsked ||= window.setTimeout(() => {
          rendersAsked = 0
          refreshEdited(projectId)
        }, RENDERS_MS)
      }
    }
    line.addEventListener('told', (event) => {
      for (const { update, here, change, ask } of JSON.parse((event as MessageEvent<string>).data) as Told[]) {
        if (update) {
          hear(update)
        }
        if (here) {
          heardOf(here)
        }
        if (change) {
          takeChange(projectId, change)
        }
        if (ask) {
          refreshMaster(projectId, ask)
        }
      }
    })
    return () => {
      window.clearTimeout(rendersAsked)
      window.clearTimeout(othersAsked)
      line.close()
    }
  }, [projectId, masterId])
}
