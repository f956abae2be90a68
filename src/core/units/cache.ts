import { LRUCache } from 'lru-cache'

/** What was worked out, by key, for the next time it is asked for; at most so many values, the least recently used going first. */
export class LruCache<Key extends {}, Value extends {}> {
  private readonly values: LRUCache<Key, Value>

  constructor(most: number) {
    this.values = new LRUCache({ max: most })
  }

  get size(): number {
    return this.values.size
  }

  clear(): void {
    this.values.clear()
  }

  get(key: Key, make: () => Value): Value {
    const known = this.values.get(key)
    if (known !== undefined) return known
    const value = make()
    this.values.set(key, value)
    return value
  }
}

/** A function of an object, worked out once for each and gone with it. */
export class Memo<Owner extends object, Value> {
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
