/** log of the sum of exponentials of a stretch of an array: numbers far below the smallest that a double holds keep their weight. */
export function logSum(values: ArrayLike<number>, start = 0, count = values.length): number {
  let highest = -Infinity
  for (let place = start; place < start + count; place++) if (values[place] > highest) highest = values[place]
  let sum = 0
  for (let place = start; place < start + count; place++) sum += Math.exp(values[place] - highest)
  return highest + Math.log(sum)
}
