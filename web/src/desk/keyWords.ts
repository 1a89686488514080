/** A key as it stands on the keyboard. */
export const readableKeys = (keys: string) =>
  keys
    .replaceAll('Arrow', '')
    .replace('Up', '↑')
    .replace('Down', '↓')
    .replace('Left', '←')
    .replace('Right', '→')
    .replaceAll('+', keys === '+' ? '+' : ' ')
