/** How long an answer may have to wait for thinking ahead, and the room that the desk itself gets on a device of few cores. */
const SLICE_MS = 8
const PAUSE_MS = 12

/**
 * Works through a list of short steps, so many at a time as fit a slice, with a pause after each slice in which the desk may
 * ask for something else; a new list, or `stop`, drops what is left of the old one. Nothing here ever runs while an answer is
 * waited for.
 */
export class Ahead {
  private list = 0

  constructor(private readonly now: () => number = () => performance.now()) {}

  /** Begins a list, which is made when its turn comes; `told` hears the share of its steps that is done, after each slice. */
  begin(listSteps: () => readonly (() => void)[], told: (share: number) => void = () => {}): void {
    const list = ++this.list
    const soon = (work: () => void) => setTimeout(() => list === this.list && work(), PAUSE_MS)
    const takeFrom = (steps: readonly (() => void)[], first: number) => {
      const end = this.now() + SLICE_MS
      let done = first
      while (done < steps.length && (done === first || this.now() < end)) steps[done++]()
      told(steps.length === 0 ? 1 : done / steps.length)
      if (done < steps.length) soon(() => takeFrom(steps, done))
    }
    soon(() => takeFrom(listSteps(), 0))
  }

  stop(): void {
    this.list++
  }
}
