/** Strokes that several drawings share. */

export function cover(g: CanvasRenderingContext2D, picture: CanvasImageSource & { width: number; height: number }, x: number, y: number, w: number, h: number) {
  const scale = Math.max(w / picture.width, h / picture.height)
  const cw = w / scale
  const ch = h / scale
  g.drawImage(picture, (picture.width - cw) / 2, (picture.height - ch) / 2, cw, ch, x, y, w, h)
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
