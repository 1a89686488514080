import { useActions } from '../desk/actions'
import { setDesk, useOfDesk } from '../desk/desk'
import type { Master, TrackView } from '../server/types'

/** The track that an edit of what is chosen is done to, and whether all others move along with it. */
function useAlong(master: Master): { own: TrackView; all: boolean; sound: boolean } {
  const { along, clips, soundStays } = useOfDesk('along', 'clips', 'soundStays')
  const own = master.upper.find((u) => u.clips.some((s) => clips.includes(s.id)))?.track ?? master.main
  const all = along === undefined ? own === master.main : along === 'ALL_TRACKS'
  return { own, all, sound: !soundStays }
}

/** Says what moves along when the rest does, and changes it. */
export function MovesAlong({ master, height }: { master: Master; height: number }) {
  const { own, all, sound } = useAlong(master)
  const tracks = () => setDesk({ along: all ? 'OWN_TRACK' : 'ALL_TRACKS' })
  const heard = () => setDesk({ soundStays: sound })
  useActions('along', [
    {
      group: 'Tracks',
      name: all ? `Ripple: let track ${own.name} alone move along` : 'Ripple: let all tracks move along',
      keys: 'Ctrl+Alt+A',
      run: tracks,
    },
    {
      group: 'Tracks',
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
        onClick={tracks}
        title={`When what comes after an edit moves: ${all ? 'every track that is not locked goes along' : `track ${own.name} alone does`}. Ctrl Alt A`}
      >
        ⇥ {all ? 'all tracks' : 'this track'}
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
