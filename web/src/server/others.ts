/** Where others are in the same master, as their windows told; who is not heard of for a while is gone. */
import { useEffect, useState } from 'react'
import { create } from 'zustand'
import { useDesk } from '../desk/desk'
import { of, post, whoAmI } from './client'

export type Other = { window: string; who: string; masterId: number; frame: number; clips: number[]; heard: number }

/** A window is taken for gone after so long, ms; each tells where it is at least this often by half. */
const GONE = 20_000
const TOLD = 400

const me = Math.random().toString(36).slice(2)

const useHeard = create<{ all: Other[] }>(() => ({ all: [] }))

export function heardOf(other: Omit<Other, 'heard'>) {
  if (other.window !== me) {
    const now = Date.now()
    useHeard.setState((s) => ({
      all: [...s.all.filter((o) => o.window !== other.window && now - o.heard < GONE), { ...other, heard: now }],
    }))
  }
}

/** Others in a master, those of one name once. */
export function useOthers(masterId: number): Other[] {
  const all = useHeard((s) => s.all)
  const [, again] = useState(0)
  useEffect(() => {
    const timer = window.setInterval(() => again((n) => n + 1), GONE / 2)
    return () => window.clearInterval(timer)
  }, [])
  const now = Date.now()
  return all.filter((o) => o.masterId === masterId && now - o.heard < GONE)
}

/** Tells the others where this window is: soon after it moved, and every few seconds. */
export function useTellingWhere(projectId: number | undefined, masterId: number | undefined) {
  useEffect(() => {
    if (!projectId || !masterId) {
      return
    }
    let timer = 0
    let told = ''
    const tell = () => {
      timer = 0
      const { frame, clips } = useDesk.getState()
      const here = JSON.stringify({ window: me, who: whoAmI() || 'somebody', masterId, frame, clips: clips.slice(0, 50) })
      told = here
      void post('/api/projects/{id}/here', { ...of(projectId), body: JSON.parse(here) }).catch(() => undefined)
    }
    const soon = () => {
      const { frame, clips } = useDesk.getState()
      if (!timer && !told.includes(`"frame":${frame},"clips":${JSON.stringify(clips.slice(0, 50))}`)) {
        timer = window.setTimeout(tell, TOLD)
      }
    }
    const stop = useDesk.subscribe(soon)
    const often = window.setInterval(tell, GONE / 2)
    tell()
    return () => {
      stop()
      window.clearTimeout(timer)
      window.clearInterval(often)
    }
  }, [projectId, masterId])
}
