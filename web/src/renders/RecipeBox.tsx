import { useState } from 'react'
import { plural } from '../parts/words'
import { RecipeEditor } from './RecipeEditor'
import { type ChosenRecipe, inWords, KINDS, written } from './recipes'

/** The recipes of a project, which is used, and what became of it since it was kept. */
export function RecipeBox({ of: chosen, open, setOpen }: { of: ChosenRecipe; open: boolean; setOpen: (open: boolean) => void }) {
  const [naming, setNaming] = useState(false)
  const { recipe } = chosen
  if (!recipe) {
    return null
  }
  const files = written(recipe).map((o) => KINDS.find(([kind]) => kind === o.kind)?.[1])
  return (
    <section aria-label="Recipe">
      <div className="flex flex-wrap items-center gap-2">
        <b className="mr-1 font-semibold">Recipe</b>
        {chosen.isLost && (
          <span className="button border-live! bg-[#3a4341]! px-2! py-0.5!">
            {chosen.name} <span className="text-offset">changed here, not there any more</span>
          </span>
        )}
        {chosen.all.map((r) => (
          <button
            key={r.name}
            type="button"
            aria-pressed={r.name === chosen.name}
            className={`button px-2! py-0.5! ${r.name === chosen.name ? 'border-live! bg-[#3a4341]!' : ''}`}
            onClick={() => chosen.choose(r.name)}
          >
            {r.name}
            {r.name === chosen.name && chosen.isChanged && <span className="text-offset"> changed</span>}
          </button>
        ))}
        <button type="button" className="link ml-auto text-[13px]" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'done' : 'settings'}
        </button>
      </div>
      {(chosen.isChanged || naming) && (
        <div className="mt-1 flex items-center gap-3 text-[13px]">
          {naming ? (
            <NameField
              give={(name) => {
                setNaming(false)
                if (name) {
                  chosen.keepAs(name)
                }
              }}
            />
          ) : (
            <>
              <button type="button" className="link" onClick={chosen.keep}>
                keep
              </button>
              <button type="button" className="link" onClick={() => setNaming(true)}>
                keep as…
              </button>
              <button type="button" className="link" onClick={chosen.drop}>
                drop the changes
              </button>
            </>
          )}
        </div>
      )}
      {open ? (
        <RecipeEditor of={chosen} recipe={recipe} keepAs={() => setNaming(true)} />
      ) : (
        <p className="mt-1 text-[13px] leading-snug text-quiet">
          {plural(files.length, 'kind')} of files: <span className="text-text">{files.join(', ') || 'none'}</span> ·{' '}
          {inWords(recipe).join(' · ')}
        </p>
      )}
    </section>
  )
}

function NameField({ give }: { give: (name: string) => void }) {
  const [name, setName] = useState('')
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault()
        give(name.trim())
      }}
    >
      <input
        className="field py-0.5!"
        aria-label="Name of the recipe"
        placeholder="its name"
        autoFocus
        maxLength={60}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && give('')}
      />
      <button type="submit" className="button px-2! py-0.5!">
        Keep
      </button>
    </form>
  )
}
