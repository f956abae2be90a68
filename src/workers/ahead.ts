/** A piece of work for the minutes in which the technician goes to take a reading. */
export interface Piece {
  readonly pauseMs: number
  readonly work: () => void
}

/**
 * Works through pieces one at a time, with a pause before each in which the desk may ask for something else; a new list, or
 * `stop`, drops what is left of the old one. Nothing here ever runs while an answer is waited for.
 */
export class Ahead {
  private list = 0

  /** Begins a list; `told` hears how many of its pieces are done, after each of them. */
  begin(pieces: readonly Piece[], told: (done: number) => void = () => {}): void {
    const list = ++this.list
    const take = (index: number) => {
      if (index >= pieces.length) return
      setTimeout(() => {
        if (list !== this.list) return
        pieces[index].work()
        told(index + 1)
        take(index + 1)
      }, pieces[index].pauseMs)
    }
    take(0)
  }

  stop(): void {
    this.list++
  }
}
