/**
 * An archive of 1,000 jobs with 2,000 photos, written from one store and taken into another: how long it takes, and how much the process
 * grows meanwhile. Writes docs/measurements/archive.md.
 */
import { createWriteStream, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'
import { stampEntry } from '@/src/core/job/entry'
import { createDemoJob } from '@/src/core/practice/demo'
import { createRandom } from '@/src/core/units/random'
import { restoreArchive } from '@/src/server/archive/restore-archive'
import { writeArchive } from '@/src/server/archive/write-archive'
import { digestOf } from '@/src/server/photos'
import { openStoreAt } from '@/src/server/store'

const JOBS = 1000
const PHOTOS_PER_JOB = 2
const PHOTO_BYTES = 300_000

const folder = mkdtempSync(path.join(tmpdir(), 'nest-trace-measure-'))
const random = createRandom(1)
let count = 0
const stamp = { newId: () => `p${++count}`, now: () => '2026-05-04T09:10:00Z' }

/** As large as a shrunk picture, and as hard to pack. */
function photo(): Uint8Array {
  const body = Uint8Array.from({ length: PHOTO_BYTES }, () => Math.floor(255 * random.uniform()))
  return Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 2, 0xff, 0xda, 0, 2]), body, Buffer.from([0xff, 0xd9])])
}

/** The most that the process holds while something goes on, above what it held before, MB. */
async function growth(work: () => Promise<void>): Promise<{ mb: number; seconds: number }> {
  globalThis.gc?.()
  const before = process.memoryUsage().rss
  let most = before
  const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 20)
  const start = performance.now()
  await work()
  clearInterval(watch)
  return { mb: (most - before) / 1e6, seconds: (performance.now() - start) / 1000 }
}

async function main(): Promise<void> {
  const [from, to] = [await openStoreAt(path.join(folder, 'from')), await openStoreAt(path.join(folder, 'to'))]
  const ids: string[] = []
  for (let at = 0; at < JOBS; at++) {
    const job = createDemoJob(`job-${at}`, new Date('2026-05-04T09:10:00Z'))
    const taken = []
    for (let one = 0; one < PHOTOS_PER_JOB; one++) {
      const bytes = photo()
      await from.photos.keep(digestOf(bytes), bytes)
      taken.push(stampEntry({ kind: 'photo', digest: digestOf(bytes), of: 'the strip', place: 'indoor', onPage: false }, stamp))
    }
    await from.jobs.insert({ ...job, entries: [...job.entries, ...taken] })
    ids.push(job.job.id)
  }
  await from.jobs.settled()
  const file = path.join(folder, 'all.zip')
  const written = await growth(() => pipeline(writeArchive(from, ids, new Date('2026-05-04T10:00:00Z')), createWriteStream(file)))
  const taken = await growth(async () => {
    const outcome = await restoreArchive(to, file)
    if (!outcome.ok) throw new Error(outcome.problem)
  })
  const say = ({ mb, seconds }: { mb: number; seconds: number }) => `${seconds.toFixed(0)} s, ${mb.toFixed(0)} MB more`
  const lines = [
    '# An archive of everything',
    '',
    `${JOBS} jobs with ${JOBS * PHOTOS_PER_JOB} photos of ${PHOTO_BYTES / 1000} kB, a zip of ${(statSync(file).size / 1e6).toFixed(0)} MB. How much more the process`,
    'holds at the most (resident set) than before, which has what making the jobs took. Made by `npm run measure:archive`.',
    '',
    '|              | takes                       |',
    '| ------------ | --------------------------- |',
    `| written      | ${say(written).padEnd(27)} |`,
    `| taken in     | ${say(taken).padEnd(27)} |`,
    '',
  ]
  writeFileSync('docs/measurements/archive.md', lines.join('\n'))
  console.log(lines.join('\n'))
  await from.close()
  await to.close()
}

main().finally(() => rmSync(folder, { recursive: true, force: true }))
