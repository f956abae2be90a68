import type { BenchChange } from '@/src/core/bench/bench'
import { type WayOfWorking, waysOfWorking } from '@/src/core/diagnosis/planner/ways'
import type { ContentEntry, EntryDraft } from '@/src/core/job/entry'
import { findEnds, findPlace, isLifted } from '@/src/core/job/quick-line-names'
import { readPhrase } from '@/src/core/job/quick-line-phrases'
import { type CommandContext, isOverload, Misread, type SaidPair } from '@/src/core/job/quick-line-points'
import { SwapReader } from '@/src/core/job/quick-line-swaps'
import type { Token } from '@/src/core/job/quick-line-tokens'
import { unitsOfReading } from '@/src/core/job/quick-line-units'
import type { Answer, Probe } from '@/src/core/readings/check'
import { marks } from '@/src/core/readings/looks'
import type { CallName } from '@/src/core/wiring/call'
import { callsOf, firstPart, furtherFuses, isUnknown } from '@/src/core/wiring/system'

type Parsed =
  | { readonly ok: true; readonly drafts: EntryDraft[] }
  | { readonly ok: false; readonly problem: string; readonly start: number; readonly end: number }

/**
 * The grammar, one method a rule:
 *   line    = power | call | walk | lift | jumper | plug | swap | slot | reset | trip | amps | look | repaired | proved | note | skip | way | undo | close | reading
 *   reading = point ("-" | "to") point [["at"] place] value [["at"] place]
 *   point   = ["lifted"] [cable] name ["@" place];  value = "OL" | number [unit]
 */
export function parseCommand(line: string, tokens: readonly Token[], context: CommandContext): Parsed {
  const said = line.slice(tokens[0].start, tokens[tokens.length - 1].end)
  const phrase = readPhrase(said, context)
  if (phrase) return { ok: true, drafts: phrase }
  try {
    return { ok: true, drafts: new LineParser(line, tokens, context).parse() }
  } catch (error) {
    if (error instanceof Misread) return { ok: false, problem: error.problem, start: error.start, end: error.end }
    throw error
  }
}

class LineParser extends SwapReader {
  parse(): EntryDraft[] {
    const drafts = this.command()
    if (this.at < this.tokens.length) this.fail(`I understood the start, but not "${this.line.slice(this.tokens[this.at].start)}".`)
    return drafts
  }

  private command(): EntryDraft[] {
    const first = this.tokens[0]
    if (first.kind === 'number') return this.amps()
    const word = first.text.toLowerCase()
    // As it is spoken: look, thermostat blank.
    if (word === 'look' && this.tokens.length > 1) {
      this.at = this.tokens.length
      return this.without(1).parse()
    }
    const rules = new Map<string, () => EntryDraft[]>(
      Object.entries({
        power: () => this.power(),
        call: () => [this.bench({ do: 'call', call: this.callName() })],
        set: () => this.setTo(),
        volts: () => this.reading('volts'),
        ohms: () => this.reading('ohms'),
        it: () => this.itTrips(),
        max: () => this.amps('max'),
        highest: () => this.amps('max'),
        walk: () => [this.bench({ do: 'walk', place: this.place() })],
        go: () => [this.bench({ do: 'walk', place: this.place() })],
        lift: () => [this.bench({ do: 'lift', end: this.conductor((end) => !isLifted(this.context.state.bench, end)) })],
        land: () => [this.bench({ do: 'land', end: this.conductor((end) => isLifted(this.context.state.bench, end)) })],
        jumper: () => this.jumper(),
        unjumper: () => this.unjumper(),
        unplug: () => [this.bench({ do: 'unplug', part: this.part() })],
        plug: () => [this.bench({ do: 'plug', part: this.part() })],
        panel: () => this.panel(),
        swap: () => this.swap(),
        unswap: () => this.swapBack(),
        breaker: () => this.breaker(),
        slot: () => this.slotEmpty(),
        reset: () => [this.bench({ do: 'reset', ...this.ofFurther() })],
        trip: () => this.trip('trips'),
        trips: () => this.trip('trips'),
        tripped: () => this.trip('trips'),
        hold: () => this.trip('holds'),
        holds: () => this.trip('holds'),
        held: () => this.trip('holds'),
        landings: () => this.landings(),
        bare: () => this.bareCopper(),
        ...Object.fromEntries(marks.map((mark) => [mark, () => this.mark(mark)])),
        repaired: () => this.repaired(),
        proved: () => this.proved(),
        note: () => [{ kind: 'note', text: this.rest('a note needs its text') }],
        skip: () => this.skip(),
        way: () => this.way(),
        undo: () => this.undo(),
        close: () => [{ kind: 'close' }],
      }),
    )
    const rule = rules.get(word)
    if (rule) {
      this.at = 1
      return rule()
    }
    return this.fuse() ?? this.furtherFuse() ?? this.whatRuns() ?? this.look() ?? this.reading()
  }

  private without(first: number): LineParser {
    return new LineParser(this.line, this.tokens.slice(first), this.context)
  }

  private bench(change: BenchChange): EntryDraft {
    return { kind: 'bench', change }
  }

  private power(): EntryDraft[] {
    const on = this.oneOf({ on: true, off: false }, 'Power is "on" or "off".')
    return [this.bench({ do: 'power', on })]
  }

  private panel(): EntryDraft[] {
    const place = this.place()
    return [this.bench({ do: 'panel', place, on: this.oneOf({ on: true, off: false }, 'A panel is "on" or "off".') })]
  }

  private breaker(): EntryDraft[] {
    if (this.accept('reset')) return [this.bench({ do: 'reset' })]
    if (this.peek()?.kind === 'number') {
      const ratingA = this.number()
      this.accept('A')
      this.expect('in', 'Say "breaker 3 in" when it goes in.')
      return [this.bench({ do: 'slot', holds: 'breaker', ratingA })]
    }
    return this.oneOf<() => EntryDraft[]>(
      {
        in: () => [this.bench({ do: 'slot', holds: 'breaker' })],
        out: () => [this.bench({ do: 'slot', holds: 'nothing' })],
        trips: () => this.trip('trips'),
        holds: () => this.trip('holds'),
      },
      'Say "breaker in", "breaker out", "breaker reset", or "trips" and "holds".',
    )()
  }

  private slotEmpty(): EntryDraft[] {
    this.expect('empty', 'Say "slot empty", "breaker in" or "fuse 3 in".')
    return [this.bench({ do: 'slot', holds: 'nothing' })]
  }

  /** `fuse 3 in`, `fuse in`, `fuse out`, `fuse blown`, `fuse good`. */
  private fuse(): EntryDraft[] | null {
    if (this.peek()?.text.toLowerCase() !== 'fuse') return null
    this.at++
    const rating = this.peek()?.kind === 'number' ? this.number() : undefined
    this.accept('A')
    if (rating !== undefined || this.peek()?.text.toLowerCase() === 'in') {
      this.expect('in', 'Say "fuse 3 in" when it goes in.')
      if (rating === undefined && isUnknown(this.context.system, 'fuse'))
        this.failAt('Say its size, which nobody has read off the label yet: "fuse 3 in" or "fuse 5 in".', this.tokens[0])
      return [this.bench(rating === undefined ? { do: 'slot', holds: 'fuse' } : { do: 'slot', holds: 'fuse', ratingA: rating })]
    }
    if (this.accept('out')) return [this.bench({ do: 'slot', holds: 'nothing' })]
    const word = this.oneOf({ blown: 'blown', good: 'good', ok: 'good' }, 'A fuse is "good", "blown", "out", or goes in: "fuse 3 in".')
    return [{ kind: 'reading', probe: { meter: 'look', at: 'fuse' }, answer: { word } }]
  }

  /** The further fuse or breaker that the next words name, taken; nothing where they name none. */
  private ofFurther(): { part?: string } {
    const found = furtherFuses(this.context.system).find((fuse) => this.acceptWords(fuse.id) || this.acceptWords(fuse.name))
    return found ? { part: found.id } : {}
  }

  /** `panel-fuse blown`, `panel fuse 3 in`, `panel fuse breaker in`, `panel fuse out`, `panel fuse trips`. */
  private furtherFuse(): EntryDraft[] | null {
    const { part } = this.ofFurther()
    if (part === undefined) return null
    if (this.accept('reset')) return [this.bench({ do: 'reset', part })]
    if (this.accept('breaker')) {
      this.expect('in', 'Say "breaker in" when it goes in.')
      return [this.bench({ do: 'slot', holds: 'breaker', part })]
    }
    const ratingA = this.peek()?.kind === 'number' ? this.number() : undefined
    this.accept('A')
    if (this.accept('in')) return [this.bench({ do: 'slot', holds: 'fuse', part, ...(ratingA !== undefined && { ratingA }) })]
    if (this.accept('out')) return [this.bench({ do: 'slot', holds: 'nothing', part })]
    const said = this.oneOf(
      { blown: 'blown', tripped: 'trips', trips: 'trips', good: 'good', ok: 'good', holds: 'good' },
      'It is "good", "blown", "trips", "out", or goes in: "3 in".',
    )
    if (said === 'trips') return [{ kind: 'trip', result: 'trips', on: part }]
    return [{ kind: 'reading', probe: { meter: 'look', at: part }, answer: { word: said } }]
  }

  private trip(result: 'trips' | 'holds'): EntryDraft[] {
    const drafts: EntryDraft[] = []
    if (this.accept('on') || this.accept('at')) {
      if (this.accept('power-up') || this.accept('power')) {
        this.accept('-')
        this.accept('up')
      } else {
        const call = this.callName()
        const { bench } = this.context.state
        if (bench.call !== call && bench.jumpers.length === 0) drafts.push(this.bench({ do: 'call', call }))
      }
    }
    return [...drafts, { kind: 'trip', result }]
  }

  /** `0.27 A on R`, `8.1 amps on outdoor Y at indoor`, `max 8.1 A on R`. */
  private amps(said?: 'max'): EntryDraft[] {
    const value = this.number()
    const unit = this.peek()
    if (!unit || !/^(a|amp|amps|ma)$/i.test(unit.text)) this.fail('A line that starts with a number is a clamp reading: 0.27 A on R.')
    this.at++
    const hold = said ?? (this.accept('max') ? 'max' : undefined)
    this.expect('on', 'Say what the clamp is around: 0.27 A on R.')
    const amps = /^ma$/i.test(unit?.text ?? '') ? value / 1000 : value
    const probe: Probe = { meter: 'amps', on: this.clampSpot(), ...(hold && { hold }) }
    return [{ kind: 'reading', probe, answer: amps }]
  }

  /** R at the unit is the transformer's lead; any other letter is its conductor, the one that leaves the unit if there are two. */
  private clampSpot(): string {
    const { system, state } = this.context
    const fuse = firstPart(system, 'fuse')
    const start = this.peek()
    const cable = this.cable()
    const token = this.word('Say what the clamp is around.')
    const place = this.atPlace() ?? state.bench.place
    if (token.text.includes('@')) return token.text
    const isSupply =
      token.text.toLowerCase() === 'fuse' || (cable === null && token.text.toUpperCase() === fuse.between[1] && place === fuse.place)
    if (isSupply) return fuse.id
    const ends = findEnds(system, token.text, place, cable)
    if (ends.length === 0) this.failAt(`There is no conductor "${token.text}" at the ${this.placeName(place)}.`, start ?? token)
    return ends[ends.length - 1]
  }

  private jumper(): EntryDraft[] {
    if (this.accept('out')) return this.unjumper()
    const [a, b] = this.pair()
    return [this.bench({ do: 'jumper', a, b })]
  }

  private unjumper(): EntryDraft[] {
    const { jumpers } = this.context.state.bench
    if (this.at >= this.tokens.length) {
      if (jumpers.length === 1) return [this.bench({ do: 'unjumper', ...jumpers[0] })]
      this.fail(jumpers.length === 0 ? 'There is no jumper in.' : 'More than one jumper is in: say which, as in jumper out R Y at indoor.')
    }
    const [a, b] = this.pair()
    return [this.bench({ do: 'unjumper', a, b })]
  }

  private repaired(): EntryDraft[] {
    const { suspects } = this.context
    const rank = this.peek()?.kind === 'number' ? this.number() : 1
    const suspect = suspects[rank - 1]
    if (!suspect || suspect.zone === null || suspect.repair === null)
      this.failAt(`There is no repair for suspect ${rank}. Say "repaired 1" for the first of the list.`, this.tokens[0])
    const cause = this.accept('cause') || this.accept('because') ? this.rest('say what caused it') : ''
    return [{ kind: 'repair', fault: suspect.id, zone: suspect.zone as string, what: suspect.repair as string, cause }]
  }

  /** `proved cool 0.9 A 25.6 V`. */
  private proved(): EntryDraft[] {
    const call = this.callName()
    if (call === 'off') this.failAt(`Say which call was proved: ${callsOf(this.context.system).join(', ')}.`, this.tokens[1])
    let amps: number | null = null
    let volts: number | null = null
    while (this.peek()?.kind === 'number') {
      const value = this.number()
      const unit = this.word('Give the unit: A or V.')
      if (/^a(mps?)?$/i.test(unit.text)) amps = value
      else if (/^v(olts?)?$/i.test(unit.text)) volts = value
      else this.failAt('A proof has amps (A) and volts (V).', unit)
    }
    return [{ kind: 'proof', call: call as CallName, held: true, amps, volts }]
  }

  private skip(): EntryDraft[] {
    const { proposed } = this.context
    if (!proposed) this.failAt('No check is proposed now.', this.tokens[0])
    return [{ kind: 'skip', probe: proposed as Probe }]
  }

  /** `way halve`, `way take off`, `way free`. */
  private way(): EntryDraft[] {
    const token = this.word(`Say which: ${waysOfWorking.map((way) => `way ${way}`).join(', ')}.`)
    const said = this.tokens.slice(this.at - 1).map(({ text }) => text.toLowerCase())
    const wanted = said.join('-')
    const way = waysOfWorking.find((candidate) => candidate === wanted || candidate === said[0] || candidate.split('-')[0] === said[0])
    if (!way) this.failAt(`There is no way "${said.join(' ')}". There are: ${waysOfWorking.join(', ')}.`, token)
    this.at = this.tokens.length
    return [{ kind: 'way', way: way as WayOfWorking }]
  }

  private undo(): EntryDraft[] {
    const { lastEntry } = this.context
    if (!lastEntry) this.failAt('There is nothing to undo.', this.tokens[0])
    return [{ kind: 'undo', target: (lastEntry as ContentEntry).id }]
  }

  /** `set the thermostat to cool`. */
  private setTo(): EntryDraft[] {
    for (const filler of ['the', 'thermostat', 'stat', 'to']) this.accept(filler)
    return [this.bench({ do: 'call', call: this.callName() })]
  }

  /** `it trips on cool`, as it is spoken. */
  private itTrips(): EntryDraft[] {
    const said = this.oneOf(
      { trips: 'trips', trip: 'trips', tripped: 'trips', holds: 'holds', held: 'holds' },
      'Say whether it trips or holds.',
    )
    return this.trip(said as 'trips' | 'holds')
  }

  /** A reading between two points; `said` when the line began with what was measured. */
  private reading(said: 'volts' | 'ohms' | null = null): EntryDraft[] {
    for (const filler of ['from', 'between', 'across']) this.accept(filler)
    const across = this.acrossPart()
    const points = across ? null : this.twoPoints()
    for (const filler of ['reads', 'is', 'read']) this.accept(filler)
    const before = this.meterWord()
    const { answer, unit: typed } = this.value()
    const unit = typed ?? before ?? said
    const [a, b] = across ?? this.resolveBoth(points as SaidPair, this.atPlace())
    const isLive = this.context.state.bench.power
    const meter = unit ?? (isLive && answer !== 'OL' ? 'volts' : 'ohms')
    return [{ kind: 'reading', probe: { meter, a, b }, answer }]
  }

  /** `Y-C ohms OL`: what was measured, said before the number. */
  private meterWord(): 'volts' | 'ohms' | null {
    if (this.accept('ohms') || this.accept('ohm')) return 'ohms'
    return this.accept('volts') || this.accept('volt') ? 'volts' : null
  }

  private value(): { answer: Answer; unit: 'volts' | 'ohms' | null } {
    const token = this.peek()
    if (!token) this.fail('What did the meter read? Add a number or OL.')
    if (token?.kind === 'word') {
      if (isOverload(token.text)) {
        this.at++
        this.accept('ohm')
        return { answer: 'OL', unit: 'ohms' }
      }
      this.failAt(`A reading is a number or OL; "${token.text}" is neither.`, token)
    }
    const value = this.number()
    const unit = this.peek()
    if (!unit || unit.text.toLowerCase() === 'at') return { answer: value, unit: null }
    const known = unitsOfReading.get(unit.text.toLowerCase())
    if (!known && findPlace(this.context.system, unit.text) !== null) return { answer: value, unit: null }
    if (!known) this.failAt(`"${unit.text}" is not a unit for a reading. Use V, mV, ohm, kohm or Mohm.`, unit)
    this.at++
    return { answer: value * known[0], unit: known[1] }
  }
}
