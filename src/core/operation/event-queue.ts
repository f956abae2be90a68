/** Events in order of time; one event a key, a later one for the same key takes the earlier one's place. The clock is the caller's. */
export class EventQueue<Event> {
  private readonly events = new Map<string, { readonly atS: number; readonly event: Event }>()

  set(key: string, atS: number, event: Event): void {
    this.events.set(key, { atS, event })
  }

  has(key: string): boolean {
    return this.events.has(key)
  }

  cancel(key: string): void {
    this.events.delete(key)
  }

  /** Takes out the earliest event, the one set first when two are due together; null when there is none. */
  take(): { readonly key: string; readonly atS: number; readonly event: Event } | null {
    let first: { key: string; atS: number; event: Event } | null = null
    for (const [key, { atS, event }] of this.events) if (!first || atS < first.atS) first = { key, atS, event }
    if (first) this.events.delete(first.key)
    return first
  }
}
