/** A window that shows a frame later than this after the one before it falls behind 30 pictures a second. */
const LATE = 33.5
const LOOKED_AT = 16
const STEP = 0.7
const COARSEST = 0.35

/**
 * How finely the set is drawn while time runs, as a share of its full size: as finely as the window keeps up with. At
 * rest it is always drawn whole.
 */
export class Grain {
  private late = 0
  private seen = 0

  /** @param share to begin with */
  constructor(public share: number) {}

  /** Playing begins: a step finer than it ended is tried. */
  begin() {
    this.share = Math.min(1, this.share / STEP)
    this.forget()
  }

  /** @param milliseconds since the window's last frame */
  frame(milliseconds: number) {
    this.seen++
    this.late += milliseconds > LATE ? 1 : 0
    if (this.late > LOOKED_AT / 4) {
      this.share = Math.max(COARSEST, this.share * STEP)
      this.forget()
    } else if (this.seen === LOOKED_AT) {
      this.forget()
    }
  }

  private forget() {
    this.late = 0
    this.seen = 0
  }
}
