/** What somebody else did last: read in passing, it interrupts nobody. */
import { create } from 'zustand'

const SHOWN = 8000

export const useColleague = create<{ text: string }>(() => ({ text: '' }))

let going = 0

export function colleagueDid(who: string, what: string) {
  window.clearTimeout(going)
  useColleague.setState({ text: `${who}: ${what}` })
  going = window.setTimeout(() => useColleague.setState({ text: '' }), SHOWN)
}
