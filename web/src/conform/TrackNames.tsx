import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { useActions } from '../desk/actions'
import { setDesk, useDesk } from '../desk/desk'
import { itemAt } from '../parts/lists'
import { plural, signed } from '../parts/words'
import { of } from '../server/client'
import type { Master, TrackView } from '../server/types'
import { ask, edit } from './edits'
import { MovesAlong } from './MovesAlong'
import { TextBox } from './TextBox'
import type { Layout } from './tracks'

/** Names of the tracks at their left, and what can be done to each. */
export function TrackNames({ layout, master, sounds }: { layout: Layout; master: Master; sounds: string[] }) {
  const track = useDesk((d) => d.track)
  const [renamed, setRenamed] = useState<TrackView>()
  const { counts, main, upper } = master
  const target = upper.find((u) => u.track.id === track)?.track ?? main
  const toTrack = (way: 1 | -1) => {
    const order = [main, ...upper.map((u) => u.track)]
    setDesk({ track: itemAt(order, Math.max(0, Math.min(order.length - 1, order.indexOf(target) + way))).id })
  }
  useActions('tracks', [
    { group: 'Tracks', name: 'Add a track', keys: 'Ctrl+Alt+N', run: () => void edit(master, { kind: 'TRACK_ADD', clips: [] }) },
    { group: 'Tracks', name: 'To the track above', keys: 'Alt+PageUp', run: () => toTrack(1), disabled: upper.length === 0 },
    { group: 'Tracks', name: 'To the track below', keys: 'Alt+PageDown', run: () => toTrack(-1), disabled: upper.length === 0 },
    ...trackActions(master, target, setRenamed).map((a) => ({ ...a, group: 'Tracks', name: `${a.name}: ${target.name}` })),
  ])
  const fixed = ([top, bottom]: [number, number], title: string, quiet: string) => (
    <div className="pointer-events-none absolute left-4 flex w-[98px] flex-col justify-center" style={{ top, height: bottom - top }}>
      <b className="font-semibold">{title}</b>
      <span className="text-[12px] leading-tight text-quiet">{quiet}</span>
    </div>
  )
  return (
    <>
      <MovesAlong master={master} height={layout.ruler - 4} />
      {fixed(
        layout.cut,
        'Cut',
        master.cut.id ? `version ${master.cut.version}` : master.cut.version ? `under ${master.cut.name}` : 'none yet',
      )}
      {upper.map((u, i) => (
        <TrackMenu
          key={u.track.id}
          master={master}
          track={u.track}
          span={itemAt(layout.upper, i)}
          chosen={u.track === target}
          rename={setRenamed}
        />
      ))}
      <TrackMenu
        master={master}
        track={main}
        span={layout.shots}
        chosen={upper.length > 0 && main === target}
        rename={setRenamed}
        quiet={`${plural(counts.shots, 'shot')}, ${counts.staged} staged`}
      />
      {fixed(layout.renders, 'Renders', `${counts.rendered} of ${plural(counts.shots, 'shot')}`)}
      {sounds.slice(0, layout.sound.length).map((name, i) => (
        <SoundName key={name} master={master} name={name} span={itemAt(layout.sound, i)} />
      ))}
      {renamed && (
        <TextBox
          label={`${trackTitle(renamed.name)} is called`}
          start={renamed.name}
          close={() => setRenamed(undefined)}
          give={(text) => void edit(master, { kind: 'TRACK_RENAME', track: renamed.id, text, clips: [] })}
        />
      )}
    </>
  )
}

/** One that is called Track 2 is not called Track Track 2. */
const trackTitle = (name: string) => (/^track\b/i.test(name) ? name : `Track ${name}`)

type Offer = { name: string; keys?: string; run: () => void; disabled?: boolean }

function trackActions(master: Master, track: TrackView, rename: (track: TrackView) => void): Offer[] {
  const isMain = track === master.main
  const ask = (kind: 'TRACK_SWITCH' | 'TRACK_LOCK' | 'TRACK_REMOVE') => void edit(master, { kind, track: track.id, clips: [] })
  const order = (frames: number) => void edit(master, { kind: 'TRACK_ORDER', track: track.id, frames, clips: [] })
  return [
    // after the menu has given back the focus, else that would close the box
    { name: 'Rename', run: () => window.setTimeout(() => rename(track), 60) },
    { name: track.enabled ? 'Switch off' : 'Switch on', keys: 'Alt+Q', run: () => ask('TRACK_SWITCH') },
    { name: track.locked ? 'Unlock' : 'Lock', keys: 'Alt+L', run: () => ask('TRACK_LOCK') },
    { name: 'Higher', run: () => order(1), disabled: isMain },
    { name: 'Lower', run: () => order(-1), disabled: isMain },
    { name: 'Take away', run: () => ask('TRACK_REMOVE'), disabled: isMain },
  ]
}

type MenuProps = {
  master: Master
  track: TrackView
  span: [number, number]
  chosen: boolean
  quiet?: string
  rename: (track: TrackView) => void
}

function TrackMenu({ master, track, span: [top, bottom], chosen, quiet, rename }: MenuProps) {
  const states = [!track.enabled && 'off', track.locked && 'locked'].filter(Boolean).join(', ')
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        onFocus={() => setDesk({ track: track.id })}
        className={`absolute left-2 z-10 flex w-[104px] flex-col justify-center overflow-hidden rounded px-2 text-left hover:bg-[#333] ${chosen ? 'border-l-2 border-live' : ''} ${track.enabled ? '' : 'text-quiet line-through'}`}
        style={{ top, height: bottom - top }}
        title={`${trackTitle(track.name)}${states ? `, ${states}` : ''}`}
      >
        <span className="truncate leading-tight">
          <b className="font-semibold">{track.name}</b>
          {bottom - top < 40 && track.locked && <span className="text-[11px] text-quiet"> locked</span>}
        </span>
        {bottom - top >= 40 && <span className="text-[12px] leading-tight text-quiet">{states || quiet}</span>}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" className="z-40 min-w-[150px] rounded-lg border border-line bg-raised p-1 shadow-xl">
          {[
            ...trackActions(master, track, rename),
            { name: 'Add a track on top', run: () => void edit(master, { kind: 'TRACK_ADD', clips: [] }) } as Offer,
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

function SoundName({ master, name, span: [top, bottom] }: { master: Master; name: string; span: [number, number] }) {
  const track = master.soundTracks.find((l) => l.name === name)
  const title =
    master.sound
      .find((s) => s.track === name)
      ?.name.replace(/\.[a-z0-9]+$/i, '')
      .replaceAll('_', ' ') ?? name
  const level = track?.level ? `${signed(track.level)} dB` : ''
  const change = (part: { muted?: boolean; solo?: boolean }) =>
    void ask('/api/masters/{id}/sound-tracks', { ...of(master.id), body: { name, ...part } })
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
        className={`min-w-0 flex-1 truncate text-[12px] ${track?.muted ? 'text-quiet line-through' : ''}`}
        title={level ? `${title}, ${level}` : title}
      >
        {level || title}
      </span>
      {toggle('M', 'Mute', !!track?.muted, () => change({ muted: !track?.muted }))}
      {toggle('S', 'Hear only', !!track?.solo, () => change({ solo: !track?.solo }))}
    </div>
  )
}
