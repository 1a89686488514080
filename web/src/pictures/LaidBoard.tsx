import { useRef, useState } from 'react'
import type { Section } from '../server/types'
import { BoardPicture } from './BoardPicture'
import { useBoardOver } from './boardOvers'
import { layBoard, lyingOf, useFitting } from './fitting'

/** @property frame of the board's movie; undefined where it shows none */
type Props = { section: Section; frame: number | undefined }

type By = { right: number; down: number; scale: number }
const NOWHERE: By = { right: 0, down: 0, scale: 1 }
/** The wheel is over when it has rested for so many milliseconds: one turn of it is one edit. */
const REST = 400

/** A shot's board over its camera's picture, as it is laid and as much of it as is wanted. */
export function LaidBoard({ section, frame }: Props) {
  const { over, blend } = useBoardOver(section)
  const byHand = useFitting((f) => f.byHand)
  const [by, setBy] = useState(NOWHERE)
  if (frame === undefined || (over <= 0 && !byHand)) {
    return null
  }
  const moved = by === NOWHERE ? undefined : `translate(${by.right * 100}%, ${by.down * 100}%) scale(${by.scale})`
  return (
    <>
      <div className="absolute inset-0" style={{ transform: moved }}>
        <BoardPicture
          mediaId={section.mediaId}
          name={section.boardName}
          frame={frame}
          opacity={byHand ? Math.max(over, 0.3) : over}
          blend={blend}
          fit={section.boardFit}
        />
      </div>
      {byHand && <Hands section={section} by={by} setBy={setBy} />}
    </>
  )
}

function Hands({ section, by, setBy }: { section: Section; by: By; setBy: (by: By) => void }) {
  const hold = useRef<{ x: number; y: number } | undefined>(undefined)
  const rest = useRef(0)
  const write = async (to: By) => {
    const lying = lyingOf(section.boardFit)
    await layBoard(section, {
      ...lying,
      right: fine(lying.right + to.right),
      up: fine(lying.up - to.down),
      scale: fine(lying.scale * to.scale),
    })
    setBy(NOWHERE)
  }
  return (
    <div
      className="pointer-events-auto absolute inset-0 z-10 cursor-move touch-none outline-3 -outline-offset-3 outline-live"
      role="group"
      aria-label="The board by hand"
      onPointerDown={(e) => {
        e.stopPropagation()
        e.currentTarget.setPointerCapture(e.pointerId)
        hold.current = { x: e.clientX, y: e.clientY }
      }}
      onPointerMove={(e) => {
        if (hold.current) {
          const { width, height } = e.currentTarget.getBoundingClientRect()
          setBy({ right: (e.clientX - hold.current.x) / width, down: (e.clientY - hold.current.y) / height, scale: 1 })
        }
      }}
      onPointerUp={() => {
        hold.current = undefined
        if (by.right !== 0 || by.down !== 0) {
          void write(by)
        }
      }}
      onPointerCancel={() => {
        hold.current = undefined
        setBy(NOWHERE)
      }}
      onWheel={(e) => {
        const to = { ...NOWHERE, scale: by.scale * Math.exp(-e.deltaY * 0.0005) }
        setBy(to)
        window.clearTimeout(rest.current)
        rest.current = window.setTimeout(() => void write(to), REST)
      }}
      onClick={(e) => e.stopPropagation()}
    />
  )
}

const fine = (v: number) => Math.round(v * 10_000) / 10_000
