/** What the tracks under the pictures show: a camera's channels and layers, or a thing's. */
import type { CameraMove, StageItem, StageKey, StageLayer, StageShot } from '../server/types'

export const LEFT = 214

/** A key by where it is. */
export type KeyAt = { channel: string; frame: number }

/** @property curve what the channel is at each shown frame, as the server works it out */
export type Line = { name: string; channel: string; keys: StageKey[]; curve: number[]; dash: number[] }

/** @property says what stands there where nothing is keyed */
export type Row = { title: string; quiet: string; lines: Line[]; layer?: StageLayer; says?: string; clearance?: CameraMove }

export const keysIn = (rows: Row[]): KeyAt[] =>
  rows.flatMap((row) => row.lines.flatMap((line) => line.keys.map((key) => ({ channel: line.channel, frame: key.frame }))))

export const rowsOf = (stage: StageShot, item: StageItem | undefined, move?: CameraMove): Row[] =>
  item ? itemRows(item, stage) : [...cameraRows(stage), ...(move ? [clearanceRow(move)] : [])]

/** How near the way comes to things, a cell a frame. */
function clearanceRow(move: CameraMove): Row {
  const least = move.clearance[move.closest - move.speed.first] ?? 0
  const thing = move.things[move.closest - move.speed.first]
  return { title: 'Clearance', quiet: thing ? `${least.toFixed(2)} m` : 'nothing near', lines: [], clearance: move }
}

function cameraRows(stage: StageShot): Row[] {
  const line = (channel: string, dash: number[] = [], name = channel): Line => ({
    name,
    channel,
    keys: stage.channels[channel] ?? [],
    curve: stage.curves[channel] ?? [],
    dash,
  })
  const stop = line('stop', [], '')
  return [
    { title: 'Place', quiet: 'x y z, m', lines: [line('x'), line('y', [6, 4]), line('z', [2, 3])] },
    {
      title: 'Aim',
      quiet: stage.aim ? `at ${stage.aim.name}` : 'pan tilt, °',
      lines: [line('pan'), line('tilt', [6, 4]), line('roll', [2, 3])],
      says: stage.aim && `at ${stage.aim.name}, follows`,
    },
    { title: 'Lens', quiet: 'mm', lines: [line('lens', [], '')] },
    {
      title: 'Focus',
      quiet: stage.focusOn ? `on ${stage.focusOn.name}` : 'm',
      lines: [line('focus', [], '')],
      says: stage.focusOn && `on ${stage.focusOn.name}, follows`,
    },
    ...(stop.keys.length > 0 ? [{ title: 'T-stop', quiet: '', lines: [stop] }] : []),
    ...stage.layers.map((layer) => ({
      title: layer.name.slice(0, 10),
      quiet: `${Math.round(layer.strength * 100)} %${layer.on ? '' : ', off'}${layer.shared.length > 0 ? ', shared' : ''}`,
      lines: [],
      layer,
    })),
  ]
}

function itemRows(item: StageItem, stage: StageShot): Row[] {
  const line = (channel: string, dash: number[] = []): Line => {
    const keys = (item.channels[channel] ?? []).map((k) => ({ ...k, frame: k.frame - stage.actionOffset }))
    return { name: channel, channel, keys, curve: item.curves[channel] ?? [], dash }
  }
  return [
    { title: 'Place', quiet: 'x y z, m', lines: [line('x'), line('y', [6, 4]), line('z', [2, 3])] },
    { title: 'Turn', quiet: '°', lines: [line('turn'), line('lean', [6, 4])] },
    { title: 'In the set', quiet: '', lines: [line('shown')] },
  ]
}
