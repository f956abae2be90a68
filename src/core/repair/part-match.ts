import { enumerateFaults } from '@/src/core/faults/enumerate'
import { singlesOf } from '@/src/core/faults/fault'
import type { JobState } from '@/src/core/job/job-state'
import { modelValue } from '@/src/core/units/model-value'
import { sayAmps } from '@/src/core/units/quantity'
import { type CallName, sayCall } from '@/src/core/wiring/call'
import type { PartId } from '@/src/core/wiring/ids'
import type { Part, PartOf } from '@/src/core/wiring/part'
import { terminalPoint } from '@/src/core/wiring/point'
import { callsOf, firstPart, partById, partsOf, type System, sayRightFuse } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'

/** One thing that a new part has to have, and why. */
export interface Match {
  readonly what: string
  readonly value: string
  readonly because?: string
}

/** What a new part has to match. */
export interface PartMatch {
  readonly part: PartId
  readonly name: string
  readonly matches: readonly Match[]
}

/** What a call asks of the first transformer, VA. */
export interface CallVa {
  readonly call: 'idle' | CallName
  readonly voltAmperes: number
}

/** Transformers of the 24 V side as they are sold. */
const SIZES_VA = modelValue({
  value: [20, 30, 40, 50, 75] as const,
  unit: 'VA',
  source: 'assumption: sizes as they are commonly sold',
})
/** A transformer that runs warm for years is loaded no further than this. */
const FULL_SHARE = modelValue({ value: 0.8, unit: 'share of the plate', source: 'assumption' })

/** The parts that a suspect's repair may replace, each with what a new one has to match; none for wiring. */
export function partMatches(system: System, state: JobState, faultId: string, loads: readonly CallVa[]): PartMatch[] {
  const faults = enumerateFaults(system)
  const named = faultId.split(' + ').flatMap((id) => faults.find((fault) => fault.id === id) ?? [])
  const ids = [...new Set(named.flatMap(singlesOf).flatMap(({ part }) => part ?? []))]
  return ids.flatMap((id) => {
    const part = partById(system, id)
    const matches = part ? matchesOf(system, state, part, loads) : []
    return part && matches.length > 0 ? [{ part: id, name: part.name, matches }] : []
  })
}

function matchesOf(system: System, state: JobState, part: Part, loads: readonly CallVa[]): Match[] {
  switch (part.kind) {
    case 'transformer':
      return ofTransformer(system, state, part, loads)
    case 'coil':
      return ofCoil(system, part)
    case 'thermostat':
      return ofThermostat(system, part)
    case 'switch':
      return ofSwitch(part)
    case 'board':
      return [
        {
          what: 'inputs and outputs',
          value: [...new Set(part.outputs.map(({ to }) => to))].join(', '),
          because: 'every wire of the old one finds its terminal',
        },
        ...delaysOf(part),
      ]
    case 'load':
      return [
        { what: 'volts', value: `${part.volts} V` },
        { what: 'amps', value: `${sayAmps(part.amps)} at most`, because: 'what the contact and the breaker before it are for' },
        { what: 'turn and speed', value: 'as on its label' },
      ]
    case 'capacitor':
      return [
        ...part.starts.map(({ load, microfarad }) => ({
          what: `${partById(system, load)?.name ?? load} side`,
          value: `${microfarad} µF`,
          because: 'more or less turns the motor hot',
        })),
        { what: 'volts', value: 'as on its label, or more' },
      ]
    case 'electronics':
    case 'fuse':
    case 'strap':
    case 'bond':
    case 'supply':
    case 'disconnect':
      return []
  }
}

function ofTransformer(system: System, state: JobState, part: PartOf<'transformer'>, loads: readonly CallVa[]): Match[] {
  const isFirst = part.id === firstPart(system, 'transformer').id
  const most = isFirst
    ? loads.reduce<CallVa | null>((best, load) => (best && best.voltAmperes >= load.voltAmperes ? best : load), null)
    : null
  const needed = most ? SIZES_VA.find((va) => va >= part.va && va * FULL_SHARE >= most.voltAmperes) : undefined
  const read = lineRead(state, part)
  return [
    {
      what: 'size',
      value: `${needed ?? part.va} VA`,
      because: most
        ? `${most.call === 'idle' ? 'idle' : sayCall[most.call]} asks for ${most.voltAmperes.toFixed(0)} VA, the plate said ${part.va} VA`
        : `the plate said ${part.va} VA`,
    },
    {
      what: 'primary',
      value: `${nearest(read ?? part.primaryVolts, [part.primaryVolts, ...(part.taps ?? []).map(({ volts }) => volts)])} V lead`,
      because: read === null ? 'read the line before the lead is picked' : `the line read ${read} V`,
    },
    { what: 'secondary', value: '24 V', because: 'one of two in parallel burns the other: one transformer only' },
    ...(isFirst
      ? [{ what: 'protection', value: sayRightFuse(system), because: 'a short past it burns the new one as it did the old' }]
      : []),
  ]
}

/** Volts of the line as they were read last across the primary; null when nobody has. */
function lineRead({ observations }: JobState, { primary, place }: PartOf<'transformer'>): number | null {
  const ends = primary.map((node) => terminalPoint(node, place))
  const last = [...observations]
    .reverse()
    .find(({ probe, answer }) => probe.meter === 'volts' && ends.includes(probe.a) && ends.includes(probe.b) && typeof answer === 'number')
  return last && typeof last.answer === 'number' ? Math.round(last.answer) : null
}

const nearest = (volts: number, leads: readonly number[]): number =>
  leads.reduce((best, lead) => (Math.abs(lead - volts) < Math.abs(best - volts) ? lead : best))

function ofCoil(system: System, part: PartOf<'coil'>): Match[] {
  const { contact, place, role, sealedVa, inrushRatio } = part
  const fed = partsOf(system, 'load').filter((load) => load.place === place && contact?.some((node) => load.between.includes(node)))
  const amps = fed.reduce((sum, load) => sum + load.amps, 0)
  const special: Partial<Record<typeof role, Match>> = {
    'gas-valve': {
      what: 'gas',
      value: 'same gas, size and outlet pressure',
      because: 'leak-tested and set by whoever is licensed for gas',
    },
    'reversing-valve': { what: 'fit', value: 'the coil of this valve body', because: 'another one holds no armature' },
    sequencer: { what: 'steps', value: 'same delays on and off, same order of contacts' },
    damper: { what: 'drive', value: 'power to close or to open as the old one, same turn' },
  }
  return [
    { what: 'coil', value: '24 V AC' },
    {
      what: 'draw',
      value: `${sealedVa.toFixed(0)} VA held, about ${(sealedVa * inrushRatio).toFixed(0)} VA as it pulls in`,
      because: 'what the transformer and the contact before it stand',
    },
    ...(fed.length > 0
      ? [
          {
            what: 'contacts',
            value: `${sayAmps(amps)} at ${Math.max(...fed.map(({ volts }) => volts))} V or more`,
            because: fed.map(({ name }) => name).join(', '),
          },
        ]
      : []),
    ...(special[role] ? [special[role]] : []),
  ]
}

function ofThermostat(system: System, part: PartOf<'thermostat'>): Match[] {
  const mine = callsOf(system).filter((call) => part.calls[call] !== undefined)
  return [
    { what: 'calls', value: mine.map((call) => sayCall[call]).join(', ') },
    { what: 'terminals', value: [part.hot, ...switchedTerminals(part), ...(part.common ? [part.common] : [])].join(', ') },
    part.common
      ? { what: 'power', value: `from ${part.common}`, because: 'the common is here' }
      : { what: 'power', value: 'battery, or one that runs without a common', because: 'no common reaches the wall' },
    ...(part.feeds ? [{ what: 'Rc and Rh', value: 'kept apart: no strap between them', because: 'each has its own transformer' }] : []),
  ]
}

function ofSwitch({ role, madeBy }: PartOf<'switch'>): Match[] {
  const settings: Record<typeof role, string> = {
    limit: 'opens at the same temperature, and closes at the same',
    rollout: 'opens at the same temperature, reset by hand',
    'high-pressure': 'opens and closes at the same pressures, for this refrigerant',
    'low-pressure': 'opens and closes at the same pressures, for this refrigerant',
    float: 'closed while dry, opens when the pan fills',
    door: 'same stroke and current; it may break line volts',
    draft: 'makes at the same draft',
  }
  return [
    { what: 'setting', value: settings[role], because: 'as on its label' },
    { what: 'at rest', value: madeBy === undefined ? 'closed' : 'open' },
  ]
}

function delaysOf({ outputs }: PartOf<'board'>): Match[] {
  const delays = outputs.flatMap(({ to, closesAfterS, minimumOffS }) => [
    ...(closesAfterS ? [`${to} on after ${closesAfterS} s`] : []),
    ...(minimumOffS ? [`${to} off for ${minimumOffS} s`] : []),
  ])
  return delays.length > 0 ? [{ what: 'delays', value: delays.join(', ') }] : []
}
