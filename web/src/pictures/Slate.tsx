/** Stands where a picture is missing and says which, or is a title of the cut itself, of which nothing is missing. @property why empty for that */
export function Slate({ name, why = 'picture to find' }: { name: string; why?: string }) {
  return (
    <div
      className={`absolute inset-0 flex flex-col items-center justify-center gap-1 ${why ? 'border border-dashed border-offset' : ''} bg-deep p-2 text-center`}
    >
      <span className="line-clamp-3 break-all">{name || 'unnamed'}</span>
      {why && <span className="text-[12px] text-offset">{why}</span>}
    </div>
  )
}
