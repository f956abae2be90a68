import { type Entry, haveSameIds } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { api } from '@/src/ui/device/api-client'
import { type DeviceEvent, listenToDevice, tellDevice } from '@/src/ui/device/device-events'
import { keepJob } from '@/src/ui/device/kept-jobs'
import { keepOnDevice, waitingFor } from '@/src/ui/device/outbox'
import { sendWaiting } from '@/src/ui/device/sender'

/** A job's timeline as this device has it. */
export interface DeviceTimeline {
  /** What the server has, then what it has acknowledged and not told yet, then what it refused, then what waits here. */
  readonly entries: readonly Entry[]
  /** Entries that are on this device only. */
  readonly unsent: number
  /** Entries that the server will not have, with its sentences. */
  readonly refused: readonly { readonly id: string; readonly why: string }[]
  /** Why the last sending failed; null when all is well. */
  readonly problem: string | null
}

/** How long the server's entries wait to be kept on the device: several come together. */
const KEEP_AFTER_MS = 500

/** Keeps a job's timeline between the server, the device and whoever shows it. */
export class JobSync {
  private known: readonly Entry[]
  private waiting: readonly Entry[] = []
  private sent: readonly Entry[] = []
  private setAside: readonly { readonly entry: Entry; readonly why: string }[] = []
  private problem: string | null = null
  private room: string | null = null
  private shown: DeviceTimeline
  private underWay: Promise<void> | null = null
  private isAskedAgain = false
  private keeping: ReturnType<typeof setTimeout> | null = null
  private readonly listeners = new Set<() => void>()

  constructor(private readonly initial: JobFile) {
    this.known = initial.entries
    this.shown = { entries: this.known, unsent: 0, refused: [], problem: null }
  }

  /** Takes up what an earlier visit left on the device, sends it, and hears what goes on. Returns the way to end it. */
  begin(): () => void {
    const { id } = this.initial.job
    const unlisten = listenToDevice((event) => this.hear(event))
    waitingFor(id).then(
      (rows) => {
        const kept = rows.filter(({ refused }) => refused === undefined).map(({ entry }) => entry)
        this.waiting = added(kept, this.waiting)
        this.setAside = rows.flatMap(({ entry, refused }) => (refused === undefined ? [] : [{ entry, why: refused }]))
        this.show()
      },
      (error: unknown) => this.tell(`This device keeps nothing (${String(error)}). Entries go straight to the server.`),
    )
    void sendWaiting()
    this.keepSoon()
    return () => {
      unlisten()
      if (this.keeping) clearTimeout(this.keeping)
    }
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  readonly snapshot = (): DeviceTimeline => this.shown

  /** Kept on the device when it returns; sent after. */
  readonly add = async (entries: readonly Entry[]): Promise<void> => {
    const { id } = this.initial.job
    this.waiting = added(this.waiting, entries)
    this.show()
    try {
      await keepOnDevice(id, entries)
    } catch {
      // A browser that keeps nothing (private window, full disk): straight to the server, and told when that fails too.
      await api.sendEntries(id, entries)
      this.hear({ kind: 'sent', jobId: id, entries })
      return
    }
    tellDevice({ kind: 'kept' })
    void sendWaiting()
  }

  /**
   * Fetches what the server has behind what is known here. `count` is how many entries it says it has: where that is fewer than are
   * known, it has lost some (a restored backup), and this device sends them again.
   */
  readonly sync = (count: number | null = null): Promise<void> => {
    if (count !== null && count === this.known.length) return Promise.resolve()
    if (this.underWay) {
      this.isAskedAgain = true
      return this.underWay
    }
    this.underWay = this.fetchLater(count !== null && count < this.known.length).finally(() => {
      this.underWay = null
      if (!this.isAskedAgain) return
      this.isAskedAgain = false
      void this.sync()
    })
    return this.underWay
  }

  private async fetchLater(hasLost: boolean): Promise<void> {
    const { id } = this.initial.job
    const from = hasLost ? 0 : this.known.length
    let fetched: readonly Entry[]
    try {
      fetched = await api.readEntries(id, from)
    } catch {
      // Without a signal the sender tells so; what is known stays.
      return
    }
    const objects = new Map([...this.known, ...this.sent, ...this.waiting].map((entry) => [entry.id, entry]))
    // The objects that are known stay: what hangs on them is not worked out again.
    const next = added(
      this.known.slice(0, from),
      fetched.map((entry) => objects.get(entry.id) ?? entry),
    )
    const lost = hasLost ? this.known.filter((entry) => !next.some((one) => one.id === entry.id)) : []
    this.known = next
    this.sent = this.sent.filter((entry) => !next.some((one) => one.id === entry.id))
    if (lost.length > 0) {
      this.waiting = added(lost, this.waiting)
      await keepOnDevice(id, lost)
      void sendWaiting()
    }
    this.show()
    this.keepSoon()
  }

  private hear(event: DeviceEvent): void {
    if (event.kind === 'kept' || event.kind === 'restored') return
    if (event.kind === 'problem') {
      this.tell(event.problem)
      return
    }
    if (event.kind === 'room') {
      this.room = event.say
      this.show()
      return
    }
    if (event.jobId !== this.initial.job.id) return
    const gone = new Set(event.kind === 'sent' ? event.entries.map(({ id }) => id) : [event.entry.id])
    this.waiting = this.waiting.filter(({ id }) => !gone.has(id))
    if (event.kind === 'sent') this.sent = added(this.sent, event.entries)
    else this.setAside = [...this.setAside, { entry: event.entry, why: event.why }]
    this.show()
    if (event.kind === 'sent') void this.sync()
  }

  private tell(problem: string | null): void {
    if (problem === this.problem) return
    this.problem = problem
    this.show()
  }

  private show(): void {
    const all = [this.sent, this.setAside.map(({ entry }) => entry), this.waiting].reduce(added, this.known)
    this.shown = {
      // The list as it was while it holds the same: entries that only went from the device to the server are not weighed again.
      entries: haveSameIds(all, this.shown.entries) ? this.shown.entries : all,
      unsent: this.waiting.length,
      refused: this.setAside.map(({ entry, why }) => ({ id: entry.id, why })),
      problem: this.problem ?? this.room,
    }
    for (const listener of this.listeners) listener()
  }

  private keepSoon(): void {
    if (this.keeping) clearTimeout(this.keeping)
    // A device that keeps nothing has told so already.
    this.keeping = setTimeout(() => keepJob({ ...this.initial, entries: [...this.known] }).catch(() => undefined), KEEP_AFTER_MS)
  }
}

function added(known: readonly Entry[], more: readonly Entry[]): readonly Entry[] {
  if (more.length === 0) return known
  const ids = new Set(known.map(({ id }) => id))
  return [...known, ...more.filter(({ id }) => !ids.has(id))]
}
