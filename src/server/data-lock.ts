import { randomUUID } from 'node:crypto'
import { mkdirSync, readFileSync, realpathSync, renameSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs'
import { hostname } from 'node:os'
import path from 'node:path'
import { lock } from 'proper-lockfile'

/** Another server holds the data folder. */
export class DataFolderInUse extends Error {}

/** The data folder is no longer this server's: whatever it would write now could harm the store of another. */
export class LockLost extends Error {}

export interface DataLock {
  /** Throws when the folder is no longer held. Cheap enough to be asked before every touch of the store. */
  assertHeld(): void
  release(): void
}

/** Who holds the folder: the process, told apart from a later one of the same number by when it began. */
interface Holder {
  readonly token: string
  readonly pid: number
  readonly began: string
  readonly host: string
}

const HOLDER = 'holder.json'
/** The same beside it: who opened the store last is still known where somebody has taken the first away by hand. */
const OPENED_BY = 'store-opened-by.json'
/** On another machine a process cannot be looked at: its beat counts, which a frozen one misses. A shared folder is a rare thing. */
const BEAT_MS = 5000
const DEAD_AFTER_MS = 120_000
/** The folder is taken under a lock of its own, for some milliseconds. */
const TAKING = { stale: 10_000, retries: { retries: 20, minTimeout: 50, maxTimeout: 500 } }

/**
 * Takes the data folder for this process. Two processes on one folder would lose data in silence, so the second one refuses for as
 * long as the first one lives, frozen or busy though it may be; a killed one's place is taken at once.
 */
export async function lockDataFolder(folder: string): Promise<DataLock> {
  mkdirSync(folder, { recursive: true })
  const where = path.join(realpathSync(folder), HOLDER)
  const openedBy = path.join(realpathSync(folder), OPENED_BY)
  const done = await lock(realpathSync(folder), TAKING)
  try {
    const isHeld = [where, openedBy].some((file) => {
      const holder = readHolder(file)
      return holder !== null && isAlive(holder, file)
    })
    if (isHeld)
      throw new DataFolderInUse(
        'Another Nest Trace is serving this data folder. Nothing was touched. Use that one, stop it first, or start this one on another folder: NEST_TRACE_DATA=folder ./start',
      )
    const own: Holder = { token: randomUUID(), pid: process.pid, began: beginningOf(process.pid) ?? 'unknown', host: hostname() }
    for (const file of [openedBy, where]) {
      writeFileSync(`${file}.new`, JSON.stringify(own))
      renameSync(`${file}.new`, file)
    }
    return held(where, openedBy, own)
  } finally {
    await done()
  }
}

function held(where: string, openedBy: string, own: Holder): DataLock {
  const assertHeld = () => {
    if (readHolder(where)?.token !== own.token)
      throw new LockLost('The data folder has been taken from this Nest Trace. It stops, so that nothing is harmed. Start it again.')
  }
  const beat = setInterval(() => {
    try {
      const now = new Date()
      if (readHolder(where)?.token === own.token) utimesSync(where, now, now)
    } catch (error) {
      console.error('The data folder cannot be reached:', error instanceof Error ? error.message : error)
    }
  }, BEAT_MS)
  beat.unref()
  return {
    assertHeld,
    release: () => {
      clearInterval(beat)
      for (const file of [where, openedBy]) if (readHolder(file)?.token === own.token) rmSync(file)
    },
  }
}

function readHolder(where: string): Holder | null {
  try {
    return JSON.parse(readFileSync(where, 'utf8')) as Holder
  } catch {
    // Not there, or cut off by a crash while it was written: nobody who lives holds it so.
    return null
  }
}

function isAlive(holder: Holder, where: string): boolean {
  if (holder.host !== hostname()) return Date.now() - statSync(where).mtimeMs < DEAD_AFTER_MS
  if (!hasProcess(holder.pid)) return false
  const began = beginningOf(holder.pid)
  return began === null || holder.began === 'unknown' || began === holder.began
}

function hasProcess(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error instanceof Error && 'code' in error && error.code === 'EPERM'
  }
}

/** When a process began, in ticks since this boot, and which boot; null where the system does not tell. */
function beginningOf(pid: number): string | null {
  try {
    // The name in brackets may hold anything; the 22nd field is counted from behind it.
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    const ticks = stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19]
    return `${readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()} ${ticks}`
  } catch {
    return null
  }
}
