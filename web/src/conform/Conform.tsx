import { useActions } from '../desk/actions'
import { setDesk, useDesk, useOfDesk } from '../desk/desk'
import { itemAt, lastOf } from '../parts/lists'
import { goTo, play } from '../playhead/transport'
import { useTellingWhere } from '../server/others'
import type { Master, Project } from '../server/types'
import { CameraKeys } from './CameraKeys'
import { ClipBar } from './ClipBar'
import { chosenClips } from './edits'
import { SceneOffers } from './SceneOffers'
import { SeamBox } from './SeamBox'
import { SoundBar } from './SoundBar'
import { ThreePictures } from './ThreePictures'
import { Tracks } from './Tracks'
import { zoomBy } from './useZoom'

/** The seams: three pictures over three tracks. */
export function Conform({ project, master }: { project: Project; master: Master }) {
  const { sound: soundId, over, cutting } = useOfDesk('sound', 'over', 'cutting')
  const sound = master.sound.find((s) => s.id === soundId)
  useTellingWhere(project.id, master.id)
  const toClip = (way: 1 | -1) => {
    const { clips } = master
    const frame = here()
    const next = way > 0 ? clips.find((s) => s.in > frame) : [...clips].reverse().find((s) => s.in < frame)
    if (next) {
      setDesk({ seam: undefined, clips: [next.id] })
      goTo(next.in)
    }
  }
  const layOver = () => {
    const others = project.cuts.filter((c) => c.id !== master.cut.id)
    const at = others.findIndex((c) => c.id === over)
    setDesk({ over: others[at + 1]?.id })
  }
  const toSeam = (way: 1 | -1, onlyOffset: boolean) => {
    const frame = here()
    const seams = master.seams.filter((s) => !onlyOffset || s.cutOffset !== 0 || s.renderOffset !== 0).map((s) => s.at)
    const next = way > 0 ? seams.find((at) => at > frame) : [...seams].reverse().find((at) => at < frame)
    const found = next ?? (onlyOffset ? seams[0] : undefined)
    if (found !== undefined) {
      setDesk({ seam: found })
      goTo(found)
    }
  }
  useActions('conform', [
    { group: 'Conform', name: 'Next seam', keys: 'ArrowDown', run: () => toSeam(1, false) },
    { group: 'Conform', name: 'Previous seam', keys: 'ArrowUp', run: () => toSeam(-1, false) },
    { group: 'Conform', name: 'Next seam that differs', keys: 'B', run: () => toSeam(1, true) },
    { group: 'Conform', name: 'Play around the seam, two seconds', keys: 'Ctrl+Space', run: () => playAround(master, here()) },
    { group: 'Conform', name: 'Play the chosen clips over and over', keys: 'Ctrl+L', run: () => playChosen(master) },
    { group: 'Conform', name: 'Next place where the action does not run on', keys: 'Ctrl+B', run: () => toSlip(master, here()) },
    { group: 'Conform', name: 'Choose the next clip', keys: 'Alt+ArrowRight', run: () => toClip(1) },
    { group: 'Conform', name: 'Choose the clip before', keys: 'Alt+ArrowLeft', run: () => toClip(-1) },
    { group: 'Conform', name: 'Lay another version of the cut over it', keys: 'Shift+V', run: layOver, disabled: project.cuts.length < 2 },
    {
      group: 'Conform',
      name: cutting ? 'Stop cutting to cameras by number' : 'Cut to cameras by number',
      keys: 'Shift+C',
      run: () => setDesk({ cutting: !cutting }),
    },
    { group: 'Conform', name: 'Show another picture large', keys: 'V', run: nextLarge },
    { group: 'Conform', name: 'Zoom in', keys: '= Ctrl+ArrowUp', run: () => zoomBy(master, 0.6, here()) },
    { group: 'Conform', name: 'Zoom out', keys: 'Ctrl+ArrowDown Z', run: () => zoomBy(master, 1 / 0.6, here()) },
    { group: 'Conform', name: 'Show the whole master', keys: 'Shift+Home H', run: () => setDesk({ zoom: undefined }) },
    { group: 'Conform', name: 'Show single frames', keys: 'F', run: () => zoomBy(master, 0.0001, here()) },
  ])
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <ThreePictures project={project} master={master} />
      <SceneOffers project={project} master={master} />
      <SeamBox master={master} />
      {sound ? <SoundBar key={sound.id} master={master} sound={sound} /> : <ClipBar project={project} master={master} />}
      {cutting && <CameraKeys master={master} />}
      <Tracks project={project} master={master} />
    </div>
  )
}

/** The playhead when a key is pressed, not when the view was last drawn. */
const here = () => useDesk.getState().frame

function toSlip(master: Master, frame: number) {
  const slips = master.seams.filter((s) => s.action)
  const next = slips.find((s) => s.at > frame) ?? slips[0]
  if (next) {
    setDesk({ seam: next.at })
    goTo(next.at)
  }
}

/** A second before the nearest seam and a second after it. */
function playAround(master: Master, frame: number) {
  const seam = master.seams.map((s) => s.at).sort((a, b) => Math.abs(a - frame) - Math.abs(b - frame))[0] ?? frame
  const second = Math.round(master.framesPerSecond)
  const from = Math.max(master.start, seam - second)
  setDesk({ frame: from })
  play(1, { in: from, out: Math.min(master.end, seam + second) })
}

function playChosen(master: Master) {
  const chosen = chosenClips(master, useDesk.getState().clips)
  if (chosen.length > 0) {
    const part = { in: itemAt(chosen, 0).in, out: lastOf(chosen).out }
    setDesk({ frame: part.in })
    play(1, part, true)
  }
}

function nextLarge() {
  const order = ['cut', 'camera', 'render'] as const
  setDesk({ large: order[(order.indexOf(useDesk.getState().large) + 1) % 3] })
}
