import 'server-only'
import { createHash, randomUUID } from 'node:crypto'
import { existsSync, mkdirSync } from 'node:fs'
import { open, readFile, rename, rm } from 'node:fs/promises'
import path from 'node:path'
import { problemWithPhoto } from '@/src/core/formats/photo-file'
import { syncFolder } from '@/src/server/journal/journal'

export type KeptPhoto = { readonly ok: true; readonly isNew: boolean } | { readonly ok: false; readonly problem: string }

/** Photos by their digests: files that never change. `null` keeps them in memory, for tests. */
export class PhotoStore {
  private readonly inMemory = new Map<string, Uint8Array>()

  constructor(private readonly folder: string | null) {}

  /** Keeps a photo for good; done when it is on the disk. The same photo twice is one. */
  async keep(digest: string, bytes: Uint8Array): Promise<KeptPhoto> {
    const problem = problemWithPhoto(bytes)
    if (problem) return { ok: false, problem }
    if (digestOf(bytes) !== digest) return { ok: false, problem: 'This photo changed on its way here. Nothing was saved; send it again.' }
    if (this.has(digest)) return { ok: true, isNew: false }
    if (this.folder === null) this.inMemory.set(digest, bytes)
    else await writeWhole(this.folder, nameOf(digest), bytes)
    return { ok: true, isNew: true }
  }

  /** The bytes of a photo; null when it is not here. */
  async read(digest: string): Promise<Uint8Array | null> {
    if (this.folder === null) return this.inMemory.get(digest) ?? null
    return this.has(digest) ? readFile(path.join(this.folder, nameOf(digest))) : null
  }

  has(digest: string): boolean {
    return this.folder === null ? this.inMemory.has(digest) : existsSync(path.join(this.folder, nameOf(digest)))
  }
}

export const digestOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

const nameOf = (digest: string): string => `${digest}.jpg`

/** Under its name there is either the whole file or none. */
async function writeWhole(folder: string, name: string, bytes: Uint8Array): Promise<void> {
  mkdirSync(folder, { recursive: true })
  const part = path.join(folder, `${name}.${randomUUID()}.part`)
  try {
    const file = await open(part, 'w')
    try {
      await file.writeFile(bytes)
      await file.sync()
    } finally {
      await file.close()
    }
    await rename(part, path.join(folder, name))
    syncFolder(folder)
  } catch (error) {
    await rm(part, { force: true })
    throw error
  }
}
