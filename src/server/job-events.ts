type Listener = (entries: number) => void

/** Tells whoever has a job open that entries have come in: how many there are now. */
export class JobEvents {
  private readonly listeners = new Map<string, Set<Listener>>()

  listen(id: string, listener: Listener): () => void {
    const all = this.listeners.get(id) ?? new Set()
    this.listeners.set(id, all.add(listener))
    return () => {
      all.delete(listener)
      if (all.size === 0) this.listeners.delete(id)
    }
  }

  tell(id: string, entries: number): void {
    for (const listener of this.listeners.get(id) ?? []) listener(entries)
  }
}
