/** Keys and messages for tests. Not part of the application. */
import { act } from '@testing-library/react'
import { offeredFor } from './actions'
import { useMessages } from './messages'

/** Does what a key does now, if it does anything. */
export const press = (key: string) =>
  act(() => {
    offeredFor(key)?.run()
  })

/** All messages that were not put away, in order. */
export const said = () =>
  useMessages
    .getState()
    .all.map((m) => m.text)
    .join(' | ')
