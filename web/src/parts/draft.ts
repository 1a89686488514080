/**
 * A gesture on something that the server keeps. What it has come to is laid over what the server says, however often that is said
 * anew, until it is written; what was written is shown until the server's own state has it.
 */

/** What became of a write. @property edit the project's number of edits with it; undefined where nothing was to be changed */
export type Written = { edit?: number }

/**
 * What a gesture is made on, as it was when it began.
 *
 * @property key   tells it from others: elsewhere another gesture begins
 * @property says  what the server says there now, and what that was read from: another where it may be another
 * @property write gives it to the server, with what it was before; resolves to undefined where it was refused, and why was said
 */
export type Place<V> = {
  key: string
  says: () => { value: V; of: unknown }
  write: (value: V, before: V) => Promise<Written | undefined>
}

type Gesture<V> = { place: Place<V>; changes: ((value: V) => V)[]; done?: { of: unknown; changes: number; value: V } }
type Sent<V> = { key: string; value: V; edit?: number }

/** A wheel or a key is followed by others: so long after the last it is written, in milliseconds. */
export const REST = 300

export class Draft<V> {
  private gesture: Gesture<V> | undefined
  private sent: Sent<V>[] = []
  private timer: ReturnType<typeof setTimeout> | undefined
  private edits: number | undefined

  /** @param told what is shown may be another now */
  constructor(private readonly told: () => void) {}

  /** What is made now and nobody has written, at whatever place; undefined where nothing is. */
  get open(): V | undefined {
    return this.gesture && this.value(this.gesture)
  }

  get isOpen(): boolean {
    return this.gesture !== undefined
  }

  /** What is shown at a place instead of what the server says; undefined where nothing is. */
  shown(key: string): V | undefined {
    return this.gesture?.place.key === key ? this.value(this.gesture) : this.last(key)?.value
  }

  /** What was written, at whatever places, and the server's state has not yet, the newest last. */
  get waiting(): V[] {
    return this.sent.map((s) => s.value)
  }

  /** Goes on with a gesture, or begins one. @param rests whether it is over when nothing follows for a while */
  change(place: Place<V>, by: (value: V) => V, rests = false) {
    this.leave(place.key)
    this.gesture ??= { place, changes: [] }
    this.gesture.changes.push(by)
    this.goOn(rests)
  }

  /** As {@link change}, where each step of a gesture says all that it has come to. */
  put(place: Place<V>, value: V, rests = false) {
    this.leave(place.key)
    // nothing of its steps before is left, and nothing done
    this.gesture = { place: this.gesture?.place ?? place, changes: [() => value] }
    this.goOn(rests)
  }

  /** The gesture is over: what it has come to is written, once. */
  write() {
    clearTimeout(this.timer)
    const { gesture } = this
    if (!gesture) {
      return
    }
    const value = this.value(gesture)
    const before = this.last(gesture.place.key)?.value ?? gesture.place.says().value
    const sent: Sent<V> = { key: gesture.place.key, value }
    this.gesture = undefined
    this.sent.push(sent)
    void gesture.place
      .write(value, before)
      .catch(() => undefined)
      .then((written) => this.answered(sent, written))
    this.told()
  }

  /** Writes what was made elsewhere than at a place. */
  leave(key: string) {
    if (this.gesture && this.gesture.place.key !== key) {
      this.write()
    }
  }

  /** Forgets what is made now. */
  drop() {
    clearTimeout(this.timer)
    if (this.gesture) {
      this.gesture = undefined
      this.told()
    }
  }

  /** What the server says is what it was after so many edits; where nobody knows after how many, nothing is waited for. */
  knows(edits: number | undefined) {
    this.edits = edits
    this.keep((s) => s.edit === undefined || this.waits(s.edit))
  }

  private answered(sent: Sent<V>, written: Written | undefined) {
    sent.edit = written?.edit
    // what was refused, what changed nothing and what is known already is shown no longer
    const waits = sent.edit !== undefined && this.waits(sent.edit)
    this.keep((s) => s !== sent || waits)
  }

  private waits(edit: number): boolean {
    return this.edits !== undefined && edit > this.edits
  }

  private keep(which: (sent: Sent<V>) => boolean) {
    const left = this.sent.filter(which)
    if (left.length < this.sent.length) {
      this.sent = left
      this.told()
    }
  }

  private goOn(rests: boolean) {
    clearTimeout(this.timer)
    if (rests) {
      this.timer = setTimeout(() => this.write(), REST)
    }
    this.told()
  }

  private last(key: string): Sent<V> | undefined {
    return this.sent.findLast((s) => s.key === key)
  }

  /** Each step is done once for what it is laid over, and all of them again when that is another. */
  private value(gesture: Gesture<V>): V {
    const { place, changes } = gesture
    const written = this.last(place.key)
    const base = written ? { value: written.value, of: written } : place.says()
    const done = gesture.done && gesture.done.of === base.of ? gesture.done : { value: base.value, changes: 0 }
    const value = changes.slice(done.changes).reduce((v, change) => change(v), done.value)
    gesture.done = { of: base.of, changes: changes.length, value }
    return value
  }
}
