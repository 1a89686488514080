import { useActions } from '../desk/actions'
import { setDesk, useOfDesk } from '../desk/desk'
import type { LaneView, Sequence } from '../server/types'

/** The lane that an edit of what is chosen is done to, and whether all others move along with it. */
function useAlong(sequence: Sequence): { own: LaneView; all: boolean; sound: boolean } {
  const { along, pieces, soundStays } = useOfDesk('along', 'pieces', 'soundStays')
  const own = sequence.upper.find((u) => u.sections.some((s) => pieces.includes(s.id)))?.lane ?? sequence.main
  const all = along === undefined ? own === sequence.main : along === 'ALL_LANES'
  return { own, all, sound: !soundStays }
}

/** Says what moves along when the rest does, and changes it. */
export function MovesAlong({ sequence, height }: { sequence: Sequence; height: number }) {
  const { own, all, sound } = useAlong(sequence)
  const lanes = () => setDesk({ along: all ? 'OWN_LANE' : 'ALL_LANES' })
  const heard = () => setDesk({ soundStays: sound })
  useActions('along', [
    {
      group: 'Lanes',
      name: all ? `Ripple: let lane ${own.name} alone move along` : 'Ripple: let all lanes move along',
      keys: 'Ctrl+Alt+A',
      run: lanes,
    },
    {
      group: 'Lanes',
      name: sound ? 'Ripple: let sound stay where it is' : 'Ripple: let sound go with its picture',
      keys: 'Ctrl+Alt+S',
      run: heard,
    },
  ])
  return (
    <div className="absolute left-2 z-10 flex w-[108px] items-center gap-1 text-[11.5px]" style={{ top: 0, height }}>
      <button
        type="button"
        className="link whitespace-nowrap text-quiet"
        onClick={lanes}
        title={`When what comes after an edit moves: ${all ? 'every lane that is not locked goes along' : `lane ${own.name} alone does`}. Ctrl Alt A`}
      >
        ⇥ {all ? 'all lanes' : 'this lane'}
      </button>
      <button
        type="button"
        className={`link ${sound ? 'text-quiet' : 'text-quiet line-through'}`}
        aria-pressed={sound}
        aria-label={sound ? 'Sound goes with its picture' : 'Sound stays'}
        onClick={heard}
        title={`${sound ? 'Sound goes along with its picture' : 'Sound stays where it is'}. Ctrl Alt S`}
      >
        ♪
      </button>
    </div>
  )
}
