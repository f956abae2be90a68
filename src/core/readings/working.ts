import type { SolvedState } from '@/src/core/operation/in-state'
import { RUNS_ABOVE } from '@/src/core/operation/machine'
import { isPulledIn } from '@/src/core/operation/state'
import { HUMMING, HUMS_DEAD, HUMS_WITHOUT_START } from '@/src/core/readings/capacitor-looks'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { parseLook, runsAt } from '@/src/core/readings/look-target'
import type { Component } from '@/src/core/readings/prediction'
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
  const hasVolts = (a: number) => kernel.difference(a, b) > RUNS_ABOVE * part.volts
  const word = (said: string, share: number): Component => ({ weight: weight * share, at: { word: said }, sigma: 1, floating: false })
  if (hasVolts(inside)) return [word('runs', 1)]
  if (!hasVolts(before) || !capacitorOf(system, part.id)) return [word('still', 1)]
  const hums = effects.some((effect) => effect.do === 'stall' && effect.load === part.id) ? HUMS_WITHOUT_START : HUMS_DEAD
  return [word('still', 1 - hums), word(HUMMING, hums)]
}

/** Every place at which there is something to see at work, as one look each. */
export const wholeLooks = (system: System): { readonly meter: 'look'; readonly at: string }[] =>
  system.places.filter(({ id }) => workingAt(system, id).length > 1).map(({ id }) => ({ meter: 'look', at: runsAt(id) }))

/** What can be seen or heard to do its work at a place: motors, heaters, relays, valves. */
export const workingAt = (system: System, place: PlaceId): (PartOf<'load'> | PartOf<'coil'>)[] =>
  [...partsOf(system, 'load'), ...partsOf(system, 'coil')].filter((part) => part.place === place)

/** What works in one state of the machine: part by part, at every place. */
export function workingIn(
  laboratory: Laboratory,
  solved: SolvedState,
  { effects }: Pick<Hypothesis, 'effects'>,
  state: number,
): ReadonlyMap<string, boolean> {
  const { system, machine } = laboratory
  const loads = partsOf(system, 'load').map((part) => {
    const [{ at }] = runs(laboratory, solved, { effects }, part.id, 1)
    return [part.id, typeof at === 'object' && at.word === 'runs'] as const
  })
  const coils = machine.relays.map(
    ({ part }, index) =>
      [part.id, isPulledIn(state, index) || effects.some((effect) => effect.do === 'weld' && effect.coil === part.id)] as const,
  )
  return new Map<string, boolean>([...loads, ...coils])
}

/** Whether a place does what it does in a sound house on the same bench. */
export function asCalled(
  system: System,
  at: string,
  works: ReadonlyMap<string, boolean>,
  soundly: ReadonlyMap<string, boolean>,
  weight: number,
): Component[] {
  const isSo = workingAt(system, parseLook(at).of).every(({ id }) => works.get(id) === soundly.get(id))
  return [{ weight, at: { word: isSo ? 'as called' : 'not as called' }, sigma: 1, floating: false }]
}
