import { NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import { loadOf, type Sentence } from '@/src/core/quick-line/sentence'
import { BETWEEN_LEGS, lineSide, primary, windingVolts } from '@/src/core/quick-line/volts'
import { contactorPlace } from '@/src/core/quick-line/which-part'
import { partById, partsOf, type System } from '@/src/core/wiring/system'

/** The supply as it is told: line volts at a unit, between its legs, and what a transformer of several has on either side. */

/** The least that is the line's and not the 24 V side's: assumption, half of 120 V and less 10 %. */
const LEAST_OF_LINE = 54

/** Between the two legs behind the disconnect of a place. */
function betweenLegs(the: Sentence, place: string, volts: string): string | null {
  const legs = partsOf(the.system, 'disconnect')
    .find((part) => part.place === place && part.poles.length > 1)
    ?.poles.map(([, after]) => after)
  return legs ? `${legs[0]}-${legs[1]} ${volts} V at ${place}` : null
}

/** Line volts at the unit that was named, or where one stands: between its legs where it is that much, else at its transformer's primary. */
function lineAt(the: Sentence, said: string, volts: string): string | null {
  if (Number(volts) < LEAST_OF_LINE) return null
  const place = said === '' ? the.state.bench.place : the.place(said)
  if (place === null) return null
  if (Number(volts) >= BETWEEN_LEGS) return betweenLegs(the, place, volts) ?? (said === '' ? lineSide(the, volts) : null)
  const transformer = partsOf(the.system, 'transformer').find((part) => part.place === place)
  return transformer ? windingVolts(transformer, 'primary', volts) : said === '' ? lineSide(the, volts) : null
}

/** One of several transformers by its name, read across its secondary; more than 24 V is its primary. */
function ofTransformer(the: Sentence, name: string, volts: string): string | null {
  const part = partById(the.system, the.part(name) ?? '')
  return part?.kind === 'transformer' ? windingVolts(part, Number(volts) < LEAST_OF_LINE ? 'secondary' : 'primary', volts) : null
}

const both = (one: string | null, other: string | null): string | null => one && other && `${one}; ${other}`

/** The hot side behind the switch of the unit where one stands, against the metal and against the neutral, in the order in which they were read. */
export function hotAgainst(the: Sentence, ...readings: readonly (readonly ['metal' | 'neutral', string])[]): string | null {
  const { place } = the.state.bench
  const pole = partsOf(the.system, 'disconnect').find((part) => part.place === place && part.poles.length === 1)?.poles[0]
  const common = partsOf(the.system, 'supply').find((part) => part.place === place)?.neutral
  if (!pole || !common) return null
  return readings.map(([against, volts]) => `${pole[1]}-${against === 'metal' ? 'gnd' : common} ${volts} V`).join('; ')
}

/** The hot lead of a motor or an element against the metal. */
function loadToMetal(the: Sentence, what: string, volts: string): string | null {
  const part = partById(the.system, loadOf(the, what) ?? '')
  return part?.kind === 'load' && the.state.bench.power ? `${part.between[0]}-gnd ${volts} V at ${part.place}` : null
}

/** Line volts behind the contactor where one stands: across what it feeds. */
function loadSide(the: Sentence, volts: string): string | null {
  const fed = partsOf(the.system, 'load').find(
    ({ place, between }) => place === the.state.bench.place && between.some((lead) => lead.endsWith('-line')),
  )
  return fed && the.state.bench.power ? `${fed.between[0]}-${fed.between[1]} ${volts} V` : null
}

/** A fuse at a place where the record has none; null where it has one, or where no place is named. */
function noFuseAt(the: Sentence, where: string): Said {
  const place = the.place(where)
  if (place === null || partsOf(the.system, 'fuse').some((fuse) => fuse.place === place)) return null
  return noSuchFuse(the.system, 'blown')
}

const noSuchFuse = (system: System, word: string): Said => ({
  asks: `The record of this house has no fuse there. Say "fuse ${word}" for the ${partsOf(system, 'fuse')[0].name}, or put "note" before it.`,
})

export const supplyRules: readonly Rule[] = [
  rule(`${NUMBER} ?${VOLTS}? to (?:ground|gnd)(?:,| and| but)* ${NUMBER} ?${VOLTS}? to neutral`, (the, metal, neutral) =>
    hotAgainst(the, ['metal', metal], ['neutral', neutral]),
  ),
  rule(`${NUMBER} ?${VOLTS}? to neutral(?:,| and| but)* ${NUMBER} ?${VOLTS}? to (?:ground|gnd)`, (the, neutral, metal) =>
    hotAgainst(the, ['metal', metal], ['neutral', neutral]),
  ),
  rule(
    `(.+? transformer) ${NUMBER} ?${VOLTS}? (?:out|on secondary|secondary)(?:,| with| and)+ ${NUMBER} ?${VOLTS}? (?:in|on primary|primary)`,
    (the, name, out, fed) => both(ofTransformer(the, name, fed), ofTransformer(the, name, out)),
  ),
  rule(
    `(.+? transformer) ${NUMBER} ?${VOLTS}? (?:in|on primary|primary)(?:,| with| and)+ ${NUMBER} ?${VOLTS}? (?:out|on secondary|secondary)`,
    (the, name, fed, out) => both(ofTransformer(the, name, fed), ofTransformer(the, name, out)),
  ),
  rule('(heat|heating|cool|cooling|furnace|ac)(?: side)? transformer (?:is )?(?:dead|has nothing|has no output)', (the, side) =>
    ofTransformer(the, `${/^[hf]/.test(side) ? 'heating' : 'cooling'} transformer`, '0'),
  ),
  rule(`(heat|heating|cool|cooling) side(?: is| has| reads)? ${NUMBER} ?${VOLTS}?`, (the, side, volts) =>
    ofTransformer(the, `${/^h/.test(side) ? 'heating' : 'cooling'} transformer`, volts),
  ),
  rule(`${NUMBER} ?${VOLTS}? on ${NUMBER} ?${VOLTS}? tap`, (the, volts) => primary(the, volts)),
  rule(`(?:line side (?:(?:at|on) )?contactor|contactor(?:s)? (?:line side|top))(?: is| has| reads)? ${NUMBER} ?${VOLTS}?`, (the, volts) =>
    Number(volts) === 0 ? betweenLegs(the, contactorPlace(the), volts) : lineAt(the, contactorPlace(the), volts),
  ),
  rule(`(.+?)(?: hot)?(?: lead| side| spade)? to (?:ground|gnd|chassis)(?: is| reads| has)? ${NUMBER} ?${VOLTS}?`, (the, what, volts) =>
    loadToMetal(the, what, volts),
  ),
  rule(`${NUMBER} ?${VOLTS}?(?: from)? (.+?)(?: hot)?(?: lead| side| spade)? to (?:ground|gnd|chassis)`, (the, volts, what) =>
    loadToMetal(the, what.replace(/^(?:at|on|from) /, ''), volts),
  ),
  rule(`${NUMBER} ?${VOLTS}? to (?:ground|gnd|chassis) (?:at|on) (.+)`, (the, volts, what) => loadToMetal(the, what, volts)),
  rule(`load(?: side)?(?: is| has| reads)? ${NUMBER} ?${VOLTS}?`, (the, volts) => loadSide(the, volts)),
  rule('(heating|cooling|heat|cool|ac|a/c) (?:side )?fuse(?: is| was)? (good|ok|fine|intact|blown|popped|bad|open)', (the, side, how) => {
    const name = `${/^a/.test(side) ? 'cool' : side.slice(0, 4)}ing fuse`
    const [first] = partsOf(the.system, 'fuse')
    const named = partsOf(the.system, 'fuse').find((fuse) => fuse.name === name)
    const word = /^(?:good|ok|fine|intact)$/.test(how) ? 'good' : 'blown'
    return named ? `${named === first ? 'fuse' : named.id} ${word}` : noSuchFuse(the.system, word)
  }),
  rule('(?:put|stuck|using|installed) .*\\bbreaker in(?:to)? (?:place (?:of )?)?(.+?) fuse(?: slot| holder)?', (the, where) =>
    noFuseAt(the, where),
  ),
  rule('(.+?) fuse(?: is| was)? (blown|popped|open|gone|blew|pops|blows|good|ok|fine|intact)(?: again)?', (the, where, how) => {
    const place = the.place(where)
    const [fuse, another] = partsOf(the.system, 'fuse').filter((one) => one.place === place)
    const name = fuse === partsOf(the.system, 'fuse')[0] ? 'fuse' : fuse?.id
    return place !== null && fuse && !another ? `${name} ${/^(?:good|ok|fine|intact)$/.test(how) ? 'good' : 'blown'}` : null
  }),
  rule('(.+?) (?:fuse|breaker)(?: is| was)? (?:blown|popped|tripped|open|good|gone|blew|pops|blows)', (the, where) => noFuseAt(the, where)),
  rule(`${NUMBER} ?${VOLTS}? (?:line|line side|incoming|coming in|supply|line voltage|at line)`, (the, volts) => lineAt(the, '', volts)),
  rule(
    `(?:line voltage|incoming(?: power| voltage)?|supply(?: voltage)?|line(?: side)?)(?: is| reads| at| has)*(?: (?:at|to) (.+?))?(?: is| reads| has)? ${NUMBER} ?${VOLTS}?`,
    (the, where, volts) => lineAt(the, where, volts),
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:at|to|feeding|going to|on)(?: the)? (?:control |main )?board`, (the, volts) =>
    Number(volts) >= LEAST_OF_LINE ? lineSide(the, volts) : null,
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:at|to|feeding|going to|on)(?: the)? (.+)`, (the, volts, where) => lineAt(the, where, volts)),
  rule(`(.+?) (?:has|gets|getting|reads|shows|sees) ${NUMBER} ?${VOLTS}?`, (the, where, volts) => lineAt(the, where, volts)),
  rule(
    `(.+? transformer|transformer (?:of|for) .+?)(?: secondary| output)?(?: is| reads| has| puts out)? ${NUMBER} ?${VOLTS}?`,
    (the, name, volts) => ofTransformer(the, name, volts),
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:from|on|out of|at) (.+? transformer)(?: secondary| output)?`, (the, volts, name) =>
    ofTransformer(the, name, volts),
  ),
  rule(`(?:sec|secondary)(?: is| has| reads?)? ${NUMBER} ?${VOLTS}?`, (the, volts) =>
    Number(volts) < 60 && the.state.bench.power ? the.voltsAt('transformer', volts) : null,
  ),
  rule(`(?:24 ?v(?:olts?)?|low voltage|control) side(?: is| has| reads| shows)? ${NUMBER}(?: ?${VOLTS})?`, (the, volts) =>
    the.voltsAt('transformer', volts),
  ),
  rule('no (?:120|115|240|230|208)(?: ?v| volts)? (?:at|on|to|into) (?:transformer )?primary', (the) => primary(the, '0')),
]
