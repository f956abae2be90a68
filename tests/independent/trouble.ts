import type { Effect } from '@/src/core/faults/effect'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Fault } from '@/src/core/faults/fault'
import type { Random } from '@/src/core/units/random'
import { bodyLink, callLink, plugLink, windingLink } from '@/src/core/wiring/links'
import { CHASSIS, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { partsOf, type System } from '@/src/core/wiring/system'
import { feedOf, switchedTerminals } from '@/src/core/wiring/thermostat'

/** What is wrong with a house of the exam. */
export interface Trouble {
  readonly name: string
  /** From the engine's catalogue, or of a structure that it lacks; `sound` when nothing is wrong. */
  readonly from: 'sound' | 'catalogue' | 'elsewhere'
  readonly effects: readonly Effect[]
  /** Coils whose armature does not move whatever their volts. */
  readonly jammed: readonly string[]
  /** Shows only once the call has been on for so many seconds. */
  readonly afterS: number
  /** Shows in this share of the times that the house is touched. */
  readonly shows: number
  /** Acts that mend it, by the catalogue's ids. */
  readonly mendedBy: readonly string[]
  /** Repairs of what it has broken besides: needed too, and not enough. */
  readonly brokenToo: readonly string[]
  /** Where it is: a cable or a place. */
  readonly zone: string | null
  /** Something that was wired in, and is seen in the wiring of its place. */
  readonly isAdded?: true
  /** The catalogue's fault, if it is one. */
  readonly fault: Fault | null
}

export const SOUND: Trouble = {
  name: 'nothing wrong',
  from: 'sound',
  effects: [],
  jammed: [],
  afterS: 0,
  shows: 1,
  mendedBy: [],
  brokenToo: [],
  zone: null,
  fault: null,
}

const NOT_HIDDEN = ['delay-running', 'fuse-only', 'bond-missing', 'spare-serves']
const SOUND_HOUSES = 0.1
const ELSEWHERE = 0.2
const COMES_AND_GOES = 0.04

export function drawTrouble(system: System, random: Random): Trouble {
  const kind = random.uniform()
  if (kind < SOUND_HOUSES) return SOUND
  if (kind < SOUND_HOUSES + ELSEWHERE) return random.pick(elsewhere(system, random))
  const faults = enumerateFaults(system).filter(({ family }) => !NOT_HIDDEN.includes(family))
  let left = random.uniform() * faults.reduce((sum, { rate }) => sum + rate, 0)
  const fault =
    faults.find(({ rate }) => {
      left -= rate
      return left <= 0
    }) ?? faults[0]
  const shared = random.uniform()
  let past = 0
  const form = fault.variants.find(({ share }) => {
    past += share
    return past > shared
  })
  const times = Math.exp(0.7 * Math.max(-2, Math.min(2, random.normal())))
  const effects = (form?.effects ?? fault.effects).map(
    (effect): Effect =>
      (effect.do === 'short' || effect.do === 'resist') && effect.ohm > 0.1 ? { ...effect, ohm: effect.ohm * times } : effect,
  )
  const mayHide = ['conductor-open', 'conductor-short', 'conductor-to-chassis', 'lead-to-chassis', 'switch-open'].includes(fault.family)
  const hides = mayHide && random.uniform() < COMES_AND_GOES
  return {
    ...SOUND,
    name: `${fault.id}${form ? ` ${form.name}` : ''}${hides ? ' now and then' : ''}`,
    from: 'catalogue',
    effects,
    shows: hides ? 0.4 : 1,
    mendedBy: [fault.repair.id],
    brokenToo: [],
    zone: fault.zone,
    fault,
  }
}

/** Structures that no entry of the catalogue describes, from field-work: what also happens. */
function elsewhere(system: System, random: Random): Trouble[] {
  const made = (
    name: string,
    zone: string,
    effects: readonly Effect[],
    mendedBy: readonly string[],
    more: Partial<Trouble> = {},
  ): Trouble => ({
    ...SOUND,
    name,
    from: 'elsewhere',
    effects,
    zone,
    mendedBy,
    ...more,
  })
  const list: Trouble[] = []
  for (const coil of partsOf(system, 'coil')) {
    list.push(made(`${coil.id} jammed`, coil.place, [], [`replace:${coil.id}`], { jammed: [coil.id] }))
    list.push(
      made(
        `spade off ${coil.id}`,
        coil.place,
        [{ do: 'open', link: plugLink(coil.id, random.uniform() < 0.5 ? 0 : 1) }],
        [`spade:${coil.id}`],
      ),
    )
    list.push(
      made(`${coil.id} opens when warm`, coil.place, [{ do: 'open', link: bodyLink(coil.id) }], [`replace:${coil.id}`], {
        afterS: 40 + 120 * random.uniform(),
      }),
    )
    const a = pinPoint(coil, 0)
    list.push(
      made(
        `accessory across ${coil.id}`,
        coil.place,
        [
          {
            do: 'short',
            a: terminalPoint(coil.between[0], coil.place),
            b: terminalPoint(coil.between[1], coil.place),
            ohm: 9 + 12 * random.uniform(),
          },
        ],
        [`accessory:${coil.id}`],
        { isAdded: true },
      ),
    )
    list.push(
      made(
        `${coil.id} half grounded`,
        coil.place,
        [{ do: 'short', a, b: terminalPoint(CHASSIS, coil.place), ohm: 15 + 60 * random.uniform() }],
        [`replace:${coil.id}`],
      ),
    )
  }
  for (const part of partsOf(system, 'switch')) {
    list.push(
      made(
        `spade burnt at ${part.id}`,
        part.place,
        [{ do: 'resist', link: plugLink(part.id, 1), ohm: 20 + 200 * random.uniform() }],
        [`spade:${part.id}`, `switch:${part.id}`],
      ),
    )
    list.push(
      made(`${part.id} opens when warm`, part.place, [{ do: 'open', link: bodyLink(part.id) }], [`switch:${part.id}`], {
        afterS: 30 + 150 * random.uniform(),
      }),
    )
  }
  for (const part of partsOf(system, 'thermostat')) {
    const [one, other] = switchedTerminals(part)
    if (other !== undefined)
      list.push(
        made(
          `${part.id} joins ${one} and ${other}`,
          part.place,
          [{ do: 'short', a: terminalPoint(one, part.place), b: terminalPoint(other, part.place), ohm: 0.1, within: part.id }],
          [`replace:${part.id}`],
        ),
      )
    list.push(
      made(
        `${part.id} pitted`,
        part.place,
        switchedTerminals(part).map(
          (terminal): Effect => ({ do: 'resist', link: callLink(part.id, terminal), ohm: 30 + 120 * random.uniform() }),
        ),
        [`replace:${part.id}`],
      ),
    )
    const leaks = switchedTerminals(part)[0]
    list.push(
      made(
        `${part.id} leaks to ${leaks}`,
        part.place,
        [
          {
            do: 'short',
            a: terminalPoint(feedOf(part, leaks), part.place),
            b: terminalPoint(leaks, part.place),
            ohm: 60 + 60 * random.uniform(),
            within: part.id,
          },
        ],
        [`replace:${part.id}`],
      ),
    )
  }
  for (const part of partsOf(system, 'transformer'))
    list.push(
      made(
        `${part.id} gives less than its plate`,
        part.place,
        [{ do: 'resist', link: windingLink(part.id, 'secondary'), ohm: 4 + 8 * random.uniform() }],
        [`replace:${part.id}`],
      ),
    )
  return list
}
