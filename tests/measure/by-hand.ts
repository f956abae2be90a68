import type { Bench } from '@/src/core/bench/bench'
import type { Probe } from '@/src/core/readings/check'
import type { Point } from '@/src/core/wiring/point'

/** One check of a technician who knows the trade: what is changed for it, where it is taken, and what is read. */
export interface HandStep {
  readonly at: string
  /** What is set or moved for it, beside what was before. */
  readonly set?: Partial<Pick<Bench, 'power' | 'call' | 'lifted' | 'unplugged' | 'slot'>>
  readonly probe: Probe
}

const volts = (at: string, a: Point, b: Point, set?: HandStep['set']): HandStep => ({
  at,
  probe: { meter: 'volts', a, b },
  ...(set && { set }),
})
const ohms = (at: string, a: Point, b: Point, set?: HandStep['set']): HandStep => ({
  at,
  probe: { meter: 'ohms', a, b },
  ...(set && { set }),
})
const look = (at: string, what: string, set?: HandStep['set']): HandStep => ({
  at,
  probe: { meter: 'look', at: what },
  ...(set && { set }),
})
const off = { power: false, call: 'off' } as const

/** Before and behind the pressure switches it goes alike up to the last reading, which says on which side. */
const rub = (last: HandStep): readonly HandStep[] => [
  ohms('indoor', 'Y@indoor', 'C@indoor', off),
  ohms('indoor', 'outdoor-cable.Y@indoor', 'chassis@indoor', { lifted: ['outdoor-cable.Y@indoor'] }),
  ohms('outdoor', 'outdoor-cable.Y@outdoor', 'chassis@outdoor', { lifted: ['outdoor-cable.Y@indoor', 'outdoor-cable.Y@outdoor'] }),
  ohms('outdoor', 'Y@outdoor', 'chassis@outdoor'),
  last,
]

/**
 * The days of days.ts as a good technician does them, check by check (assumption: field-work.md, and the number of checks that the trade
 * takes for each). They know the fault's place as little as anybody; these are the days on which each check tells what it should.
 */
export const byHand: Readonly<Record<string, readonly HandStep[]>> = {
  'nobody set it': [
    volts('indoor', 'R@indoor', 'C@indoor'),
    volts('indoor', 'W@indoor', 'C@indoor'),
    look('thermostat', 'stat', { call: 'cool' }),
  ],
  'the thermostat does not close': [
    look('thermostat', 'stat', { call: 'cool' }),
    volts('thermostat', 'R@thermostat', 'C@thermostat'),
    volts('thermostat', 'Y@thermostat', 'C@thermostat'),
    volts('thermostat', 'R@thermostat', 'Y@thermostat'),
  ],
  'a wire off at the unit': [volts('indoor', 'R@indoor', 'C@indoor'), look('indoor', 'landings@indoor')],
  'two on one letter': [
    volts('indoor', 'R@indoor', 'C@indoor'),
    ohms('indoor', 'Y@indoor', 'C@indoor', off),
    look('indoor', 'landings@indoor'),
  ],
  'a rub before the pressure switches': rub(ohms('outdoor', 'Y@outdoor', 'chassis@outdoor', { unplugged: ['high-pressure'] })),
  'a rub after the pressure switches': rub(ohms('outdoor', 'low-contactor@outdoor', 'chassis@outdoor', { unplugged: ['low-pressure'] })),
  'a shorted coil and a burned-out transformer': [
    volts('indoor', 'R@indoor', 'C@indoor'),
    volts('indoor', 'L1-unit@indoor', 'L2-unit@indoor'),
    ohms('indoor', 'R@indoor', 'C@indoor', off),
    ohms('indoor', 'Y@indoor', 'C@indoor'),
    ohms('outdoor', 'contactor.1@outdoor', 'contactor.2@outdoor', { unplugged: ['contactor'] }),
  ],
  'chatter from a board': [
    look('outdoor', 'valve', { call: 'heat' }),
    volts('outdoor', 'O-out@outdoor', 'C@outdoor'),
    volts('outdoor', 'O@outdoor', 'C@outdoor'),
    look('outdoor', 'contactor'),
  ],
  'R to W shorted, the furnace runs on': [
    volts('indoor', 'W@indoor', 'C@indoor'),
    volts('thermostat', 'stat-cable.W@thermostat', 'C@thermostat', { lifted: ['stat-cable.W@thermostat'] }),
    ohms('thermostat', 'stat-cable.R@thermostat', 'stat-cable.W@thermostat', {
      ...off,
      lifted: ['stat-cable.R@indoor', 'stat-cable.W@indoor', 'stat-cable.R@thermostat', 'stat-cable.W@thermostat'],
    }),
  ],
  'smell, with a good fuse': [
    look('indoor', 'wiring@indoor', off),
    look('indoor', 'landings@indoor'),
    ohms('indoor', 'R@indoor', 'C@indoor', { slot: { holds: 'nothing', ratingA: 3, open: true } }),
    ohms('indoor', 'R@indoor', 'chassis@indoor'),
    ohms('indoor', 'W@indoor', 'C@indoor'),
    ohms('indoor', 'Y@indoor', 'C@indoor'),
    ohms('indoor', 'G@indoor', 'C@indoor'),
  ],
}
