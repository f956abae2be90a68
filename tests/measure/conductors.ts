/**
 * The conductors of a cable told apart by the plan: sets of troubles are drawn, each followed to its end, readings and walks counted, and
 * what was named held against what is true. Writes docs/measurements/conductors.md.
 */
import { writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import {
  type ConductorFaults,
  conductorFaults,
  firstEnd,
  hangTogether,
  metalEnd,
  secondEnd,
  statesOf,
} from '@/src/core/cable/conductor-faults'
import { planConductors } from '@/src/core/cable/conductor-plan'
import { MARK_OHMS, ohmsBetween } from '@/src/core/cable/marks'
import { createRandom, type Random } from '@/src/core/units/random'
import { followPlan } from '@/tests/cable/follow-plan'

const { values: options } = parseArgs({
  options: { sets: { type: 'string', default: '60' }, seed: { type: 'string', default: '1' }, out: { type: 'string' } },
})
const SETS = Number(options.sets)

/** So many troubles, each as likely an open conductor, a touch of two, or one to the metal. */
function draw(conductors: number, count: number, random: Random): ConductorFaults {
  const any = () => Math.floor(random.uniform() * conductors)
  const opens: number[] = []
  const pairs: [number, number][] = []
  while (opens.length + pairs.length < count) {
    const kind = Math.floor(random.uniform() * 3)
    const [a, b] = [any(), kind === 2 ? metalEnd(conductors) : any()]
    if (kind === 0 && !opens.includes(a)) opens.push(a)
    if (kind > 0 && a !== b && !pairs.some((pair) => pair.includes(a) && pair.includes(b))) pairs.push([a, b])
  }
  const end = (one: number) =>
    opens.includes(one) && random.uniform() < 0.5 ? secondEnd(conductors, one) : one === metalEnd(conductors) ? one : firstEnd(one)
  return { opens, touches: pairs.map(([a, b]) => [end(a), end(b)]), weight: 1 }
}

interface Followed {
  readonly readings: number
  readonly walks: number
  readonly isRight: boolean
  readonly isWhole: boolean
}

function follow(conductors: number, faults: ConductorFaults, resistors: readonly number[] = []): Followed {
  const { plan, readings, walks } = followPlan(
    (stand) => planConductors({ conductors, hasMetal: [true, true], resistors, ...stand }),
    (joins, marks, a, b) => ohmsBetween(hangTogether(conductors, faults, joins), [], marks, a, b),
  )
  const truth = statesOf(conductors, faults)
  return {
    readings,
    walks,
    isRight: plan.states.every((state, conductor) => state === null || JSON.stringify(state) === JSON.stringify(truth[conductor])),
    isWhole: plan.next.do === 'done',
  }
}

const share = (some: readonly Followed[], is: (one: Followed) => boolean) => `${Math.round((100 * some.filter(is).length) / some.length)} %`
const mean = (some: readonly Followed[], value: (one: Followed) => number) =>
  (some.reduce((sum, one) => sum + value(one), 0) / some.length).toFixed(1)
const ninetyFifth = (some: readonly Followed[], value: (one: Followed) => number) =>
  some.map(value).sort((a, b) => a - b)[Math.floor(0.95 * some.length)]

const rows: string[] = []
const withResistors: Followed[] = []
const followed: Followed[] = []
for (const conductors of [5, 7, 9]) {
  for (let count = 0; count <= 3; count++) {
    const random = createRandom(1000 * Number(options.seed) + 10 * conductors + count)
    // Nine take seconds each: a sixth of the sets.
    const many = conductors === 9 ? Math.ceil(SETS / 6) : SETS
    const sets = Array.from({ length: count === 0 ? 1 : many }, () => draw(conductors, count, random))
    const joined = sets.map((faults) => follow(conductors, faults))
    const marked = sets.map((faults) => follow(conductors, faults, MARK_OHMS))
    if (conductors === 7) withResistors.push(...marked)
    followed.push(...joined, ...marked)
    const row = [
      conductors,
      count,
      sets.length,
      ...[joined, marked].flatMap((all) => [
        share(all, ({ isRight }) => isRight),
        share(all, ({ isWhole }) => isWhole),
        mean(all, ({ readings }) => readings),
        ninetyFifth(all, ({ readings }) => readings),
        mean(all, ({ walks }) => walks),
        share(all, ({ readings, walks }) => readings <= 8 && walks <= 2),
      ]),
      (conductors * (conductors - 1)) / 2,
    ]
    rows.push(`| ${row.join(' | ')} |`)
    console.log(rows.at(-1))
  }
}
/** Different pictures of sound, open and shorted that so many troubles make, whatever touches what. */
function picturesOf(conductors: number, count: number): number {
  const sets = conductorFaults(conductors, true).filter(({ opens, touches }) => opens.length + touches.length === count)
  return new Set(
    sets.map((faults) =>
      statesOf(conductors, faults)
        .map(({ isOpen, touches }) => `${isOpen} ${touches.length > 0}`)
        .join(),
    ),
  ).size
}

const bitsOf = (pictures: number): string => `${pictures} (${Math.log2(pictures).toFixed(1)} bits)`

const page = `# The conductors of a cable, told apart

${SETS} sets of troubles each, a sixth of that of nine, drawn anew (seed ${options.seed}): every trouble as likely an open conductor, two that touch, or one that touches metal; one that
is open and touches is drawn on either side of its break. The plan is followed until every conductor has its name and its partners.
Walks are counted one way. Pair by pair, from one end, finds no open conductor. Made by \`npm run measure:conductors\`. Left with joins alone, right
(r) with ${MARK_OHMS.length} resistors of ${MARK_OHMS.map((ohm) => ohm / 1000).join(', ')} kohm at the other end.

| conductors | troubles | sets | all that was named is true | all was named | readings, mean | 95th of 100 | walks, mean | in 8 readings and 2 walks | true (r) | named (r) | readings (r) | 95th (r) | walks (r) | in 8 and 2 (r) | pair by pair |
| ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |
${rows.join('\n')}

**With resistors ${share(withResistors, ({ readings, walks }) => readings <= 8 && walks <= 2)} of the sets of seven conductors are told in at most 8 readings and 2 walks.** Of all ${followed.length} plans
that were followed, ${followed.filter(({ isRight }) => isRight).length} named nothing but what is true.

A reading with joins has two answers: one bit at most. Of seven conductors, sound, open and shorted alone make ${[1, 2, 3]
  .map((count) => `with ${count} ${count === 1 ? 'trouble' : 'troubles'} ${bitsOf(picturesOf(7, count))}`)
  .join(
    ', ',
  )} different pictures: no plan tells all of those of three, or of two, in 8 such readings. What touches what, and that at most three
troubles are there, is told besides.
`
if (options.out) writeFileSync(options.out, page)
