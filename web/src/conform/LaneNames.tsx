import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { itemAt } from '../parts/lists'
import { plural, signed } from '../parts/words'
import { of } from '../server/client'
import type { LaneView, Sequence } from '../server/types'
import { ask, edit } from './edits'
import type { Layout } from './lanes'
import { MovesAlong } from './MovesAlong'
import { TextBox } from './TextBox'

/** Names of the lanes at their left, and what can be done to each. */
export function LaneNames({ layout, sequence, sounds }: { layout: Layout; sequence: Sequence; sounds: string[] }) {
  const lane = useDesk((d) => d.lane)
  const [renamed, setRenamed] = useState<LaneView>()
  const { counts, main, upper } = sequence
  const target = upper.find((u) => u.lane.id === lane)?.lane ?? main
  const toLane = (way: 1 | -1) => {
    const order = [main, ...upper.map((u) => u.lane)]
    setDesk({ lane: itemAt(order, Math.max(0, Math.min(order.length - 1, order.indexOf(target) + way))).id })
  }
  useActions('lanes', [
    { group: 'Lanes', name: 'Add a lane', keys: 'Ctrl+Alt+N', run: () => void edit(sequence, { kind: 'LANE_ADD', sections: [] }) },
    { group: 'Lanes', name: 'To the lane above', keys: 'Alt+PageUp', run: () => toLane(1), disabled: upper.length === 0 },
    { group: 'Lanes', name: 'To the lane below', keys: 'Alt+PageDown', run: () => toLane(-1), disabled: upper.length === 0 },
    ...laneActions(sequence, target, setRenamed).map((a) => ({ ...a, group: 'Lanes', name: `${a.name}: ${target.name}` })),
  ])
  const fixed = ([top, bottom]: [number, number], title: string, quiet: string) => (
    <div className="pointer-events-none absolute left-4 flex w-[98px] flex-col justify-center" style={{ top, height: bottom - top }}>
      <b className="font-semibold">{title}</b>
      <span className="text-[12px] leading-tight text-quiet">{quiet}</span>
    </div>
  )
  return (
    <>
      <MovesAlong sequence={sequence} height={layout.ruler - 4} />
      {fixed(
        layout.cut,
        'Cut',
        sequence.cut.id ? `version ${sequence.cut.version}` : sequence.cut.version ? `under ${sequence.cut.name}` : 'none yet',
      )}
      {upper.map((u, i) => (
        <LaneMenu
          key={u.lane.id}
          sequence={sequence}
          lane={u.lane}
          span={itemAt(layout.upper, i)}
          chosen={u.lane === target}
          rename={setRenamed}
        />
      ))}
      <LaneMenu
        sequence={sequence}
        lane={main}
        span={layout.shots}
        chosen={upper.length > 0 && main === target}
        rename={setRenamed}
        quiet={`${plural(counts.shots, 'shot')}, ${counts.staged} staged`}
      />
      {fixed(layout.renders, 'Renders', `${counts.rendered} of ${plural(counts.shots, 'shot')}`)}
      {sounds.slice(0, layout.sound.length).map((name, i) => (
        <SoundName key={name} sequence={sequence} name={name} span={itemAt(layout.sound, i)} />
      ))}
      {renamed && (
        <TextBox
          label={`${laneTitle(renamed.name)} is called`}
          start={renamed.name}
          close={() => setRenamed(undefined)}
          give={(text) => void edit(sequence, { kind: 'LANE_RENAME', lane: renamed.id, text, sections: [] })}
        />
      )}
    </>
  )
}

/** One that is called Lane 2 is not called Lane Lane 2. */
const laneTitle = (name: string) => (/^lane\b/i.test(name) ? name : `Lane ${name}`)

type Offer = { name: string; keys?: string; run: () => void; disabled?: boolean }

function laneActions(sequence: Sequence, lane: LaneView, rename: (lane: LaneView) => void): Offer[] {
  const isMain = lane === sequence.main
  const ask = (kind: 'LANE_SWITCH' | 'LANE_LOCK' | 'LANE_REMOVE') => void edit(sequence, { kind, lane: lane.id, sections: [] })
  const order = (frames: number) => void edit(sequence, { kind: 'LANE_ORDER', lane: lane.id, frames, sections: [] })
  return [
    // after the menu has given back the focus, else that would close the box
    { name: 'Rename', run: () => window.setTimeout(() => rename(lane), 60) },
    { name: lane.enabled ? 'Switch off' : 'Switch on', keys: 'Alt+Q', run: () => ask('LANE_SWITCH') },
    { name: lane.locked ? 'Unlock' : 'Lock', keys: 'Alt+L', run: () => ask('LANE_LOCK') },
    { name: 'Higher', run: () => order(1), disabled: isMain },
    { name: 'Lower', run: () => order(-1), disabled: isMain },
    { name: 'Take away', run: () => ask('LANE_REMOVE'), disabled: isMain },
  ]
}

type MenuProps = {
  sequence: Sequence
  lane: LaneView
  span: [number, number]
  chosen: boolean
  quiet?: string
  rename: (lane: LaneView) => void
}

function LaneMenu({ sequence, lane, span: [top, bottom], chosen, quiet, rename }: MenuProps) {
  const states = [!lane.enabled && 'off', lane.locked && 'locked'].filter(Boolean).join(', ')
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        onFocus={() => setDesk({ lane: lane.id })}
        className={`absolute left-2 z-10 flex w-[104px] flex-col justify-center overflow-hidden rounded px-2 text-left hover:bg-[#333] ${chosen ? 'border-l-2 border-live' : ''} ${lane.enabled ? '' : 'text-quiet line-through'}`}
        style={{ top, height: bottom - top }}
        title={`${laneTitle(lane.name)}${states ? `, ${states}` : ''}`}
      >
        <span className="truncate leading-tight">
          <b className="font-semibold">{lane.name}</b>
          {bottom - top < 40 && lane.locked && <span className="text-[11px] text-quiet"> locked</span>}
        </span>
        {bottom - top >= 40 && <span className="text-[12px] leading-tight text-quiet">{states || quiet}</span>}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" className="z-40 min-w-[150px] rounded-lg border border-line bg-raised p-1 shadow-xl">
          {[
            ...laneActions(sequence, lane, rename),
            { name: 'Add a lane on top', run: () => void edit(sequence, { kind: 'LANE_ADD', sections: [] }) } as Offer,
          ].map((a) => (
            <DropdownMenu.Item
              key={a.name}
              disabled={a.disabled}
              onSelect={a.run}
              className="cursor-pointer rounded px-3 py-1 outline-none data-[disabled]:text-[#8c8c8c] data-[highlighted]:bg-[#4a4a4a]"
            >
              {a.name}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

function SoundName({ sequence, name, span: [top, bottom] }: { sequence: Sequence; name: string; span: [number, number] }) {
  const lane = sequence.soundLanes.find((l) => l.name === name)
  const title =
    sequence.sound
      .find((s) => s.lane === name)
      ?.name.replace(/\.[a-z0-9]+$/i, '')
      .replaceAll('_', ' ') ?? name
  const level = lane?.level ? `${signed(lane.level)} dB` : ''
  const change = (part: { muted?: boolean; solo?: boolean }) =>
    void ask('/api/masters/{id}/sound-lanes', { ...of(sequence.id), body: { name, ...part } })
  const toggle = (text: string, full: string, on: boolean, run: () => void) => (
    <button
      type="button"
      aria-pressed={on}
      title={`${full} ${title}`}
      aria-label={`${full} ${title}`}
      className={`rounded border px-1 text-[11px] leading-[15px] ${on ? 'border-live bg-[#3a4341] text-white' : 'border-[#5a5a5a] text-quiet'}`}
      onClick={run}
    >
      {text}
    </button>
  )
  return (
    <div className="absolute left-4 z-10 flex w-[98px] items-center gap-1" style={{ top, height: bottom - top }}>
      <span
        className={`min-w-0 flex-1 truncate text-[12px] ${lane?.muted ? 'text-quiet line-through' : ''}`}
        title={level ? `${title}, ${level}` : title}
      >
        {level || title}
      </span>
      {toggle('M', 'Mute', !!lane?.muted, () => change({ muted: !lane?.muted }))}
      {toggle('S', 'Hear only', !!lane?.solo, () => change({ solo: !lane?.solo }))}
    </div>
  )
}
