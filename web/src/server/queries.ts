/** What the window has of the server's state. Live updates tell which of it to ask for again. */
import { type Query, useQuery } from '@tanstack/react-query'
import { changedView } from './changes'
import { get, getBytes, getBytesNumbered, getNumbered, getText, numberedOf, of, post } from './client'
import { queryClient } from './queryClient'
import { isTouched } from './touched'
import type { Clip, IntakeCut, Master, MasterView, NamedRecipe, Project, RenderAsk } from './types'

/** Queries that are asked once more when the answer under way is there. */
const onceMore = new Set<string>()

/**
 * Asks again for what is kept under a key. An answer that is under way may have been read before what is told now, so it is
 * asked again after it: once, however much is told meanwhile, so that a window asks as often as it can take in and no more.
 */
export function askAgain(queryKey: unknown[], which: (query: Query) => boolean = () => true) {
  queryClient
    .getQueryCache()
    .findAll({ queryKey, predicate: which })
    .forEach((query) => {
      const again = () => void queryClient.invalidateQueries({ queryKey: query.queryKey, exact: true })
      if (query.state.fetchStatus !== 'fetching') {
        again()
      } else if (!onceMore.has(query.queryHash)) {
        onceMore.add(query.queryHash)
        void query.promise
          ?.catch(() => undefined)
          .then(() =>
            setTimeout(() => {
              onceMore.delete(query.queryHash)
              again()
            }),
          )
      }
    })
}

/** Everything of a project that an edit may change stands under this. */
export const edited = (projectId: number | undefined, ...rest: unknown[]) => ['edited', projectId, ...rest]

export const useProjects = () => useQuery({ queryKey: ['projects'], queryFn: () => get('/api/projects') })

export const useProject = (id: number | undefined) =>
  useQuery({ queryKey: edited(id, 'project'), queryFn: () => get('/api/projects/{id}', of(id)), enabled: !!id })

export const useMaster = (project: Project | undefined, masterId: number | undefined) =>
  useQuery({
    queryKey: edited(project?.id, 'master', masterId),
    queryFn: ({ queryKey }) => master(masterId, queryClient.getQueryData<Master>(queryKey)),
    enabled: !!project && !!masterId,
    placeholderData: (before) => before,
  })

/** @param known what the window has: what changed since is asked for, and the whole where the server does not know it any more */
async function master(masterId: number | undefined, known: Master | undefined): Promise<Master> {
  const change = await get('/api/masters/{id}/changes', of(masterId, { since: known?.stamp }))
  const view = changedView(change.since === known?.stamp ? known : undefined, change)
  return { ...view, cut: { ...view.cut, clips: await clipsOf(view) } }
}

/** The clips of a cut, asked for when they are others: edits of the master leave them as they are. */
async function clipsOf({ id, cut }: MasterView) {
  const known =
    cut.version === 0
      ? undefined
      : await queryClient.fetchQuery({
          queryKey: ['clips', id, cut.id, cut.stamp],
          queryFn: () => (cut.id === 0 ? get('/api/masters/{id}/cut-under', of(id)) : get('/api/cuts/{id}/clips', of(cut.id))),
        })
  return known?.clips ?? []
}

export const useMasters = (projectId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'masters'),
    queryFn: () => get('/api/projects/{id}/masters', of(projectId)),
    enabled: !!projectId,
    placeholderData: (before) => before,
  })

/** A master as it was after a step. @param seq the project's number of edits now */
export const usePast = (projectId: number, masterId: number, step: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'past', masterId, step),
    queryFn: () => get('/api/masters/{id}/at/{seq}', { params: { path: { id: masterId, seq: step ?? 0 } } }),
    enabled: step !== undefined,
    placeholderData: (before) => before,
  })

/** Any version of the cut, to be laid over another. */
export const useCutClips = (projectId: number, cutId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'clips', cutId),
    queryFn: () => get('/api/cuts/{id}/clips', of(cutId)),
    enabled: !!cutId,
    placeholderData: (before) => before,
  })

export const useRenders = (projectId: number | undefined, masterId?: number) =>
  useQuery({
    queryKey: edited(projectId, 'renders', masterId),
    queryFn: () => get('/api/projects/{id}/renders', of(projectId, { master: masterId })),
    enabled: !!projectId,
  })

/** The recipes of a project, in the order that they came. */
export const useRecipes = (projectId: number) =>
  useQuery({
    queryKey: edited(projectId, 'recipes'),
    queryFn: () => get('/api/projects/{id}/recipes', of(projectId)) as unknown as Promise<NamedRecipe[]>,
    placeholderData: (before) => before,
  })

/** What asking for renders would do. */
export const useForecast = (projectId: number, ask: RenderAsk) =>
  useQuery({
    queryKey: edited(projectId, 'forecast', JSON.stringify(ask)),
    queryFn: () => post('/api/projects/{id}/renders/forecast', { ...of(projectId), body: ask as never }),
    placeholderData: (before) => before,
    retry: false,
    // shots are looked at some at a time
    refetchInterval: ({ state }) => (state.data?.unlooked ? 500 : false),
  })

/** The machines that draw. What they do goes on without any edit, so it is asked for while somebody looks. */
export const useMachines = () => useQuery({ queryKey: ['machines'], queryFn: () => get('/api/machines'), refetchInterval: 1000 })

export const refreshMachines = () => void queryClient.invalidateQueries({ queryKey: ['machines'] })

/** Since when a stale render is so, and by whom. */
export const useWhyStale = (projectId: number, renderId: number, parts: string[]) =>
  useQuery({
    queryKey: edited(projectId, 'why-stale', renderId, parts.join()),
    queryFn: () => get('/api/renders/{id}/stale', of(renderId, { parts })),
    enabled: parts.length > 0,
    placeholderData: (before) => before,
  })

/** Contact sheets that were made. @param awaited one that is being made, and asked for until it is there */
export const useSheets = (projectId: number, awaited: string | undefined) =>
  useQuery({
    queryKey: ['sheets', projectId],
    queryFn: () => get('/api/projects/{id}/sheets', of(projectId)),
    refetchInterval: ({ state }) => (awaited && !state.data?.some((s) => s.name === awaited) ? 500 : false),
  })

/** The files that a finished render was written into. */
export const useRenderFiles = (projectId: number, renderId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'render-files', renderId),
    queryFn: () => get('/api/renders/{id}/files', of(renderId)),
    enabled: !!renderId,
  })

/** The frames that are kept of renders, counted when it is asked. */
export const useKeptFrames = (projectId: number) =>
  useQuery({ queryKey: edited(projectId, 'kept-frames'), queryFn: () => get('/api/projects/{id}/kept-frames', of(projectId)), gcTime: 0 })

export const useIntake = (projectId: number, cutId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'intake', cutId),
    queryFn: () => get('/api/cuts/{id}/intake', of(cutId)),
    enabled: !!cutId,
    placeholderData: (before) => before,
  })

/** Sources of a cut and how their files were found. */
export const useSources = (projectId: number, cutId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'sources', cutId),
    queryFn: () => get('/api/cuts/{id}/sources', of(cutId)),
    enabled: !!cutId,
    placeholderData: (before) => before,
  })

/** What a cut misses beside what nothing uses, as pairs by order. */
export const useByOrder = (projectId: number, cutId: number) =>
  useQuery({
    queryKey: edited(projectId, 'by-order', cutId),
    queryFn: () => get('/api/cuts/{id}/sources/by-order', of(cutId)),
    placeholderData: (before) => before,
  })

/** Files to choose from: those given, then those in the server's folders. */
export const useFiles = (projectId: number, text: string, kind: string, like: string) =>
  useQuery({
    queryKey: edited(projectId, 'files', text, kind, like),
    queryFn: () => get('/api/projects/{id}/files', of(projectId, { kind, text, like })),
    placeholderData: (before) => before,
    gcTime: 10_000,
  })

/** @param seq the project's number of edits: the history is asked for again when it has gone on */
export const useHistory = (projectId: number, seq: number) =>
  useQuery({
    queryKey: ['history', projectId, seq],
    queryFn: () => get('/api/projects/{id}/history', of(projectId)),
    placeholderData: (before) => before,
    gcTime: 5000,
  })

export const useTasks = (projectId: number | undefined) =>
  useQuery({
    queryKey: ['tasks', projectId],
    queryFn: () => get('/api/projects/{id}/tasks', of(projectId)),
    enabled: !!projectId,
    placeholderData: (before) => before,
  })

export function refreshTasks(projectId: number) {
  askAgain(['tasks', projectId])
}

export const useTurnover = (projectId: number, cutId: number | undefined, masterId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'turnover', cutId, masterId),
    queryFn: () => get('/api/cuts/{id}/turnover', of(cutId, { master: masterId })),
    enabled: !!cutId,
  })

/** @param how its query: which master, and what of it is written how */
export const useHandBack = (projectId: number, format: string, how: { master: number; gap: boolean; shortReels: boolean }) =>
  useQuery({
    queryKey: edited(projectId, 'hand-back', format, how),
    queryFn: () => get('/api/projects/{id}/hand-back', of(projectId, { ...how, format })),
    placeholderData: (before) => before,
  })

export const useStage = (projectId: number, shotId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'stage', shotId),
    queryFn: () => getNumbered('/api/shots/{id}/stage', of(shotId)),
    enabled: !!shotId,
    placeholderData: (before) => (before?.shotId === shotId ? before : undefined),
  })

/** All scenes of a project. */
export const useScenes = (projectId: number) =>
  useQuery({ queryKey: edited(projectId, 'scenes'), queryFn: () => get('/api/projects/{id}/scenes', of(projectId)) })

/** All cameras of a scene, those that film no shot too. */
export const useCameraTable = (projectId: number, sceneId: number) =>
  useQuery({
    queryKey: edited(projectId, 'camera-table', sceneId),
    queryFn: async () => {
      const { data: cameras, edit } = await numberedOf('/api/scenes/{id}/cameras', of(sceneId))
      return { cameras, edit }
    },
  })

export const useFocus = (projectId: number, shotId: number | undefined, frame: number) =>
  useQuery({
    queryKey: edited(projectId, 'focus', shotId, frame),
    queryFn: () => get('/api/shots/{id}/focus', of(shotId, { frame })),
    enabled: !!shotId,
    placeholderData: (before) => before,
    gcTime: 5000,
  })

/** How fast a shot's camera goes, and how near it comes to things. */
export const useMove = (projectId: number, shotId: number) =>
  useQuery({
    queryKey: edited(projectId, 'move', shotId),
    queryFn: () => get('/api/shots/{id}/move', of(shotId)),
    placeholderData: (before) => before,
  })

/** The film backs that productions usually have. */
export const useFilmBacks = () =>
  useQuery({ queryKey: ['film-backs'], queryFn: () => get('/api/film-backs'), staleTime: Number.POSITIVE_INFINITY })

/** The aids that lie on pictures, as straight lines in shares of their sides. */
export const useAids = () => useQuery({ queryKey: ['aids'], queryFn: () => get('/api/aids') })

/** Where things leave the frame. @param part of the frame in which they should stay */
export const useInFrame = (projectId: number, shotId: number, things: number[], part: number) =>
  useQuery({
    queryKey: edited(projectId, 'in-frame', shotId, things.join(), part),
    queryFn: () => get('/api/shots/{id}/in-frame', of(shotId, { things, part })),
    enabled: things.length > 0,
  })

export const useShading = () => useQuery({ queryKey: ['shading'], queryFn: () => get('/api/shading') })

/** The scene's meshes. They are large, and most edits of a set leave them as they are: whether they changed is asked first. */
export function useMeshes(projectId: number, sceneId: number | undefined) {
  const looks = useQuery({
    queryKey: edited(projectId, 'looks', sceneId),
    queryFn: () => get('/api/scenes/{id}/looks', of(sceneId)),
    enabled: !!sceneId,
    placeholderData: (before) => before,
  }).data
  return useQuery({
    queryKey: ['meshes', sceneId, looks?.digest],
    queryFn: () => getBytes('/api/scenes/{id}/meshes.glb', of(sceneId)),
    enabled: !!sceneId && !!looks,
    placeholderData: (before) => before,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
}

/** Baked movement of a shot, from an exact frame on at a speed; all of its frames where none is given. */
export const useBake = (
  projectId: number,
  shotId: number | undefined,
  part?: { from: string; speed: string; frames: number; retimeKeys?: string },
) => {
  const range = part
    ? `?from=${encodeURIComponent(part.from)}&speed=${encodeURIComponent(part.speed)}&frames=${part.frames}${part.retimeKeys ? `&retimeKeys=${encodeURIComponent(part.retimeKeys)}` : ''}`
    : ''
  return useQuery({
    queryKey: edited(projectId, 'bake', shotId, range),
    queryFn: () => getBytesNumbered('/api/shots/{id}/bake', of(shotId, part)),
    enabled: !!shotId,
    gcTime: 60_000,
  })
}

export const fetchLabels = (masterId: number, from: number, count: number) =>
  queryClient.fetchQuery({
    queryKey: ['labels', masterId, from, count],
    queryFn: async () => (await getText('/api/masters/{id}/labels', of(masterId, { from, count }))).split('\n'),
  })

/** Where the ruler is labelled. @param every seconds from one label to the next */
export const fetchWholeSeconds = (masterId: number, from: number, count: number, every: number) =>
  queryClient.fetchQuery({
    queryKey: ['whole-seconds', masterId, from, count, every],
    queryFn: () => get('/api/masters/{id}/whole-seconds', of(masterId, { from, count, every })),
  })

/** The frame of its board that a clip shows at a record frame, as the server counts it: 0 for a still, undefined while that is asked. */
export function useBoardFrame(master: Master, clip: Clip | undefined, frame: number): number | undefined {
  const moves = !!clip?.boardMoves
  const shown = useQuery({
    queryKey: edited(master.projectId, 'board-frames', master.id, clip?.id, clip?.in),
    queryFn: () => get('/api/masters/{id}/board-frames', of(master.id, { clip: clip?.id ?? 0, at: clip?.in ?? 0 })),
    enabled: moves,
  }).data
  return moves ? shown && (shown.frames[frame - shown.in] ?? 0) : 0
}

/** For each record frame of the clip at a record frame, the frame of a render's movie that shows it. */
export const useMovieFrames = (master: Master, renderId?: number, at?: number) =>
  useQuery({
    queryKey: edited(master.projectId, 'movie-frames', master.id, renderId, at),
    queryFn: () => get('/api/masters/{id}/movie-frames', of(master.id, { render: renderId ?? 0, at: at ?? 0 })),
    enabled: renderId !== undefined && at !== undefined,
  })

/** Whether something is to be asked for again. @param told a master of which the server tells by itself what changed */
const isOld = ({ queryKey }: Query, touched: readonly string[], told?: number) =>
  isTouched(String(queryKey[2]), touched) && !(told !== undefined && queryKey[2] === 'master' && queryKey[3] === told)

/**
 * After an edit of one's own, here or in another window.
 *
 * @param touched what it touched; none where nobody knows
 * @param told    a master of which the server tells by itself what changed
 */
export function refreshEdited(projectId: number, touched: readonly string[] = [], told?: number) {
  askAgain(edited(projectId), (query) => query.queryKey[2] === 'project' || isOld(query, touched, told))
}

/**
 * After edits of others.
 *
 * @param seq     the project's number of edits at the last
 * @param touched what they touched together
 * @param told    a master of which the server tells by itself what changed
 */
export function refreshForOthers(projectId: number, seq: number, touched: readonly string[], told?: number) {
  queryClient.setQueryData<Project>(edited(projectId, 'project'), (known) => known && { ...known, seq: Math.max(known.seq, seq) })
  askAgain(edited(projectId), (query) => isOld(query, touched, told))
}

export const refreshMaster = (projectId: number, masterId: number) => askAgain(edited(projectId, 'master', masterId))

/**
 * The line to the server is there and the project stands at `seq`: what is older is asked for again, as is all that is
 * under way, since it may have been read before. Edits after this are heard of one by one.
 */
export function catchUp(projectId: number, seq: number) {
  const shown = queryClient.getQueryData<Project>(edited(projectId, 'project'))?.seq === seq
  askAgain(edited(projectId), (query) => !shown || query.state.fetchStatus === 'fetching')
}

/** A cut was received: what is kept of it says so before it is asked for again, so that nothing offers to receive it twice. */
export function keepReceived(projectId: number, cut: IntakeCut) {
  queryClient.setQueryData<IntakeCut>(edited(projectId, 'intake', cut.id), { ...cut, received: true })
}

export function refreshRenders(projectId: number) {
  askAgain(edited(projectId, 'renders'))
}

/** A thing's values at an action frame, by channel. */
export const useItemValues = (projectId: number, itemId: number | undefined, frame: number) =>
  useQuery({
    queryKey: edited(projectId, 'item', itemId, frame),
    queryFn: () => getNumbered('/api/items/{id}/at', of(itemId, { frame })),
    enabled: itemId !== undefined,
    gcTime: 5000,
  })

/** The camera's values at a frame, by channel. */
export const useCameraValues = (projectId: number, shotId: number, frame: number) =>
  useQuery({
    queryKey: edited(projectId, 'camera', shotId, frame),
    queryFn: () => getNumbered('/api/shots/{id}/camera', of(shotId, { frame })),
    placeholderData: (before) => before,
    gcTime: 5000,
  })
