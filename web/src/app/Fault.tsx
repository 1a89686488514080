import type { FallbackProps } from 'react-error-boundary'
import { Empty } from '../parts/Empty'

/** A view that failed: the others go on, nothing of the project is lost, and it can be shown again. */
export function Fault({ error, resetErrorBoundary }: FallbackProps) {
  const words = error instanceof Error ? error.message : String(error)
  return (
    <div role="alert" className="flex flex-1">
      <Empty
        title="This view failed"
        text={`That is a fault of the program; nothing of the project is lost. The other views go on. (${words})`}
      >
        <button type="button" className="button button-main" onClick={resetErrorBoundary}>
          Show it again
        </button>
      </Empty>
    </div>
  )
}
