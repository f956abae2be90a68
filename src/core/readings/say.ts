import type { Bench } from '@/src/core/bench/bench'
import { sayPoint } from '@/src/core/bench/points'
import { pluggedOf, sayPair, saySlot } from '@/src/core/bench/say'
import { weakLoad } from '@/src/core/readings/capacitor-looks'
import type { Answer, Probe } from '@/src/core/readings/check'
import { swappedEnds } from '@/src/core/readings/landing-looks'
import { parseLook } from '@/src/core/readings/look-target'
import { ADDED } from '@/src/core/readings/looks'
import { fromOhmScale, type Prediction, type Scale } from '@/src/core/readings/prediction'
import { sayAmps, sayOhms, sayVolts } from '@/src/core/units/quantity'
import { workLimit } from '@/src/core/units/work-limit'
import { sayCall } from '@/src/core/wiring/call'
import { isPoint, parsePoint } from '@/src/core/wiring/point'
import { firstPart, partById, placeById, type System, zoneName } from '@/src/core/wiring/system'

/** A value on a scale, in the trade's unit. */
export function sayOnScale(value: number, scale: Scale): string {
  if (scale === 'ohms') return sayOhms(Math.max(0, fromOhmScale(value)))
  if (scale === 'amps') return sayAmps(Math.max(0, value))
  return sayVolts(Math.max(0, value))
}

/** The likeliest component in words, the second beside it when it counts. */
export function saysPrediction(prediction: Prediction, scale: Scale): string {
  const shares = new Map<string, number>()
  for (const { at, weight, floating } of prediction) {
    const text = at === 'OL' ? 'OL' : typeof at === 'object' ? at.word : floating ? 'floats' : sayOnScale(at, scale)
    shares.set(text, (shares.get(text) ?? 0) + weight)
  }
  return [...shares]
    .filter(([, weight]) => weight > 0.1)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 2)
    .map(([text]) => text)
    .join(' or ')
}

export function sayAnswer(answer: Answer, probe: Probe): string {
  if (answer === 'OL') return 'OL'
  if (typeof answer === 'object' && 'word' in answer) return sayWord(answer.word)
  const say = probe.meter === 'ohms' ? sayOhms : probe.meter === 'amps' ? sayAmps : sayVolts
  // A fine meter's digits are kept as they were read: along a cable they are what counts.
  if (probe.meter === 'ohms' && typeof answer === 'number' && answer < FINE_BELOW && Number(answer.toFixed(3)) === answer)
    return `${answer} ohm`
  if (typeof answer === 'number') return say(answer)
  return sayBand(answer.low, answer.high, probe.meter)
}

/** Below this a meter of some digits shows more than tenths. */
const FINE_BELOW = workLimit(10)

/** `off: stat-cable.Y@indoor` as people say it; other words are people's words already. */
function sayWord(word: string): string {
  const tripped = word.match(/^trips: (.+)$/)
  if (tripped) return `the ${tripped[1].replaceAll('-', ' ')} trips`
  if (word === ADDED) return 'an accessory wired in'
  const weak = weakLoad(word)
  if (weak !== null) return `${weak.replaceAll('-', ' ')} side low`
  const bare = word.match(/^bare: (.+)$/)
  if (bare) return `bare copper on ${bare[1]}`
  const onScrew = word.match(/^wrong: (.+) on (\S+)$/)
  if (onScrew && isPoint(onScrew[1])) {
    const end = parsePoint(onScrew[1])
    return `${end.name} of the ${end.cable?.replaceAll('-', ' ')} is on ${onScrew[2]}`
  }
  const swapped = swappedEnds(word)?.map(parsePoint)
  if (swapped) return `${swapped[0].name} and ${swapped[1].name} of the ${swapped[0].cable?.replaceAll('-', ' ')} are swapped`
  const found = word.match(/^(off|wrong): (.+)$/)
  if (!found || !isPoint(found[2])) return word
  const { cable, name } = parsePoint(found[2])
  return `${name} of the ${cable?.replaceAll('-', ' ')} ${found[1] === 'off' ? 'is off' : 'is on a wrong terminal'}`
}

/** A band as it stands on a one-tap answer. */
export function sayBand(low: number, high: number, meter: Probe['meter']): string {
  const unit = meter === 'ohms' ? 'ohm' : meter === 'amps' ? 'A' : 'V'
  const digits = meter === 'amps' ? 2 : high < 10 ? 1 : 0
  const text = (value: number) => String(Number(value.toFixed(digits)))
  if (low <= 0.05 && high < (meter === 'ohms' ? 3 : meter === 'amps' ? 0.08 : 3)) return 'near 0'
  if (meter === 'ohms' && low >= 1000) return `over ${sayOhms(low)}`
  if (meter === 'ohms' && high >= 1e6) return `over ${text(low)} ohm`
  if (low <= 0) return `under ${text(high)} ${unit}`
  return `${text(low)}–${text(high)} ${unit}`
}

/** The question in a technician's words. */
export function sayProbe(system: System, probe: Probe): string {
  switch (probe.meter) {
    case 'volts':
      return `${sayPair(system, probe.a, probe.b)}${probe.lowImpedance ? ', low impedance' : ''}`
    case 'ohms':
      return sayPair(system, probe.a, probe.b)
    case 'amps':
      return `${probe.hold ? 'highest amps' : 'amps'} on ${probe.on === firstPart(system, 'fuse').id ? 'R of the transformer' : isPoint(probe.on) ? sayPoint(system, probe.on) : probe.on}`
    case 'trip':
      return 'does it trip?'
    case 'look':
      return sayTarget(system, probe.at)
  }
}

/** The bench that a reading was taken on, short. */
export function sayBenchShort(system: System, bench: Bench): string {
  const parts = [bench.power ? (bench.call === 'off' ? 'no call' : `on ${sayCall[bench.call]}`) : 'power off']
  if (bench.jumpers.length > 0) parts.push(bench.jumpers.length === 1 ? 'jumper in' : `${bench.jumpers.length} jumpers in`)
  if (bench.lifted.length > 0) parts.push(`${bench.lifted.length} lifted`)
  const isOfLeads = (id: Bench['unplugged'][number]) => pluggedOf(system, id).leads !== null
  const plugs = bench.unplugged.filter((id) => !isOfLeads(id)).length
  if (plugs > 0) parts.push(`${plugs} unplugged`)
  if (plugs < bench.unplugged.length) parts.push('transformer leads off')
  if (bench.power && bench.slot.open) parts.push(saySlot(system, bench))
  return parts.join(', ')
}

function sayTarget(system: System, at: string): string {
  const { what, of } = parseLook(at)
  switch (what) {
    case 'landings':
      return `landings at the ${placeById(system, of)?.name}`
    case 'runs':
      return `what runs at the ${placeById(system, of)?.name}`
    case 'wiring':
      return `wiring of the ${zoneName(system, of)}`
    case 'flame':
      return 'burners'
    case 'signal':
      return 'flame signal'
    case 'contacts':
      return `contacts of the ${partById(system, of)?.name ?? of}`
    case 'capacitor':
      return partById(system, of)?.name ?? of
    case 'part':
      return partById(system, of)?.name ?? of
  }
}
