import { evidenceOf, formOpinion, proposeCheck } from '@/src/core/advice/advise'
import { entriesOfAnswer } from '@/src/core/advice/answer-entries'
import { thinkAhead } from '@/src/core/advice/think-ahead'
import { createBench } from '@/src/core/bench/bench'
import { changesOfBench } from '@/src/core/bench/changes'
import { factorNetwork } from '@/src/core/circuit/factored'
import { Perturbation } from '@/src/core/circuit/perturbation'
import { solveNetwork } from '@/src/core/circuit/solver'
import { createEngine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { listCandidates } from '@/src/core/diagnosis/planner/candidates'
import { findNextCheck } from '@/src/core/diagnosis/planner/next-check'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { JobState } from '@/src/core/job/job-state'
import { drawCase, openHouse } from '@/src/core/practice/exam'
import { createHouse, type House } from '@/src/core/practice/house'
import type { Answer } from '@/src/core/readings/check'
import { healthy } from '@/src/core/readings/hypothesis'
import { writeChanges } from '@/src/core/readings/network-in-state'
import { changesOfFault } from '@/src/core/readings/world'
import { quantile } from '@/src/core/units/quantile'
import { createRandom } from '@/src/core/units/random'
import type { PartOf } from '@/src/core/wiring/part'
import type { System } from '@/src/core/wiring/system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

/**
 * What the desk waits for, what the low-rank way saves and how it grows, measured side by side in one run. Times are the
 * middle of several; on a busy machine only the ratios mean much.
 */

function timed(work: () => void): number {
  const begun = performance.now()
  work()
  return performance.now() - begun
}

const middleMs = (rounds: number, work: (round: number) => void): number =>
  quantile(
    Array.from({ length: rounds }, (_, round) => timed(() => work(round))),
    0.5,
  )

/** The same where each round needs something made first, which is not measured. */
function middleOver<T>(rounds: number, prepare: (round: number) => T, work: (prepared: T) => void): number {
  const prepared = Array.from({ length: rounds }, (_, round) => prepare(round))
  return middleMs(rounds, (round) => work(prepared[round]))
}

const row = (what: string, ms: number, limitMs?: number) =>
  console.log(
    `${what.padEnd(46)} ${ms.toFixed(3).padStart(9)} ms${limitMs ? `   ${(ms / limitMs).toFixed(2)} of ${limitMs} ms allowed` : ''}`,
  )

const ratio = (what: string, value: number) => console.log(`${what.padEnd(46)} ${value.toFixed(2).padStart(9)} times`)

const at = (position: number) => new Date(position * 60_000).toISOString()

/** Readings of a sound house as a job has them; the last one has another value each round, so that it is not remembered. */
function jobOf(system: System, readings: number, round: number): JobState {
  const bench = createBench(system)
  const house = soundHouse(system)
  const probes = listCandidates(system, bench)
    .flatMap((candidate) => (candidate.bench.power && candidate.bench.call === 'off' ? candidate.probes : []))
    .filter(({ probe }) => probe.meter === 'volts')
    .slice(0, readings)
  // The house is asked once: only the last answer is new.
  const answers = known.get(system) ?? probes.map(({ probe }) => house.ask(probe).answer)
  known.set(system, answers)
  const answerOf = (index: number) => {
    const answer = answers[index]
    return typeof answer === 'number' && index === probes.length - 1 ? answer + round / 1000 : answer
  }
  const entries = probes.map(
    ({ probe }, index): Entry => ({ id: `r${index}`, at: at(index), kind: 'reading', probe, answer: answerOf(index) }),
  )
  return foldJob(system, entries)
}

const known = new Map<System, Answer[]>()
const houses = new Map<System, House>()
function soundHouse(system: System): House {
  const house = houses.get(system) ?? createHouse(system, healthy, templateValues, createRandom(3))
  houses.set(system, house)
  return house
}

/** A furnace with more conductors: calls that go out to a solenoid each. */
function grown(conductors: number): System {
  const more = Array.from({ length: conductors - 5 }, (_, index) => `X${index + 1}`)
  const [stat, outdoor] = furnaceAc.cables
  const wire = (id: string) => ({ id, colour: 'grey' as const, lands: [id, id] as [string, string] })
  const coil = furnaceAc.parts.find((part): part is PartOf<'coil'> => part.kind === 'coil' && part.id === 'contactor')
  if (!coil) throw new Error('the furnace has no contactor')
  const { contact: _, ...solenoid } = coil
  return {
    ...furnaceAc,
    id: `grown-${conductors}`,
    places: furnaceAc.places.map((place) => ({ ...place, terminals: [...place.terminals, ...more] })),
    cables: [
      { ...stat, conductors: [...stat.conductors.filter(({ lands }) => lands[0] !== null), ...more.map(wire)] },
      { ...outdoor, conductors: [...outdoor.conductors, ...more.map(wire)] },
    ],
    parts: [
      ...furnaceAc.parts.map((part) =>
        part.kind === 'thermostat' ? { ...part, calls: { ...part.calls, cool: [...(part.calls.cool ?? []), ...more] } } : part,
      ),
      ...more.map((name) => ({ ...solenoid, id: `solenoid-${name}`, name: `solenoid ${name}`, between: [name, 'C'] as [string, string] })),
    ],
  }
}

/** Whole searches are made so often, and each answer counts with its least time: what else runs on the machine only ever adds to it. */
const ROUNDS = 3
const HOUSES = 10
const HOUSES_UNPREPARED = 2
const MOST_READINGS = 7

/** Whole searches of drawn houses as the desk does them: after each answer the suspects, then the next check. */
function searchHouses(system: System, isAhead: boolean, houses: number): { suspects: number[]; next: number[] } {
  const engine = createEngine(system)
  const random = createRandom(17)
  const suspects: number[] = []
  const next: number[] = []
  for (let count = 0; count < houses; count++) {
    const drawn = drawCase(engine, random, random.pick(engine.faults).id)
    const house = openHouse(engine, drawn)
    let entries: Entry[] = [{ id: 'told', at: at(0), kind: 'complaint', complaint: drawn.complaint }]
    let proposal = proposeCheck(engine, foldJob(system, entries))
    for (let reading = 1; reading <= MOST_READINGS && proposal.next; reading++) {
      const { next: check } = proposal
      if (isAhead) for (const step of thinkAhead(engine, entries, proposal)) step()
      for (const change of check.setup) house.change(change)
      const { answer, tripped } = house.ask(check.probe)
      if (tripped && check.probe.meter !== 'trip') break
      const added = entriesOfAnswer(check, answer).map((draft, index): Entry => ({ ...draft, id: `${reading}-${index}`, at: at(reading) }))
      entries = [...entries, ...added]
      const state = foldJob(system, entries)
      suspects.push(timed(() => formOpinion(engine, state)))
      next.push(
        timed(() => {
          proposal = proposeCheck(engine, state)
        }),
      )
    }
  }
  return { suspects, next }
}

function leastOf(count: number, search: () => ReturnType<typeof searchHouses>): ReturnType<typeof searchHouses> {
  const rounds = Array.from({ length: count }, search)
  const least = (what: 'suspects' | 'next') => rounds[0][what].map((_, place) => Math.min(...rounds.map((round) => round[what][place])))
  return { suspects: least('suspects'), next: least('next') }
}

/** What is waited for on each system, or on those that are named, as a row of the page. */
function measureEvery(only: readonly string[]): void {
  console.log('| system | readings | suspects, 95th percentile | of 50 ms | next check, 95th percentile | of 100 ms |')
  console.log('| --- | ---: | ---: | ---: | ---: | ---: |')
  for (const system of catalogue.filter(({ id }) => only.length === 0 || only.includes(id))) {
    const { suspects, next } = leastOf(ROUNDS, () => searchHouses(system, true, HOUSES))
    const [soon, later] = [suspects, next].map((times) => quantile(times, 0.95))
    const cells = [system.name, suspects.length, soon.toFixed(0), (soon / 50).toFixed(2), later.toFixed(0), (later / 100).toFixed(2)]
    console.log(`| ${cells.join(' | ')} |`)
  }
}

function measure(system: System): void {
  console.log(`\n${system.name}`)
  row(
    'engine from nothing, once a job',
    timed(() => createEngine(system)),
  )
  const engine = createEngine(system)
  row(
    'first next check of a job, cold',
    timed(() => proposeCheck(engine, foldJob(system, []))),
  )
  for (const isAhead of [true, false]) {
    const houses = isAhead ? HOUSES : HOUSES_UNPREPARED
    const { suspects, next } = leastOf(isAhead ? ROUNDS : 1, () => searchHouses(system, isAhead, houses))
    console.log(`${suspects.length} readings of ${houses} houses, ${isAhead ? 'answers prepared for' : 'nothing prepared'}`)
    const allowed = isAhead ? { suspects: 50, next: 100 } : null
    row('  suspects after a reading, middle', quantile(suspects, 0.5))
    row('  suspects after a reading, 95th percentile', quantile(suspects, 0.95), allowed?.suspects)
    row('  next check after it, middle', quantile(next, 0.5))
    row('  next check after it, 95th percentile', quantile(next, 0.95), allowed?.next)
  }
  const wide = foldJob(system, [])
  const weighed = weigh(engine, evidenceOf(wide))
  row(
    'next check one deep, everything open',
    middleMs(5, () => findNextCheck(engine, weighed.posterior, wide.bench, [], { deep: false })),
  )
  row(
    'next check two deep, everything open',
    middleMs(5, () => findNextCheck(engine, weighed.posterior, wide.bench, [], { deep: true })),
    300,
  )
}

function measureGrowth(): void {
  console.log('\ngrowth')
  let before: { faults: number; conductors: number; ms: number } | null = null
  for (const conductors of [5, 10, 15, 20]) {
    const system = grown(conductors)
    const begun = performance.now()
    const large = createEngine(system)
    const ms = performance.now() - begun
    row(`${conductors} conductors, ${large.faults.length} faults, ${large.laboratory.network.size} unknowns: engine`, ms)
    const suspects = middleOver(
      3,
      (round) => jobOf(system, 3, round),
      (state) => formOpinion(large, state),
    )
    row('  suspects after a reading', suspects)
    if (before) ratio(`  faults ${(large.faults.length / before.faults).toFixed(1)} times as many: engine`, ms / before.ms)
    before = { faults: large.faults.length, conductors, ms }
  }
}

function measureLowRank(): void {
  console.log('\nlow-rank against solving anew')
  const engine = createEngine(furnaceAc)
  const { laboratory, system } = engine
  const live = factorNetwork(laboratory.network, 'live')
  const kernel = new Perturbation()
  const points = ['R@indoor', 'Y@outdoor', 'C@outdoor'].map((name) => laboratory.network.nodeIndex(name))
  const bench = changesOfBench(system, laboratory.network, { ...createBench(system), jumpers: [{ a: 'R@indoor', b: 'Y@indoor' }] })
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
  ratio(`solved anew against low-rank (${laboratory.network.size} unknowns)`, dense / lowRank)
}

const worst = catalogue.find(({ id }) => id === 'dual-fuel') ?? furnaceAc
const zoned = catalogue.find(({ id }) => id === 'zoned-furnace-ac') ?? furnaceAc
const [, , first, ...named] = process.argv
if (first === '--every') measureEvery(named)
else {
  for (const system of [furnaceAc, worst, zoned]) measure(system)
  measureGrowth()
  measureLowRank()
}
