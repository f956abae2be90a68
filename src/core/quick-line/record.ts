import type { Air } from '@/src/core/job/air-schema'
import { tellMore } from '@/src/core/job/customer-words'
import type { ContentEntry, EntryDraft } from '@/src/core/job/entry'
import { type WayOfWorking, waysOfWorking } from '@/src/core/job/ways'
import { readCall } from '@/src/core/quick-line/calls'
import { findPart, findPlace } from '@/src/core/quick-line/names'
import type { Reader } from '@/src/core/quick-line/reader'
import type { Probe } from '@/src/core/readings/check'
import { parseLook } from '@/src/core/readings/look-target'
import { modelValue } from '@/src/core/units/model-value'
import type { CallName } from '@/src/core/wiring/call'
import type { PartId } from '@/src/core/wiring/ids'
import { callsOf, partById, partsOf } from '@/src/core/wiring/system'

export function readRepaired(reader: Reader): EntryDraft[] {
  const { suspects } = reader.context
  const named = reader.peek()
  if (named?.kind === 'word' && !/^(?:cause|because)$/i.test(named.text)) return [repairedInWords(reader)]
  const rank = reader.peek()?.kind === 'number' ? reader.number() : 1
  const suspect = suspects[rank - 1]
  if (!suspect || suspect.zone === null || suspect.repair === null)
    reader.failAt(`There is no repair for suspect ${rank}. Say "repaired 1" for the first of the list.`, reader.tokens[0])
  const cause = reader.accept('cause') || reader.accept('because') ? reader.rest('say what caused it') : ''
  return [{ kind: 'repair', fault: suspect.id, zone: suspect.zone as string, what: suspect.repair as string, cause }]
}

/** Below this nothing leads, and "fixed it" names no suspect. */
const LEADS = modelValue({ value: 0.3, unit: 'probability', source: 'assumption' })
const OF_A_WIRE =
  /\b(?:wires?|wiring|leads?|conductors?|rub|rubbed|short|splice|connection|joint|wire nut|screw|lug|terminal|it|that|them)\b/
const WIRING = /^(?:conductor|lead|cable|not-landed|landed-wrong|ends-swapped|neutral|strip|fuse-clip)/

/** `repaired contactor`, `repaired Y outdoors because of the fence`: a repair in words, of the suspect that it sounds like or of none. */
function repairedInWords(reader: Reader): EntryDraft {
  const { system, suspects, state } = reader.context
  const [what, cause = ''] = reader
    .rest('say what was repaired')
    .replace(/\s*;[\s\S]*$/, '')
    .split(/\s+(?:because|cause)\s+/i)
  const spaced = (name: string) => name.toLowerCase().replaceAll('-', ' ')
  const words = spaced(what)
  // A thermostat's wire is no thermostat.
  const ofParts = words.replace(/\b(?:thermostat|stat|tstat)[’']?s? (?=(?:wires?|wiring|cable)\b)/g, '')
  const part = [...system.parts]
    .sort((a, b) => b.name.length - a.name.length)
    .find(({ id, name }) => [id, name].some((one) => ofParts.includes(spaced(one))))
  const cable = system.cables.find(({ id, name }) => [id, name, id.replace(/-cable$/, '')].some((one) => words.includes(spaced(one))))
  const zone = part?.place ?? cable?.id ?? cableRunTo(reader, words) ?? whereItWas(reader, words) ?? state.bench.place
  const named = suspects.find(
    (suspect) => suspect.zone === zone && suspect.repair !== null && part !== undefined && isOf(suspect.id, part.id),
  )
  // A wire that is not named is that of the leading suspect, where one leads.
  const [lead] = suspects
  const leads = lead !== undefined && (lead.probability ?? 0) >= LEADS && lead.repair !== null
  const isOfWire = leads && part === undefined && OF_A_WIRE.test(words) && WIRING.test(lead.id)
  const meant = named ?? (isOfWire ? lead : undefined)
  return {
    kind: 'repair',
    fault: meant?.id ?? null,
    zone: (isOfWire ? lead.zone : null) ?? zone,
    what: what.charAt(0).toUpperCase() + what.slice(1),
    cause,
  }
}

/** Whether a suspect is of a part: the inducer is not its relay. */
const isOf = (suspect: string, part: string): boolean => new RegExp(`(?<![\\w-])${part}(?![\\w-])`).test(suspect)

/** `taped it up`: where the wiring was seen last. */
function whereItWas({ context: { state } }: Reader, words: string): string | null {
  const last = /\b(?:it|that|them)\b/.test(words) ? state.observations.at(-1)?.probe : undefined
  const look = last?.meter === 'look' ? parseLook(last.at) : null
  return look?.what === 'wiring' ? look.of : null
}

/** `ran a new wire to the condenser`: the one cable between here and there. */
function cableRunTo({ context: { system, state } }: Reader, words: string): string | null {
  const [, said = ''] = /\b(?:wires?|cable)\b.* (?:to|from|for) (?:the )?(\w+(?: \w+)?)$/.exec(words) ?? []
  const [there, here] = [findPlace(system, said), state.bench.place]
  const [cable, another] = system.cables.filter(({ between }) => there !== null && between.includes(there))
  const [between] = system.cables.filter(
    (one) => there !== null && there !== here && one.between.includes(there) && one.between.includes(here),
  )
  return between?.id ?? (another ? null : (cable?.id ?? null))
}

/** `proved cool 0.9 A 25.6 V`, `proved cool 0.9 A air 76 57`: return and supply air in °F. */
export function readProved(reader: Reader): EntryDraft[] {
  const call = readCall(reader)
  if (call === 'off') reader.failAt(`Say which call was proved: ${callsOf(reader.context.system).join(', ')}.`, reader.tokens[1])
  let amps: number | null = null
  let volts: number | null = null
  let air: Air | null = null
  const motors: { part: PartId; amps: number }[] = []
  while (reader.peek() && reader.peek()?.text !== ';') {
    const motor = reader.peek()?.kind === 'word' ? readMotor(reader) : null
    if (motor !== null) {
      motors.push({ part: motor, amps: readLineAmps(reader) })
      continue
    }
    if (reader.accept('air') || reader.accept('return')) {
      const returnF = reader.number()
      reader.accept('to')
      reader.accept('supply')
      air = { returnF, supplyF: reader.number() }
      continue
    }
    if (reader.peek()?.kind !== 'number') break
    const value = reader.number()
    const unit = reader.word('Give the unit: A or V.')
    if (/^a(mps?)?$/i.test(unit.text)) amps = value
    else if (/^v(olts?)?$/i.test(unit.text)) volts = value
    else reader.failAt('A proof has amps (A) and volts (V).', unit)
  }
  return [{ kind: 'proof', call: call as CallName, held: true, amps, volts, ...(air && { air }), ...(motors.length > 0 && { motors }) }]
}

/** A motor or heater by its name, taken; null where the next word is none. */
function readMotor(reader: Reader): string | null {
  const { system } = reader.context
  const token = reader.peek()
  const part = token ? partById(system, findPart(system, token.text) ?? '') : undefined
  if (part?.kind !== 'load') return null
  reader.at++
  return part.id
}

function readLineAmps(reader: Reader): number {
  for (const filler of ['is', 'at', 'draws']) reader.accept(filler)
  const amps = reader.number()
  for (const unit of ['A', 'amps', 'amp']) reader.accept(unit)
  return amps
}

/** `cycle`, `cycles 3`, `cycle cool`: clean ones, of the call that is on where none is said. */
export function readCycles(reader: Reader): EntryDraft[] {
  const { bench } = reader.context.state
  const times = reader.peek()?.kind === 'number' ? reader.number() : 1
  if (!Number.isInteger(times) || times < 1 || times > 30) reader.failAt('How many clean cycles? From 1 to 30.', reader.tokens[0])
  reader.accept('of')
  const call = reader.peek() ? readCall(reader) : bench.call
  if (call === 'off') return reader.fail(`Of which mode? Say it: "cycles 3 ${callsOf(reader.context.system)[0]}".`)
  return Array.from({ length: times }, () => ({ kind: 'cycle', call: call as CallName }))
}

/** `plate compressor 14.2 A`: what the plate of a motor or heater says. */
export function readPlate(reader: Reader): EntryDraft[] {
  const { system } = reader.context
  const part = readMotor(reader)
  if (part === null)
    return reader.fail(
      `Say whose plate: ${partsOf(system, 'load')
        .map(({ id }) => `"plate ${id} 5.2 A"`)
        .join(', ')}.`,
    )
  return [{ kind: 'plate', part, amps: readLineAmps(reader) }]
}

export function readSkip(reader: Reader): EntryDraft[] {
  const { proposed } = reader.context
  if (!proposed) reader.failAt('No check is proposed now.', reader.tokens[0])
  return [{ kind: 'skip', probe: proposed as Probe }]
}

/** `complaint no cooling`: the customer's words, and what they tick. */
export function readComplaint(reader: Reader): EntryDraft[] {
  const { state, system } = reader.context
  const words = reader.words("a complaint needs the customer's words").replace(/^:\s*/, '')
  return [{ kind: 'complaint', complaint: tellMore(state.complaint, words, system) }]
}

/** `way halve`, `way take off`, `way free`. */
export function readWay(reader: Reader): EntryDraft[] {
  const token = reader.word(`Say which: ${waysOfWorking.map((way) => `way ${way}`).join(', ')}.`)
  const said = reader.tokens.slice(reader.at - 1).map(({ text }) => text.toLowerCase())
  const wanted = said.join('-')
  const way = waysOfWorking.find((candidate) => candidate === wanted || candidate === said[0] || candidate.split('-')[0] === said[0])
  if (!way) reader.failAt(`There is no way "${said.join(' ')}". There are: ${waysOfWorking.join(', ')}.`, token)
  reader.at = reader.tokens.length
  return [{ kind: 'way', way: way as WayOfWorking }]
}

export function readUndo(reader: Reader): EntryDraft[] {
  const { lastEntry } = reader.context
  if (!lastEntry) reader.failAt('There is nothing to undo.', reader.tokens[0])
  return [{ kind: 'undo', target: (lastEntry as ContentEntry).id }]
}
