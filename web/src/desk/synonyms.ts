/** Plain words of the trade for what is called otherwise here: whoever types one finds what it does. */
const WORDS: [RegExp, string][] = [
  [/another project/i, 'new project open project list of projects begin'],
  [/hold the frame/i, 'freeze still'],
  [/hand back/i, 'export save edl xml aaf otio list deliver'],
  [/lift/i, 'gap delete black'],
  [/take out/i, 'ripple delete remove extract close gap'],
  [/moves? along/i, 'ripple sync'],
  [/seam/i, 'roll cut edit point'],
  [/in between/i, 'insert add'],
  [/\bover\b/i, 'overwrite'],
  [/mark/i, 'marker note comment'],
  [/level/i, 'sound volume gain loud'],
  [/mute|hear/i, 'sound solo level'],
  [/master of these pieces|nested|nests/i, 'nest compound sequence'],
  [/dissolve|fade/i, 'transition transition mix'],
  [/render/i, 'export movie'],
  [/undo|history/i, 'back'],
  [/duplicate|copy/i, 'clone'],
  [/slip|slide|head|tail/i, 'trim'],
  [/speed|stretch|reverse/i, 'retime slow fast timewarp'],
  [/split/i, 'razor blade cut'],
  [/lane/i, 'track layer'],
  [/number/i, 'renumber rename codes'],
  [/board over/i, 'opacity onion overlay'],
  [/receive/i, 'conform import'],
]

/** All words by which something can be found. */
export const plainWords = (name: string) =>
  WORDS.filter(([which]) => which.test(name))
    .map(([, words]) => words)
    .join(' ')
