/** What the server tells of the open master before anybody asks. */
import { changedView } from './changes'
import { edited, refreshMaster } from './queries'
import { queryClient } from './queryClient'
import type { Master, MasterChange } from './types'

/**
 * Takes in what changed of a master where the window has the view that it begins at. One that leads to what the window has, or
 * to what was before that, says nothing new; with any other, or while an older answer is under way, the window asks.
 */
export function takeChange(projectId: number, change: MasterChange) {
  const key = edited(projectId, 'master', change.whole.id)
  const known = queryClient.getQueryData<Master>(key)
  if (!known || known.stamp === change.whole.stamp || known.seq > change.whole.seq) {
    return
  }
  const view = known.stamp === change.since ? changedView(known, change) : undefined
  const sameCut = view?.cut.id === known.cut.id && view.cut.stamp === known.cut.stamp
  if (view && sameCut && queryClient.getQueryState(key)?.fetchStatus !== 'fetching') {
    queryClient.setQueryData<Master>(key, { ...view, cut: known.cut })
  } else {
    refreshMaster(projectId, change.whole.id)
  }
}
