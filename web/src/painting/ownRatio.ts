/** Points that a picture is drawn with to a pixel of the window: those of the screen, two at most. */
export const ownRatio = () => Math.min(2, window.devicePixelRatio)
