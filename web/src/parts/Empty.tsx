/** A view with nothing in it says what to do first. */
export function Empty({ title, text, children }: { title: string; text: string; children?: React.ReactNode }) {
  return (
    <div className="flex h-full flex-1 flex-col items-center justify-center gap-3 bg-ground p-8 text-center">
      <h1 className="text-[20px] font-semibold">{title}</h1>
      <p className="max-w-md text-quiet">{text}</p>
      {children}
    </div>
  )
}
