import { memo, useEffect, useReducer, useRef } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk, useOfDesk } from '../desk/desk'
import type { Place, Written } from '../parts/draft'
import { LABELS, toFrame, toX } from '../parts/scale'
import { useDraft } from '../parts/useDraft'
import { useDrawing } from '../parts/useDrawing'
import { useWheel } from '../parts/useWheel'
import { plural, signed } from '../parts/words'
import { useSize } from '../pictures/useSize'
import { useLabels, useWholeSeconds } from '../playhead/labels'
import { allClips } from '../playhead/lookup'
import { scrub } from '../playhead/sound'
import { goTo } from '../playhead/transport'
import { of } from '../server/client'
import { useOthers } from '../server/others'
import { useCutClips, usePast } from '../server/queries'
import type { Master, Project } from '../server/types'
import { drawStill } from './drawTracks'
import { ask, chooseClip, edit, moveSeam, type Pull, pullWords } from './edits'
import { Hits } from './hits'
import { goInside } from './MasterBox'
import { MovingTracks } from './MovingTracks'
import { type PeekAt, peek, usePeek } from './peek'
import type { Drag } from './scene'
import { openMenu, TrackMenu } from './TrackMenu'
import { TrackNames } from './TrackNames'
import { TrackReader } from './TrackReader'
import { layOut } from './tracks'
import { panBy, useScale, zoomBy } from './useZoom'

type Hold =
  | { kind: 'playhead' }
  | { kind: 'overview' }
  | { kind: 'edit'; x: number; moved: boolean; of: (frames: number, at: { x: number; y: number }) => Edited; place: Place<Edited> }

/** What a hand edits: shown while it is held, one edit when it is let go. */
type Edited =
  | { kind: 'sound'; id: number; frames: number }
  | { kind: 'seam'; at: number; frames: number }
  | { kind: 'pull'; pull: Pull; frames: number; x: number; y: number }

/** The three tracks with their seams, sound and the strip of the whole. */
export const Tracks = memo(function Tracks({ project, master }: { project: Project; master: Master }) {
  const holder = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const { width, height } = useSize(holder)
  const [, again] = useReducer((n: number) => n + 1, 0)
  // a seam stays where it was put until the new state is there, or goes back when it was refused
  const draft = useDraft<Edited>(master.seq)
  const hold = useRef<Hold | undefined>(undefined)
  const { units, seam, clips, range, over, past, sound } = useOfDesk('units', 'seam', 'clips', 'range', 'over', 'past', 'sound')
  const overCut = useCutClips(project.id, over).data
  const pastClips = usePast(project.id, master.id, past).data
  const others = useOthers(master.id)
  const scale = useScale(master, width)
  const wholeSeconds = useWholeSeconds(master.id, master.framesPerSecond)
  const label = useLabels(master.id, master.masterStart, master.framesPerSecond, units)
  const tracks = [...new Set(master.sound.map((s) => s.track))]
  const layout = layOut(height, tracks.length, master.upper.length)

  const edited = draft.open
  const last = edited ?? draft.waiting.at(-1)
  const drag: Drag | undefined = last?.kind === 'seam' && last.frames !== 0 ? { at: last.at, delta: last.frames } : undefined
  const pulled = edited?.kind === 'pull' ? edited : undefined
  const moved = edited?.kind === 'sound' ? edited : undefined

  const scene = {
    master,
    layout,
    scale,
    width,
    seam,
    clips,
    drag,
    units,
    label,
    wholeSeconds,
    again,
    range,
    sound,
    others,
    over: over ? overCut : undefined,
    past: past ? pastClips : undefined,
  }
  useDrawing(canvas, width, layout.height, (g) => drawStill(g, scene))

  const place = (e: { clientX: number; clientY: number; currentTarget: Element }) => {
    const box = e.currentTarget.getBoundingClientRect()
    return { x: e.clientX - box.left, y: e.clientY - box.top }
  }

  const hits = new Hits(scene, tracks)
  useActions('track-menu', [
    {
      group: 'Conform',
      name: 'What can be done here, as a menu',
      keys: 'ContextMenu Shift+F10',
      run: () => openMenu(canvas.current, toX(scale, useDesk.getState().frame), layout.shots[0]),
    },
  ])

  /** What Alt or Ctrl with a drag does: at a seam the side under the pointer is trimmed, inside a clip it slips or slides. */
  const pullFrom = (e: React.PointerEvent, x: number, y: number): Pull | undefined => {
    const clip = hits.clip(x, y)
    const edge = hits.edge(clip, x, y)
    if (clip && edge) {
      return { kind: edge, clip: clip.id, ripple: e.ctrlKey }
    }
    if (!e.altKey && !e.ctrlKey) {
      return undefined
    }
    const near = hits.seam(x, y)
    if (near && clip) {
      return { kind: clip.in === near.at ? 'HEAD' : 'TAIL', clip: clip.id, ripple: e.ctrlKey }
    }
    return clip && { kind: e.altKey ? 'SLIP' : 'SLIDE', clip: clip.id, ripple: false }
  }

  const toOverview = (x: number) => {
    const share = (x - LABELS) / Math.max(1, width - LABELS - 16)
    goTo(master.start + share * (master.end - master.start))
  }

  /** What is under the right button is chosen, for the menu; nothing is pulled, and several that are chosen stay so. */
  const chooseUnder = (x: number, y: number) => {
    const heard = hits.sound(x, y)
    const near = hits.seam(x, y)
    const clip = hits.clip(x, y)
    if (heard) {
      setDesk({ sound: heard.id, clips: [], seam: undefined })
    } else if (near) {
      setDesk({ seam: near.at })
    } else if (clip && !clips.includes(clip.id)) {
      setDesk({ sound: undefined })
      chooseClip(master, clip.id, false, false)
    }
    if (x > LABELS && y < layout.overview[0] - 4) {
      goTo(near ? near.at : Math.floor(toFrame(scale, x)))
    }
  }

  /** A hand takes hold of what it edits, as it is now. */
  const take = (x: number, of: (frames: number, at: { x: number; y: number }) => Edited) => {
    const says = () => ({ of: undefined, value: of(0, { x, y: 0 }) })
    hold.current = { kind: 'edit', x, moved: false, of, place: { key: 'hand', says, write: (to) => write(master, to) } }
  }

  const down = (e: React.PointerEvent) => {
    const { x, y } = place(e)
    if (e.button === 2) {
      chooseUnder(x, y)
      return
    }
    e.currentTarget.setPointerCapture(e.pointerId)
    const near = hits.seam(x, y)
    const pull = pullFrom(e, x, y)
    const clip = hits.clip(x, y)
    const heard = hits.sound(x, y)
    if (heard) {
      setDesk({ sound: heard.id, clips: [], seam: undefined })
      take(x, (frames) => ({ kind: 'sound', id: heard.id, frames }))
    } else if (pull) {
      // pulling content to the right shows earlier frames, as a film strip would
      take(x, (frames, at) => ({ kind: 'pull', pull, frames: pull.kind === 'SLIP' ? -frames : frames, ...at }))
      setDesk({ clips: [pull.clip] })
    } else if (y >= layout.overview[0] - 4) {
      hold.current = { kind: 'overview' }
      toOverview(x)
    } else if (near) {
      take(x, (frames) => ({ kind: 'seam', at: near.at, frames }))
      setDesk({ seam: near.at })
      goTo(near.at)
    } else if (x > LABELS) {
      hold.current = { kind: 'playhead' }
      setDesk({ seam: undefined, sound: undefined, ...hits.track(y) })
      goTo(Math.floor(toFrame(scale, x)))
      if (clip) {
        chooseClip(master, clip.id, e.metaKey, e.shiftKey)
      }
    }
  }

  const move = (e: React.PointerEvent<HTMLElement>) => {
    const { x, y } = place(e)
    const held = hold.current
    if (!held) {
      e.currentTarget.style.cursor = hits.seam(x, y) || hits.edge(hits.clip(x, y), x, y) ? 'ew-resize' : 'default'
    } else if (held.kind === 'playhead') {
      goTo(Math.floor(toFrame(scale, x)))
    } else if (held.kind === 'overview') {
      toOverview(x)
    } else if (held.moved && !draft.isOpen) {
      // it was written already, where the window lost the focus: the hand holds nothing any more
      hold.current = undefined
    } else {
      const now = held.of(Math.round((x - held.x) / scale.perFrame), { x, y })
      held.moved = true
      if (now.kind === 'seam' && now.frames !== (edited?.frames ?? 0)) {
        scrub(now.at + now.frames)
      }
      draft.put(held.place, now)
      peek(master, looked(now))
    }
  }

  const up = () => {
    hold.current = undefined
    peek(master, undefined)
    draft.write()
  }

  useWheel(
    canvas,
    (factor, x) => zoomBy(master, factor, toFrame(scale, x)),
    (pixels) => panBy(master, pixels / scale.perFrame),
  )

  useEffect(() => {
    const letGo = (e: KeyboardEvent) => {
      if (e.key === 'Escape') {
        hold.current = undefined
        usePeek.setState({ seen: undefined })
        draft.drop()
      }
    }
    window.addEventListener('keydown', letGo)
    return () => window.removeEventListener('keydown', letGo)
  }, [draft])

  return (
    <div ref={holder} className="relative min-h-0 flex-1 overflow-hidden bg-deep max-[900px]:h-[460px] max-[900px]:flex-none">
      <TrackNames layout={layout} master={master} sounds={tracks} />
      <TrackReader master={master} label={label} />
      <TrackMenu>
        <canvas
          ref={canvas}
          className="absolute left-0 top-0 touch-none"
          style={{ width, height: layout.height }}
          onPointerDown={down}
          onPointerMove={move}
          onPointerUp={up}
          onPointerCancel={up}
          onDoubleClick={(e) => {
            const { x, y } = place(e)
            const clip = hits.clip(x, y)
            if (clip?.nest) {
              void goInside(master, Math.floor(toFrame(scale, x)), clip.id)
            }
          }}
          data-picture="tracks"
          data-shows={`${master.id} ${master.seq}`}
          role="img"
          aria-label={`${plural(master.clips.length, 'clip')} on ${plural(master.upper.length + 1, 'track')}, ${plural(master.counts.offsetSeams, 'seam')} that ${master.counts.offsetSeams === 1 ? 'differs' : 'differ'}`}
        />
      </TrackMenu>
      <MovingTracks scene={scene} />
      {moved && (
        <div
          className="num pointer-events-none absolute bottom-10 left-1/2 z-20 rounded border border-live bg-raised px-2 py-1 text-[13px]"
          role="status"
        >
          sound {signed(moved.frames)} {Math.abs(moved.frames) === 1 ? 'frame' : 'frames'} against the picture
        </div>
      )}
      {pulled && (
        <div
          className="num pointer-events-none absolute z-20 whitespace-nowrap rounded border border-live bg-raised px-2 py-1 text-[13px]"
          role="status"
          style={{ left: Math.min(pulled.x + 12, width - 320), top: Math.max(4, pulled.y - 36) }}
        >
          {pullWords(
            pulled.pull,
            allClips(master).find((s) => s.id === pulled.pull.clip),
            pulled.frames,
          )}
        </div>
      )}
    </div>
  )
})

/** What of it both sides of a line show while it is pulled. */
function looked(edited: Edited): PeekAt | undefined {
  return edited.kind === 'pull'
    ? { ...edited.pull, frames: edited.frames }
    : edited.kind === 'seam' && edited.frames !== 0
      ? { kind: 'ROLL', at: edited.at, frames: edited.frames }
      : undefined
}

async function write(master: Master, edited: Edited): Promise<Written | undefined> {
  if (edited.frames === 0) {
    return {}
  }
  if (edited.kind === 'seam') {
    return moveSeam(master, edited.at, edited.frames)
  }
  if (edited.kind === 'sound') {
    await ask('/api/sounds/{id}', { ...of(edited.id), body: { offset: edited.frames } })
  } else {
    const { kind, clip, ripple } = edited.pull
    await edit(master, { kind, clips: [clip], frames: edited.frames, ripple })
  }
  return {}
}
