let slow: boolean | undefined

/** Whether the processor draws in place of a graphics card: what is drawn while time runs is coarser then, and edges are not smoothed. */
export function slowDrawing(): boolean {
  if (slow === undefined) {
    const g = document.createElement('canvas').getContext('webgl2')
    const told = g?.getExtension('WEBGL_debug_renderer_info')
    slow =
      !!g &&
      /swiftshader|llvmpipe|softpipe|software|basic render/i.test(String(g.getParameter(told?.UNMASKED_RENDERER_WEBGL ?? g.RENDERER)))
    g?.getExtension('WEBGL_lose_context')?.loseContext()
  }
  return slow
}
