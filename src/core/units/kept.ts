/**
 * What was worked out, kept under its key for the next time it is asked. Two shelves of half the room each: what is asked
 * goes on the new one, and when that is full the old one is thrown away and the new one takes its place. What was asked
 * lately so stays, at no more than two look-ups.
 */
export class Kept<Key, Value> {
  private fresh = new Map<Key, Value>()
  private old = new Map<Key, Value>()
  private readonly half: number

  constructor(most: number) {
    this.half = Math.max(1, Math.floor(most / 2))
  }

  get size(): number {
    return this.fresh.size + this.old.size
  }

  get(key: Key, make: () => Value): Value {
    const known = this.fresh.get(key)
    if (known !== undefined) return known
    const kept = this.old.get(key)
    const value = kept === undefined ? make() : kept
    if (kept !== undefined) this.old.delete(key)
    if (this.fresh.size >= this.half) {
      this.old = this.fresh
      this.fresh = new Map()
    }
    this.fresh.set(key, value)
    return value
  }
}

/** The same for each of some owners, gone with its owner. */
export class KeptPer<Owner extends object, Value> {
  private readonly values = new WeakMap<Owner, Value>()

  constructor(private readonly make: (owner: Owner) => Value) {}

  of(owner: Owner): Value {
    const known = this.values.get(owner)
    if (known !== undefined) return known
    const made = this.make(owner)
    this.values.set(owner, made)
    return made
  }
}
