import { createBench } from '@/src/core/bench/bench'
import { changesOfBench } from '@/src/core/bench/changes'
import { factorNetwork } from '@/src/core/circuit/factored'
import { Perturbation } from '@/src/core/circuit/perturbation'
import { solveNetwork } from '@/src/core/circuit/solver'
import { createEngine } from '@/src/core/diagnosis/engine'
import { formOpinion, proposeCheck } from '@/src/core/job/advise'
import { foldJob } from '@/src/core/job/fold'
import { createDemoJob } from '@/src/core/practice/demo'
import { writeChanges } from '@/src/core/readings/network-in-state'
import { changesOfFault } from '@/src/core/readings/world'

/**
 * What the desk waits for, and what the low-rank way saves, measured side by side in one run. Times are the middle of
 * several; on a busy machine only the ratios mean much.
 */

function middleMs(rounds: number, work: (round: number) => void): number {
  const times: number[] = []
  for (let round = 0; round < rounds; round++) {
    const begun = performance.now()
    work(round)
    times.push(performance.now() - begun)
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]
}

const row = (what: string, ms: number, limitMs?: number) =>
  console.log(
    `${what.padEnd(46)} ${ms.toFixed(3).padStart(9)} ms${limitMs ? `   ${(ms / limitMs).toFixed(2)} of ${limitMs} ms allowed` : ''}`,
  )

const job = createDemoJob('bench', new Date(0))
const { system, entries } = job
const begun = performance.now()
const engine = createEngine(system)
row('engine from nothing, once a job', performance.now() - begun)

const states = entries.map((_, index) => foldJob(system, entries.slice(0, index + 1)))
const begunFirst = performance.now()
proposeCheck(engine, states[0])
row('first next check of a job, cold', performance.now() - begunFirst)
for (const state of states) {
  formOpinion(engine, state)
  proposeCheck(engine, state)
}
// A reading that was not seen before, so that nothing is remembered: each round another value.
const last = states[states.length - 1]
const withReading = (round: number) =>
  foldJob(system, [
    ...entries,
    { id: 'off', at: new Date(0).toISOString(), kind: 'bench', change: { do: 'power', on: false } },
    {
      id: 'new',
      at: new Date(0).toISOString(),
      kind: 'reading',
      probe: { meter: 'ohms', a: 'outdoor-cable.Y@indoor', b: 'chassis@indoor' },
      answer: 0.4 + round / 100,
    },
  ])
row(
  'suspects after a new reading',
  middleMs(21, (round) => formOpinion(engine, withReading(round))),
  100,
)
row(
  'next check after it',
  middleMs(7, (round) => proposeCheck(engine, withReading(round))),
  300,
)
row(
  'next check, same bench, wide open',
  middleMs(5, () => proposeCheck(engine, states[0])),
  300,
)

const { laboratory } = engine
const live = factorNetwork(laboratory.network, 'live')
const kernel = new Perturbation()
const points = ['R@indoor', 'Y@outdoor', 'C@outdoor'].map((name) => laboratory.network.nodeIndex(name))
const bench = changesOfBench(system, laboratory.network, { ...createBench(system), jumpers: last.bench.jumpers })
const changesOf = (round: number) => [
  ...bench,
  ...changesOfFault(laboratory, engine.hypotheses[1 + (round % (engine.hypotheses.length - 1))]),
]
const lowRank = middleMs(200, (round) => {
  kernel.set(live, changesOf(round))
  for (const point of points) kernel.difference(point, -1)
})
const dense = middleMs(20, (round) => solveNetwork(writeChanges(laboratory.network, changesOf(round))))
row('one fault, low-rank', lowRank)
row('one fault, solved anew', dense)
console.log(
  `ratio: the low-rank way is ${(dense / lowRank).toFixed(0)} times faster (${laboratory.network.size} unknowns, ${engine.faults.length} faults)`,
)
