/** Groups of things that grow together (union-find with path halving, Tarjan 1975). Two things are in one group once anything joined them. */
export class DisjointSet<T> {
  private readonly parents = new Map<T, T>()

  /** The member that stands for the whole group of `item`; an item that nothing joined stands for itself. */
  find(item: T): T {
    let here = item
    for (let up = this.parents.get(here); up !== undefined && up !== here; up = this.parents.get(here)) {
      const above = this.parents.get(up) ?? up
      this.parents.set(here, above)
      here = above
    }
    return here
  }

  /** Puts all items, and whatever they were joined to before, into one group. */
  join(...items: readonly T[]): void {
    for (const item of items.slice(1)) this.parents.set(this.find(item), this.find(items[0]))
  }

  isJoined(a: T, b: T): boolean {
    return this.find(a) === this.find(b)
  }
}
