/** Keys of the camera or of the chosen thing: made, chosen, moved, copied and taken away. */
import { useEffect, useMemo, useState } from 'react'
import { create } from 'zustand'
import type { Action } from '../desk/actions'
import { say } from '../desk/messages'
import { plural } from '../parts/words'
import { step } from '../playhead/transport'
import type { CameraEdit, StageItem, StageShot } from '../server/types'
import { editCamera, editSet } from './edits'
import type { KeyAt } from './lanes'
import { setStage } from './stageDesk'

type Copied = Extract<CameraEdit, { kind: 'PASTE_KEYS' }>['keys']

/** Keys that were copied: they go from camera to camera. */
const useCopied = create<{ keys: Copied }>(() => ({ keys: [] }))

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
    setStage({ area: 'lanes' })
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
  /** What is chosen goes, or what stands at the playhead. */
  const move = async (by: number) => {
    if (item) {
      const from = (there[0]?.frame ?? shotFrame) + offset
      if (await editSet(stage.sceneId, { kind: 'MOVE_KEYS', from, to: from + by, items: [item.id] })) {
        step(from + by - offset - shotFrame)
      }
    } else if (await editCamera(stage.shotId, { kind: 'MOVE_KEYS', keys: there.length > 0 ? there : [{ frame: shotFrame }], by })) {
      choose(there.map((k) => ({ ...k, frame: k.frame + by })))
      step(by)
    }
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
  const moveLayer = (use: number, by: number) => {
    const layer = stage.layers.find((l) => l.use === use)
    if (layer) {
      void editCamera(stage.shotId, { kind: 'LAYER_CHANGE', use, from: layer.from + by })
    }
  }
  // the server says where there is no key: the window may not have heard yet of one that was just made
  const actions: Action[] = [
    { group: 'Stage', name: `Key ${what} here`, keys: 'K', run: here },
    { group: 'Stage', name: `Move the keys of ${what} one frame earlier`, keys: 'Alt+ArrowLeft', run: () => void move(-1) },
    { group: 'Stage', name: `Move the keys of ${what} one frame later`, keys: 'Alt+ArrowRight', run: () => void move(1) },
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
    move: (by: number) => void move(by),
    moveLayer,
    copy,
    paste,
    actions,
  }
}
