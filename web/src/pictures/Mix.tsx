import type { ReactNode } from 'react'

/** One picture passing in over another. @param share of the one that comes in: all of it lies over nothing */
export function Mix({ before, share, children }: { before?: ReactNode; share: number; children: ReactNode }) {
  if (share >= 1) {
    return children
  }
  return (
    <div className="absolute inset-0 bg-black" data-share={share.toFixed(3)}>
      {before}
      <div className="absolute inset-0" style={{ opacity: share }}>
        {children}
      </div>
    </div>
  )
}
