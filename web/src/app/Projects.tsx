import { useState } from 'react'
import { setProject } from '../desk/desk'
import { sayError } from '../desk/messages'
import { post, whoAmI } from '../server/client'
import { queryClient } from '../server/queryClient'
import type { ProjectBrief } from '../server/types'

/** Choosing or making a project. */
export function Projects({ projects }: { projects: ProjectBrief[] }) {
  const [name, setName] = useState('')
  const [who, setWho] = useState(whoAmI())
  const open = (id: number, view: 'Intake' | 'Conform') => setProject(id, { view })
  const create = async () => {
    try {
      const made = await post('/api/projects', { body: { name } })
      await queryClient.invalidateQueries({ queryKey: ['projects'] })
      open(made.id, 'Intake')
    } catch (e) {
      sayError(e)
    }
  }
  return (
    <main className="flex h-full items-center justify-center bg-ground p-6">
      <div className="w-[520px] max-w-full">
        <h1 className="text-[24px] font-semibold">Fresh Splice</h1>
        <p className="mb-6 text-quiet">From a cut to shots, from shots to renders, and back to the edit room.</p>
        <label className="mb-6 flex items-center gap-3">
          <span className="w-24">Your name</span>
          <input
            className="field flex-1"
            value={who}
            placeholder="so that others see who did what"
            onChange={(e) => {
              setWho(e.target.value)
              localStorage.setItem('who', e.target.value)
            }}
          />
        </label>
        {projects.length > 0 && (
          <ul className="mb-6 max-h-[40vh] divide-y divide-line overflow-auto border-y border-line">
            {projects.map((p) => (
              <li key={p.id}>
                <button
                  type="button"
                  className="w-full truncate px-2 py-3 text-left text-[16px] hover:bg-raised"
                  onClick={() => open(p.id, 'Conform')}
                >
                  {p.name}
                </button>
              </li>
            ))}
          </ul>
        )}
        <form
          className="flex gap-3"
          onSubmit={(e) => {
            e.preventDefault()
            void create()
          }}
        >
          <input
            className="field flex-1"
            aria-label="Name of a new project"
            placeholder="Name of a new project"
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <button type="submit" className="button button-main" disabled={!name.trim()}>
            New project
          </button>
        </form>
      </div>
    </main>
  )
}
