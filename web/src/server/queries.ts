/** What the window has of the server's state. Live updates tell which of it to ask for again. */
import { QueryClient, useQuery, type Query } from '@tanstack/react-query'
import { getBytes, getJson, getText } from './client'
import { changedView } from './changes'
import { isTouched } from './touched'
import type { CutPieces, FocusRuler, HandBack, IntakeCut, MasterBrief, MovieFrames, PairsByOrder, PastStep, Program, Project, ProjectBrief, Render, Section, Sequence, SequenceChange, SequenceView, SourceFiles, SourceView, StageShot, Task, Turnover } from './types'

export const queryClient = new QueryClient({
  defaultOptions: { queries: { staleTime: Infinity, retry: 1, refetchOnWindowFocus: false } },
})

/**
 * Asks again for what is kept under a key. A first answer that is under way may have been read before what is told now:
 * it would count as new, so it is asked again after it.
 */
function askAgain(queryKey: unknown[], which: (query: Query) => boolean = () => true) {
  queryClient.getQueryCache().findAll({ queryKey, predicate: which }).forEach((query) => {
    const first = query.state.data === undefined && query.state.fetchStatus === 'fetching' ? query.promise : undefined
    const again = () => void queryClient.invalidateQueries({ queryKey: query.queryKey, exact: true })
    if (first) {
      void first.catch(() => undefined).then(() => window.setTimeout(again))
    } else {
      again()
    }
  })
}

/** Everything of a project that an edit may change stands under this. */
const edited = (projectId: number | undefined, ...rest: unknown[]) => ['edited', projectId, ...rest]

export const useProjects = () =>
  useQuery({ queryKey: ['projects'], queryFn: () => getJson<ProjectBrief[]>('/api/projects') })

export const useProject = (id: number | undefined) =>
  useQuery({ queryKey: edited(id, 'project'), queryFn: () => getJson<Project>(`/api/projects/${id}`), enabled: !!id })

export const useSequence = (project: Project | undefined, masterId: number | undefined) =>
  useQuery({
    queryKey: edited(project?.id, 'sequence', masterId),
    queryFn: ({ queryKey }) => sequence(masterId, queryClient.getQueryData<Sequence>(queryKey)),
    enabled: !!project && !!masterId,
    placeholderData: (before) => before,
  })

/** @param known what the window has: what changed since is asked for, and the whole where the server does not know it any more */
async function sequence(masterId: number | undefined, known: Sequence | undefined): Promise<Sequence> {
  const change = await getJson<SequenceChange>(`/api/masters/${masterId}/changes${known ? `?since=${known.stamp}` : ''}`)
  const view = changedView(change.since === known?.stamp ? known : undefined, change)
  return { ...view, cut: { ...view.cut, pieces: await piecesOf(view) } }
}

/** The pieces of a cut, asked for when they are others: edits of the master leave them as they are. */
async function piecesOf({ id, cut }: SequenceView) {
  const path = cut.id === 0 ? `/api/masters/${id}/cut-under` : `/api/cuts/${cut.id}/pieces`
  const known = cut.version === 0 ? undefined : await queryClient.fetchQuery({
    queryKey: ['pieces', path, cut.stamp],
    queryFn: () => getJson<CutPieces>(path),
  })
  return known?.pieces ?? []
}

export const useMasters = (projectId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'masters'),
    queryFn: () => getJson<MasterBrief[]>(`/api/projects/${projectId}/masters`),
    enabled: !!projectId,
    placeholderData: (before) => before,
  })

/** A master as it was after a step. @param seq the project's number of edits now */
export const usePast = (projectId: number, masterId: number, step: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'past', masterId, step),
    queryFn: () => getJson<CutPieces>(`/api/masters/${masterId}/at/${step}`),
    enabled: step !== undefined,
    placeholderData: (before) => before,
  })

/** Any version of the cut, to be laid over another. */
export const useCutPieces = (projectId: number, cutId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'pieces', cutId),
    queryFn: () => getJson<CutPieces>(`/api/cuts/${cutId}/pieces`),
    enabled: !!cutId,
    placeholderData: (before) => before,
  })

export const useRenders = (projectId: number | undefined, masterId?: number) =>
  useQuery({
    queryKey: edited(projectId, 'renders', masterId),
    queryFn: () => getJson<Render[]>(`/api/projects/${projectId}/renders${masterId ? `?master=${masterId}` : ''}`),
    enabled: !!projectId,
  })

export const useIntake = (projectId: number, cutId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'intake', cutId),
    queryFn: () => getJson<IntakeCut>(`/api/cuts/${cutId}/intake`),
    enabled: !!cutId,
    placeholderData: (before) => before,
  })

/** Sources of a cut and how their files were found. */
export const useSources = (projectId: number, cutId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'sources', cutId),
    queryFn: () => getJson<SourceView[]>(`/api/cuts/${cutId}/sources`),
    enabled: !!cutId,
    placeholderData: (before) => before,
  })

/** What a cut misses beside what nothing uses, as pairs by order. */
export const useByOrder = (projectId: number, cutId: number) =>
  useQuery({
    queryKey: edited(projectId, 'by-order', cutId),
    queryFn: () => getJson<PairsByOrder>(`/api/cuts/${cutId}/sources/by-order`),
    placeholderData: (before) => before,
  })

/** Files to choose from: those given, then those in the server's folders. */
export const useFiles = (projectId: number, text: string, kind: string, like: string) =>
  useQuery({
    queryKey: edited(projectId, 'files', text, kind, like),
    queryFn: () => getJson<SourceFiles>(`/api/projects/${projectId}/files?kind=${kind}&text=${encodeURIComponent(text)}&like=${encodeURIComponent(like)}`),
    placeholderData: (before) => before,
    gcTime: 10_000,
  })

/** @param seq the project's number of edits: the history is asked for again when it has gone on */
export const useHistory = (projectId: number, seq: number) =>
  useQuery({
    queryKey: ['history', projectId, seq],
    queryFn: () => getJson<PastStep[]>(`/api/projects/${projectId}/history`),
    placeholderData: (before) => before,
    gcTime: 5000,
  })

export const useTasks = (projectId: number | undefined) =>
  useQuery({
    queryKey: ['tasks', projectId],
    queryFn: () => getJson<Task[]>(`/api/projects/${projectId}/tasks`),
    enabled: !!projectId,
    placeholderData: (before) => before,
  })

export function refreshTasks(projectId: number) {
  askAgain(['tasks', projectId])
}

export const useTurnover = (projectId: number, cutId: number | undefined, masterId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'turnover', cutId, masterId),
    queryFn: () => getJson<Turnover>(`/api/cuts/${cutId}/turnover${masterId ? `?master=${masterId}` : ''}`),
    enabled: !!cutId,
  })

/** @param how its query: which master, and what of it is written how */
export const useHandBack = (projectId: number, format: string, how: string) =>
  useQuery({
    queryKey: edited(projectId, 'hand-back', format, how),
    queryFn: () => getJson<HandBack>(`/api/projects/${projectId}/hand-back?format=${format}&${how}`),
    placeholderData: (before) => before,
  })

export const useStage = (projectId: number, shotId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'stage', shotId),
    queryFn: () => getJson<StageShot>(`/api/shots/${shotId}/stage`),
    enabled: !!shotId,
    placeholderData: (before) => (before?.shotId === shotId ? before : undefined),
  })

export const useFocus = (projectId: number, shotId: number | undefined, frame: number) =>
  useQuery({
    queryKey: edited(projectId, 'focus', shotId, frame),
    queryFn: () => getJson<FocusRuler>(`/api/shots/${shotId}/focus?frame=${frame}`),
    enabled: !!shotId,
    placeholderData: (before) => before,
    gcTime: 5000,
  })

export const useShading = () =>
  useQuery({ queryKey: ['shading'], queryFn: () => getJson<Record<string, Program>>('/api/shading') })

export const useMeshes = (projectId: number, sceneId: number | undefined) =>
  useQuery({
    queryKey: edited(projectId, 'meshes', sceneId),
    queryFn: () => getBytes(`/api/scenes/${sceneId}/meshes.glb`),
    enabled: !!sceneId,
    placeholderData: (before) => before,
  })

/** Baked movement of a shot, from an exact frame on at a speed; all of its frames where none is given. */
export const useBake = (projectId: number, shotId: number | undefined, part?: { from: string; speed: string; frames: number; bends?: string }) => {
  const range = part ? `?from=${encodeURIComponent(part.from)}&speed=${encodeURIComponent(part.speed)}&frames=${part.frames}${part.bends ? `&bends=${encodeURIComponent(part.bends)}` : ''}` : ''
  return useQuery({
    queryKey: edited(projectId, 'bake', shotId, range),
    queryFn: () => getBytes(`/api/shots/${shotId}/bake${range}`),
    enabled: !!shotId,
    gcTime: 60_000,
  })
}

export const fetchLabels = (masterId: number, from: number, count: number) =>
  queryClient.fetchQuery({
    queryKey: ['labels', masterId, from, count],
    queryFn: async () => (await getText(`/api/masters/${masterId}/labels?from=${from}&count=${count}`)).split('\n'),
  })

/** The frame of its board that a piece shows at a record frame, as the server counts it: 0 for a still, undefined while that is asked. */
export function useBoardFrame(sequence: Sequence, section: Section | undefined, frame: number): number | undefined {
  const moves = !!section?.boardMoves
  const shown = useQuery({
    queryKey: edited(sequence.projectId, 'board-frames', sequence.id, section?.id, section?.in),
    queryFn: () => getJson<MovieFrames>(`/api/masters/${sequence.id}/board-frames?section=${section?.id}&at=${section?.in}`),
    enabled: moves,
  }).data
  return moves ? shown && (shown.frames[frame - shown.in] ?? 0) : 0
}

/** For each record frame of the piece at a record frame, the frame of a render's movie that shows it. */
export const useMovieFrames = (sequence: Sequence, renderId?: number, at?: number) =>
  useQuery({
    queryKey: edited(sequence.projectId, 'movie-frames', sequence.id, renderId, at),
    queryFn: () => getJson<MovieFrames>(`/api/masters/${sequence.id}/movie-frames?render=${renderId}&at=${at}`),
    enabled: renderId !== undefined && at !== undefined,
  })

/** After an edit, here or in another window. @param touched what it touched; none where nobody knows */
export function refreshEdited(projectId: number, touched: readonly string[] = []) {
  askAgain(edited(projectId), ({ queryKey }) => isTouched(String(queryKey[2]), touched))
}

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
    queryFn: () => getJson<Record<string, number>>(`/api/items/${itemId}/values?frame=${frame}`),
    enabled: itemId !== undefined,
    gcTime: 5000,
  })

/** The camera's values at a frame, by channel. */
export const useCameraValues = (projectId: number, shotId: number, frame: number) =>
  useQuery({
    queryKey: edited(projectId, 'camera', shotId, frame),
    queryFn: () => getJson<Record<string, number>>(`/api/shots/${shotId}/camera?frame=${frame}`),
    placeholderData: (before) => before,
    gcTime: 5000,
  })
