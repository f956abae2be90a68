/** The rounds of harm in full, one line each at the end: node --import tsx tests/store/harm.ts [kill] [power-cut] [frozen] [ROUNDS] */
import { frozenRounds, killRounds, powerCutRounds } from '@/tests/store/rounds'

const kinds = { kill: [killRounds, 1000], 'power-cut': [powerCutRounds, 200], frozen: [frozenRounds, 50] } as const

async function main(): Promise<void> {
  const words = process.argv.slice(2)
  const asked = Number(words.find((word) => /^\d+$/.test(word)) ?? 0)
  for (const [kind, [run, rounds]] of Object.entries(kinds)) {
    if (words.some((word) => word in kinds) && !words.includes(kind)) continue
    const outcome = await run(asked || rounds, 14, (line) => console.log(`${kind}: ${line}`))
    console.log(`${kind}: ${JSON.stringify(outcome)}`)
    if (outcome.lost + outcome.doubled + outcome.unopened > 0 || outcome.problems.length > 0) process.exitCode = 1
  }
}

main().catch((error: Error) => {
  console.error(error)
  process.exitCode = 1
})
