import { type Entry, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'
import { drafts, standing } from '@/tests/setup/standing'

let count = 0
const stamp = { newId: () => `l${++count}`, now: () => '2026-05-04T09:10:00Z' }

/** What the last of some lines would enter, after the others were. */
function after(id: string, lines: readonly string[], last: string) {
  const system = systemOf(id)
  const read = (line: string, entries: readonly Entry[]) => {
    const understood = readQuickLine(line, { system, entries, suspects: [], proposed: null })
    if (!understood.ok) throw new Error(`${line}: ${understood.problem}`)
    return understood.drafts
  }
  const entries: Entry[] = []
  for (const line of lines) entries.push(...read(line, entries).map((draft) => stampEntry(draft, stamp)))
  return read(last, entries)
}

it('what still reads so is the last reading taken again, whatever came off meanwhile', () => {
  expect(after('furnace-ac', ['power off; Y-C 0.6', 'unplug thermostat at thermostat; walk indoor'], 'still 0.6')).toMatchObject([
    { kind: 'reading', probe: { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }, answer: 0.6 },
  ])
  expect(() => after('furnace-ac', ['power off; Y-C 0.6', 'unhooked Y going outside'], 'still 0.6')).toThrow('On the screw, or on the wire')
})

it('two wires, one of them in the hand, are read on their ends and not on the screws', () => {
  expect(after('furnace-ac', ['power off; walk outdoor; lift Y'], 'Y to C wires 0.5')).toMatchObject([
    { kind: 'reading', probe: { meter: 'ohms', a: 'outdoor-cable.Y@outdoor', b: 'outdoor-cable.C@outdoor' }, answer: 0.5 },
  ])
})

it('a wire that was found loose by its cable is off its screw, and landing it is the repair', () => {
  const lines = ['outdoor Y loose at the air handler']
  expect(after('heat-pump-o', [], lines[0])).toMatchObject([
    { probe: { at: 'landings@indoor' }, answer: { word: 'off: outdoor-cable.Y@indoor' } },
  ])
  expect(after('heat-pump-o', lines, 'landed it')).toMatchObject([{ kind: 'repair' }])
})

it('ants that are cleaned out of a contactor are a repair of it', () => {
  expect(after('furnace-ac', ['power off; walk outdoor; ants in the contactor'], 'cleaned out the ants')).toMatchObject([
    { kind: 'repair', zone: 'outdoor' },
  ])
})

it('cycles are counted however they are told, and who reads at a place stands there', () => {
  const inside = standing('furnace-ac', 'indoor', 'on', { do: 'slot', holds: 'breaker', ratingA: 3 })
  expect(drafts(inside, 'cycle cool 5 times, holds')).toEqual(drafts(inside, 'cycles 5 cool'))
  const dead = standing('furnace-ac', 'indoor', 'off')
  expect(drafts(dead, 'outside coil by itself 14')).toEqual(drafts(dead, 'walk outdoor; unplug contactor; ohms contactor 14'))
})

it('a mode that is dead, with what runs beside it, begins a visit as the complaint', () => {
  const first = (id: string, line: string) => after(id, [], line)
  expect(first('furnace-ac', 'no cooling, blower runs')).toMatchObject([
    { kind: 'complaint', complaint: { symptoms: ['mode-dead'], call: 'cool' } },
  ])
  expect(first('heat-pump-o', "heat pump won't heat, aux comes on")).toMatchObject([{ kind: 'complaint', complaint: { call: 'heat' } }])
  expect(first('furnace-ac', 'blows 3 amp fuse on a call for cooling')).toMatchObject([
    { kind: 'complaint', complaint: { symptoms: ['fuse-on-call'], call: 'cool' } },
  ])
  expect(first('furnace-ac', 'blower runs')).toMatchObject([{ kind: 'reading' }])
})

it('what heat alone brings on, and what is said not to come, was seen on the call of the complaint', () => {
  const calls = (call: string) => ({ kind: 'bench', change: { do: 'call', call } })
  const draft = (line: string) => after('furnace-induced-draft', ['no heat'], line)
  expect(draft('inducer runs')).toMatchObject([calls('heat'), { probe: { at: 'inducer' }, answer: { word: 'runs' } }])
  expect(draft('pressure switch never closes')).toMatchObject([calls('heat'), { kind: 'reading', answer: { low: 20 } }])
  const cool = (line: string) => after('furnace-ac', ['no cooling'], line)
  expect(cool('contactor not pulled in')).toMatchObject([calls('cool'), { probe: { at: 'contactor' }, answer: { word: 'out' } }])
  // At rest it lies so, and nobody says that it should not.
  expect(cool('contactor out')).toMatchObject([{ kind: 'reading' }])
})

it('what still runs is what was last seen to', () => {
  expect(after('furnace-ac', ['blower runs'], 'pulled G at the furnace, still runs')).toMatchObject([
    { change: { do: 'lift', end: 'stat-cable.G@indoor' } },
    { probe: { at: 'blower' }, answer: { word: 'runs' } },
  ])
})

it('a mode that works beside the dead one was told, and not tried: nothing is called', () => {
  expect(after('furnace-no-common', [], 'AC dead, heat works')).toMatchObject([{ kind: 'complaint', complaint: { call: 'cool' } }])
})

it('whoever reads at another place stood there while he read', () => {
  const system = systemOf('heat-pump-o')
  const understood = readQuickLine('at the heat pump Y-C 26', { system, entries: [], suspects: [], proposed: null })
  const entries = understood.ok ? understood.drafts.map((draft) => stampEntry(draft, stamp)) : []
  expect(foldJob(system, entries).observations).toMatchObject([{ bench: { place: 'outdoor' }, probe: { a: 'Y@outdoor' } }])
})

it('what was found off at another strip is put on it there; a hose goes back on its switch', () => {
  expect(() => after('heat-pump-b', [], 'B at the air handler loose')).toThrow('More than one conductor')
  expect(after('heat-pump-b', ['landings stat B off at indoor'], 'landed B')).toMatchObject([{ kind: 'repair' }])
  expect(after('furnace-induced-draft', [], 'put the hose back on')).toMatchObject([{ kind: 'repair' }])
})

it('what burns and stays is the flame, and not the light of the board', () => {
  expect(after('furnace-induced-draft', ['call heat'], 'lights and stays lit')).toMatchObject([
    { probe: { at: 'flame@ignition' }, answer: { word: 'burns' } },
  ])
})

it('the display of the zone where one stands shows its call', () => {
  expect(after('zoned-furnace-ac', ['call cool zone 2', 'walk stat-2'], 'thermostat shows a call')).toMatchObject([
    { probe: { at: 'thermostat-2' } },
  ])
  expect(after('zoned-furnace-ac', ['walk panel'], 'Y2 to C at the panel 0')).toMatchObject([{ probe: { a: 'Y2@panel' }, answer: 0 }])
})

it('what a letter still reads it reads against the same point', () => {
  expect(after('furnace-ac', ['power off', 'Y-gnd 0.3', 'lift stat G'], 'Y still 0.3')).toMatchObject([
    { kind: 'reading', probe: { meter: 'ohms', a: 'Y@indoor', b: 'chassis@indoor' }, answer: 0.3 },
  ])
  expect(() => after('furnace-ac', ['power off', 'Y-gnd 0.3', 'lift outdoor Y'], 'Y still 0.3')).toThrow('On the screw, or on the wire')
})

it('of several coils the one that was looked at last is meant by its coil, and is what is unplugged', () => {
  const seen = ['walk package; call cool2', 'second contactor is not in']
  expect(after('rooftop-gas', seen, '25 across its coil')).toMatchObject([
    { kind: 'reading', probe: { meter: 'volts', a: 'Y2@package', b: 'C@package' }, answer: 25 },
  ])
  expect(after('rooftop-gas', seen, 'power off, unplugged it')).toMatchObject([
    { kind: 'bench', change: { do: 'power', on: false } },
    { kind: 'bench', change: { do: 'unplug', part: 'second-contactor' } },
  ])
  expect(after('rooftop-gas', [...seen, 'power off, unplugged it'], 'coil OL')).toMatchObject([
    { kind: 'reading', probe: { meter: 'ohms', a: 'second-contactor.1@package', b: 'second-contactor.2@package' }, answer: 'OL' },
  ])
})

it('a stage by itself is that of the complaint, and what runs on a call runs once it is called', () => {
  expect(after('rooftop-gas', ['complaint no second stage cooling', 'walk package'], 'went down and called second stage')).toMatchObject([
    { kind: 'bench', change: { do: 'walk', place: 'thermostat' } },
    { kind: 'bench', change: { do: 'call', call: 'cool-2' } },
  ])
  expect(after('rooftop-gas', ['walk package'], 'both compressors running on second stage')).toMatchObject([
    { kind: 'bench', change: { do: 'call', call: 'cool-2' } },
    { kind: 'reading', answer: { word: 'runs' } },
    { kind: 'reading', answer: { word: 'runs' } },
  ])
})
