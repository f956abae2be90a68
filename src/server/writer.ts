import 'server-only'
import type { Database } from '@/src/server/database'
import type { Journal } from '@/src/server/journal/journal'
import { doWrite, keepMark, type Write } from '@/src/server/writes'

/** Writes from one mark of the journal to the next. */
const MARK_EVERY = 16

/** Every write goes to the journal first and to the tables after; done when it is in both. */
export class Writer {
  /** Numbers of records that are in the journal and not yet, with all that hangs on them, in the tables. */
  private readonly underWay = new Set<number>()

  constructor(
    private readonly database: Database,
    private readonly journal: Journal<Write> | null,
  ) {}

  /** Writes what nothing else hangs on. */
  async write(write: Write): Promise<void> {
    const done = await this.begin(write)
    done()
  }

  /** Writes, and gives what is to be called once all that hangs on it (its line of the list) is in the tables, too. */
  async begin(write: Write): Promise<() => void> {
    const { journal } = this
    if (!journal) {
      await doWrite(this.database, write)
      return () => {}
    }
    const { seq, synced } = journal.append(write)
    this.underWay.add(seq)
    try {
      await synced
    } catch (error) {
      // It is not in the journal: nothing is to be done again, and the mark may pass it.
      this.underWay.delete(seq)
      throw error
    }
    // What fails from here on stays under way: the mark does not pass it, and the next start does it again.
    await doWrite(this.database, write)
    if (seq % MARK_EVERY === 0) await keepMark(this.database, Math.min(journal.nextSeq, ...this.underWay) - 1)
    return () => {
      this.underWay.delete(seq)
    }
  }
}
