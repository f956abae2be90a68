import type { SolvedState } from '@/src/core/operation/in-state'
import { isPulledIn } from '@/src/core/operation/state'
import { HUMMING, HUMS_DEAD, HUMS_WITHOUT_START } from '@/src/core/readings/capacitor-looks'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { parseLook, runsAt } from '@/src/core/readings/look-target'
import type { Component } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import { capacitorOf } from '@/src/core/wiring/fed-by'
import type { PlaceId } from '@/src/core/wiring/ids'
import { loadInside } from '@/src/core/wiring/links'
import type { PartOf } from '@/src/core/wiring/part'
import { terminalPoint } from '@/src/core/wiring/point'
import { partById, partsOf, type System } from '@/src/core/wiring/system'

/** What is seen and heard to work: motors, heaters, relays, valves, each by itself and a place as a whole. */

/** A line-voltage load, seen and heard from beside the unit. */
export function runs(
  { system, network }: Laboratory,
  { kernel }: SolvedState,
  { effects }: Pick<Hypothesis, 'effects'>,
  at: string,
  weight: number,
): Component[] {
  const part = partById(system, at)
  if (part?.kind !== 'load') return []
  const [inside, before, b] = [loadInside(part.id), ...part.between.map((node) => terminalPoint(node, part.place))].map((node) =>
    network.nodeIndex(node),
  )
  const goes = (a: number): number => chanceToGo(kernel.difference(a, b) / part.volts)
  const share = goes(inside)
  const mayHum = goes(before) > 0 && capacitorOf(system, part.id) !== undefined
  // Too few volts hold a rotor as a dead capacitor does.
  const isHeld = share > 0 || effects.some((effect) => effect.do === 'stall' && effect.load === part.id)
  const hums = mayHum ? (isHeld ? HUMS_WITHOUT_START : HUMS_DEAD) : 0
  return said(weight, ['runs', share], ['still', (1 - share) * (1 - hums)], [HUMMING, (1 - share) * hums])
}

/** What is said of a look, each word in its share; what is never said is left out. */
const said = (weight: number, ...shares: (readonly [word: string, share: number])[]): Component[] =>
  shares.flatMap(([word, share]) => (share > 0 ? [{ weight: weight * share, at: { word }, sigma: 1, floating: false }] : []))

/** Below this share of its rated volts nothing turns or heats that is seen. */
const STALLS_BELOW = modelValue({
  value: 0.5,
  unit: 'share of its rated volts',
  source: 'assumption: torque goes by the square of the volts',
})
/** Above this all of it does. */
const GOES_ABOVE = modelValue({ value: 0.75, unit: 'share of its rated volts', source: 'assumption' })

/** The chance that a motor or a heater goes on a share of its rated volts: between the two limits it is one motor's and not another's. */
const chanceToGo = (share: number): number => Math.max(0, Math.min(1, (share - STALLS_BELOW) / (GOES_ABOVE - STALLS_BELOW)))

/** Every place at which there is something to see at work, as one look each. */
export const wholeLooks = (system: System): { readonly meter: 'look'; readonly at: string }[] =>
  system.places.filter(({ id }) => workingAt(system, id).length > 1).map(({ id }) => ({ meter: 'look', at: runsAt(id) }))

/** What can be seen or heard to do its work at a place: motors, heaters, relays, valves. */
export const workingAt = (system: System, place: PlaceId): (PartOf<'load'> | PartOf<'coil'>)[] =>
  [...partsOf(system, 'load'), ...partsOf(system, 'coil')].filter((part) => part.place === place)

/** What works in one state of the machine, as a chance: part by part, at every place. */
export function workingIn(
  laboratory: Laboratory,
  solved: SolvedState,
  { effects }: Pick<Hypothesis, 'effects'>,
  state: number,
): ReadonlyMap<string, number> {
  const { system, machine } = laboratory
  const loads = partsOf(system, 'load').map((part) => {
    const going = runs(laboratory, solved, { effects }, part.id, 1).find(({ at }) => typeof at === 'object' && at.word === 'runs')
    return [part.id, going?.weight ?? 0] as const
  })
  const coils = machine.relays.map(
    ({ part }, index) =>
      [part.id, isPulledIn(state, index) || effects.some((effect) => effect.do === 'weld' && effect.coil === part.id) ? 1 : 0] as const,
  )
  return new Map<string, number>([...loads, ...coils])
}

/** Whether a place does what it does in a sound house on the same bench. */
export function asCalled(
  system: System,
  at: string,
  works: ReadonlyMap<string, number>,
  soundly: ReadonlyMap<string, number>,
  weight: number,
): Component[] {
  const alike = workingAt(system, parseLook(at).of).reduce((chance, { id }) => {
    const [is, should] = [works.get(id) ?? 0, soundly.get(id) ?? 0]
    return chance * (is * should + (1 - is) * (1 - should))
  }, 1)
  return said(weight, ['as called', alike], ['not as called', 1 - alike])
}
