import 'server-only'
import type { Database } from '@/src/server/database'
import type { Journal } from '@/src/server/journal/journal'
import { type Beside, doWrite, keepMark, type Write } from '@/src/server/writes'

/** Writes from one mark of the journal to the next. */
const MARK_EVERY = 16

/** Every write goes to the journal first and to the tables after; done when it is in both. */
export class Writer {
  /** Numbers of records that are in the journal and not yet in the tables. */
  private readonly underWay = new Set<number>()

  constructor(
    private readonly database: Database,
    private readonly journal: Journal<Write> | null,
  ) {}

  async write(write: Write, beside: Beside = async () => {}): Promise<void> {
    const { journal } = this
    if (!journal) return doWrite(this.database, write, beside)
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
    await doWrite(this.database, write, async (database) => {
      await beside(database)
      // A mark that stays behind costs the next start a few writes done twice.
      if (seq % MARK_EVERY !== 0) return
      const others = [...this.underWay].filter((other) => other !== seq)
      await keepMark(database, Math.min(journal.nextSeq, ...others) - 1)
    })
    this.underWay.delete(seq)
  }
}
