/** Small pictures for the tracks, fetched when first drawn and kept. */
const images = new Map<string, HTMLImageElement | 'broken'>()

export function image(url: string, loaded: () => void): HTMLImageElement | undefined {
  const there = images.get(url)
  if (there) {
    return there !== 'broken' && there.complete && there.naturalWidth > 0 ? there : undefined
  }
  const element = new Image()
  images.set(url, element)
  element.onload = loaded
  element.onerror = () => images.set(url, 'broken')
  element.src = url
  return undefined
}

const peaks = new Map<number, Uint8Array | 'asked'>()

/** Loudness of a sound, 50 values a second. */
export function loudness(mediaId: number, loaded: () => void): Uint8Array | undefined {
  const there = peaks.get(mediaId)
  if (there) {
    return there === 'asked' ? undefined : there
  }
  peaks.set(mediaId, 'asked')
  fetch(`/api/media/${mediaId}/peaks`)
    .then((r) => (r.ok ? r.arrayBuffer() : Promise.reject(new Error())))
    .then((bytes) => {
      peaks.set(mediaId, new Uint8Array(bytes))
      loaded()
    })
    .catch(() => undefined)
  return undefined
}
