import { addBoardFaults, addDelays } from '@/src/core/faults/board-faults'
import { addCableFaults, addMiswires } from '@/src/core/faults/cable-faults'
import type { Fault } from '@/src/core/faults/fault'
import { createFaultList } from '@/src/core/faults/fault-list'
import { addStrapsAndWeather } from '@/src/core/faults/left-behind'
import { addSupplyFaults } from '@/src/core/faults/supply-faults'
import {
  addCapacitorFaults,
  addCoilFaults,
  addContactFaults,
  addLeadFaults,
  addLoadFaults,
  addSwitchFaults,
  addThermostatFaults,
} from '@/src/core/faults/unit-faults'
import type { System } from '@/src/core/wiring/system'

/** Every single fault that this system's wiring can have, by family. Ids are stable: they name the spot. */
export function enumerateFaults(system: System): Fault[] {
  const { faults, add } = createFaultList(system)
  for (const cable of system.cables) {
    addCableFaults(system, add, cable)
    for (const side of [0, 1] as const) addMiswires(system, add, cable, side)
  }
  for (const place of system.places) if (place.metal) addLeadFaults(system, add, place)
  addCoilFaults(system, add)
  addContactFaults(system, add)
  addLoadFaults(system, add)
  addCapacitorFaults(system, add)
  addSwitchFaults(system, add)
  addBoardFaults(system, add)
  addDelays(system, add)
  addThermostatFaults(system, add)
  addSupplyFaults(system, add)
  addStrapsAndWeather(system, add)
  return faults
}
