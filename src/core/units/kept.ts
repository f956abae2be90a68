/** What was worked out, kept under its key for the next time it is asked; the one asked longest ago goes when there is no more room. */
export class Kept<Key, Value> {
  private readonly values = new Map<Key, Value>()

  constructor(private readonly most: number) {}

  get size(): number {
    return this.values.size
  }

  get(key: Key, make: () => Value): Value {
    const known = this.values.get(key)
    const value = known === undefined ? make() : known
    // Put back at the end: the map's order is then the order of use.
    this.values.delete(key)
    this.values.set(key, value)
    if (this.values.size > this.most) this.values.delete(this.values.keys().next().value as Key)
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
