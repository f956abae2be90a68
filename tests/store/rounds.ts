import { cpSync, existsSync, openSync, readdirSync, rmSync, writeSync } from 'node:fs'
import path from 'node:path'
import { createRandom } from '@/src/core/units/random'
import { encodeRecord } from '@/src/server/journal/record'
import { newDataFolder, note, StoreProcess } from '@/tests/store/store-process'

/** What came of many rounds of harm: each of the last four must be nought. */
export interface Outcome {
  readonly rounds: number
  readonly acknowledged: number
  readonly lost: number
  readonly doubled: number
  readonly unopened: number
  readonly problems: readonly string[]
}

const JOBS = ['a', 'b', 'c']
const WRITERS = 6

/** Acknowledged ids, by job. */
class Ledger {
  private readonly acknowledged = new Map<string, Set<string>>(JOBS.map((job) => [job, new Set()]))
  private next = 0
  problems: string[] = []
  lost = 0
  doubled = 0
  unopened = 0

  get size(): number {
    return [...this.acknowledged.values()].reduce((sum, { size }) => sum + size, 0)
  }

  /** Writes without end, each writer on, until the process is gone. */
  async writeUntilGone(store: StoreProcess): Promise<void> {
    const writer = async (number: number) => {
      for (;;) {
        const job = JOBS[(number + this.next) % JOBS.length]
        const ids = Array.from({ length: 1 + (this.next % 3) }, () => `e${this.next++}`)
        await store.append(job, ...ids.map(note))
        for (const id of ids) this.acknowledged.get(job)?.add(id)
      }
    }
    await Promise.allSettled(Array.from({ length: WRITERS }, (_, number) => writer(number)))
  }

  async check(store: StoreProcess, round: string): Promise<void> {
    for (const [job, acknowledged] of this.acknowledged) {
      const there = await store.ids(job)
      const unique = new Set(there)
      const lost = [...acknowledged].filter((id) => !unique.has(id))
      this.lost += lost.length
      this.doubled += there.length - unique.size
      if (lost.length > 0) this.problems.push(`${round}: lost ${lost.slice(0, 5).join()} of job ${job}`)
    }
  }
}

const soon = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** Opens the store of a round and looks whether everything is there; null where it does not open. */
async function openRound(folder: string, ledger: Ledger, round: number): Promise<StoreProcess | null> {
  const store = new StoreProcess(folder)
  try {
    await store.ready
  } catch (error) {
    ledger.unopened++
    ledger.problems.push(`round ${round}: ${(error as Error).message}`)
    return null
  }
  await ledger.check(store, `round ${round}`)
  return store
}

async function begin(folder: string): Promise<void> {
  const store = new StoreProcess(folder)
  await store.ready
  for (const job of JOBS) await store.open(job)
  await store.close()
}

/** Kill -9 at random moments under parallel writes. */
export async function killRounds(rounds: number, seed: number, tell: (line: string) => void = () => {}): Promise<Outcome> {
  const folder = newDataFolder()
  const random = createRandom(seed)
  const ledger = new Ledger()
  await begin(folder)
  for (let round = 1; round <= rounds; round++) {
    if (random.uniform() < 0.1) {
      // Some are killed while they open.
      const store = new StoreProcess(folder)
      await soon(1500 * random.uniform())
      store.signal('SIGKILL')
      await store.ended
    } else {
      const store = await openRound(folder, ledger, round)
      if (!store) break
      await killWhileWriting(store, ledger, 400 * random.uniform())
    }
    if (round % 50 === 0) tell(`${round} rounds, ${ledger.size} acknowledged, ${ledger.lost} lost, ${ledger.doubled} doubled`)
  }
  return outcome(rounds, ledger, folder)
}

async function killWhileWriting(store: StoreProcess, ledger: Ledger, afterMs: number): Promise<void> {
  const writing = ledger.writeUntilGone(store)
  await soon(afterMs)
  store.signal('SIGKILL')
  await writing
  await store.ended
}

/** The power goes: the store's files are back to how they were some rounds ago, the journal is whole but for a torn last record. */
export async function powerCutRounds(rounds: number, seed: number, tell: (line: string) => void = () => {}): Promise<Outcome> {
  const folder = newDataFolder()
  const random = createRandom(seed)
  const ledger = new Ledger()
  const olderCopies: string[] = []
  await begin(folder)
  const keepCopy = (round: number) => {
    const copy = path.join(folder, `older-${round}`)
    cpSync(path.join(folder, 'store'), copy, { recursive: true })
    olderCopies.push(copy)
    if (olderCopies.length > 4) rmSync(olderCopies.shift() ?? '', { recursive: true })
  }
  keepCopy(0)
  for (let round = 1; round <= rounds; round++) {
    const journalBefore = readdirSync(path.join(folder, 'journal')).sort()[0]
    const store = await openRound(folder, ledger, round)
    if (!store) break
    // Where the journal was cut, a copy of the store had been forced to the disk: nothing older comes back after that.
    if (readdirSync(path.join(folder, 'journal')).sort()[0] !== journalBefore)
      for (const old of olderCopies.splice(0)) rmSync(old, { recursive: true })
    await killWhileWriting(store, ledger, 300 * random.uniform())
    const older = olderCopies[Math.floor(random.uniform() * olderCopies.length)]
    keepCopy(round)
    if (older && existsSync(older)) {
      rmSync(path.join(folder, 'store'), { recursive: true })
      cpSync(older, path.join(folder, 'store'), { recursive: true })
    }
    tearJournal(folder, random.uniform())
    if (round % 20 === 0) tell(`${round} rounds, ${ledger.size} acknowledged, ${ledger.lost} lost, ${ledger.doubled} doubled`)
  }
  return outcome(rounds, ledger, folder)
}

/** The beginning of a record that the disk did not get whole. */
function tearJournal(folder: string, share: number): void {
  const journal = path.join(folder, 'journal')
  const last = readdirSync(journal).sort().at(-1)
  if (last === undefined) return
  const record = encodeRecord({ seq: 1e9, write: { do: 'entries', jobId: 'a', entries: [note('torn')] } })
  writeSync(openSync(path.join(journal, last), 'a'), record.subarray(0, Math.max(1, Math.floor(share * (record.length - 1)))))
}

/** A server is frozen with writes under way, a second one is started on the same folder, the first wakes. */
export async function frozenRounds(rounds: number, seed: number, tell: (line: string) => void = () => {}): Promise<Outcome> {
  const folder = newDataFolder()
  const random = createRandom(seed)
  const ledger = new Ledger()
  await begin(folder)
  for (let round = 1; round <= rounds; round++) {
    const first = await openRound(folder, ledger, round)
    if (!first) break
    const writing = ledger.writeUntilGone(first)
    await soon(200 * random.uniform())
    first.signal('SIGSTOP')
    const second = new StoreProcess(folder)
    const refused = await second.ready.then(
      () => 'opened',
      (error: Error) => error.message,
    )
    if (!refused.includes('Nothing was touched')) ledger.problems.push(`round ${round}: the second server ${refused}`)
    second.signal('SIGKILL')
    await second.ended
    first.signal('SIGCONT')
    await soon(100 * random.uniform())
    first.signal('SIGKILL')
    await writing
    await first.ended
    if (round % 10 === 0) tell(`${round} rounds, ${ledger.size} acknowledged, ${ledger.lost} lost`)
  }
  return outcome(rounds, ledger, folder)
}

/** The last state is opened and looked at once more. */
async function outcome(rounds: number, ledger: Ledger, folder: string): Promise<Outcome> {
  if (ledger.unopened === 0) await (await openRound(folder, ledger, rounds + 1))?.close()
  rmSync(folder, { recursive: true, force: true })
  const { size: acknowledged, lost, doubled, unopened, problems } = ledger
  return { rounds, acknowledged, lost, doubled, unopened, problems }
}
