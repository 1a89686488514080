/** What of a project an edit touched, and what shows it: a window asks again for that alone. */

/** As the server calls them (`steps.Room`). */
export type Room = 'TRACKS' | 'SHOTS' | 'CAMERAS' | 'SET' | 'CUTS' | 'SOURCES' | 'RECIPES' | 'RULES'

/** What each kind of answer is made of. One that is not named here is asked for after every edit. */
const MADE_OF: Partial<Record<string, readonly Room[]>> = {
  // what can be undone is each person's own: an edit of one's own asks for it in any case
  project: ['TRACKS', 'CUTS', 'RULES'],
  masters: ['TRACKS', 'CUTS', 'RULES'],
  past: ['TRACKS', 'SHOTS'],
  clips: ['CUTS', 'SOURCES', 'SHOTS', 'RULES'],
  intake: ['CUTS', 'SOURCES', 'SHOTS', 'TRACKS', 'RULES'],
  sources: ['CUTS', 'SOURCES', 'SHOTS', 'RULES'],
  'by-order': ['CUTS', 'SOURCES', 'SHOTS', 'RULES'],
  files: ['SOURCES', 'SHOTS', 'CUTS'],
  turnover: ['TRACKS', 'SHOTS', 'CAMERAS', 'CUTS', 'SOURCES', 'RULES'],
  stage: ['SHOTS', 'CAMERAS', 'SET', 'RULES'],
  focus: ['SHOTS', 'CAMERAS', 'SET', 'RULES'],
  camera: ['SHOTS', 'CAMERAS', 'SET'],
  item: ['SET'],
  move: ['SHOTS', 'CAMERAS', 'SET', 'RULES'],
  'in-frame': ['SHOTS', 'CAMERAS', 'SET', 'RULES'],
  looks: ['SET'],
  scenes: ['SET', 'SHOTS'],
  'camera-table': ['CAMERAS', 'SHOTS', 'SET'],
  bake: ['SHOTS', 'CAMERAS', 'SET', 'RULES'],
  'board-frames': ['TRACKS', 'SHOTS', 'SOURCES'],
  'movie-frames': ['TRACKS', 'SHOTS'],
  recipes: ['RECIPES', 'RULES'],
}

/** Whether an answer may be another one after an edit. @param touched none where nobody knows what was touched */
export function isTouched(kind: string, touched: readonly string[]): boolean {
  const rooms: readonly string[] | undefined = MADE_OF[kind]
  return !rooms || touched.length === 0 || touched.some((room) => rooms.includes(room))
}
