/** Keys of the camera or of the chosen thing: made, chosen, moved, copied and taken away. */
import { useEffect, useMemo, useRef, useState } from 'react'
import { create } from 'zustand'
import type { Action } from '../desk/actions'
import { say } from '../desk/messages'
import type { Place, Written } from '../parts/draft'
import { useDraft } from '../parts/useDraft'
import { plural } from '../parts/words'
import { step } from '../playhead/transport'
import type { CameraEdit, StageItem, StageShot } from '../server/types'
import { editCamera, editSet } from './edits'
import { setStage } from './stageDesk'
import type { KeyAt } from './tracks'

type Copied = Extract<CameraEdit, { kind: 'PASTE_KEYS' }>['keys']

/** Keys that were copied: they go from camera to camera. */
const useCopied = create<{ keys: Copied }>(() => ({ keys: [] }))

/** Keys of one channel at a frame, or of all. */
type KeyFrame = { channel?: string; frame: number }

const isKeyAt = (key: KeyFrame): key is KeyAt => key.channel !== undefined
const same = (a: KeyFrame[], b: KeyFrame[]) =>
  a.length === b.length && a.every((k, i) => k.channel === b[i]?.channel && k.frame === b[i]?.frame)

export function useStageKeys({ stage, item, shotFrame }: { stage: StageShot; item?: StageItem; shotFrame: number }) {
  const [chosen, choose] = useState<KeyAt[]>([])
  // those that went elsewhere or were taken away are not chosen any more
  const there = useMemo(
    () =>
      chosen.filter((c) =>
        (item?.channels ?? stage.channels)[c.channel]?.some((k) => k.frame - (item ? stage.actionOffset : 0) === c.frame),
      ),
    [chosen, item, stage],
  )
  useEffect(() => choose([]), [item?.id, stage.cameraId])
  const now = useRef(shotFrame)
  now.current = shotFrame
  // where the playhead is going to be, after the keys that it goes along with
  const follows = useRef<number | undefined>(undefined)

  const offset = item ? stage.actionOffset : 0
  const what = item?.name ?? 'the camera'
  const frames = useMemo(() => {
    const all = Object.values(item?.channels ?? stage.channels).flatMap((keys) => keys.map((k) => k.frame - offset))
    return [...new Set(all)].sort((a, b) => a - b)
  }, [stage, item, offset])
  const toKey = (way: 1 | -1) => {
    const next = way > 0 ? frames.find((f) => f > shotFrame) : [...frames].reverse().find((f) => f < shotFrame)
    if (next !== undefined) {
      step(next - shotFrame)
    }
  }
  const here = () => {
    setStage({ area: 'tracks' })
    if (item) {
      void editSet(stage.sceneId, { kind: 'KEY', frame: shotFrame + offset, items: [item.id] })
    } else {
      void editCamera(stage.shotId, { kind: 'KEY', frame: shotFrame })
    }
  }
  const remove = () => {
    if (item) {
      void editSet(stage.sceneId, { kind: 'REMOVE_KEYS', frame: shotFrame + offset, items: [item.id] })
    } else {
      void editCamera(stage.shotId, { kind: 'REMOVE_KEYS', keys: there.length > 0 ? there : [{ frame: shotFrame }] })
      choose([])
    }
  }
  const own = item ? `thing ${item.id}` : `camera ${stage.cameraId}`
  const flying = useDraft<KeyFrame[]>(stage.edit)
  /** What is moved: the chosen keys or what stands at the playhead, where they are on their way already. */
  const meant = (): KeyFrame[] => flying.shown(own) ?? (there.length > 0 ? there : [{ frame: shotFrame }])
  const write = (keys: KeyFrame[], by: number): Promise<Written | undefined> =>
    item
      ? editSet(stage.sceneId, {
          kind: 'MOVE_KEYS',
          from: (keys[0]?.frame ?? shotFrame) + offset,
          to: (keys[0]?.frame ?? shotFrame) + offset + by,
          items: [item.id],
        })
      : editCamera(stage.shotId, { kind: 'MOVE_KEYS', keys, by })
  const move = (by: number, keys = meant()) => {
    const moved = keys.map((k) => ({ ...k, frame: k.frame + by }))
    const from = follows.current ?? shotFrame
    const to = item ? (keys[0]?.frame ?? shotFrame) + by : from + by
    follows.current = to
    const place: Place<KeyFrame[]> = {
      key: own,
      says: () => ({ of: stage, value: keys }),
      write: async () => {
        const written = await write(keys, by)
        if (written) {
          // whoever chose others or went elsewhere meanwhile stays there
          choose((chosen) => (same(chosen, keys) ? moved.filter(isKeyAt) : chosen))
          if (now.current === from) {
            step(to - from)
          }
        }
        if (follows.current === to) {
          follows.current = undefined
        }
        return written
      },
    }
    flying.put(place, moved)
    flying.write()
  }
  const copy = () => {
    const keys = there.flatMap(({ channel, frame }) => {
      const key = stage.channels[channel]?.find((k) => k.frame === frame)
      return key ? [{ channel, frame, value: key.value, leaving: key.easing, arriving: key.arriving, way: key.way }] : []
    })
    if (!item && keys.length > 0) {
      useCopied.setState({ keys })
      say(`${plural(keys.length, 'key')} copied`)
    }
  }
  const paste = () => void editCamera(stage.shotId, { kind: 'PASTE_KEYS', keys: useCopied.getState().keys, at: shotFrame })
  const laying = useDraft<number>(stage.edit)
  const moveLayer = (use: number, by: number) => {
    const layer = stage.layers.find((l) => l.use === use)
    if (layer) {
      // it goes on from where it was moved to last, also where the server does not say that yet
      const key = String(use)
      const to = (laying.shown(key) ?? layer.from) + by
      laying.put(
        {
          key,
          says: () => ({ of: layer, value: layer.from }),
          write: (from) => editCamera(stage.shotId, { kind: 'LAYER_CHANGE', use, from }),
        },
        to,
      )
      laying.write()
    }
  }
  // the server says where there is no key: the window may not have heard yet of one that was just made
  const actions: Action[] = [
    { group: 'Stage', name: `Key ${what} here`, keys: 'K', run: here },
    { group: 'Stage', name: `Move the keys of ${what} one frame earlier`, keys: 'Alt+ArrowLeft', run: () => move(-1) },
    { group: 'Stage', name: `Move the keys of ${what} one frame later`, keys: 'Alt+ArrowRight', run: () => move(1) },
    { group: 'Stage', name: `Next key of ${what}`, keys: '.', run: () => toKey(1) },
    { group: 'Stage', name: `Previous key of ${what}`, keys: ',', run: () => toKey(-1) },
    { group: 'Stage', name: 'Copy the chosen keys', keys: 'Ctrl+C', run: copy, disabled: there.length === 0 || !!item },
    { group: 'Stage', name: 'Paste keys from this frame on', keys: 'Ctrl+V', run: paste, disabled: !!item },
    {
      group: 'Stage',
      name: 'Choose all keys of the camera',
      keys: 'Ctrl+A',
      run: () => choose(Object.entries(stage.channels).flatMap(([channel, keys]) => keys.map((k) => ({ channel, frame: k.frame })))),
      disabled: !!item,
    },
  ]
  return {
    chosen: there,
    choose,
    remove,
    removeWords: there.length > 0 ? `Remove ${plural(there.length, 'chosen key')}` : `Remove the keys of ${what} here`,
    move,
    moveLayer,
    copy,
    paste,
    actions,
  }
}
