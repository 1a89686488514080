import { putAway, useMessages } from '../desk/messages'

/** What was done or refused. Putting one away takes nothing from the box that it lies over, nor the focus. */
export function Messages() {
  const all = useMessages((s) => s.all)
  return (
    <div className="pointer-events-none fixed bottom-10 left-1/2 z-50 flex w-[560px] max-w-[90vw] -translate-x-1/2 flex-col gap-2" aria-live="polite">
      {all.map((m) => (
        <div key={m.id} role={m.error ? 'alert' : 'status'} onPointerDown={(e) => e.stopPropagation()} onMouseDown={(e) => e.preventDefault()}
          className={`pointer-events-auto flex items-start gap-3 rounded-lg border bg-raised px-4 py-2 shadow-xl ${m.error ? 'border-bent' : 'border-line'}`}>
          <span className="flex-1">{m.text}</span>
          <button type="button" className="link text-quiet" onClick={() => putAway(m.id)}>{m.error ? 'Put away' : 'OK'}</button>
        </div>
      ))}
    </div>
  )
}
