import { readSystem } from '@/src/core/wiring/read-system'
import type { System } from '@/src/core/wiring/system'
import airHandler120 from '@/src/core/wiring/systems/air-handler-120.json'
import airHandlerPlain from '@/src/core/wiring/systems/air-handler-plain.json'
import coolStrips from '@/src/core/wiring/systems/cool-strips.json'
import dualFuel from '@/src/core/wiring/systems/dual-fuel.json'
import furnaceAcJson from '@/src/core/wiring/systems/furnace-ac.json'
import furnaceAcTwoStage from '@/src/core/wiring/systems/furnace-ac-two-stage.json'
import furnaceInducedDraft from '@/src/core/wiring/systems/furnace-induced-draft.json'
import furnaceNoCommon from '@/src/core/wiring/systems/furnace-no-common.json'
import furnaceTwoTransformers from '@/src/core/wiring/systems/furnace-two-transformers.json'
import heatPumpB from '@/src/core/wiring/systems/heat-pump-b.json'
import heatPumpO from '@/src/core/wiring/systems/heat-pump-o.json'
import packageHeatPump from '@/src/core/wiring/systems/package-heat-pump.json'
import rooftopElectric from '@/src/core/wiring/systems/rooftop-electric.json'
import rooftopGas from '@/src/core/wiring/systems/rooftop-gas.json'
import zonedFurnaceAc from '@/src/core/wiring/systems/zoned-furnace-ac.json'

/** A shipped file that does not fit its own schema is a bug, and stops here with the place in the file. */
function shipped(file: unknown): System {
  const read = readSystem(file)
  if (!read.ok) throw new Error(`a shipped system is no valid system: ${read.problems.join(' ')}`)
  return read.system
}

/** Gas furnace with single-stage air conditioning: the demo's kind of house. */
export const furnaceAc = shipped(furnaceAcJson)

/** The systems that ship with the product: data files in the open format, each read through its schema. */
export const catalogue: readonly System[] = [
  furnaceAc,
  ...[
    furnaceAcTwoStage,
    furnaceNoCommon,
    furnaceTwoTransformers,
    heatPumpO,
    heatPumpB,
    dualFuel,
    coolStrips,
    airHandlerPlain,
    packageHeatPump,
    rooftopGas,
    zonedFurnaceAc,
    furnaceInducedDraft,
    airHandler120,
    rooftopElectric,
  ].map(shipped),
]

export const systemById = (id: string): System | undefined => catalogue.find((system) => system.id === id)
