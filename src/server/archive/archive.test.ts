import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'
import { openPromise } from 'yauzl'
import { ZipFile } from 'yazl'
import { ARCHIVE_MANIFEST, jobPath, photoPath } from '@/src/core/formats/archive-form'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { type JobFile, jobFileOf, writeJobFile } from '@/src/core/job/job-file'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'
import { restoreArchive } from '@/src/server/archive/restore-archive'
import { writeArchive } from '@/src/server/archive/write-archive'
import { digestOf } from '@/src/server/photos'
import { openStoreAt, type Store } from '@/src/server/store'
import { smallPhoto } from '@/tests/store/small-photo'

const folder = mkdtempSync(path.join(tmpdir(), 'archive-'))
afterAll(() => rmSync(folder, { recursive: true }))

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const strip = smallPhoto('the strip')

const jobOf = (id: string, system = furnaceAc): JobFile =>
  jobFileOf({
    job: { id, title: `Mill Row ${id}`, createdAt: '2026-05-04T09:00:00.000Z' },
    system,
    entries: [
      stampEntry({ kind: 'note', text: `note of ${id}` }, stamp),
      stampEntry({ kind: 'photo', digest: digestOf(strip), of: 'the strip', place: system.places[0].id, onPage: true }, stamp),
    ],
  })

let from: Store
let to: Store
beforeAll(async () => {
  from = await openStoreAt(null)
  to = await openStoreAt(null)
}, 180_000)
afterAll(async () => {
  await from.close()
  await to.close()
})

async function archived(store: Store, ids: readonly string[]): Promise<string> {
  const file = path.join(folder, `${++count}.zip`)
  await pipeline(writeArchive(store, ids, new Date('2026-05-04T10:00:00Z')), createWriteStream(file))
  return file
}

/** A zip with these files and a manifest that fits them, or the one that is given. */
async function zipOf(files: readonly (readonly [string, Uint8Array])[], manifest?: object): Promise<string> {
  const zip = new ZipFile()
  for (const [name, bytes] of files) zip.addBuffer(Buffer.from(bytes), name)
  const fitting = {
    format: 'nest-trace/archive',
    version: 1,
    madeAt: '2026-05-04T10:00:00Z',
    files: files.map(([name, bytes]) => ({ path: name, sha256: digestOf(bytes) })),
    missing: [],
  }
  zip.addBuffer(Buffer.from(JSON.stringify(manifest ?? fitting)), ARCHIVE_MANIFEST)
  zip.end()
  const file = path.join(folder, `${++count}.zip`)
  await pipeline(zip.outputStream, createWriteStream(file))
  return file
}

/** The files in a zip, by their paths. */
async function filesOf(file: string): Promise<ReadonlyMap<string, Buffer>> {
  const zip = await openPromise(file, { lazyEntries: true })
  const files = new Map<string, Buffer>()
  for await (const entry of zip.eachEntry()) {
    const pieces: Buffer[] = []
    for await (const piece of await zip.openReadStreamPromise(entry)) pieces.push(piece)
    files.set(entry.fileName, Buffer.concat(pieces))
  }
  return files
}

const digestsOf = async (file: string) => new Map([...(await filesOf(file))].map(([name, bytes]) => [name, digestOf(bytes)]))
const manifestIn = async (file: string) => JSON.parse(String((await filesOf(file)).get(ARCHIVE_MANIFEST)))

const bytesOfJob = (job: JobFile): Uint8Array => Buffer.from(writeJobFile(job))

describe('an archive', () => {
  it('of everything makes an empty store the same, job by job and photo by photo', async () => {
    const heatPump = systemById('heat-pump-o') ?? furnaceAc
    for (const job of [jobOf('a'), jobOf('b', heatPump), jobOf('c')]) await from.jobs.insert(job)
    await from.photos.keep(digestOf(strip), strip)
    const outcome = await restoreArchive(to, await archived(from, ['a', 'b', 'c']))
    expect(outcome).toEqual({ ok: true, restored: { jobs: 3, entries: 6, photos: 1 } })
    for (const id of ['a', 'b', 'c']) {
      expect(await to.jobs.read(id)).toEqual(await from.jobs.read(id))
    }
    expect(digestOf((await to.photos.read(digestOf(strip))) ?? new Uint8Array())).toBe(digestOf(strip))
    // Archived again, every file has the digest that it had.
    const [first, second] = await Promise.all([from, to].map(async (store) => digestsOf(await archived(store, ['a', 'b', 'c']))))
    expect(second).toEqual(first)
    // On the list, too, and counted.
    expect(await to.jobs.list({ words: 'mill row', show: 'all', after: null, limit: 10 })).toMatchObject({ fitting: 3, total: 4 })
  })

  it('that comes twice changes nothing, and brings a job that is there what it lacks', async () => {
    const job = jobOf('d')
    await from.jobs.insert(job)
    await to.jobs.insert({ ...job, entries: job.entries.slice(0, 1) })
    const file = await archived(from, ['d'])
    expect(await restoreArchive(to, file)).toMatchObject({ ok: true, restored: { jobs: 0, entries: 1 } })
    expect(await restoreArchive(to, file)).toMatchObject({ ok: true, restored: { jobs: 0, entries: 0 } })
    expect((await to.jobs.read('d'))?.entries).toHaveLength(2)
  })

  it('is kept out as a whole where one of its jobs went on differently', async () => {
    const job = jobOf('f')
    await from.jobs.insert(jobOf('e'))
    await from.jobs.insert(job)
    await to.jobs.insert({ ...job, entries: [{ ...job.entries[0], kind: 'note', text: 'something else' }] })
    const outcome = await restoreArchive(to, await archived(from, ['e', 'f']))
    expect(outcome).toMatchObject({ ok: false, problem: expect.stringMatching(/went on differently.*Nothing was restored/) })
    expect(await to.jobs.read('e')).toBeNull()
  })

  it('says which photos it could not bring', async () => {
    const lost = digestOf(smallPhoto('never sent'))
    const job = jobOf('g')
    await from.jobs.insert({ ...job, entries: [{ ...job.entries[1], kind: 'photo', digest: lost } as Entry] })
    const file = await archived(from, ['g'])
    expect(await manifestIn(file)).toMatchObject({ missing: [lost] })
    expect(await restoreArchive(to, file)).toMatchObject({ ok: true, restored: { jobs: 1, photos: 0 } })
  })
})

describe('what is no archive, or a damaged one', () => {
  let store: Store
  beforeAll(async () => {
    store = await openStoreAt(null)
  }, 60_000)
  afterAll(() => store.close())

  it.each([
    [
      'that is no zip',
      async () => {
        const file = path.join(folder, 'no.zip')
        writeFileSync(file, 'PK, so to speak')
        return file
      },
      /no zip file/,
    ],
    ['without a manifest', async () => zipOf([], { format: 'something else' }), /no archive of Nest Trace/],
    ['with a file that does not belong there', async () => zipOf([['readme.txt', Buffer.from('hello')]]), /does not belong/],
    [
      'whose job changed since',
      async () => {
        const job = bytesOfJob(jobOf('a'))
        return zipOf([[jobPath('a'), job]], {
          format: 'nest-trace/archive',
          version: 1,
          madeAt: '2026-05-04T10:00:00Z',
          missing: [],
          files: [{ path: jobPath('a'), sha256: digestOf(Buffer.from('other')) }],
        })
      },
      /changed since it was written/,
    ],
    ['whose job is another one', async () => zipOf([[jobPath('z'), bytesOfJob(jobOf('a'))]]), /another job/],
    ['whose job is none', async () => zipOf([[jobPath('a'), Buffer.from('{}')]]), /not a job file/],
    ['whose photo is none', async () => zipOf([[photoPath(digestOf(Buffer.from('x'))), Buffer.from('x')]]), /no JPEG/],
    [
      'that lost a file',
      async () =>
        zipOf([], {
          format: 'nest-trace/archive',
          version: 1,
          madeAt: '2026-05-04T10:00:00Z',
          missing: [],
          files: [{ path: jobPath('a'), sha256: digestOf(Buffer.from('a')) }],
        }),
      /is missing/,
    ],
    ['that unpacks to a mountain', async () => zipOf([[jobPath('a'), Buffer.alloc(30_000_000)]]), /larger than any job/],
    [
      'whose paths lead out of it',
      async () => {
        const file = await zipOf([[jobPath('aaaa'), bytesOfJob(jobOf('aaaa'))]])
        writeFileSync(file, Buffer.from(readFileSync(file).toString('latin1').replaceAll('jobs/aaaa', '../../aaa'), 'latin1'))
        return file
      },
      /leads out of it/,
    ],
  ])('%s is refused in a sentence, and nothing comes in', async (_, make, says) => {
    const before = await store.jobs.ids()
    expect(await restoreArchive(store, await make())).toMatchObject({ ok: false, problem: expect.stringMatching(says) })
    expect(await store.jobs.ids()).toEqual(before)
  })
})
