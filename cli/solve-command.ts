import { loadSystem, type Options, parseJson, readFile, UsageError } from '@/cli/options'
import { clockStamp } from '@/cli/stamp'
import type { Bench } from '@/src/core/bench/bench'
import { problemWithPoint } from '@/src/core/bench/points'
import { writeNetlist } from '@/src/core/circuit/netlist'
import { probePoints } from '@/src/core/diagnosis/planner/candidates'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readEntry } from '@/src/core/job/entry-schema'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { type Hypothesis, healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { networkInState } from '@/src/core/readings/network-in-state'
import { predictAll, scaleOf } from '@/src/core/readings/predict'
import { saysPrediction } from '@/src/core/readings/say'
import { worldsOf } from '@/src/core/readings/world'
import { isPoint, type Point, terminalPoint } from '@/src/core/wiring/point'
import type { System } from '@/src/core/wiring/system'
import { templateValues } from '@/src/core/wiring/values'

/** Readings for a system, a fault and a bench; or the list of faults. */
export function solveCommand(command: 'faults' | 'solve', options: Options): void {
  const system = loadSystem(options.get('system'))
  if (command === 'faults') {
    for (const { id, zone, say } of enumerateFaults(system)) console.log(`${id}\t${zone}\t${say}`)
    return
  }
  const { bench, hypothesis } = readState(system, options)
  const laboratory = createLaboratory(system, templateValues)
  const meter = bench.power ? ('volts' as const) : ('ohms' as const)
  const pairs = options.has('read') ? options.all('read').map(pairOf) : defaultPairs(system)
  for (const point of pairs.flat()) {
    const problem = problemWithPoint(system, point)
    if (problem) throw new UsageError(problem)
  }
  const probes = pairs.map(([a, b]) => ({ meter, a, b }))
  const predictions = predictAll(laboratory, bench, hypothesis, probes)
  probes.forEach((probe, index) => {
    console.log(`${probe.a}\t${probe.b}\t${saysPrediction(predictions[index], scaleOf(system, probe))}`)
  })
  if (bench.power) {
    const { trips, overloadA, worlds } = worldsOf(laboratory, bench, hypothesis)
    console.log(`fuse\t${overloadA.toFixed(2)} A\ttrips ${(100 * trips).toFixed(0)} %`)
    console.log(
      `machine\t${worlds[0].settled.outcome}${worlds[0].settled.outcome === 'chatters' ? `, period ${worlds[0].settled.members.length}` : ''}`,
    )
  }
}

export function netlistCommand(options: Options): void {
  const system = loadSystem(options.get('system'))
  const { bench, hypothesis } = readState(system, options)
  const laboratory = createLaboratory(system, templateValues)
  const analysis = options.has('ohms') || !bench.power ? 'ohms' : 'live'
  process.stdout.write(writeNetlist(networkInState(laboratory, bench, hypothesis), `${system.name}, ${hypothesis.id}`, analysis).deck)
}

function readState(system: System, options: Options): { bench: Bench; hypothesis: Hypothesis } {
  const entries: Entry[] = []
  const file = options.get('bench')
  if (file !== null) {
    const value = parseJson(readFile(file), file)
    if (!Array.isArray(value)) throw new UsageError(`${file} must hold a list of bench entries.`)
    for (const item of value) {
      const read = readEntry({ id: clockStamp.newId(), at: clockStamp.now(), ...item })
      if (!read.ok) throw new UsageError(`${file}: ${read.problem}`)
      const problem = problemWithEntry(system, entries, read.entry)
      if (problem) throw new UsageError(`${file}: ${problem}`)
      entries.push(read.entry)
    }
  }
  for (const line of options.all('do')) {
    const read = readQuickLine(line, { system, entries, suspects: [], proposed: null })
    if (!read.ok) throw new UsageError(`"${line}": ${read.problem}`)
    entries.push(...read.drafts.map((draft) => stampEntry(draft, clockStamp)))
  }
  const id = options.get('fault')
  const fault = id === null ? null : enumerateFaults(system).find((candidate) => candidate.id === id)
  if (fault === undefined) throw new UsageError(`There is no fault "${id}" in this system; "nest-trace faults" lists them.`)
  return { bench: foldJob(system, entries).bench, hypothesis: fault ? hypothesisOfFault(fault) : healthy }
}

const pairOf = (text: string): [Point, Point] => {
  const [a, b, ...more] = text.split(',')
  if (!a || !b || !isPoint(a) || !isPoint(b) || more.length > 0)
    throw new UsageError(`--read takes two points, as in R@indoor,C@indoor; not "${text}".`)
  return [a, b]
}

/** Everything against the last common at each place. */
function defaultPairs(system: System): [Point, Point][] {
  return system.places.flatMap((place) => {
    const common = terminalPoint('C', place.id)
    return probePoints(system, place.id)
      .filter((point) => point !== common && problemWithPoint(system, common) === null)
      .map((point): [Point, Point] => [point, common])
  })
}
