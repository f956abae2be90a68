import { closeSync, createWriteStream, existsSync, openSync, readSync, renameSync, rmSync } from 'node:fs'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'
import { type Options, sayFileTrouble, UsageError } from '@/cli/options'
import { formOpinion } from '@/src/core/advice/advise'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import { sayRestored } from '@/src/core/formats/say-restored'
import { foldJob } from '@/src/core/job/fold'
import { sharesOfZones } from '@/src/core/job/job-summary'
import { counted } from '@/src/core/units/counted'
import { restoreArchive } from '@/src/server/archive/restore-archive'
import { writeArchive } from '@/src/server/archive/write-archive'
import { BackupDamaged, restoreBackup, writeBackup } from '@/src/server/backup'
import { DataFolderInUse, lockDataFolder } from '@/src/server/data-lock'
import { JournalDamaged } from '@/src/server/journal/journal'
import { openStoreAt } from '@/src/server/store'
import { placesIn, recoverStore, StoreDamaged } from '@/src/server/store-folder'

/** Commands on the data folder. What the store says of itself is the caller's to mend: told as a sentence. */
const folderOf = (options: Options): string =>
  path.resolve(options.get('data') ?? process.env.NEST_TRACE_DATA ?? path.join(process.env.NEST_TRACE_HOME ?? '.', 'data'))

async function told<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    const isKnown = [DataFolderInUse, StoreDamaged, JournalDamaged, BackupDamaged].some((kind) => error instanceof kind)
    throw isKnown ? new UsageError((error as Error).message) : error
  }
}

function fileOf(options: Options, command: string): string {
  const [file] = options.words
  if (file === undefined) throw new UsageError(`Say which file: nest-trace ${command} FILE`)
  return path.resolve(file)
}

export async function backupCommand(options: Options): Promise<void> {
  const file = fileOf(options, 'backup')
  const folder = folderOf(options)
  if (!existsSync(placesIn(folder).journal))
    throw new UsageError(`There is no store in ${folder} to back up: start Nest Trace there once, or say --data FOLDER.`)
  const { files } = await told(() => writeBackup(folder, file, new Date()))
  console.log(`Backed up ${folder} to ${file}: ${files} files, each with its digest.`)
}

/** Jobs with their photos as one zip, to keep or to take to another store. */
export async function archiveCommand(options: Options): Promise<void> {
  const file = fileOf(options, 'archive')
  const one = options.get('job')
  const store = await told(() => openStoreAt(folderOf(options)))
  try {
    const all = await store.jobs.ids()
    if (one !== null && !all.includes(one)) throw new UsageError(`There is no job "${one}" in this store.`)
    const ids = one === null ? all : [one]
    try {
      await pipeline(writeArchive(store, ids, new Date()), createWriteStream(`${file}.part`))
      renameSync(`${file}.part`, file)
    } catch (error) {
      rmSync(`${file}.part`, { force: true })
      throw new UsageError(sayFileTrouble(file, error))
    }
    console.log(`Archived ${counted(ids.length, 'job')} to ${file}, photos with them, each file with its digest.`)
  } finally {
    await store.close()
  }
}

/** Takes an archive into the store beside what is there. */
async function takeArchive(file: string, options: Options): Promise<void> {
  const store = await told(() => openStoreAt(folderOf(options)))
  try {
    const outcome = await restoreArchive(store, file)
    if (!outcome.ok) throw new UsageError(outcome.problem)
    console.log(sayRestored(outcome.restored))
  } finally {
    await store.close()
  }
}

/** A zip begins so; a backup does not. */
function isZip(file: string): boolean {
  const start = Buffer.alloc(2)
  const handle = openSync(file, 'r')
  try {
    readSync(handle, start, 0, 2, 0)
  } finally {
    closeSync(handle)
  }
  return start.toString('latin1') === 'PK'
}

export async function restoreCommand(options: Options): Promise<void> {
  const file = fileOf(options, 'restore')
  if (!existsSync(file)) throw new UsageError(`There is no file ${file}. Nothing was touched.`)
  if (isZip(file)) return takeArchive(file, options)
  const folder = folderOf(options)
  const { aside, madeAt } = await told(async () => {
    const lock = await lockDataFolder(folder)
    try {
      return await restoreBackup(folder, file, new Date())
    } finally {
      lock.release()
    }
  })
  console.log(
    `The store in ${folder} is that of ${madeAt} now.${aside ? ` The one before is kept in ${aside}.` : ''} Start Nest Trace as usual.`,
  )
}

export async function recoverCommand(options: Options): Promise<void> {
  const folder = folderOf(options)
  if (!existsSync(placesIn(folder).journal)) throw new UsageError(`There is no journal in ${folder} to recover from. Nothing was touched.`)
  const { aside, copy } = await told(async () => {
    const lock = await lockDataFolder(folder)
    try {
      return recoverStore(folder, new Date())
    } finally {
      lock.release()
    }
  })
  console.log(
    `${copy ? 'The last copy of the store is in its place' : 'The store starts over'}, and the journal is loaded at the next start.${aside ? ` The damaged one is kept in ${aside}.` : ''} Start Nest Trace as usual.`,
  )
}

export async function summariesCommand(options: Options): Promise<void> {
  const store = await told(() => openStoreAt(folderOf(options)))
  try {
    const engines = new Map<string, Engine>()
    const ids = await store.jobs.ids()
    for (const [index, id] of ids.entries()) {
      const job = await store.jobs.read(id)
      if (!job) continue
      const key = JSON.stringify(job.system)
      const engine = engines.get(key) ?? createEngine(job.system)
      engines.set(key, engine)
      const { zones } = formOpinion(engine, foldJob(engine.system, job.entries))
      await store.jobs.keepShares(id, { entries: job.entries.length, shares: sharesOfZones(zones) })
      if ((index + 1) % 100 === 0) console.error(`${index + 1} of ${ids.length} jobs`)
    }
    console.log(`${ids.length} ${ids.length === 1 ? 'summary' : 'summaries'} made.`)
  } finally {
    await store.close()
  }
}
