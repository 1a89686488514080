import { useEffect, useLayoutEffect } from 'react'
import { create } from 'zustand'
import { boxWentAway, isLate } from './lateKeys'
import { whenThere } from './onTheWay'

/** Something that can be done, with its key; found in the command box and on the sheet of shortcuts. */
export type Action = {
  name: string
  /** as KeyboardEvent.key says, with Ctrl+ and Shift+ before it; several are parted by a blank */
  keys?: string
  group: string
  run: () => void
  disabled?: boolean
}

export const useActionList = create<{ lists: Map<string, Action[]> }>(() => ({ lists: new Map() }))

/** Offers actions while the component that calls it is there. */
export function useActions(owner: string, actions: Action[]) {
  // before anything is painted: a key pressed at once must find them
  useLayoutEffect(() => {
    useActionList.setState((s) => ({ lists: new Map(s.lists).set(owner, actions) }))
  })
  useLayoutEffect(
    () => () =>
      useActionList.setState((s) => {
        const lists = new Map(s.lists)
        lists.delete(owner)
        return { lists }
      }),
    [owner],
  )
}

export const allActions = () => [...useActionList.getState().lists.values()].flat()

/** What a key does now: later offers win over earlier ones. */
export const offeredFor = (key: string) =>
  allActions()
    .reverse()
    .find((a) => !a.disabled && a.keys?.split(' ').includes(key))

function pressed(e: KeyboardEvent): string {
  const key = e.key === ' ' ? 'Space' : e.key.length === 1 ? e.key.toUpperCase() : e.key
  const shift = e.shiftKey && (key.length > 1 || /^[A-Z]$/.test(key) || e.ctrlKey || e.metaKey)
  return (e.ctrlKey || e.metaKey ? 'Ctrl+' : '') + (e.altKey ? 'Alt+' : '') + (shift ? 'Shift+' : '') + key
}

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) &&
      !(target instanceof HTMLInputElement && /^(range|checkbox|radio)$/.test(target.type))))

/** Whether what has the focus does something of its own with a key; a box to tick does so with Space alone. */
function takesItself(target: EventTarget | null, key: string): boolean {
  if (!(target instanceof HTMLElement) || (key !== 'Space' && key !== 'Enter')) {
    return false
  }
  const control = target.closest('button, a, [role=tab], input, select')
  return !!control && !(key === 'Enter' && control instanceof HTMLInputElement)
}

/**
 * What a key means now. A letter typed with Shift is the letter where nothing else is offered for it, and not where that has nothing to
 * do just now: Shift X without a range must not take a clip out.
 */
function meant(key: string): Action | undefined {
  const known = allActions().some((a) => a.keys?.split(' ').includes(key))
  return offeredFor(key) ?? (!known && /^Shift\+[A-Z]$/.test(key) ? offeredFor(key.slice(6)) : undefined)
}

/** Gives key presses to the actions. */
export function useKeys() {
  useEffect(() => {
    const listen = (e: KeyboardEvent) => {
      const key = pressed(e)
      const inDialog = e.target instanceof HTMLElement && e.target.closest('[role=dialog], [role=menu]')
      if (inDialog || (typing(e.target) && !key.startsWith('Ctrl+'))) {
        return
      }
      if (takesItself(e.target, key) || isLate(key, performance.now())) {
        return
      }
      const there = whenThere()
      if (there) {
        if (meant(key)) {
          e.preventDefault()
        }
        void there.then((is) => is && meant(key)?.run())
        return
      }
      const action = meant(key)
      if (action) {
        e.preventDefault()
        action.run()
      }
    }
    const outside = (e: PointerEvent) => {
      const box = document.activeElement?.closest('[role=dialog]')
      if (box && typing(document.activeElement) && !(e.target instanceof Node && box.contains(e.target))) {
        boxWentAway(performance.now())
      }
    }
    window.addEventListener('keydown', listen)
    window.addEventListener('pointerdown', outside, true)
    return () => {
      window.removeEventListener('keydown', listen)
      window.removeEventListener('pointerdown', outside, true)
    }
  }, [])
}
