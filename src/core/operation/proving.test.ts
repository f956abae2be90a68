import { createBench, type Jumper } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { isMade, isPulledIn } from '@/src/core/operation/state'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { runOverTime } from '@/src/core/readings/over-time'
import { worldsOf } from '@/src/core/readings/world'
import type { CallName } from '@/src/core/wiring/call'
import { readSystem } from '@/src/core/wiring/read-system'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

/** A furnace whose control runs an inducer on W and opens its gas valve once the draft switch has proved it, and never while Y calls. */
const withInducer = (spoil: (board: any, draft: any) => void = () => {}): unknown => {
  const system: any = structuredClone(furnaceAc)
  const indoor = system.places.find(({ id }: any) => id === 'indoor')
  indoor.terminals.push('IND', 'PS', 'MV')
  const board: any = {
    kind: 'board',
    id: 'ignition',
    place: 'indoor',
    name: 'ignition control',
    source: 'assumption',
    between: ['R', 'C'],
    va: 2,
    powerFactor: 0.9,
    dcOhm: 200,
    aliveAboveVolts: 16,
    inputOhm: 1200,
    inputAboveVolts: 12,
    contactOhm: 0.05,
    outputs: [
      { call: 'W', to: 'IND', style: 'relay' },
      { call: 'W', needs: ['PS'], unless: ['Y'], to: 'MV', style: 'relay' },
    ],
  }
  const draft: any = {
    kind: 'switch',
    id: 'draft',
    place: 'indoor',
    name: 'draft switch',
    role: 'draft',
    source: 'assumption',
    between: ['R', 'PS'],
    contactOhm: 0.05,
    madeBy: 'inducer',
  }
  spoil(board, draft)
  system.parts = system.parts.map((part: any) =>
    part.id === 'gas-valve'
      ? { ...part, between: ['MV', 'C'] }
      : ['limit', 'rollout'].includes(part.id)
        ? { ...part, between: ['R', 'PS'] }
        : part,
  )
  system.parts = system.parts.filter(({ id }: any) => !['limit', 'rollout'].includes(id))
  const relay = system.parts.find(({ id }: any) => id === 'blower-relay')
  system.parts.push(
    board,
    draft,
    { ...relay, id: 'inducer-relay', name: 'inducer relay', between: ['IND', 'C'], contact: ['L1-unit', 'inducer-line'] },
    {
      kind: 'load',
      id: 'inducer',
      place: 'indoor',
      name: 'inducer',
      source: 'assumption',
      between: ['inducer-line', 'N'],
      volts: 120,
      amps: 1.5,
      powerFactor: 0.7,
    },
  )
  return system
}

function furnace() {
  const read = readSystem(withInducer())
  if (!read.ok) throw new Error(read.problems.join('\n'))
  return read.system
}

const system = furnace()
const laboratory = createLaboratory(system, templateValues)
const output = laboratory.machine.outputs.findIndex(({ to }) => to === 'MV')
const valve = laboratory.machine.relays.findIndex(({ part }) => part.id === 'gas-valve')

function onCall(call: CallName, fault: string | null = null, jumpers: Jumper[] = []) {
  const found = enumerateFaults(system).find(({ id }) => id === fault)
  if (fault !== null && !found) throw new Error(`no fault ${fault}`)
  const bench = { ...createBench(system), call, jumpers }
  return worldsOf(laboratory, bench, found ? hypothesisOfFault(found) : healthy).worlds[0].settled
}

describe('a switch that is open at rest', () => {
  it('is made once its motor runs, and the output that needs it opens the valve', () => {
    const { outcome, members } = onCall('heat')
    expect(outcome).toBe('settled')
    expect(members.every((state) => isMade(laboratory.machine, state, output) && isPulledIn(state, valve))).toBe(true)
  })

  it('stays open with a dead inducer, and when it is stuck open itself', () => {
    for (const fault of ['coil-open:inducer-relay', 'switch-open:draft'])
      expect([fault, onCall('heat', fault).members.some((state) => isPulledIn(state, valve))]).toEqual([fault, false])
  })

  it('an output is off while an input calls that keeps it off', () => {
    const both: Jumper[] = [{ a: 'R@indoor', b: 'Y@indoor' }]
    expect(onCall('heat', null, both).members.some((state) => isPulledIn(state, valve))).toBe(false)
  })

  it('over time comes after its motor', () => {
    const run = runOverTime(laboratory, { ...createBench(system), call: 'heat' }, healthy, { untilS: 60 })
    const at = (what: string) => run.happenings.find((one) => one.what === what)?.atS ?? Number.NaN
    expect(at('draft')).toBeGreaterThan(at('inducer-relay'))
    expect(at('gas-valve')).toBeGreaterThan(at('draft'))
  })

  it('is refused when it names no motor, and an output of plain metal when it is to wait', () => {
    const problems = (spoil: Parameters<typeof withInducer>[0]) => {
      const read = readSystem(withInducer(spoil))
      return read.ok ? '' : read.problems.join('\n')
    }
    expect(problems((_, draft) => (draft.madeBy = 'indcer'))).toContain('is made by "indcer", but there is no load called that')
    expect(problems((board) => (board.outputs[1].style = 'passes'))).toContain('cannot wait for another input')
  })
})
