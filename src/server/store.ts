import 'server-only'
import { type DataLock, LockLost, lockDataFolder } from '@/src/server/data-lock'
import { type Database, openDatabase } from '@/src/server/database'
import { JobStore } from '@/src/server/jobs'
import { Journal, type Numbered } from '@/src/server/journal/journal'
import { PhotoStore } from '@/src/server/photos'
import { seedWhenEmpty } from '@/src/server/seed'
import { copyClosedStore, findStore, lastCopy, noteMade, placesIn, StoreDamaged, sayDamage } from '@/src/server/store-folder'
import { Writer } from '@/src/server/writer'
import { keepMark, readMark, redoWrite, type Write } from '@/src/server/writes'

/** The open store. */
export interface Store {
  readonly database: Database
  readonly writer: Writer
  readonly jobs: JobStore
  readonly photos: PhotoStore
  close(): Promise<void>
}

/** A journal of this size is folded into a fresh copy of the store at the next start. */
const COPY_FROM_BYTES = 4_000_000
/** Writes after which the mark is kept while the journal is done again. */
const MARK_EVERY = 200

/** Opens a store: locked, whole, migrated, everything of the journal in it, seeded when new. `null` keeps it in memory, for tests. */
export async function openStoreAt(folder: string | null): Promise<Store> {
  if (folder === null) {
    const { database, close } = await openDatabase(null)
    return begin(database, null, new PhotoStore(null), close)
  }
  const lock = await lockDataFolder(folder)
  try {
    return await openLocked(folder, lock)
  } catch (error) {
    lock.release()
    throw error
  }
}

async function openLocked(folder: string, lock: DataLock): Promise<Store> {
  const { journal: journalFolder, photos: photoFolder } = placesIn(folder)
  const photos = new PhotoStore(photoFolder)
  const found = findStore(folder)
  const { journal, records } = await Journal.open<Write>(journalFolder)
  const opened = await openWhole(folder, lock)
  noteMade(folder)
  const mark = await redo(opened.database, records)
  const hasNoBase = lastCopy(folder) === null && found === 'whole' && journal.nextSeq === 1
  const isBehind = journal.nextSeq <= mark
  if (!hasNoBase && !isBehind && journal.size < COPY_FROM_BYTES)
    return begin(opened.database, journal, photos, closeAll(opened.close, journal, lock))
  // A store from before there was a journal, or one whose journal is gone, needs a copy to begin from; a long journal makes starts slow.
  await opened.close()
  await journal.close()
  copyClosedStore(folder, Math.max(mark, journal.nextSeq - 1))
  const fresh = await Journal.open<Write>(journalFolder)
  const again = await openWhole(folder, lock)
  return begin(again.database, fresh.journal, photos, closeAll(again.close, fresh.journal, lock))
}

const closeAll = (closeDatabase: () => Promise<void>, journal: Journal<Write>, lock: DataLock) => async () => {
  await closeDatabase()
  await journal.close()
  lock.release()
}

async function begin(database: Database, journal: Journal<Write> | null, photos: PhotoStore, close: () => Promise<void>): Promise<Store> {
  const writer = new Writer(database, journal)
  const jobs = new JobStore(database, writer)
  const store: Store = {
    database,
    writer,
    jobs,
    photos,
    close: async () => {
      await jobs.settled()
      await close()
    },
  }
  await store.jobs.prepare()
  await seedWhenEmpty(store.jobs, new Date())
  return store
}

/** A database that is not whole fails in words of its own machine: said in ours. */
async function openWhole(folder: string, lock: DataLock): ReturnType<typeof openDatabase> {
  try {
    return await openDatabase(placesIn(folder).store, lock.assertHeld)
  } catch (error) {
    if (error instanceof LockLost) throw error
    throw new StoreDamaged(sayDamage(folder, error instanceof Error ? error.message : String(error)), { cause: error })
  }
}

/** Does what is in the journal and not in the tables; gives the number of its last record. */
async function redo(database: Database, records: Iterable<Numbered<Write>>): Promise<number> {
  const mark = await readMark(database)
  let last = mark
  let undone = 0
  for (const { seq, write } of records) {
    if (seq <= mark) continue
    await redoWrite(database, write)
    last = seq
    if (++undone % MARK_EVERY === 0) await keepMark(database, seq)
  }
  if (last > mark) await keepMark(database, last)
  return last
}

const shared = globalThis as typeof globalThis & { nestTraceStore?: Promise<Store> }

/** The one store of this server; opened once, also across hot reloads. A failed opening may be tried again. */
export function openStore(): Promise<Store> {
  if (process.env.NEXT_PHASE === 'phase-production-build') throw new Error('the store was asked for during the build')
  shared.nestTraceStore ??= openStoreAt(process.env.NEST_TRACE_DATA ?? 'data').catch((error) => {
    shared.nestTraceStore = undefined
    throw error
  })
  return shared.nestTraceStore
}
