import { createBench } from '@/src/core/bench/bench'
import { solveNetwork } from '@/src/core/circuit/solver'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { networkInState } from '@/src/core/readings/network-in-state'
import { magnitude } from '@/src/core/units/complex'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { simulate } from '@/tests/simulator/ngspice'

/**
 * Decks written by hand from the data sheets of each system, not from our element list: they prove the assembly. Only what
 * carries current stands in them; leakage and capacitance are left out, so that they agree to some millivolts.
 *
 * A load of S volt-amperes at 24 V and power factor p is |Z| = 576 / S, R = p |Z|, L = sqrt(1 - p²) |Z| / 377.
 * Copper of 18 AWG is 20.95 milliohm a metre; every landing and plug is 10 milliohm.
 */
const load = (name: string, a: string, b: string, va: number, pf: number): string => {
  const size = 576 / va
  return `R${name} ${a} ${name}i ${pf * size}\nL${name} ${name}i ${b} ${(Math.sqrt(1 - pf ** 2) * size) / (2 * Math.PI * 60)}\n`
}
/** `volts` behind `ohm`, an ideal transformer of ratio `ratio`, r + jx on its secondary between nodes 3 and 0. */
const supply = (volts: number, ohm: number, ratio: number, r: number, x: number): string =>
  `V1 1 0 ac ${volts}\nRline 1 2 ${ohm}\nE1 4 5 2 0 ${1 / ratio}\nVs 0 5 dc 0 ac 0\nF1 2 0 Vs ${1 / ratio}\nRs 4 6 ${r}\nLs 6 3 ${x / (2 * Math.PI * 60)}\n`

const rToC = (systemId: string, place: string, call: 'off' | 'cool' | 'heat' | 'fan', faultId?: string): number => {
  const system = systemById(systemId)
  if (!system) throw new Error(`no system ${systemId}`)
  const fault = enumerateFaults(system).find(({ id }) => id === faultId)
  const network = networkInState(
    createLaboratory(system, templateValues),
    { ...createBench(system), call },
    fault ? hypothesisOfFault(fault) : healthy,
  )
  return solveNetwork(network).voltsBetween(`R@${place}`, `C@${place}`)
}
const deck = (body: string) => `* by hand\n${body}.ac lin 1 60 60\n.end\n`

describe('systems assembled by hand', () => {
  it('furnace with A/C, nothing called: board and thermostat on 40 VA', () => {
    // 27.5 V behind 1.75 + j1.1; fuse 0.03; board 7 VA; 15 m of cable each way with two landings and a plug; thermostat 2.2 VA.
    const wire = 0.02095 * 15 + 0.03
    const body = `${supply(120, 0.205, 120 / 27.5, 1.76, 1.1)}Rfuse 3 7 0.03\n${load('board', '7', '0', 7, 0.7)}Rr 7 8 ${wire}\nRc 9 0 ${wire}\n${load('stat', '8', '9', 2.2, 0.7)}`
    expect(rToC('furnace-ac', 'indoor', 'off')).toBeCloseTo(magnitude(simulateNamed(deck(body), '7')), 2)
  })

  it('old air handler, the fan called by a bimetal: the blower relay alone on 40 VA at 240 V', () => {
    // R out and G back over 14 m with two landings each, a plug and a contact of 0.08; the relay pulled in: 5 VA, 28 ohm, its two plugs and one link.
    const wire = 2 * (0.02095 * 14 + 0.02) + 0.01 + 0.08
    // The blower it starts, 3 A at 240 V and 0.8, pulls the line down by half a volt.
    const blower = `Rblower 2 blower ${(240 / 3) * 0.8}\nLblower blower 0 ${((240 / 3) * 0.6) / (2 * Math.PI * 60)}\n`
    const body = `${supply(240, 0.21, 240 / 27.5, 1.76, 1.1)}${blower}Rfuse 3 7 0.03\nRr 7 8 ${wire + 0.03}\n${load('relay', '8', '0', 5, 0.4)}`
    expect(rToC('air-handler-plain', 'indoor', 'fan')).toBeCloseTo(magnitude(simulateNamed(deck(body), '7')), 2)
  })

  it('package heat pump with its board: 75 VA', () => {
    const wire = 0.02095 * 28 + 0.03
    const body = `${supply(240, 0.21, 240 / 27.2, 0.86, 0.7)}Rfuse 3 7 0.03\n${load('board', '7', '0', 5, 0.7)}Rr 7 8 ${wire}\nRc 9 0 ${wire}\n${load('stat', '8', '9', 2.2, 0.7)}`
    expect(rToC('package-heat-pump', 'package', 'off')).toBeCloseTo(magnitude(simulateNamed(deck(body), '7')), 2)
  })
})

/** Node names of these decks are digits already. */
function simulateNamed(text: string, node: string) {
  return simulate(text)(Number(node))
}
