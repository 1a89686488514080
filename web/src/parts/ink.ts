/** Colours and letters of what is drawn into canvases. */
export const INK = {
  text: '#ededed',
  quiet: '#b3b3b3',
  live: '#5ec2b7',
  offset: '#f0a648',
  stale: '#b79cf0',
  line: '#ededed',
  deep: '#222222',
  shot: '#566067',
  paper: '#e9e4d8',
}
export const SANS = '"Atkinson Hyperlegible Next", sans-serif'
export const MONO = '"Atkinson Hyperlegible Mono", monospace'
