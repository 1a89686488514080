/** Whether a field is left for another place in the window, not by the whole window: that comes back to it. */
export const isLeftForGood = (e: React.FocusEvent) => document.activeElement !== e.currentTarget
