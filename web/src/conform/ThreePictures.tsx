import { type PictureKind, setDesk, useDesk } from '../desk/desk'
import { plural } from '../parts/words'
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
import { useClipBake } from '../pictures/useClipBake'
import { useLabels } from '../playhead/labels'
import { liveAt, mediaFrameAt, mixedClips, passingFrom, renderAt, shareAt, shotFrameAt } from '../playhead/lookup'
import { useBoardFrame, useMovieFrames } from '../server/queries'
import type { LaidRender, Master, Project } from '../server/types'
import { PeekPicture } from './PeekPicture'
import { usePeek } from './peek'

/** The cut's, the camera's and the render's picture of the same frame, in the order of the tracks below. */
export function ThreePictures({ project, master }: { project: Project; master: Master }) {
  const { frame, large, units } = useDesk()
  const seen = usePeek((p) => p.seen)
  const label = useLabels(master.id, master.masterStart, master.framesPerSecond, units)
  const { clip: inCut, before: beforeInCut } = mixedClips(master, frame)
  const { clip, before, index } = liveAt(master, frame)
  useBlurKey()
  useBoardKeys(clip)
  useFilling(['cut', 'camera', 'render'], large)
  const passing = passingFrom(clip, before, frame)
  const bake = useClipBake(project.id, clip)
  const k = clip ? frame - clip.seenIn : 0
  const render = renderAt(master, index, frame)
  const boardFrame = useBoardFrame(master, clip, frame)
  const shotFrame = clip && shotFrameAt(clip, frame)
  const named = (a: string | undefined, b: string, share: number) => (a ? `${a} → ${b}, ${Math.round(share * 100)} %` : b)
  const renderBefore = passing && renderAt(master, index - 1, frame)
  // a clip of a track above: which of its movie's frames is seen is asked
  const above = index < 0 && clip?.shotId ? master.shots.find((s) => s.shotId === clip.shotId && s.renderId) : undefined
  const aboveFrames = useMovieFrames(master, above?.renderId ?? undefined, above ? clip?.in : undefined).data

  return (
    <div className="flex shrink-0 items-start gap-[10px] bg-ground px-4 pb-3 pt-2 max-[900px]:flex-wrap">
      <Picture
        kind="cut"
        large={large}
        shape={shapeOf(project)}
        title="Cut"
        quiet={inCut ? named(beforeInCut?.name, inCut.name, shareAt(inCut, frame)) : 'black'}
        number={label(frame)}
        under={
          inCut && (
            <Facts
              of={[
                `Board, ${plural(inCut.out - inCut.in, 'frame')}, this is ${frame - inCut.in + 1}`,
                `in the cut ${label(inCut.in)}`,
                inCut.mediaFrames.length > 0 && `movie frame ${mediaFrameAt(inCut, frame)}`,
                beforeInCut && `passes in from ${beforeInCut.name}`,
              ]}
            />
          )
        }
      >
        {master.cut.version === 0 && (
          <span className="absolute inset-0 flex items-center justify-center bg-deep p-4 text-center text-quiet">
            Held against no cut. Its name in the top line, Ctrl M, offers those that were received.
          </span>
        )}
        <CutPicture master={master} frame={frame} />
      </Picture>
      <Picture
        kind="camera"
        large={large}
        shape={shapeOf(project)}
        title="Camera"
        number={shotFrame ?? ''}
        under={<BoardOver clip={clip} edits={master.seq} />}
        quiet={
          clip?.shotId
            ? `${named(passing?.code, clip.code, shareAt(clip, frame))}${clip.locked ? ', locked' : ''} · ${(bake?.lens(k) ?? clip.lens).toFixed(0)} mm · T${clip.stop} · focus ${(bake?.focus(k) ?? clip.focus).toFixed(1)} m`
            : (clip?.code ?? 'black')
        }
      >
        {clip && (
          <CameraPicture projectId={project.id} clip={clip} before={before} frame={frame} framesPerSecond={master.framesPerSecond} />
        )}
        {seen && <PeekPicture project={project} seen={seen} />}
        {clip && <LaidBoard clip={clip} frame={boardFrame} edits={master.seq} />}
        <div className="pointer-events-none absolute inset-[3.5%] border border-white/25" aria-hidden />
      </Picture>
      <Picture
        kind="render"
        large={large}
        shape={shapeOf(project)}
        title="Render"
        number={
          render && frame >= render.zero && frame < render.zero + render.frames ? `${frame - render.zero + 1} of ${render.frames}` : ''
        }
        quiet={render ? render.name : above ? `${above.code}, version ${above.version}` : clip ? `${clip.code} · none yet` : ''}
        under={
          render ? (
            <Facts
              of={[
                `${plural(render.frames, 'frame')}, version ${render.version}`,
                render.stand && (
                  <span key="stand" className="text-stale">
                    {render.stand}
                  </span>
                ),
              ]}
            />
          ) : above ? (
            <Facts
              of={[
                above.stand && (
                  <span key="stand" className="text-stale">
                    {above.stand}
                  </span>
                ),
              ]}
            />
          ) : clip?.shotId ? (
            <Facts
              of={[
                clip.staged ? 'Staged, and not rendered yet' : 'Not staged yet: its camera and things are set in Stage',
                'Renders draws it',
              ]}
            />
          ) : undefined
        }
      >
        <Mix
          share={clip ? shareAt(clip, frame) : 1}
          before={passing && <OneRender render={renderBefore} frame={frame} framesPerSecond={master.framesPerSecond} />}
        >
          {above ? (
            <RenderPicture
              renderId={above.renderId}
              frame={aboveFrames?.frames[frame - aboveFrames.in] ?? -1}
              frames={Number.MAX_SAFE_INTEGER}
              framesPerSecond={aboveFrames?.framesPerSecond ?? master.framesPerSecond}
            />
          ) : (
            <OneRender render={render} frame={frame} framesPerSecond={master.framesPerSecond} />
          )}
        </Mix>
      </Picture>
    </div>
  )
}

const OneRender = ({ render, frame, framesPerSecond }: { render?: LaidRender; frame: number; framesPerSecond: number }) => (
  <RenderPicture
    renderId={render?.renderId}
    frame={render ? frame - render.zero : 0}
    frames={render?.frames ?? 0}
    framesPerSecond={framesPerSecond}
    steady
  />
)

/** What there is to know of a picture, a line each, in the room under it. */
const Facts = ({ of }: { of: React.ReactNode[] }) => (
  <div className="flex flex-col pt-1 text-[13px]">
    {of.filter(Boolean).map((fact, i) => (
      <span key={i} className="truncate">
        {fact}
      </span>
    ))}
  </div>
)

type Props = {
  kind: PictureKind
  shape: string
  large: PictureKind
  title: string
  quiet: string
  number: string | number
  under?: React.ReactNode
  children?: React.ReactNode
}

function Picture({ kind, shape, large, title, quiet, number, under, children }: Props) {
  const isLarge = kind === large
  const fills = useFills((f) => f.fills === kind)
  return (
    <figure
      onPointerEnter={() => useFills.setState({ over: kind })}
      className={`min-w-0 ${fills ? 'fixed inset-0 z-40 bg-deep px-4 py-2' : isLarge ? 'max-[900px]:order-first max-[900px]:w-full max-[900px]:flex-none!' : 'max-[900px]:basis-[45%]!'}`}
      style={{ flex: isLarge ? '1.42 1 0' : '1 1 0' }}
    >
      <figcaption className="flex h-7 items-center gap-2 whitespace-nowrap">
        <b className="font-semibold">{title}</b>
        <span className="min-w-0 flex-1 truncate text-quiet" title={quiet}>
          {quiet}
        </span>
        <span className="num text-quiet">{number}</span>
      </figcaption>
      <button
        type="button"
        className={`relative block overflow-hidden bg-black max-[900px]:max-h-none ${fills ? 'mx-auto' : 'max-h-[38vh] w-full'} ${isLarge && !fills ? 'outline-2 outline-offset-1 outline-live' : ''}`}
        style={{ aspectRatio: shape, width: fills ? `min(100%, calc((100vh - 64px) * ${shape}))` : undefined }}
        onClick={() => setDesk({ large: kind })}
        aria-label={`${title}${isLarge ? '' : ', show large'}`}
        tabIndex={-1}
      >
        {children}
      </button>
      {under && <div className="text-quiet">{under}</div>}
    </figure>
  )
}
