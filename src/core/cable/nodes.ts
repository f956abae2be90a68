/** Nodes of a standard normal distribution out to a number of deviations, in even steps, with their weights. */
export function normalNodes(count: number, reach: number): { readonly at: number; readonly weight: number }[] {
  const nodes = Array.from({ length: count }, (_, index) => {
    const at = count === 1 ? 0 : -reach + (2 * reach * index) / (count - 1)
    return { at, weight: Math.exp(-(at ** 2) / 2) }
  })
  const total = nodes.reduce((sum, { weight }) => sum + weight, 0)
  return nodes.map(({ at, weight }) => ({ at, weight: weight / total }))
}
