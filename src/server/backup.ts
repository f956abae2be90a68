import 'server-only'
import { createHash } from 'node:crypto'
import {
  cpSync,
  createReadStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import path from 'node:path'
import { create, extract } from 'tar'
import { z } from 'zod'
import { filesOf } from '@/src/server/journal/journal'
import { lastCopy, placesIn, recoverStore, syncTree } from '@/src/server/store-folder'

/** A backup that is not whole, or no backup. */
export class BackupDamaged extends Error {}

const MANIFEST = 'manifest.json'
const manifestSchema = z.object({
  format: z.literal('nest-trace/backup'),
  version: z.literal(1),
  madeAt: z.string(),
  /** Digest of every file, by its path in the backup. */
  files: z.array(z.object({ path: z.string(), sha256: z.string() })),
})

/**
 * Writes the last copy of the store, the journal behind it and the photos into one file: everything acknowledged, also while the store is
 * served, since neither is ever changed in place. Each file goes in with its digest.
 */
export async function writeBackup(folder: string, file: string, now: Date): Promise<{ readonly files: number }> {
  const gathered = mkdtempSync(path.join(folder, 'backup-'))
  try {
    const { journal, photos } = placesIn(folder)
    // The copy may be replaced while it is read, and the journal cut after it: then once more, from the new one.
    for (let attempt = 0; ; attempt++) {
      const before = filesOf(journal)
      rmSync(path.join(gathered, 'store-copy'), { recursive: true, force: true })
      rmSync(path.join(gathered, 'journal'), { recursive: true, force: true })
      const copy = lastCopy(folder)
      try {
        if (copy) cpSync(copy, path.join(gathered, 'store-copy'), { recursive: true })
        mkdirSync(path.join(gathered, 'journal'))
        for (const name of filesOf(journal)) cpSync(path.join(journal, name), path.join(gathered, 'journal', name))
      } catch (error) {
        if (attempt < 3) continue
        throw error
      }
      if (filesOf(journal)[0] === before[0] || attempt >= 3) break
    }
    if (existsSync(photos)) cpSync(photos, path.join(gathered, 'photos'), { recursive: true, filter: (from) => !from.endsWith('.part') })
    const files = await Promise.all(
      filesBelow(gathered).map(async (name) => ({ path: name, sha256: await digestOf(path.join(gathered, name)) })),
    )
    writeFileSync(
      path.join(gathered, MANIFEST),
      JSON.stringify({ format: 'nest-trace/backup', version: 1, madeAt: now.toISOString(), files }, null, 1),
    )
    await create({ gzip: true, cwd: gathered, file: `${file}.part` }, readdirSync(gathered))
    renameSync(`${file}.part`, file)
    return { files: files.length }
  } finally {
    rmSync(gathered, { recursive: true, force: true })
  }
}

/**
 * Puts a backup in the place of the store. It is unpacked beside it and every digest is checked before anything of the old store is
 * touched; that is then set aside, not deleted.
 */
export async function restoreBackup(
  folder: string,
  file: string,
  now: Date,
): Promise<{ readonly aside: string | null; readonly madeAt: string }> {
  mkdirSync(folder, { recursive: true })
  const unpacked = mkdtempSync(path.join(folder, 'restore-'))
  try {
    try {
      await extract({ file, cwd: unpacked, strict: true })
    } catch (error) {
      throw new BackupDamaged(
        `${file} is not a complete backup (${error instanceof Error ? error.message : String(error)}). Nothing was touched.`,
      )
    }
    const { madeAt } = await checkDigests(unpacked, file)
    const { store, copy, journal, photos, made } = placesIn(folder)
    const aside = path.join(folder, `before-restore-${now.toISOString().replace(/[:.]/g, '-')}`)
    const old = [store, copy, `${copy}.old`, journal, photos, made].filter((where) => existsSync(where))
    if (old.length > 0) {
      mkdirSync(aside)
      for (const where of old) renameSync(where, path.join(aside, path.basename(where)))
    }
    for (const name of ['store-copy', 'journal', 'photos']) {
      const from = path.join(unpacked, name)
      if (existsSync(from)) renameSync(from, path.join(folder, name))
    }
    syncTree(journal)
    recoverStore(folder, now)
    return { aside: old.length > 0 ? aside : null, madeAt }
  } finally {
    rmSync(unpacked, { recursive: true, force: true })
  }
}

async function checkDigests(unpacked: string, file: string): Promise<z.infer<typeof manifestSchema>> {
  const where = path.join(unpacked, MANIFEST)
  const parsed = existsSync(where) ? manifestSchema.safeParse(JSON.parse(readFileSync(where, 'utf8'))) : null
  if (!parsed?.success) throw new BackupDamaged(`${file} is not a Nest Trace backup. Nothing was touched.`)
  const there = filesBelow(unpacked).filter((name) => name !== MANIFEST)
  const known = new Map(parsed.data.files.map(({ path: name, sha256 }) => [name, sha256]))
  const odd = there.find((name) => !known.has(name)) ?? [...known.keys()].find((name) => !there.includes(name))
  if (odd !== undefined) throw new BackupDamaged(`${file} is damaged: ${odd} is missing or does not belong there. Nothing was touched.`)
  for (const name of there)
    if ((await digestOf(path.join(unpacked, name))) !== known.get(name))
      throw new BackupDamaged(`${file} is damaged: ${name} has changed since it was written. Nothing was touched.`)
  return parsed.data
}

async function digestOf(file: string): Promise<string> {
  const hash = createHash('sha256')
  for await (const piece of createReadStream(file)) hash.update(piece as Buffer)
  return hash.digest('hex')
}

const filesBelow = (folder: string, under = ''): string[] =>
  readdirSync(path.join(folder, under), { withFileTypes: true }).flatMap((entry) => {
    const name = path.posix.join(under, entry.name)
    return entry.isDirectory() ? filesBelow(folder, name) : [name]
  })
