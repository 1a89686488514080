import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import { useTasks } from '../server/queries'

/** What goes on in the background, how far it is, and a way to stop it. */
export function TaskLine({ projectId }: { projectId: number }) {
  const tasks = useTasks(projectId).data ?? []
  const task = tasks[0]
  if (!task) {
    return null
  }
  const stop = async () => {
    try {
      await post('/api/tasks/{id}/stop', of(task.id))
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <span className="flex items-center gap-2 whitespace-nowrap" role="status">
      <progress className="h-1.5 w-20" value={task.of ? task.done / task.of : undefined} aria-label={task.name} />
      <span className="text-quiet">
        {task.name}
        {task.of ? `, ${task.done} of ${task.of}` : ''}
        {tasks.length > 1 ? `, and ${tasks.length - 1} more` : ''}
      </span>
      <button type="button" className="link" onClick={() => void stop()}>
        stop
      </button>
    </span>
  )
}
