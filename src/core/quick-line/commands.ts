import type { EntryDraft } from '@/src/core/job/entry'
import { readCall, readSetTo } from '@/src/core/quick-line/calls'
import { readCapacitor } from '@/src/core/quick-line/capacitor'
import { benchDraft } from '@/src/core/quick-line/drafts'
import { readFlame } from '@/src/core/quick-line/flame'
import { readBreaker, readFurther, readFurtherFuse, readFuse, readSlotEmpty } from '@/src/core/quick-line/fuses'
import { readJumper, readResistor, readResistors, readUnjumper } from '@/src/core/quick-line/jumpers'
import { readLeave } from '@/src/core/quick-line/leaving'
import { readBareCopper, readContacts, readLandings, readLook, readMark, readWhatRuns } from '@/src/core/quick-line/looks'
import { isLifted } from '@/src/core/quick-line/names'
import { readCustomer, readOffer } from '@/src/core/quick-line/offers'
import { readPhrase } from '@/src/core/quick-line/phrases'
import { readConductor, readPart, readPlace } from '@/src/core/quick-line/points'
import { readPanel, readPower } from '@/src/core/quick-line/power'
import { type CommandContext, Misread, Reader } from '@/src/core/quick-line/reader'
import { readAmps, readReading } from '@/src/core/quick-line/readings'
import { readComplaint, readCycles, readPlate, readProved, readRepaired, readSkip, readUndo, readWay } from '@/src/core/quick-line/record'
import {
  readCableWay,
  readCapacitance,
  readCopper,
  readDamage,
  readFarEnd,
  readLandmark,
  readLoop,
  readNulled,
  readRunLength,
} from '@/src/core/quick-line/runs'
import { readExchange, readSwap, readSwapBack } from '@/src/core/quick-line/swaps'
import type { Token } from '@/src/core/quick-line/tokens'
import { readItTrips, readSlip, readTrip } from '@/src/core/quick-line/trips'
import { ADDED, marks } from '@/src/core/readings/looks'

type Parsed =
  | { readonly ok: true; readonly drafts: EntryDraft[] }
  | { readonly ok: false; readonly problem: string; readonly start: number; readonly end: number }

/**
 * The grammar, one function a rule:
 *   line    = power | call | walk | lift | jumper | plug | swap | slot | reset | trip | amps | look | repaired | proved | note | complaint | run | leave | skip | way | undo | close | reading
 *   reading = point ("-" | "to") point [["at"] place] value [["at"] place]
 *   point   = ["lifted" | "screw"] [cable] name ["@" place];  value = "OL" | number [unit]
 */
export function parseCommand(line: string, tokens: readonly Token[], context: CommandContext): Parsed {
  const said = line.slice(tokens[0].start, tokens[tokens.length - 1].end)
  const phrase = readPhrase(said, context)
  if (phrase) return { ok: true, drafts: phrase }
  try {
    return { ok: true, drafts: readLine(new Reader(line, tokens, context)) }
  } catch (error) {
    if (error instanceof Misread) return { ok: false, problem: error.problem, start: error.start, end: error.end }
    throw error
  }
}

function readLine(reader: Reader): EntryDraft[] {
  const { tokens, line } = reader
  // As it is spoken: look, thermostat blank.
  if (tokens[0].text.toLowerCase() === 'look' && tokens.length > 1) return readLine(new Reader(line, tokens.slice(1), reader.context))
  const drafts = readCommand(reader)
  if (reader.at < tokens.length) reader.fail(`I understood the start, but not "${line.slice(tokens[reader.at].start)}".`)
  return drafts
}

function readCommand(reader: Reader): EntryDraft[] {
  const [first] = reader.tokens
  if (first.kind === 'number') return readAmps(reader)
  const rule = rules.get(first.text.toLowerCase())
  if (!rule) return readFuse(reader) ?? readFurtherFuse(reader) ?? readWhatRuns(reader) ?? readLook(reader) ?? readReading(reader)
  reader.at = 1
  return rule(reader)
}

type Rule = (reader: Reader) => EntryDraft[]

/** A word that a line of the grammar begins with. */
export const isCommandWord = (word: string): boolean => rules.has(word.toLowerCase())

/** The rules by the word that a line begins with. */
const rules: ReadonlyMap<string, Rule> = new Map(
  Object.entries<Rule>({
    power: readPower,
    call: (reader) => [benchDraft({ do: 'call', call: readCall(reader) })],
    set: readSetTo,
    volts: (reader) => readReading(reader, 'volts'),
    ohms: (reader) => readReading(reader, 'ohms'),
    it: readItTrips,
    max: (reader) => readAmps(reader, 'max'),
    highest: (reader) => readAmps(reader, 'max'),
    walk: (reader) => [benchDraft({ do: 'walk', place: readPlace(reader) })],
    go: (reader) => [benchDraft({ do: 'walk', place: readPlace(reader) })],
    lift: (reader) => [benchDraft({ do: 'lift', end: readConductor(reader, (end) => !isLifted(reader.context.state.bench, end)) })],
    land: (reader) => [benchDraft({ do: 'land', end: readConductor(reader, (end) => isLifted(reader.context.state.bench, end)) })],
    jumper: readJumper,
    unjumper: readUnjumper,
    resistor: readResistor,
    resistors: readResistors,
    unplug: (reader) => [benchDraft({ do: 'unplug', part: readPart(reader) })],
    plug: (reader) => [benchDraft({ do: 'plug', part: readPart(reader) })],
    panel: readPanel,
    swap: readSwap,
    unswap: readSwapBack,
    exchange: readExchange,
    breaker: readBreaker,
    slot: readSlotEmpty,
    reset: (reader) => [benchDraft({ do: 'reset', ...readFurther(reader) })],
    trip: (reader) => readTrip(reader, 'trips'),
    trips: (reader) => readTrip(reader, 'trips'),
    tripped: (reader) => readTrip(reader, 'trips'),
    slip: readSlip,
    hold: (reader) => readTrip(reader, 'holds'),
    holds: (reader) => readTrip(reader, 'holds'),
    held: (reader) => readTrip(reader, 'holds'),
    landings: readLandings,
    contacts: readContacts,
    capacitor: readCapacitor,
    flame: readFlame,
    bare: readBareCopper,
    ...Object.fromEntries(marks.map((mark): [string, Rule] => [mark, (reader) => readMark(reader, mark)])),
    accessory: (reader) => readMark(reader, ADDED),
    sound: (reader) => readMark(reader, 'sound'),
    repaired: readRepaired,
    proved: readProved,
    plate: readPlate,
    cycle: readCycles,
    cycles: readCycles,
    note: (reader) => [{ kind: 'note', text: reader.rest('a note needs its text').replace(/^:\s*/, '') }],
    complaint: readComplaint,
    leave: readLeave,
    left: readLeave,
    offer: readOffer,
    customer: readCustomer,
    run: readRunLength,
    landmark: readLandmark,
    cap: readCapacitance,
    loop: readLoop,
    nulled: readNulled,
    copper: readCopper,
    far: readFarEnd,
    damage: readDamage,
    skip: readSkip,
    way: (reader) => (reader.accept('cable') ? readCableWay(reader) : readWay(reader)),
    undo: readUndo,
    close: () => [{ kind: 'close' }],
  }),
)
