import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { NewJob } from '@/src/core/formats/api'
import type { Entry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import type { ZoneShares } from '@/src/core/job/job-summary'

/** An entry that the server has not acknowledged yet, or has refused. */
export interface WaitingEntry {
  readonly jobId: string
  readonly entry: Entry
  /** Entered in this order on this device. */
  readonly order: number
  /** Why the server will not have it: it is kept here and in the job file, and not sent again. */
  readonly refused?: string
}

/** A job that this device has seen: the server's entries as far as they are known here. */
export interface KeptJob {
  readonly id: string
  readonly file: JobFile
  readonly seenAt: number
  /** How suspect its zones are, as this device worked it out last. */
  readonly shares?: ZoneShares['shares']
  /** It was begun on this device, and the server does not know it yet: what it will be opened with. */
  readonly opening?: NewJob
  /** Why the server would not open it. */
  readonly refused?: string
}

/** A photo that was taken or seen on this device. */
export interface DevicePhoto {
  readonly digest: string
  readonly bytes: ArrayBuffer
  readonly keptAt: number
  /** It waits to be sent; left out once the store has it. */
  readonly waits?: 1
  /** Why the store will not have it: it stays here. */
  readonly refused?: string
}

interface DeviceSchema extends DBSchema {
  waiting: { key: [string, string]; value: WaitingEntry }
  jobs: { key: string; value: KeptJob }
  photos: { key: string; value: DevicePhoto; indexes: { waits: number; keptAt: number } }
}

let opened: Promise<IDBPDatabase<DeviceSchema>> | null = null

/** The device's own database: what was entered here until the server has it, and the jobs that were seen here. */
export function deviceStore(): Promise<IDBPDatabase<DeviceSchema>> {
  opened ??= openDB<DeviceSchema>('nest-trace', 3, {
    upgrade: (database, from) => {
      if (from < 1) database.createObjectStore('waiting', { keyPath: ['jobId', 'entry.id'] })
      if (from < 2) database.createObjectStore('jobs', { keyPath: 'id' })
      if (from < 3) {
        const photos = database.createObjectStore('photos', { keyPath: 'digest' })
        // Asked for often: what waits, and what is oldest, without the pictures of all the others.
        photos.createIndex('waits', 'waits')
        photos.createIndex('keptAt', 'keptAt')
      }
    },
    // Another tab brings the database up to date: this one lets go of it and opens it again when it is next asked.
    blocking: (_, __, event) => {
      ;(event.target as IDBDatabase).close()
      opened = null
    },
    terminated: () => {
      opened = null
    },
  }).catch((error) => {
    opened = null
    throw error
  })
  return opened
}
