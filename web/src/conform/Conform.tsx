import { useActions } from '../desk/actions'
import { setDesk, useDesk, useOfDesk } from '../desk/desk'
import { itemAt, lastOf } from '../parts/lists'
import { goTo, play } from '../playhead/transport'
import { useTellingWhere } from '../server/others'
import type { Project, Sequence } from '../server/types'
import { CameraKeys } from './CameraKeys'
import { chosenPieces } from './edits'
import { Lanes } from './Lanes'
import { PieceBar } from './PieceBar'
import { SceneOffers } from './SceneOffers'
import { SeamBox } from './SeamBox'
import { SoundBar } from './SoundBar'
import { ThreePictures } from './ThreePictures'
import { zoomBy } from './useZoom'

/** The seams: three pictures over three lanes. */
export function Conform({ project, sequence }: { project: Project; sequence: Sequence }) {
  const { sound: soundId, over, cutting } = useOfDesk('sound', 'over', 'cutting')
  const sound = sequence.sound.find((s) => s.id === soundId)
  useTellingWhere(project.id, sequence.id)
  const toPiece = (way: 1 | -1) => {
    const { sections } = sequence
    const frame = here()
    const next = way > 0 ? sections.find((s) => s.in > frame) : [...sections].reverse().find((s) => s.in < frame)
    if (next) {
      setDesk({ seam: undefined, pieces: [next.id] })
      goTo(next.in)
    }
  }
  const layOver = () => {
    const others = project.cuts.filter((c) => c.id !== sequence.cut.id)
    const at = others.findIndex((c) => c.id === over)
    setDesk({ over: others[at + 1]?.id })
  }
  const toSeam = (way: 1 | -1, onlyBent: boolean) => {
    const frame = here()
    const seams = sequence.seams.filter((s) => !onlyBent || s.cutBend !== 0 || s.renderBend !== 0).map((s) => s.at)
    const next = way > 0 ? seams.find((at) => at > frame) : [...seams].reverse().find((at) => at < frame)
    const found = next ?? (onlyBent ? seams[0] : undefined)
    if (found !== undefined) {
      setDesk({ seam: found })
      goTo(found)
    }
  }
  useActions('conform', [
    { group: 'Conform', name: 'Next seam', keys: 'ArrowDown', run: () => toSeam(1, false) },
    { group: 'Conform', name: 'Previous seam', keys: 'ArrowUp', run: () => toSeam(-1, false) },
    { group: 'Conform', name: 'Next bent seam', keys: 'B', run: () => toSeam(1, true) },
    { group: 'Conform', name: 'Play around the seam, two seconds', keys: 'Ctrl+Space', run: () => playAround(sequence, here()) },
    { group: 'Conform', name: 'Play the chosen pieces over and over', keys: 'Ctrl+L', run: () => playChosen(sequence) },
    { group: 'Conform', name: 'Next place where the action does not run on', keys: 'Ctrl+B', run: () => toSlip(sequence, here()) },
    { group: 'Conform', name: 'Choose the next piece', keys: 'Alt+ArrowRight', run: () => toPiece(1) },
    { group: 'Conform', name: 'Choose the piece before', keys: 'Alt+ArrowLeft', run: () => toPiece(-1) },
    { group: 'Conform', name: 'Lay another version of the cut over it', keys: 'Shift+V', run: layOver, disabled: project.cuts.length < 2 },
    {
      group: 'Conform',
      name: cutting ? 'Stop cutting to cameras by number' : 'Cut to cameras by number',
      keys: 'Shift+C',
      run: () => setDesk({ cutting: !cutting }),
    },
    { group: 'Conform', name: 'Show another picture large', keys: 'V', run: nextLarge },
    { group: 'Conform', name: 'Zoom in', keys: '= Ctrl+ArrowUp', run: () => zoomBy(sequence, 0.6, here()) },
    { group: 'Conform', name: 'Zoom out', keys: 'Ctrl+ArrowDown Z', run: () => zoomBy(sequence, 1 / 0.6, here()) },
    { group: 'Conform', name: 'Show the whole master', keys: 'Shift+Home H', run: () => setDesk({ zoom: undefined }) },
    { group: 'Conform', name: 'Show single frames', keys: 'F', run: () => zoomBy(sequence, 0.0001, here()) },
  ])
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <ThreePictures project={project} sequence={sequence} />
      <SceneOffers project={project} sequence={sequence} />
      <SeamBox sequence={sequence} />
      {sound ? <SoundBar key={sound.id} sequence={sequence} sound={sound} /> : <PieceBar project={project} sequence={sequence} />}
      {cutting && <CameraKeys sequence={sequence} />}
      <Lanes project={project} sequence={sequence} />
    </div>
  )
}

/** The playhead when a key is pressed, not when the view was last drawn. */
const here = () => useDesk.getState().frame

function toSlip(sequence: Sequence, frame: number) {
  const slips = sequence.seams.filter((s) => s.action)
  const next = slips.find((s) => s.at > frame) ?? slips[0]
  if (next) {
    setDesk({ seam: next.at })
    goTo(next.at)
  }
}

/** A second before the nearest seam and a second after it. */
function playAround(sequence: Sequence, frame: number) {
  const seam = sequence.seams.map((s) => s.at).sort((a, b) => Math.abs(a - frame) - Math.abs(b - frame))[0] ?? frame
  const second = Math.round(sequence.framesPerSecond)
  const from = Math.max(sequence.start, seam - second)
  setDesk({ frame: from })
  play(1, { in: from, out: Math.min(sequence.end, seam + second) })
}

function playChosen(sequence: Sequence) {
  const chosen = chosenPieces(sequence, useDesk.getState().pieces)
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
