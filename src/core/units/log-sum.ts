/** Less than this below the highest, a number is lost in the rounding of the sum. */
const LOST_BELOW = -40

/** log of the sum of exponentials of a stretch of an array: numbers far below the smallest that a double holds keep their weight. */
export function logSum(values: ArrayLike<number>, start = 0, count = values.length): number {
  let highest = -Infinity
  for (let place = start; place < start + count; place++) if (values[place] > highest) highest = values[place]
  let sum = 0
  for (let place = start; place < start + count; place++) {
    const below = values[place] - highest
    if (below > LOST_BELOW) sum += Math.exp(below)
  }
  return highest + Math.log(sum)
}
