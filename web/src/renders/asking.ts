import { create } from 'zustand'
import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import type { Recipe, RenderAsk } from '../server/types'

export type Grade = 'TRIAL' | 'DRAFT' | 'FINAL'
export type Extent = 'CLIPS' | 'MISSING' | 'RANGE' | 'ACTION' | 'STILL' | 'MOMENT'
export type When = 'FIRST' | 'MIDDLE' | 'LAST'

/** What is asked for next. It stays while the person looks elsewhere. */
type Asking = {
  chosen: ReadonlySet<number>
  /** the whole master too */
  master: boolean
  /** from finished renders, where there are */
  joined: boolean
  extent: Extent
  /** which frame one picture is of */
  when: When
  /** shot frames of a range, the first and the one after its last */
  from: number | undefined
  to: number | undefined
  handles: number
  every: number
  grade: Grade
}

export const NOTHING: Asking = {
  chosen: new Set(),
  master: false,
  joined: false,
  extent: 'CLIPS',
  when: 'MIDDLE',
  from: undefined,
  to: undefined,
  handles: 0,
  every: 1,
  grade: 'DRAFT',
}

export const useAsking = create<Asking>(() => NOTHING)
export const setAsking = useAsking.setState

export const toggle = (id: number) =>
  setAsking(({ chosen }) => {
    const next = new Set(chosen)
    return { chosen: next.delete(id) ? next : next.add(id) }
  })

/** A frame of a shot. */
type Now = { shotId: number; frame: number }

/** As the server is asked. @param now where the playhead is */
export function bodyOf(
  asking: Asking,
  shotIds: number[],
  masterId: number,
  name: string,
  recipe: Recipe,
  now: () => Now | undefined,
): RenderAsk {
  const { extent, from, to, handles, every, grade, master, joined, when } = asking
  const moment = extent === 'MOMENT' ? now() : undefined
  return {
    shotIds,
    master,
    joined: master && joined,
    masterId,
    extent,
    in: extent === 'RANGE' ? from : undefined,
    out: extent === 'RANGE' ? to : undefined,
    handles,
    every,
    when: extent === 'STILL' ? when : undefined,
    nowShot: moment?.shotId,
    nowFrame: moment?.frame,
    grade,
    width: recipe.look.width,
    height: recipe.look.height,
    burnIn: recipe.burnIn.length > 0,
    blur: recipe.look.blur,
    recipe,
    recipeName: name,
  } as RenderAsk
}

/** Small, every second frame, one movie: the movement before a long run. */
export function trialOf(recipe: Recipe): Recipe {
  const even = (n: number) => Math.max(16, Math.round(n / 4) * 2)
  return {
    ...recipe,
    look: { ...recipe.look, width: even(recipe.look.width), height: even(recipe.look.height), percent: 100, shutter: 0, edges: 'QUICK' },
    outputs: recipe.outputs.map((o) => ({ ...o, on: o.kind === 'H264', mostMb: null })),
  }
}

export const act = (id: number, what: 'stop' | 'pause' | 'go-on' | 'any-driver') =>
  post(`/api/renders/{id}/${what}`, of(id)).catch(sayError)
