import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import fc from 'fast-check'
import { formOpinion } from '@/src/core/advice/advise'
import { createEngine } from '@/src/core/diagnosis/engine'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { entrySchema } from '@/src/core/job/entry-schema'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

/**
 * Two devices on one job over a line that breaks wherever it can: before a request arrives, after it was taken and before the answer
 * is back, with pages that are closed and opened again. The real outbox, sender and sync of each, a server that keeps entries by id.
 */

// Pages of one device tell each other; two devices do not.
delete (globalThis as { BroadcastChannel?: unknown }).BroadcastChannel

const engine = createEngine(furnaceAc)
const drafts: EntryDraft[] = [
  { kind: 'bench', change: { do: 'power', on: false } },
  { kind: 'bench', change: { do: 'power', on: true } },
  { kind: 'bench', change: { do: 'lift', end: 'outdoor-cable.Y@indoor' } },
  { kind: 'bench', change: { do: 'land', end: 'outdoor-cable.Y@indoor' } },
  { kind: 'bench', change: { do: 'call', call: 'cool' } },
  { kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 26.4 },
  { kind: 'reading', probe: { meter: 'ohms', a: 'Y@outdoor', b: 'C@outdoor' }, answer: 14 },
  { kind: 'trip', result: 'holds' },
  { kind: 'note', text: 'wasps' },
]

type Step =
  | { readonly do: 'enter'; readonly device: 0 | 1; readonly draft: EntryDraft }
  | { readonly do: 'undo'; readonly device: 0 | 1 }
  | { readonly do: 'send' | 'sync' | 'reopen'; readonly device: 0 | 1 }
  | { readonly do: 'line'; readonly device: 0 | 1; readonly state: 'up' | 'down' | 'answers are lost' }

const device = fc.constantFrom<0 | 1>(0, 1)
const stepArb: fc.Arbitrary<Step> = fc.oneof(
  { weight: 5, arbitrary: fc.tuple(device, fc.constantFrom(...drafts)).map(([of, draft]): Step => ({ do: 'enter', device: of, draft })) },
  { weight: 1, arbitrary: device.map((of): Step => ({ do: 'undo', device: of })) },
  {
    weight: 4,
    arbitrary: fc.tuple(device, fc.constantFrom('send', 'sync', 'reopen')).map(([of, what]) => ({ do: what, device: of }) as Step),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(device, fc.constantFrom('up', 'down', 'answers are lost'))
      .map(([of, state]) => ({ do: 'line', device: of, state }) as Step),
  },
)

let number = 0

/** A device with modules and a database of its own; a reopened page keeps the database. */
class Device {
  line: 'up' | 'down' | 'answers are lost' = 'up'
  readonly made: string[] = []
  private readonly database = new IDBFactory()
  private modules!: {
    JobSync: typeof import('@/src/ui/device/job-sync').JobSync
    sendWaiting: () => Promise<void>
    keepJob: (file: JobFile) => Promise<void>
    readKeptJob: (id: string) => Promise<{ file: JobFile } | undefined>
  }
  sync!: InstanceType<typeof import('@/src/ui/device/job-sync').JobSync>
  private end = () => {}

  constructor(
    private readonly server: Entry[],
    private readonly file: JobFile,
  ) {}

  private answer = async <T>(work: () => T): Promise<T> => {
    if (this.line === 'down') throw new Error('no signal')
    const answer = work()
    if (this.line === 'answers are lost') throw new Error('the answer is lost')
    return answer
  }

  /** Opens the page: from what this device kept, as without a signal. */
  async open(): Promise<void> {
    this.end()
    globalThis.indexedDB = this.database
    jest.isolateModules(() => {
      jest.doMock('@/src/ui/device/api-client', () => ({
        Refused: class extends Error {},
        NoAnswer: class extends Error {},
        api: {
          sendEntries: (_: string, sent: readonly Entry[]) =>
            this.answer(() => {
              const fresh = sent
                .map((entry) => entrySchema.parse(JSON.parse(JSON.stringify(entry))))
                .filter(({ id }) => !this.server.some((entry) => entry.id === id))
              this.server.push(...fresh)
              return { added: fresh.length }
            }),
          readEntries: (_: string, from: number) => this.answer(() => JSON.parse(JSON.stringify(this.server.slice(from)))),
        },
      }))
      this.modules = {
        JobSync: require('@/src/ui/device/job-sync').JobSync,
        sendWaiting: require('@/src/ui/device/sender').sendWaiting,
        keepJob: require('@/src/ui/device/kept-jobs').keepJob,
        readKeptJob: require('@/src/ui/device/kept-jobs').readKeptJob,
      }
    })
    const kept = await this.modules.readKeptJob(this.file.job.id)
    this.sync = new this.modules.JobSync(kept?.file ?? this.file)
    this.end = this.sync.begin()
    await settled()
  }

  async enter(draft: EntryDraft): Promise<void> {
    const before = this.sync.snapshot().entries
    const entry = stampEntry(draft, { newId: () => `e${number++}`, now: () => '2026-05-04T09:10:00Z' }, before)
    this.made.push(entry.id)
    await this.sync.add([entry])
  }

  async step(step: Step): Promise<void> {
    if (step.do === 'enter') await this.enter(step.draft)
    else if (step.do === 'undo') {
      const last = foldJob(furnaceAc, this.sync.snapshot().entries).standing.at(-1)
      if (last) await this.enter({ kind: 'undo', target: last.id })
    } else if (step.do === 'send') await this.modules.sendWaiting()
    else if (step.do === 'sync') await this.sync.sync()
    else if (step.do === 'line') this.line = step.state
    else await this.open()
    await settled()
  }

  close(): void {
    this.end()
  }
}

/** What has been set going comes to its end: the databases work in turns of the event loop. */
const settled = async () => {
  for (let turn = 0; turn < 12; turn++) await new Promise((resolve) => setImmediate(resolve))
}

describe('two devices with a broken line', () => {
  it('lose nothing, double nothing, and come to the same timeline and the same suspects @long', async () => {
    let entered = 0
    await fc.assert(
      fc.asyncProperty(fc.array(stepArb, { minLength: 8, maxLength: 40 }), async (steps) => {
        const file: JobFile = {
          format: 'nest-trace/job',
          version: 1,
          job: { id: `job-${number++}`, title: 'Mill Row 22', createdAt: '2026-05-04T09:00:00Z' },
          system: furnaceAc,
          entries: [],
        }
        const server: Entry[] = []
        const devices = [new Device(server, file), new Device(server, file)]
        for (const one of devices) await one.open()
        for (const step of steps) await devices[step.device].step(step)
        // The signal comes back everywhere.
        for (const one of devices) one.line = 'up'
        for (const one of [...devices, ...devices]) {
          await one.step({ do: 'send', device: 0 })
          await one.step({ do: 'sync', device: 0 })
        }
        for (const one of devices) one.close()
        const ids = server.map(({ id }) => id)
        expect(new Set(ids).size).toBe(ids.length)
        expect(new Set(ids)).toEqual(new Set(devices.flatMap(({ made }) => made)))
        entered += ids.length
        const states = devices.map(({ sync }) => {
          expect(sync.snapshot()).toMatchObject({ unsent: 0, refused: [], problem: null })
          expect(sync.snapshot().entries.map(({ id }) => id)).toEqual(ids)
          return foldJob({ ...furnaceAc }, sync.snapshot().entries)
        })
        expect(states[0]).toEqual(states[1])
        const [one, other] = states.map((state) =>
          formOpinion(engine, state)
            .suspects.slice(0, 5)
            .map(({ id, probability }) => [id, probability]),
        )
        expect(one).toEqual(other)
      }),
      { seed: 14, numRuns: 40 },
    )
    expect(entered).toBeGreaterThan(200)
  }, 120_000)
})
