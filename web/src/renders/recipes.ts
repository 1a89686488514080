import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { sayError } from '../desk/messages'
import { of } from '../server/client'
import { postInOrder } from '../server/inOrder'
import { useRecipes } from '../server/queries'
import type { Output, OutputKind, Recipe, RecipeEdit } from '../server/types'

/** What people call each kind of files, in the order that they are offered. */
export const KINDS: [OutputKind, string][] = [
  ['H264', 'H.264'],
  ['PRORES', 'ProRes'],
  ['VC3', 'VC-3'],
  ['PNG8', 'PNG'],
  ['PNG16', 'PNG 16 bit'],
  ['JPEG', 'JPEG'],
  ['TIFF', 'TIFF'],
  ['EXR', 'EXR'],
]
export const isMovie = (kind: OutputKind) => kind === 'H264' || kind === 'PRORES' || kind === 'VC3'

/** Those of a recipe's files that are written. */
export const written = (recipe: Recipe): Output[] => recipe.outputs.filter((o) => o.on)

const NAMED: Recipe['burnIn'] = [
  { field: 'NAME', corner: 'BOTTOM_LEFT' },
  { field: 'FRAME', corner: 'BOTTOM_RIGHT' },
  { field: 'TIMECODE', corner: 'BOTTOM_RIGHT' },
]

/** A recipe with or without the usual words in the picture. */
export const burnt = (recipe: Recipe, on: boolean): Recipe => ({ ...recipe, burnIn: on ? NAMED : [] })

/** The recipe that is chosen in each project, with what of it nobody kept yet: one's own, and there again after a reload. */
export const useDrafts = create(
  persist<{ of: Record<number, { name: string; changed?: Recipe } | undefined> }>(() => ({ of: {} }), { name: 'recipes' }),
)

/** The recipe that is chosen in a project, with changes that nobody kept yet; and what can be done with it. */
export function useRecipe(projectId: number) {
  const known = useRecipes(projectId).data
  const all = known ?? []
  const draft = useDrafts((d) => d.of[projectId])
  const found = all.find((r) => r.name === draft?.name)
  // one that somebody renamed or took away while it was changed here is there with those changes, to be kept or dropped
  const lost = known && !found && draft?.changed ? draft.name : undefined
  const kept = found ?? (lost === undefined ? (all.find((r) => r.usual) ?? all[0]) : undefined)
  const name = lost ?? kept?.name ?? ''
  const changed = draft?.name === name ? draft.changed : undefined
  const put = (to: { name: string; changed?: Recipe }) => useDrafts.setState((d) => ({ of: { ...d.of, [projectId]: to } }))
  const edit = (body: RecipeEdit, then: string) =>
    postInOrder('/api/projects/{id}/recipes/edits', { ...of(projectId), body: body as never })
      .then(() =>
        useDrafts.setState((d) => {
          // what was chosen or changed while it was on its way stays
          const now = d.of[projectId]
          const meanwhile = now !== draft && now?.name === name && then !== '' ? now.changed : undefined
          return now !== draft && now?.name !== name ? d : { of: { ...d.of, [projectId]: { name: then, changed: meanwhile } } }
        }),
      )
      .catch(sayError)
  const recipe = changed ?? kept?.recipe
  return {
    all,
    name,
    recipe,
    usual: kept?.usual ?? false,
    isChanged: changed !== undefined,
    isLost: lost !== undefined,
    choose: (other: string) => put({ name: other }),
    change: (to: Recipe) => put({ name, changed: JSON.stringify(to) === JSON.stringify(kept?.recipe) ? undefined : to }),
    drop: () => put({ name: lost === undefined ? name : '' }),
    keep: () => recipe && edit({ kind: 'KEEP_RECIPE', name, recipe }, name),
    keepAs: (other: string) => recipe && edit({ kind: 'KEEP_RECIPE', name: other, recipe }, other),
    rename: (to: string) => edit({ kind: 'RENAME_RECIPE', name, to }, to),
    remove: () => edit({ kind: 'REMOVE_RECIPE', name }, ''),
    makeUsual: () => edit({ kind: 'MAKE_RECIPE_USUAL', name }, name),
  }
}

export type ChosenRecipe = ReturnType<typeof useRecipe>

/** A recipe in one line. */
export function inWords(recipe: Recipe): string[] {
  const { look } = recipe
  return [
    look.percent !== 100 ? `drawn at ${look.percent} %` : '',
    look.edges === 'PLAIN' ? 'edges as they are' : look.edges === 'FINE' ? 'edges by four samples' : 'edges smooth',
    look.shutter > 0 ? `blur of movement ${look.shutter}°` : '',
    look.blur ? 'blur out of focus' : '',
    look.board > 0 ? `board over it at ${look.board} %` : '',
    recipe.burnIn.length > 0 ? `burnt in: ${recipe.burnIn.map((b) => b.field.toLowerCase()).join(', ')}` : 'nothing burnt in',
    recipe.sound ? 'with sound' : 'no sound',
    recipe.rate ? `at ${recipe.rate} frames/s` : '',
  ].filter(Boolean)
}
