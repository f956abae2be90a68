import {
  closeSync,
  cpSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import path from 'node:path'
import { beginFile, dropRecordsBelow, syncFolder } from '@/src/server/journal/journal'

/**
 * The data folder: `store/` is the database, `store-copy/` the same as it was closed last before the journal was cut, `journal/`
 * everything acknowledged since that copy, `made.json` says that there has been a store. Copy and journal alone make the store
 * anew: they and the photos, each a file named by its digest, are what a backup holds.
 */
export const placesIn = (folder: string) => ({
  store: path.join(folder, 'store'),
  copy: path.join(folder, 'store-copy'),
  journal: path.join(folder, 'journal'),
  photos: path.join(folder, 'photos'),
  made: path.join(folder, 'made.json'),
})

/** The store cannot be opened as it lies there. */
export class StoreDamaged extends Error {}

/** Files without which the database would make itself anew, or die in the attempt, and the fewest bytes that each holds. */
const NEEDED: readonly (readonly [string, number])[] = [
  ['PG_VERSION', 1],
  ['global/pg_control', 1000],
]

/**
 * Whether there is a store to open, or none yet. Throws where there has been one and it is not whole: a folder that held a store
 * is never made anew without being told to.
 */
export function findStore(folder: string): 'none' | 'whole' {
  const { store, made } = placesIn(folder)
  const isMade = existsSync(made) || (existsSync(store) && readdirSync(store).length > 0)
  if (!isMade) return 'none'
  const missing = NEEDED.find(([name, least]) => {
    const where = path.join(store, name)
    return !existsSync(where) || statSync(where).size < least
  })
  if (missing) throw new StoreDamaged(sayDamage(folder, `${missing[0]} is missing or empty`))
  return 'whole'
}

/** What is wrong, what is kept, what to do. */
export const sayDamage = (folder: string, what: string): string =>
  `The store in ${placesIn(folder).store} cannot be opened: ${what}. Nothing was touched. ` +
  'Put it together again from its last copy and the journal, in which everything acknowledged is kept: ./nest-trace recover. ' +
  'The damaged one is set aside, not deleted.'

/** From now on the folder holds a store. */
export function noteMade(folder: string): void {
  const { made } = placesIn(folder)
  if (existsSync(made)) return
  writeFileSync(made, JSON.stringify({ format: 'nest-trace/data', version: 1 }))
  syncFile(made)
  syncFolder(folder)
}

/**
 * Copies a store that is closed, everything forced to the disk, and lets go of the journal up to `seq`, which the copy holds. Cut
 * off anywhere, the copy before and the journal behind it are still there.
 */
export function copyClosedStore(folder: string, seq: number): void {
  const { store, copy, journal } = placesIn(folder)
  const [fresh, old] = [`${copy}.new`, `${copy}.old`]
  syncTree(store)
  rmSync(fresh, { recursive: true, force: true })
  cpSync(store, fresh, { recursive: true })
  syncTree(fresh)
  beginFile(journal, seq + 1)
  rmSync(old, { recursive: true, force: true })
  if (existsSync(copy)) renameSync(copy, old)
  renameSync(fresh, copy)
  syncFolder(folder)
  dropRecordsBelow(journal, seq + 1)
  rmSync(old, { recursive: true, force: true })
}

/** The folder that holds the last good copy, also in the middle of its being replaced; null when none was ever made. */
export function lastCopy(folder: string): string | null {
  const { copy } = placesIn(folder)
  return [copy, `${copy}.old`].find((where) => existsSync(path.join(where, 'PG_VERSION'))) ?? null
}

/** Sets the store aside and puts the last copy in its place, or nothing where there is none: the journal does the rest at the next start. */
export function recoverStore(folder: string, at: Date): { readonly aside: string | null; readonly copy: string | null } {
  const { store } = placesIn(folder)
  const copy = lastCopy(folder)
  const aside = existsSync(store) ? `${store}.damaged-${at.toISOString().replace(/[:.]/g, '-')}` : null
  if (aside) renameSync(store, aside)
  mkdirSync(store, { recursive: true })
  if (copy) cpSync(copy, store, { recursive: true })
  syncTree(store)
  if (!copy) rmSync(placesIn(folder).made, { force: true })
  syncFolder(folder)
  return { aside, copy }
}

/** Every file and folder below, deepest first. */
export function syncTree(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const where = path.join(folder, entry.name)
    if (entry.isDirectory()) syncTree(where)
    else if (entry.isFile()) syncFile(where)
  }
  syncFolder(folder)
}

function syncFile(where: string): void {
  const handle = openSync(where, 'r')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}
