/** Strokes that several drawings share. */

export function cover(
  g: CanvasRenderingContext2D,
  picture: CanvasImageSource & { width: number; height: number },
  x: number,
  y: number,
  w: number,
  h: number,
) {
  const scale = Math.max(w / picture.width, h / picture.height)
  const cw = w / scale
  const ch = h / scale
  g.drawImage(picture, (picture.width - cw) / 2, (picture.height - ch) / 2, cw, ch, x, y, w, h)
}

/** Draws where there is room right of the names of tracks: what is zoomed out of view never runs under them. */
export function rightOf(g: CanvasRenderingContext2D, left: number, width: number, height: number, draw: () => void) {
  g.save()
  g.beginPath()
  g.rect(left, 0, width - left, height)
  g.clip()
  draw()
  g.restore()
}

/** Wider than this many pictures, a clip is a strip of them, so that each stays sharp. */
const STRIP_FROM = 2
const SHAPE = 16 / 9
/** In low tracks pictures are not so small that nothing is seen in them. */
const LEAST_WIDTH = 64

/**
 * How many pictures a clip shows: one, or so many that each has about its own shape. It doubles as one zooms in, so that
 * those that were fetched are used again.
 */
export function stripOf(w: number, h: number) {
  const each = Math.max(LEAST_WIDTH, h * SHAPE)
  return w < STRIP_FROM * each ? 1 : 2 ** Math.floor(Math.log2(w / each))
}

/**
 * A clip as a strip of pictures, from its first frame to its last.
 * @param view    pixels that are in sight: nothing is fetched for the rest
 * @param picture the picture at a share of the clip's length; undefined while it is not there
 */
export function strip(
  g: CanvasRenderingContext2D,
  view: [number, number],
  x: number,
  y: number,
  w: number,
  h: number,
  picture: (share: number) => (CanvasImageSource & { width: number; height: number }) | undefined,
) {
  const count = stripOf(w, h)
  const each = w / count
  for (let i = Math.max(0, Math.floor((view[0] - x) / each)); i < Math.min(count, Math.ceil((view[1] - x) / each)); i++) {
    const shown = picture((i + 0.5) / count)
    if (shown) {
      cover(g, shown, x + i * each, y, each, h)
    }
  }
}

export function dashed(g: CanvasRenderingContext2D, colour: string, dash: number[], x: number, y: number, w: number, h: number) {
  g.strokeStyle = colour
  g.lineWidth = 1
  g.setLineDash(dash)
  g.strokeRect(x, y, w, h)
  g.setLineDash([])
}

export function clipped(g: CanvasRenderingContext2D, text: string, x: number, y: number, room: number) {
  let shown = text
  while (shown.length > 1 && g.measureText(shown).width > room) {
    shown = shown.slice(0, -1)
  }
  if (room > 8) {
    g.fillText(shown, x, y)
  }
}

/** A name with its telling end: where there is no room for all of it, what it shares with its neighbours goes. */
export function clippedName(g: CanvasRenderingContext2D, name: string, x: number, y: number, room: number) {
  const stem = name.replace(/\.[a-z0-9]{2,5}$/i, '')
  let shown = stem
  while (shown.length > 2 && g.measureText(shown === stem ? shown : `…${shown}`).width > room) {
    shown = shown.slice(1)
  }
  if (room > 14) {
    g.fillText(shown === stem ? shown : `…${shown}`, x, y)
  }
}

export function hatch(g: CanvasRenderingContext2D, x: number, y: number, w: number, h: number) {
  g.save()
  g.beginPath()
  g.rect(x, y, w, h)
  g.clip()
  g.fillStyle = '#4c4262'
  g.fillRect(x, y, w, h)
  g.strokeStyle = 'rgba(183,156,240,0.75)'
  g.lineWidth = 2
  g.beginPath()
  for (let k = -h; k < w; k += 8) {
    g.moveTo(x + k, y + h)
    g.lineTo(x + k + h, y)
  }
  g.stroke()
  g.restore()
}
