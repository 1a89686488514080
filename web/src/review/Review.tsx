import { useEffect, useRef, useState } from 'react'
import { useActions } from '../desk/actions'
import { useDesk } from '../desk/desk'
import { following } from '../parts/lists'
import { BoardOver } from '../pictures/BoardOver'
import { useBlurKey } from '../pictures/blurs'
import { useBoardKeys } from '../pictures/boardOvers'
import { CameraPicture } from '../pictures/CameraPicture'
import { CutPicture } from '../pictures/CutPicture'
import { useFilling, useFills } from '../pictures/Fills'
import { LaidBoard } from '../pictures/LaidBoard'
import { Mix } from '../pictures/Mix'
import { RenderPicture } from '../pictures/RenderPicture'
import { shapeOf } from '../pictures/shape'
import { cutClipAt, liveAt, passingFrom, shareAt, shotFrameAt } from '../playhead/lookup'
import { goTo, playOrStop, useTransport } from '../playhead/transport'
import { useBoardFrame, useMovieFrames, useRenders } from '../server/queries'
import type { Clip, Master, Project, Render } from '../server/types'

type Way = 'side by side' | 'wiped' | 'blended' | 'flicked'
const WAYS: Way[] = ['side by side', 'wiped', 'blended', 'flicked']

/** Any two of board, camera, render and earlier render, at the same playhead. */
export function Review({ project, master }: { project: Project; master: Master }) {
  const frame = useDesk((d) => d.frame)
  const speed = useTransport((t) => t.speed)
  const renders = useRenders(project.id, master.id).data ?? []
  const { clip, before, index } = liveAt(master, frame)
  const versions = renders.filter((r) => r.shotId === clip?.shotId && r.state === 'DONE')
  const [a, setA] = useState('board')
  const [b, setB] = useState('render')
  const [way, setWay] = useState<Way>('side by side')
  const [share, setShare] = useState(50)
  const [flicked, setFlicked] = useState(false)
  const holder = useRef<HTMLDivElement>(null)

  const fills = useFills((f) => f.fills === 'review')
  useFilling(['review'], 'review')
  useBlurKey()
  useBoardKeys(clip)

  useActions('review', [
    { group: 'Review', name: 'Side by side, wiped, blended, flicked', keys: 'W', run: () => setWay(following(WAYS, way)) },
    {
      group: 'Review',
      name: 'Flick to the other',
      keys: 'X',
      run: () => {
        setWay('flicked')
        setFlicked((f) => !f)
      },
    },
    {
      group: 'Review',
      name: 'Change sides',
      keys: 'S',
      run: () => {
        setA(b)
        setB(a)
      },
    },
    { group: 'Review', name: 'Wipe to the left', keys: '[', run: () => setShare((n) => Math.max(0, n - 5)) },
    { group: 'Review', name: 'Wipe to the right', keys: ']', run: () => setShare((n) => Math.min(100, n + 5)) },
    { group: 'Review', name: 'Next shot', keys: 'ArrowDown', run: () => goTo(master.clips[index + 1]?.in ?? frame) },
    { group: 'Review', name: 'Previous shot', keys: 'ArrowUp', run: () => goTo(master.clips[index - 1]?.in ?? frame) },
  ])
  useEffect(() => setFlicked(false), [way === 'flicked'])

  const choices: [string, string][] = [
    ['board', 'Board'],
    ['camera', 'Camera'],
    ['render', 'Newest render'],
    ...versions.map((r): [string, string] => [`v${r.version}`, r.name]),
  ]
  const shown = (what: string) => (
    <OneOf what={what} project={project} master={master} clip={clip} before={before} frame={frame} renders={renders} />
  )
  const drag = (e: React.PointerEvent) => {
    if (way === 'wiped' && e.buttons === 1) {
      const box = e.currentTarget.getBoundingClientRect()
      setShare(Math.max(0, Math.min(100, ((e.clientX - box.left) / box.width) * 100)))
    }
  }
  const choice = (value: string, set: (v: string) => void, label: string) => (
    <select
      className="field min-w-44"
      aria-label={label}
      value={choices.some(([c]) => c === value) ? value : 'render'}
      onChange={(e) => set(e.target.value)}
    >
      {choices.map(([c, name]) => (
        <option key={c} value={c}>
          {name}
        </option>
      ))}
    </select>
  )
  return (
    <div className={fills ? 'fixed inset-0 z-40 flex flex-col bg-deep px-2 py-1' : 'flex min-h-0 flex-1 flex-col bg-ground px-4 py-2'}>
      <div className="flex h-9 shrink-0 items-center gap-3 max-[900px]:h-auto max-[900px]:flex-wrap">
        {choice(a, setA, 'Left picture')}
        <div className="flex rounded-md border border-line" role="radiogroup" aria-label="How to compare">
          {WAYS.map((w) => (
            <button
              key={w}
              type="button"
              role="radio"
              aria-checked={way === w}
              onClick={() => setWay(w)}
              className={`px-3 py-1 ${way === w ? 'bg-[#4a4a4a] text-white' : 'text-quiet'}`}
            >
              {w}
            </button>
          ))}
        </div>
        {choice(b, setB, 'Right picture')}
        {(way === 'wiped' || way === 'blended') && (
          <input
            type="range"
            className="w-40"
            min={0}
            max={100}
            value={share}
            aria-label={way === 'wiped' ? 'Where the wipe stands' : 'Share of the right picture'}
            onChange={(e) => setShare(Number(e.target.value))}
          />
        )}
        {(a === 'camera' || b === 'camera') && clip && <BoardOver clip={clip} edits={master.seq} short />}
        <span className="ml-auto text-quiet">
          {clip ? (
            <>
              <span className="num">{clip.code}</span> · frame <span className="num">{shotFrameAt(clip, frame)}</span>
            </>
          ) : (
            'black'
          )}
        </span>
        <button type="button" className="button" onClick={playOrStop}>
          {speed === 0 ? 'Play' : 'Stop'}
        </button>
      </div>
      {way === 'side by side' ? (
        <div className="flex min-h-0 flex-1 gap-3 max-[900px]:flex-none max-[900px]:flex-col">
          {[a, b].map((what, i) => (
            <div key={i} className="flex min-w-0 flex-1 items-center">
              <div className="relative w-full overflow-hidden bg-black" style={{ aspectRatio: shapeOf(project) }}>
                {shown(what)}
              </div>
            </div>
          ))}
        </div>
      ) : (
        <div className="flex min-h-0 flex-1 items-center justify-center max-[900px]:h-[56vw] max-[900px]:flex-none">
          <div
            ref={holder}
            className="relative h-full max-w-full touch-none overflow-hidden bg-black"
            style={{ aspectRatio: shapeOf(project) }}
            onPointerDown={drag}
            onPointerMove={drag}
          >
            <div className="absolute inset-0" style={{ visibility: way === 'flicked' && flicked ? 'hidden' : 'visible' }}>
              {shown(a)}
            </div>
            <div
              className="absolute inset-0"
              style={{
                clipPath: way === 'wiped' ? `inset(0 0 0 ${share}%)` : undefined,
                opacity: way === 'blended' ? share / 100 : 1,
                visibility: way === 'flicked' && !flicked ? 'hidden' : 'visible',
              }}
            >
              {shown(b)}
            </div>
            {way === 'wiped' && <div className="pointer-events-none absolute inset-y-0 w-0.5 bg-white" style={{ left: `${share}%` }} />}
          </div>
        </div>
      )}
      <Strip master={master} frame={frame} />
    </div>
  )
}

type OneProps = {
  what: string
  project: Project
  master: Master
  clip?: Clip
  before?: Clip
  frame: number
  renders: Render[]
}

function OneOf({ what, project, master, clip, before, frame, renders }: OneProps) {
  const boardFrame = useBoardFrame(master, clip, frame)
  if (what === 'board') {
    return cutClipAt(master, frame) ? <CutPicture master={master} frame={frame} /> : <p className="p-4 text-quiet">black</p>
  }
  if (what === 'camera') {
    return clip ? (
      <>
        <CameraPicture projectId={project.id} clip={clip} before={before} frame={frame} framesPerSecond={master.framesPerSecond} />
        <LaidBoard clip={clip} frame={boardFrame} edits={master.seq} />
      </>
    ) : (
      <p className="p-4 text-quiet">black</p>
    )
  }
  const versionsOf = (s: Clip | undefined) => renders.filter((r) => r.shotId === s?.shotId && r.state === 'DONE')
  const versions = versionsOf(clip)
  const render = what === 'render' ? versions[0] : versions.find((r) => `v${r.version}` === what)
  const passing = passingFrom(clip, before, frame)
  return (
    <Mix
      share={clip ? shareAt(clip, frame) : 1}
      before={passing && <RenderOf render={versionsOf(passing)[0]} master={master} clip={passing} frame={frame} />}
    >
      <RenderOf render={render} master={master} clip={clip} frame={frame} />
    </Mix>
  )
}

/** A version of a render at the playhead: the server says which of its frames shows which frame of the clip. */
function RenderOf({ render, master, clip, frame }: { render?: Render; master: Master; clip?: Clip; frame: number }) {
  const shown = useMovieFrames(master, render?.id, clip?.in).data
  const at = shown?.frames[frame - shown.in] ?? -1
  return (
    <RenderPicture
      renderId={render?.id}
      frame={at}
      frames={render?.frames ?? 0}
      framesPerSecond={shown?.framesPerSecond ?? master.framesPerSecond}
    />
  )
}

/** The master as a strip, to go anywhere. */
function Strip({ master, frame }: { master: Master; frame: number }) {
  const whole = master.end - master.start
  return (
    <div
      className="relative mt-3 h-7 shrink-0 overflow-hidden rounded bg-deep"
      role="slider"
      tabIndex={0}
      aria-label="Playhead"
      aria-valuemin={master.start}
      aria-valuemax={master.end - 1}
      aria-valuenow={frame}
      onPointerDown={(e) => {
        const box = e.currentTarget.getBoundingClientRect()
        goTo(master.start + ((e.clientX - box.left) / box.width) * whole)
      }}
    >
      {master.clips.map((s) => (
        <span
          key={s.in}
          title={s.code}
          className={`num absolute inset-y-0 flex justify-end overflow-hidden whitespace-nowrap border-r border-deep px-1 text-[11.5px] leading-7 ${frame >= s.in && frame < s.out ? 'bg-[#5f6f76] text-white' : 'bg-[#414141] text-quiet'}`}
          style={{ left: `${((s.in - master.start) / whole) * 100}%`, width: `${((s.out - s.in) / whole) * 100}%` }}
        >
          <span className="mr-auto min-w-0 overflow-hidden [direction:rtl]">{s.code}</span>
        </span>
      ))}
      <span
        className="pointer-events-none absolute inset-y-0 w-0.5 bg-white"
        style={{ left: `${((frame - master.start) / whole) * 100}%` }}
      />
    </div>
  )
}
