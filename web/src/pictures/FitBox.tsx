import { Popover } from 'radix-ui'
import { TypedField } from '../parts/TypedField'
import { readNumber } from '../parts/typed'
import { useDraft } from '../parts/useDraft'
import type { Clip } from '../server/types'
import { BlendChoice } from './BlendChoice'
import { type Lying, layBoard, lyingOf, placeOfBoard, useFitting, WHOLE } from './fitting'

const SHARES: [Exclude<keyof Lying, 'filled'>, string][] = [
  ['scale', 'scale'],
  ['right', 'to the right'],
  ['up', 'up'],
  ['cropLeft', 'crop left'],
  ['cropRight', 'crop right'],
  ['cropTop', 'crop top'],
  ['cropBottom', 'crop bottom'],
]

/** How a board lies over the frame, in numbers or by hand. */
/** @param edits after so many edits of the project the server said how it lies */
export function FitBox({ clip, edits }: { clip: Clip; edits?: number }) {
  const byHand = useFitting((f) => f.byHand)
  // each number goes on from the last that was given, also where the server does not say that yet
  const draft = useDraft<Lying>(edits, String(clip.shotId))
  const lying = draft.shown(String(clip.shotId)) ?? lyingOf(clip.boardFit)
  const lay = (part: Partial<Lying>) => {
    draft.change(
      placeOfBoard(clip.shotId, () => clip.boardFit),
      (l) => ({ ...l, ...part }),
    )
    draft.write()
  }
  return (
    <Popover.Root>
      <Popover.Trigger className="link text-[13px] text-quiet" disabled={!clip.mediaId}>
        fit
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="z-50 w-64 rounded-lg border border-line bg-raised p-3 text-[13px] shadow-xl"
          align="end"
          sideOffset={4}
          aria-label="How the board lies"
        >
          <div className="mb-2 flex gap-3" role="radiogroup" aria-label="Board in the frame">
            {[false, true].map((filled) => (
              <label key={String(filled)} className="flex items-center gap-1.5">
                <input type="radio" checked={lying.filled === filled} onChange={() => lay({ filled })} />
                {filled ? 'fills the frame' : 'seen whole'}
              </label>
            ))}
          </div>
          <div className="grid grid-cols-[1fr_72px_16px] items-center gap-x-2 gap-y-1">
            {SHARES.map(([name, words]) => (
              <Share key={name} of={clip.shotId} words={words} value={lying[name]} give={(v) => lay({ [name]: v })} />
            ))}
          </div>
          <div className="mt-2 flex items-center gap-2">
            over the picture <BlendChoice />
          </div>
          <label className="mt-2 flex items-center gap-2">
            <input type="checkbox" checked={byHand} onChange={(e) => useFitting.setState({ byHand: e.target.checked })} />
            by hand: drag it, wheel for its size
          </label>
          <div className="mt-2 flex gap-2">
            <button type="button" className="button py-0.5!" onClick={() => void layBoard(clip.shotId, lying, true)}>
              All of this shape
            </button>
            <button type="button" className="button py-0.5!" onClick={() => lay(WHOLE)}>
              As it came
            </button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

function Share({ of, words, value, give }: { of: number; words: string; value: number; give: (share: number) => void }) {
  const number = (typed: string) => {
    const share = readNumber(typed) / 100
    if (Number.isFinite(share)) {
      give(share)
    }
  }
  return (
    <>
      <span>{words}</span>
      <TypedField
        className="py-0! text-right"
        label={`Board: ${words}, percent`}
        of={of}
        shown={String(Math.round(value * 1000) / 10)}
        give={number}
      />
      <span className="text-quiet">%</span>
    </>
  )
}
