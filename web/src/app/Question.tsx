import { useQuestions } from '../desk/question'
import { Box } from '../parts/Box'

/** Asks before something is done that does more than may be meant. Enter and Esc leave it: it takes a step on purpose. */
export function Question() {
  const asked = useQuestions((s) => s.all[0])
  if (!asked) {
    return null
  }
  return (
    <Box
      title="Do it all the same?"
      says={`${asked.text}.`}
      saysClass="mt-1"
      className="left-1/2 top-[24vh] w-[460px] max-w-[94vw] -translate-x-1/2 gap-4"
      close={() => asked.answer(false)}
    >
      <div className="flex justify-end gap-2">
        <button type="button" className="button" onClick={() => asked.answer(false)}>
          Leave it
        </button>
        <button type="button" className="button border-live!" onClick={() => asked.answer(true)}>
          Do it
        </button>
      </div>
    </Box>
  )
}
