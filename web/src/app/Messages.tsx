import { useActions } from '../desk/actions'
import { AT_ONCE, putAway, putAwayAll, useMessages } from '../desk/messages'
import { plural } from '../parts/words'

/** What was done or refused, at the top right, over no track and no camera. Putting one away takes nothing from the box that it lies over, nor the focus. */
export function Messages() {
  const all = useMessages((s) => s.all)
  const shown = all.slice(-AT_ONCE)
  const waiting = all.length - shown.length
  useActions('messages', [
    { group: 'Messages', name: 'Put all messages away', keys: 'Escape', run: putAwayAll, disabled: all.length === 0 },
  ])
  return (
    <div className="pointer-events-none fixed right-4 top-12 z-50 flex w-[400px] max-w-[90vw] flex-col gap-2" aria-live="polite">
      {shown.map((m) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: a press on a message is no press on what lies under it
        <div
          key={m.id}
          role={m.error ? 'alert' : 'status'}
          onPointerDown={(e) => e.stopPropagation()}
          onMouseDown={(e) => e.preventDefault()}
          className={`pointer-events-auto flex items-start gap-3 rounded-lg border bg-raised px-4 py-2 shadow-xl ${m.error ? 'border-offset' : 'border-line'}`}
        >
          <span className="flex-1">{m.text}</span>
          <button type="button" className="link text-quiet" onClick={() => putAway(m.id)}>
            {m.error ? 'Close' : 'OK'}
          </button>
        </div>
      ))}
      {waiting > 0 && (
        <p className="pointer-events-auto self-center rounded bg-raised px-3 py-0.5 text-[13px] text-quiet">
          {plural(waiting, 'message')} before {waiting === 1 ? 'this' : 'these'}, Esc puts all away
        </p>
      )}
    </div>
  )
}
