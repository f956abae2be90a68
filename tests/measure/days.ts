/**
 * Days of work on simulated houses: how many checks, minutes and walks the product's own way takes, beside those of a good technician on
 * the same day (tests/measure/by-hand.ts). Writes docs/measurements/days.md.
 */
import { writeFileSync } from 'node:fs'
import { type Bench, createBench } from '@/src/core/bench/bench'
import { defaultCost } from '@/src/core/bench/cost'
import { anyTime } from '@/src/core/bench/since'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import { joinFaults } from '@/src/core/diagnosis/inference/pairs'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { emptyComplaint, type Symptom } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial, type Trial } from '@/src/core/practice/trial'
import type { Probe } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { createRandom } from '@/src/core/units/random'
import type { CallName } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import { placeById, type System } from '@/src/core/wiring/system'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { byHand, type HandStep } from '@/tests/measure/by-hand'

interface Day {
  readonly name: string
  readonly system: string
  /** Hypotheses that are true in the house: one, or two at once. */
  readonly truth: readonly string[]
  readonly told: readonly Symptom[]
  readonly call: CallName | null
  /** Most checks that the day may take. */
  readonly technician: number
}

const days: readonly Day[] = [
  { name: 'nobody set it', system: 'furnace-ac', truth: ['thermostat-not-called:stat'], told: ['nothing-runs'], call: null, technician: 3 },
  {
    name: 'the thermostat does not close',
    system: 'heat-pump-o',
    truth: ['thermostat-not-closing:stat.Y'],
    told: ['mode-dead'],
    call: 'cool',
    technician: 4,
  },
  {
    name: 'a wire off at the unit',
    system: 'furnace-ac',
    truth: ['not-landed:stat-cable.Y@indoor'],
    told: ['mode-dead'],
    call: 'cool',
    technician: 2,
  },
  {
    name: 'two on one letter',
    system: 'heat-pump-o',
    truth: ['landed-wrong:stat-cable.Y@indoor>G'],
    told: ['mode-dead'],
    call: 'cool',
    technician: 3,
  },
  {
    name: 'a rub before the pressure switches',
    system: 'furnace-ac',
    truth: ['lead-to-chassis:Y@outdoor fuse blown'],
    told: ['fuse-on-call'],
    call: 'cool',
    technician: 5,
  },
  {
    name: 'a rub after the pressure switches',
    system: 'furnace-ac',
    truth: ['lead-to-chassis:low-contactor@outdoor fuse blown'],
    told: ['fuse-on-call'],
    call: 'cool',
    technician: 5,
  },
  {
    name: 'a shorted coil and a burned-out transformer',
    system: 'air-handler-plain',
    truth: ['transformer-dead:transformer.secondary', 'coil-shorted:contactor'],
    told: ['nothing-runs'],
    call: null,
    technician: 5,
  },
  {
    name: 'chatter from a board',
    system: 'heat-pump-o',
    truth: ['output-chatters:defrost-board.O-out'],
    told: ['chatters'],
    call: 'heat',
    technician: 4,
  },
  {
    name: 'R to W shorted, the furnace runs on',
    system: 'furnace-ac',
    truth: ['conductor-short:stat-cable.R+W'],
    told: ['never-stops'],
    call: 'heat',
    technician: 3,
  },
  {
    name: 'smell, with a good fuse',
    system: 'furnace-ac',
    truth: ['lead-to-chassis:sec@indoor'],
    told: ['smell'],
    call: null,
    technician: 7,
  },
  {
    name: 'trips now and then',
    system: 'furnace-ac',
    truth: ['conductor-to-chassis:outdoor-cable.Y now and then'],
    told: ['fuse-now-and-then'],
    call: null,
    technician: 12,
  },
]

const VISITS = 20

function truthOf({ hypotheses }: Engine, ids: readonly string[]): Hypothesis {
  const found = ids.map((id) => {
    const one = hypotheses.find((hypothesis) => hypothesis.id === id)
    if (!one) throw new Error(`There is no hypothesis "${id}".`)
    return one
  })
  const [first, second] = found
  if (!second || !first.fault || !second.fault) return first
  return { ...first, id: ids.join(' + '), fault: joinFaults(first.fault, second.fault), effects: [...first.effects, ...second.effects] }
}

/** Minutes of some checks done one after the other, from the unit with the power on, and how often one walks for them. */
function takes(system: System, checks: readonly { readonly bench: Bench; readonly place: PlaceId; readonly probe: Probe }[]) {
  let bench = createBench(system)
  let minutes = 0
  let walks = 0
  for (const { bench: wanted, place, probe } of checks) {
    const route = planRoute(system, bench, wanted, place)
    minutes += route.minutes + defaultCost.reading[probe.meter]
    walks += route.changes.filter(({ do: act }) => act === 'walk').length
    bench = route.bench
  }
  return { minutes, walks }
}

const walksOf = (system: System, { observations }: Trial): number =>
  takes(
    system,
    observations
      .filter(({ probe }) => probe.meter !== 'trip')
      .map(({ bench, probe }) => ({ bench: anyTime(bench), place: bench.place, probe })),
  ).walks

/** The same day by hand: each check on the bench of the one before, with what is changed for it. */
function ofTechnician(system: System, steps: readonly HandStep[]) {
  let bench = createBench(system)
  return takes(
    system,
    steps.map(({ at, set, probe }) => {
      const place = placeById(system, at)?.id
      if (!place) throw new Error(`There is no place "${at}".`)
      bench = { ...bench, ...set, place }
      return { bench, place, probe }
    }),
  )
}

function sayEnd({ verdict }: Trial): string {
  if (verdict === null) return 'no ending'
  if (!('repair' in verdict)) return verdict.found
  const named = [verdict.repair.id, ...(verdict.also ? [verdict.also.repair.id] : [])].join(' and ')
  return verdict.found === 'repair' ? named : `${verdict.found}: ${named}`
}

const average = (values: readonly number[]): string => (values.reduce((sum, value) => sum + value, 0) / values.length).toFixed(1)

const rows = days.map((day) => {
  const system = systemById(day.system)
  if (!system) throw new Error(`There is no system "${day.system}".`)
  const engine = createEngine(system)
  const truth = truthOf(engine, day.truth)
  const complaint = { ...emptyComplaint, symptoms: [...day.told], call: day.call }
  const trials = Array.from({ length: VISITS }, (_, seed) =>
    runTrial(engine, createHouse(system, truth, templateValues, createRandom(seed + 1)), { complaint }),
  )
  const ends = [...new Set(trials.map(sayEnd))].join('; ')
  const steps = byHand[day.name]
  const hand = steps && ofTechnician(system, steps)
  const own = [trials.map(({ checks }) => checks), trials.map(({ minutes }) => minutes), trials.map((trial) => walksOf(system, trial))]
  const beside = [day.technician, hand?.minutes.toFixed(1), hand?.walks].map((value) => value ?? '-')
  const line = `| ${[day.name, system.name, ...own.flatMap((values, index) => [average(values), beside[index]]), ends].join(' | ')} |`
  console.log(line)
  return line
})

writeFileSync(
  'docs/measurements/days.md',
  `# Days of work

Each day on ${VISITS} simulated houses of the template's values, with the noise of meter and hand: the product's own way, beside that of a good technician on the same day, check by check as written in
\`tests/measure/by-hand.ts\`, with the same minutes for each hand and walk. A look is a check on both sides. A technician's day is the one on which every check tells what it should; the product's is what it is, in the mean.
Written by \`npm run measure:days\`.

| day | system | checks | of a technician | minutes | of a technician | walks | of a technician | ends in |
| --- | --- | ---: | ---: | ---: | ---: | ---: | ---: | --- |
${rows.join('\n')}
`,
)
