/** Whether what is out of focus is blurred in the window's pictures, for whoever looks. */
import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { useActions } from '../desk/actions'
import { calmStorage } from '../desk/calmStorage'

export const useBlurs = create<{ blurred: boolean }>()(
  persist(() => ({ blurred: false as boolean }), { name: 'blurs', storage: calmStorage() }),
)

export const toggleBlur = () => useBlurs.setState((b) => ({ blurred: !b.blurred }))

/** Offers the key that blurs and sharpens. */
export function useBlurKey() {
  const blurred = useBlurs((b) => b.blurred)
  useActions('blur', [
    {
      group: 'Pictures',
      name: blurred ? 'All of the picture sharp' : 'Blur what is out of focus',
      keys: 'Shift+D',
      run: toggleBlur,
    },
  ])
}
