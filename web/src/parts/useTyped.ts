import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { keepUnwritten } from './unwritten'

/**
 * What is typed into a field and not given yet. It belongs to what the field was of when it was typed: where the field comes to be of
 * something else, or goes, it is given as it would have been then.
 *
 * @param of    what the field is of: a frame, a thing, a row
 * @param give  takes what was typed
 */
export function useTyped(of: string | number | undefined, give: (typed: string) => void) {
  const [typed, setTyped] = useState<string>()
  const now = useRef<{ typed: string | undefined; of: typeof of; give: typeof give }>({ typed, of, give })

  const type = useCallback((text: string | undefined) => {
    now.current.typed = text
    setTyped(text)
  }, [])
  const end = useRef(() => {
    const { typed: text, give: giveIt } = now.current
    if (text !== undefined) {
      type(undefined)
      giveIt(text)
    }
  })
  // before anything else hears of it: the field still gives what was meant for what it was of
  useLayoutEffect(() => {
    if (now.current.of !== of) {
      end.current()
    }
    now.current.of = of
    now.current.give = give
  })
  useEffect(() => {
    const forget = keepUnwritten(() => end.current())
    // ahead of a box that Escape closes: what was typed is not meant then
    const leave = (e: KeyboardEvent) => e.key === 'Escape' && now.current.typed !== undefined && type(undefined)
    window.addEventListener('keydown', leave, true)
    return () => {
      forget()
      window.removeEventListener('keydown', leave, true)
      end.current()
    }
  }, [type])
  return { typed, type, end: end.current }
}

/** As {@link useTyped} for a field that shows what is so: nothing and what stands there already are no news, Enter leaves it. */
export function useTypedOver(of: string | number | undefined, shown: string, give: (typed: string) => void) {
  const { typed, type, end } = useTyped(of, (text) => {
    if (text.trim() && text.trim() !== shown) {
      give(text.trim())
    }
  })
  return {
    value: typed ?? shown,
    onChange: (e: React.ChangeEvent<HTMLInputElement>) => type(e.target.value),
    onBlur: end,
    onKeyDown: (e: React.KeyboardEvent<HTMLInputElement>) => e.key === 'Enter' && e.currentTarget.blur(),
  }
}
