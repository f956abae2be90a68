import {
  closeSync,
  fsyncSync,
  ftruncateSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
} from 'node:fs'
import { type FileHandle, open } from 'node:fs/promises'
import path from 'node:path'
import { encodeRecord, scanRecords } from '@/src/server/journal/record'

/** The journal cannot be read through: records are whole behind a damaged one. */
export class JournalDamaged extends Error {}

/** Something that was written, with its place in the order of all that was. */
export interface Numbered<T> {
  readonly seq: number
  readonly write: T
}

interface Waiting {
  readonly record: Buffer
  readonly resolve: () => void
  readonly reject: (error: unknown) => void
}

/** A file of the journal is followed by a next one at this size. */
const FILE_BYTES = 32_000_000

/**
 * What was acknowledged, forced to the disk before it was: an append is done when its record and everything before it is synced.
 * Appends that come while the disk is busy go together with one sync. Files are numbered by their first record.
 */
export class Journal<T> {
  private waiting: Waiting[] = []
  private isWriting = false
  private lastGroup: Promise<void> = Promise.resolve()
  private broken: Error | null = null

  private constructor(
    private readonly folder: string,
    private file: FileHandle,
    private bytes: number,
    private next: number,
  ) {}

  /**
   * Opens the journal of a folder for appending. The beginning of a record that breaks off at the very end was never acknowledged
   * and is cut away.
   */
  static async open<T>(folder: string): Promise<{ journal: Journal<T>; records: Iterable<Numbered<T>> }> {
    mkdirSync(folder, { recursive: true })
    const names = filesOf(folder)
    const last = names.at(-1)
    let next = 1
    names.forEach((name, index) => {
      const where = path.join(folder, name)
      const { values, whole, end } = scanRecords(readFileSync(where))
      if (end === 'damaged' || (end === 'torn' && index < names.length - 1))
        throw new JournalDamaged(
          `The journal is damaged in the middle (${name}, after byte ${whole}): what follows is whole. Nothing was touched. Keep a copy of the data folder, then put a backup back: ./nest-trace restore FILE`,
        )
      if (end === 'torn') truncateSync(where, whole)
      next = Math.max(next, firstOf(name), ...values.slice(-1).map((value) => (value as Numbered<T>).seq + 1))
    })
    const name = last ?? nameOf(next)
    const where = path.join(folder, name)
    const file = await open(where, 'a')
    await file.sync()
    syncFolder(folder)
    const journal = new Journal<T>(folder, file, statSync(where).size, next)
    return { journal, records: readRecords<T>(folder) }
  }

  /** The number that the next record will bear. */
  get nextSeq(): number {
    return this.next
  }

  /** Bytes of all its files. */
  get size(): number {
    return filesOf(this.folder).reduce((sum, name) => sum + statSync(path.join(this.folder, name)).size, 0)
  }

  /** Appends one write; done when it is on the disk. */
  append(write: T): { readonly seq: number; readonly synced: Promise<void> } {
    if (this.broken) throw this.broken
    const seq = this.next++
    const record = encodeRecord({ seq, write })
    const synced = new Promise<void>((resolve, reject) => this.waiting.push({ record, resolve, reject }))
    if (!this.isWriting) this.lastGroup = this.writeWaiting()
    return { seq, synced }
  }

  private async writeWaiting(): Promise<void> {
    this.isWriting = true
    while (this.waiting.length > 0) {
      const group = this.waiting
      this.waiting = []
      try {
        await this.file.writev(group.map(({ record }) => record))
        await this.file.datasync()
        this.bytes += group.reduce((sum, { record }) => sum + record.length, 0)
        for (const { resolve } of group) resolve()
        if (this.bytes > FILE_BYTES) await this.nextFile()
      } catch (error) {
        this.cutBack(error)
        for (const { reject } of group) reject(error)
      }
    }
    this.isWriting = false
  }

  /** A record that was written in part must not stand before the next one. */
  private cutBack(cause: unknown): void {
    try {
      ftruncateSync(this.file.fd, this.bytes)
    } catch {
      this.broken = new Error(
        'The journal could not be written, nor put back as it was. Nothing more is taken until Nest Trace is started again.',
        {
          cause,
        },
      )
    }
  }

  private async nextFile(): Promise<void> {
    const file = await open(path.join(this.folder, nameOf(this.next)), 'a')
    await file.sync()
    syncFolder(this.folder)
    await this.file.close()
    this.file = file
    this.bytes = 0
  }

  /** What was appended before is on the disk then. */
  async close(): Promise<void> {
    await this.lastGroup
    await this.file.close()
  }
}

/** Drops every record below a number, once a copy of the store holds them: whole files only. */
export function dropRecordsBelow(folder: string, seq: number): void {
  const names = filesOf(folder)
  names.forEach((name, index) => {
    const following = names[index + 1]
    if (following !== undefined && firstOf(following) <= seq) rmSync(path.join(folder, name))
  })
  syncFolder(folder)
}

/** Ends the present file, so that what comes next begins one of its own. */
export function beginFile(folder: string, seq: number): void {
  closeSync(openSync(path.join(folder, nameOf(seq)), 'a'))
  syncFolder(folder)
}

/** Records in order, a file at a time; a torn end is passed over. */
export function* readRecords<T>(folder: string): Iterable<Numbered<T>> {
  for (const name of filesOf(folder))
    for (const value of scanRecords(readFileSync(path.join(folder, name))).values) yield value as Numbered<T>
}

const nameOf = (first: number): string => `${String(first).padStart(12, '0')}.log`
const firstOf = (name: string): number => Number(name.slice(0, 12))

export const filesOf = (folder: string): string[] =>
  readdirSync(folder)
    .filter((name) => /^\d{12}\.log$/.test(name))
    .sort()

/** Makes sure of names that were added to or taken from a folder. */
export function syncFolder(folder: string): void {
  const handle = openSync(folder, 'r')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}
