/** Stands where a picture is missing: says which. */
export function Slate({ name, why = 'picture to find' }: { name: string; why?: string }) {
  return (
    <div className="absolute inset-0 flex flex-col items-center justify-center gap-1 border border-dashed border-bent bg-deep p-2 text-center">
      <span className="line-clamp-3 break-all">{name || 'unnamed'}</span>
      <span className="text-[12px] text-bent">{why}</span>
    </div>
  )
}
