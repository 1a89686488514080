import { Popover } from 'radix-ui'
import { useState } from 'react'
import { useActions } from '../desk/actions'
import { sayError } from '../desk/messages'
import { of, post } from '../server/client'
import { refreshEdited } from '../server/queries'
import type { SameSource, Turnover } from '../server/types'

const SURENESS = { DECIDED: 'said so', SURE: 'sure', LIKELY: 'likely' } as const

/** Sources that the newer cut calls by other names than the one before: how each was known, and what people said of it. */
export function SameSources({ list, projectId }: { list: Turnover; projectId: number }) {
  const [open, setOpen] = useState(false)
  const likely = toLookAt(list.sources).length
  useActions('same-sources', [{ group: 'Turnover', name: 'Sources known by other names', keys: 'O', run: () => setOpen(true) }])
  const say = (sources: SameSource[], same: boolean) =>
    void post('/api/cuts/{id}/turnover/sources', {
      ...of(list.cutId),
      body: { pairs: sources.map(({ older, newer }) => ({ older, newer })), same },
    })
      .then(() => refreshEdited(projectId))
      .catch(sayError)
  const one = list.sources.length === 1
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button type="button" className="link self-start py-2">
          {list.sources.length} {one ? 'source has another name' : 'sources have other names'} in this cut
          {likely > 0 && `, ${likely} to look at`}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="z-40 flex max-h-[min(440px,var(--radix-popover-content-available-height))] w-[640px] flex-col rounded-md border border-line bg-raised p-4 shadow-lg"
          side="top"
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label="Sources known by other names"
        >
          <p className="mb-2 text-quiet">
            Taken for one source because names agree, its frames do, or its neighbours. What you say is remembered for the project.
          </p>
          <div className="grid grid-cols-[1fr_1.4fr_104px] gap-3 border-b border-line pb-1 text-[13px] text-quiet">
            <span>In this cut</span>
            <span>In our master</span>
            <span />
          </div>
          <ul className="min-h-0 overflow-auto pr-1">
            {ofOneReason(list.sources).map((group) => (
              <li
                key={group[0]?.because}
                className="grid grid-cols-[1fr_auto_104px] items-center gap-3 border-b border-line/60 bg-panel py-1.5"
              >
                <span className="truncate">
                  {group.length} known by {group[0]?.because}
                </span>
                <button type="button" className="button" onClick={() => say(group, true)}>
                  All are one
                </button>
                <button type="button" className="button" onClick={() => say(group, false)}>
                  Keep all apart
                </button>
              </li>
            ))}
            {[...list.sources]
              .sort((a, b) => order(a) - order(b))
              .map((s) => (
                <li
                  key={`${s.older} ${s.newer}`}
                  className="grid grid-cols-[1fr_1.4fr_104px] items-center gap-3 border-b border-line/60 py-1.5"
                >
                  <span className="truncate" title={s.newer}>
                    {s.newerName || 'without a name'}
                  </span>
                  <span className="min-w-0">
                    <span className="block truncate" title={s.older}>
                      {s.same ? '' : 'not '}
                      {s.olderName || 'without a name'}
                    </span>
                    <span className="block truncate text-[13px] text-quiet" title={s.because}>
                      {SURENESS[s.sureness]}
                      {s.sureness === 'DECIDED' ? '' : `: ${s.because}`}
                    </span>
                  </span>
                  <button type="button" className="button" onClick={() => say([s], !s.same)}>
                    {s.same ? 'Keep apart' : 'One source'}
                  </button>
                </li>
              ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

/** Those to look at that were known for one reason, where there are several: one decision can be given to all of them. */
const ofOneReason = (sources: SameSource[]): SameSource[][] => {
  const groups = new Map<string, SameSource[]>()
  for (const s of toLookAt(sources)) groups.set(s.because, [...(groups.get(s.because) ?? []), s])
  return [...groups.values()].filter((group) => group.length > 1)
}

const toLookAt = (sources: SameSource[]) => sources.filter((s) => s.same && s.sureness === 'LIKELY')

/** What somebody should look at comes first. */
const order = (s: SameSource) => (s.sureness === 'LIKELY' ? 0 : s.sureness === 'DECIDED' ? 1 : 2)
