/** Other words for what is done here, those of before among them: whoever types one finds what it does. */
const WORDS: [RegExp, string][] = [
  [/another project/i, 'new project open project list of projects begin'],
  [/hold the frame/i, 'freeze still'],
  [/hand back/i, 'export save edl xml aaf otio list deliver'],
  [/lift/i, 'gap delete black'],
  [/extract|take out/i, 'take out and close up ripple delete remove close gap'],
  [/ripple/i, 'rest moves along sync'],
  [/seam/i, 'bent roll cut edit point'],
  [/insert/i, 'put in between add'],
  [/overwrite/i, 'put something over'],
  [/marker/i, 'mark note comment'],
  [/level/i, 'sound volume gain loud'],
  [/mute|hear/i, 'sound solo level'],
  [/master of these clips|nested|nests/i, 'nest compound sequence'],
  [/dissolve|fade/i, 'transition transition mix'],
  [/render/i, 'export movie'],
  [/undo|history/i, 'back'],
  [/duplicate|copy/i, 'clone'],
  [/slip|slide|head|tail/i, 'trim'],
  [/speed|stretch|reverse/i, 'retime slow fast timewarp'],
  [/split/i, 'razor blade cut'],
  [/track/i, 'lane layer'],
  [/number/i, 'renumber rename codes'],
  [/board over/i, 'opacity onion overlay'],
  [/receive/i, 'conform import'],
]

/** All words by which something can be found. */
export const plainWords = (name: string) =>
  WORDS.filter(([which]) => which.test(name))
    .map(([, words]) => words)
    .join(' ')
