import { type CostModel, defaultCost } from '@/src/core/bench/cost'
import { kindsOfWiring, type WiringKind } from '@/src/core/diagnosis/hypotheses/houses'
import { type HypothesisSet, setOfSingles } from '@/src/core/diagnosis/hypotheses/hypothesis-set'
import { type ShopCounts, withShopRates } from '@/src/core/diagnosis/hypotheses/shop-rates'
import { type PredictionStore, SinglesStore } from '@/src/core/diagnosis/likelihood/prediction-store'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Fault } from '@/src/core/faults/fault'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { modelValue } from '@/src/core/units/model-value'
import { isUnknown, partsOf, type System } from '@/src/core/wiring/system'
import { templateValues } from '@/src/core/wiring/values'

/** What is known of a system before any job: nothing in it changes. */
export interface SystemModel {
  readonly system: System
  readonly cost: CostModel
  readonly faults: readonly Fault[]
  /** The house as the template says. */
  readonly laboratory: Laboratory
  /** The kinds of wiring that a house of this system may have, as drawn first. */
  readonly kinds: readonly WiringKind[]
}

/** A system, the hypotheses that are weighed, and what they predict. Make one per system and thread. */
export interface Engine extends SystemModel, HypothesisSet {
  readonly store: PredictionStore
}

/** What a shop and its technician know better than the defaults. */
export interface EngineOptions {
  readonly cost?: CostModel
  readonly shop?: ShopCounts
}

/** The engine of the single faults; where those explain the readings badly, pairs of faults stand behind them (`inference/pairs.ts`). */
export function createEngine(system: System, options: EngineOptions = {}): Engine {
  const model = modelOf(system, options)
  const set = setOfSingles(model.laboratory, model.faults, model.kinds)
  return { ...model, ...set, store: new SinglesStore(model.laboratory, set) }
}

function modelOf(system: System, { cost = defaultCost, shop = {} }: EngineOptions): SystemModel {
  return {
    system,
    cost,
    faults: withShopRates(enumerateFaults(system), shop).map((fault) => inWhatMayNotBe(system, fault)),
    laboratory: createLaboratory(system, templateValues),
    kinds: kindsOfWiring(system),
  }
}

/** A float switch that nobody has looked for is there. */
const FLOAT_THERE = modelValue({ value: 0.5, unit: 'share of houses', source: 'assumption' })

function inWhatMayNotBe(system: System, fault: Fault): Fault {
  const float = isUnknown(system, 'float') ? partsOf(system, 'switch').find(({ role }) => role === 'float') : undefined
  return float && fault.family === 'switch-open' && fault.part === float.id
    ? { ...fault, rate: fault.rate * FLOAT_THERE, say: `${fault.say} (if there is a float switch)` }
    : fault
}
