/** The narrowest stretch that holds a share of what weights there are, and the value with as much below it as above. */
export function bandOf(
  { at, weights }: { readonly at: readonly number[]; readonly weights: readonly number[] },
  share: number,
): { readonly low: number; readonly middle: number; readonly high: number } {
  const order = [...at.keys()].sort((a, b) => at[a] - at[b])
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const sums: number[] = []
  let sum = 0
  for (const index of order) {
    sum += weights[index]
    sums.push(sum / total)
  }
  let [low, high] = [0, order.length - 1]
  let end = 0
  for (let begin = 0; begin < order.length; begin++) {
    const before = begin === 0 ? 0 : sums[begin - 1]
    while (end < order.length - 1 && sums[end] - before < share) end++
    if (sums[end] - before < share) break
    if (at[order[end]] - at[order[begin]] < at[order[high]] - at[order[low]]) [low, high] = [begin, end]
  }
  const middle = sums.findIndex((one) => one >= 0.5)
  return { low: at[order[low]], middle: at[order[middle]], high: at[order[high]] }
}
