import { createBench } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Probe } from '@/src/core/readings/check'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { runOverTime } from '@/src/core/readings/over-time'
import { predict } from '@/src/core/readings/predict'
import { readSystem } from '@/src/core/wiring/read-system'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

const found = systemById('furnace-induced-draft')
if (!found) throw new Error('no furnace with an ignition control')
const furnace = found
const laboratory = createLaboratory(furnace, templateValues)
const heat = { ...createBench(furnace), call: 'heat' as const }
const withFault = (id: string) => {
  const fault = enumerateFaults(furnace).find((one) => one.id === id)
  if (!fault) throw new Error(`no fault ${id}`)
  return hypothesisOfFault(fault)
}
const likeliest = (probe: Probe, hypothesis = healthy) => {
  const [first] = [...predict(laboratory, heat, hypothesis, probe)].sort((a, b) => b.weight - a.weight)
  return typeof first.at === 'object' ? first.at.word : first.at
}
const flame: Probe = { meter: 'look', at: 'flame@ignition' }
const igniter: Probe = { meter: 'volts', a: 'igniter-line@indoor', b: 'N@indoor' }

describe('an ignition control', () => {
  it('proves the draft, warms the igniter, opens the valve, and lets the igniter go once there is flame', () => {
    const { outcome, happenings } = runOverTime(laboratory, heat, healthy, { untilS: 120 })
    expect(outcome).toBe('settled')
    expect(happenings.slice(2).map(({ what, to }) => `${what} ${to}`)).toEqual([
      'draft made',
      'ignition.igniter-line made',
      'ignition.valve-out made',
      'gas-valve in',
      'ignition burns',
      'ignition.igniter-line broken',
    ])
  })

  it.each([
    ['load-dead:igniter', 'no glow'],
    ['output-dead:ignition.igniter-line', 'no glow'],
    ['switch-open:draft', 'no glow'],
    ['output-dead:ignition.valve-out', 'glows without flame'],
    ['coil-open:gas-valve', 'glows without flame'],
    ['armature-jammed:gas-valve', 'glows without flame'],
    ['flame-not-sensed:ignition', 'lights and goes out'],
    ['output-chatters:ignition.valve-out', 'lights and goes out'],
  ])('%s: %s', (fault, seen) => {
    expect(likeliest(flame)).toBe('burns')
    expect(likeliest(flame, withFault(fault))).toBe(seen)
  })

  it('gives the volts of the line to an igniter that is dead, and none where it does not light it', () => {
    expect(likeliest(igniter, withFault('load-dead:igniter'))).toBeGreaterThan(110)
    expect(likeliest(igniter, withFault('output-dead:ignition.igniter-line'))).toBeLessThan(5)
  })

  it('is refused where what it lights or opens is not there', () => {
    const file = JSON.parse(JSON.stringify(furnace))
    const control = file.parts.find(({ id }: { id: string }) => id === 'ignition')
    control.ignites = { ...control.ignites, igniter: 'candle', opens: 'nowhere' }
    const read = readSystem(file)
    expect(read.ok ? [] : read.problems.map((problem) => problem.slice(problem.indexOf('The ')))).toEqual([
      'The ignition control lights "candle", but there is no load called that. Name the igniter.',
      'The ignition control has no output of style "relay" to "nowhere". Name one of its outputs.',
    ])
  })
})
