import type { EntryDraft } from '@/src/core/job/entry'
import { conductorsAt } from '@/src/core/quick-line/hands'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { parseLook } from '@/src/core/readings/look-target'
import { wordsOfCoil } from '@/src/core/readings/looks'
import { modelValue } from '@/src/core/units/model-value'
import { CHASSIS, type Point, parsePoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { partById, partsOf, type System } from '@/src/core/wiring/system'

/** Below this a bare number to the metal could be ohms of a short or stray volts on a dead wire. */
const AMBIGUOUS_BELOW = modelValue({ value: 2, unit: 'V or ohm', source: 'assumption: above it a bare figure is mostly volts' })

/** What a dead wire reads by itself. */
const MOST_STRAY_VOLTS = modelValue({
  value: 0.4,
  unit: 'V',
  source: 'assumption: of a loaded 24 V wire; more is mostly the ohms of a short',
})

/** What the coils of a call read between two wires, and no live pair: assumption. */
const MOST_OHMS_OF_A_COIL = modelValue({
  value: 20,
  unit: 'V or ohm',
  source: 'assumption: coils of 24 V parts; a live pair reads more, or nothing',
})
/** A primary that is fed reads more, even behind a neutral that is open: assumption. */
const LEAST_LINE_VOLTS = modelValue({ value: 30, unit: 'V', source: 'assumption: a quarter of 120 V' })

/** Across the primary of a transformer. */
const isPrimary = (a: Point, b: Point, system: System): boolean =>
  partsOf(system, 'transformer').some(({ primary }) => [a, b].every((point) => primary.includes(parsePoint(point).name)))

/** What is asked of a line that was understood: whether the record is behind, and of a small figure its unit; null where nothing is. */
export const askedOfFigures = (line: string, drafts: readonly EntryDraft[], the: Sentence, isExact: boolean): string | null =>
  whichStat(line, drafts, the) ??
  saidOtherwise(line, drafts, the) ??
  tooManyAmps(line, drafts) ??
  ampsOnHot(line, drafts) ??
  (isExact ? null : smallFigure(line, drafts, the))

/** `1.4 on R`: on the wire that feeds everything amps are as likely as few volts. */
function ampsOnHot(line: string, drafts: readonly EntryDraft[]): string | null {
  const [said, figure, hot] = /(?<![\w.])(\d*\.?\d+) (?:on|at) (?:the )?(R[ch]?)\b(?! ?(?:-|to|and)\b)/.exec(line) ?? []
  if (said === undefined) return null
  const inUnit = (unit: string) => line.trim().replace(said, `${figure} ${unit} on ${hot}`)
  const isFew = drafts.some(
    (draft) =>
      draft.kind === 'reading' &&
      draft.probe.meter === 'volts' &&
      typeof draft.answer === 'number' &&
      draft.answer > 0 &&
      draft.answer < MOST_AMPS_ON_HOT &&
      [draft.probe.a, draft.probe.b].some((point) => parsePoint(point).name === hot),
  )
  return isFew ? `Amps, or volts to common? Say "${inUnit('A')}", or "${inUnit('V')}".` : null
}
/** More is not led by a 24 V wire. */
const MOST_AMPS_ON_HOT = modelValue({ value: 10, unit: 'A', source: 'assumption: a dead short through a protected 40 VA transformer' })

/** Of two thermostats, with neither where one stands, the stat is either. */
function whichStat(line: string, drafts: readonly EntryDraft[], { system, state }: Sentence): string | null {
  const stats = partsOf(system, 'thermostat').map(({ place }) => place)
  if (stats.length < 2 || stats.includes(state.bench.place) || /\bzone\b|upstairs|downstairs/i.test(line)) return null
  const isRead = drafts.some(
    ({ kind, ...draft }) => kind === 'reading' && 'probe' in draft && 'a' in draft.probe && stats.includes(parsePoint(draft.probe.a).place),
  )
  const [said] = /\b(?:at|on) (?:the )?(?:thermostat|stat|tstat)\b(?![- ]?\d)/i.exec(line) ?? []
  return said === undefined || !isRead
    ? null
    : `At which one? Say ${stats.map((place) => `"${line.trim().replace(said, `at ${place}`)}"`).join(' or ')}.`
}

/**
 * Asks after what the record and a line tell otherwise: after a repair `R-C 25` with the power off is
 * most likely volts, and `with the stat off` is set to off, or off the wall. Null where neither is so.
 */
function saidOtherwise(line: string, drafts: readonly EntryDraft[], the: Sentence): string | null {
  const { bench } = the.state
  const isOff = !bench.power && !drafts.some((draft) => draft.kind === 'bench' && draft.change.do === 'power')
  const isOhms = drafts.some((draft) => draft.kind === 'reading' && draft.probe.meter === 'ohms')
  if (isOff && isOhms && ON_A_CALL.test(line) && !/\d ?(?:k?ohms?|v|volts?)\b/i.test(line))
    return `The power is off in the record. Is it back on? Say "power on; ${line.trim()}".`
  // What was seen to work had its power.
  if (isOff && drafts.some((draft) => draft.kind === 'proof' || needsPower(draft, line, the.system)))
    return `The power is off in the record. Is it back on? Say "power on; ${line.trim()}".`
  const isOfPoints = /\d ?(?:m?v|volts?|vac|k?ohms?)\b|\b(?:to|wires?|leads?|plug|harness)\b|-[A-Z]\b/i.test(line)
  if (bench.power && !isOfPoints && drafts.some((draft) => isAcrossLoose(draft, the)))
    return `Nothing is live at what is off its leads, and ohms are read with the power off. Is it off? Say "power off; ${line.trim()}".`
  if (bench.power && bench.slot.open && !isOfUnit(line) && drafts.some((draft) => isOhmsOfCoil(draft, the.system)))
    return `Nothing is live behind an open fuse or breaker. Volts, or ohms with the power off? Say "${line.trim()} V", or "power off; ${line.trim()}".`
  // The power is tried again, and that is seldom said.
  if (isOff && !/ohm/i.test(line) && !/\d ?v/i.test(line) && drafts.some(isSupplyVolts))
    return `Volts, with the power back on? Say "power on; ${line.trim()}", or "${line.trim()} ohms".`
  const [, read] = /^(.*\d.*?),? with (?:the )?(?:thermostat|stat|tstat) off$/i.exec(line.trim()) ?? []
  const stat = drafts.flatMap((draft) => (draft.kind === 'bench' && draft.change.do === 'unplug' ? [draft.change.part] : []))[0]
  return read === undefined || stat === undefined || bench.unplugged.includes(stat)
    ? null
    : `Set to off, or off the wall? Say "call off; ${read}", or "unplug ${stat}; ${read}".`
}

/** The question what so many amps are in. */
export const ampsOnWhat = (amps: number): string =>
  `Amps on what? ${amps} A is too much for the 24 V side. Name the load, "compressor ${amps} A", or say "${amps} A on R".`

/** Amps that no control circuit carries, with nothing said of what they are in. */
function tooManyAmps(line: string, drafts: readonly EntryDraft[]): string | null {
  if (/\b(?:on|around|through|in) \S|\bR\b|\bmax\b/.test(line)) return null
  const amps = drafts.flatMap((draft) =>
    draft.kind === 'reading' && draft.probe.meter === 'amps' && draft.probe.hold === undefined && typeof draft.answer === 'number'
      ? [draft.answer]
      : [],
  )
  const much = amps.find((one) => one > MOST_ON_24_V)
  return much === undefined ? null : ampsOnWhat(much)
}

/** More than the control circuit of a house carries, short of a dead short. */
export const MOST_ON_24_V = modelValue({ value: 6, unit: 'A', source: 'assumption: transformers of 20 to 75 VA, fuses of 3 and 5 A' })

/** What nothing does without power: a motor that runs, an armature that hums or is drawn in, a light, a flame, a display that goes out on a call. */
function needsPower(draft: EntryDraft, line: string, system: System): boolean {
  if (draft.kind !== 'reading' || draft.probe.meter !== 'look' || typeof draft.answer !== 'object' || !('word' in draft.answer))
    return false
  const { what, of } = parseLook(draft.probe.at)
  const { word } = draft.answer
  if (what === 'flame') return true
  const part = what === 'part' ? partById(system, of) : undefined
  switch (part?.kind) {
    case 'load':
      return word === 'runs'
    case 'coil':
      return word === 'chatters' || (word === wordsOfCoil(part.role)[0] && DRAWN_IN.test(line))
    case 'board':
      return word !== 'dark'
    case 'thermostat':
      return word === 'blank' && GOES_BLANK.test(line)
    default:
      return false
  }
}
/** One that is found in with the power off is stuck. */
const DRAWN_IN = /\b(?:pull(?:s|ed)|suck(?:s|ed)|snap(?:s|ped)|click(?:s|ed)|com(?:es)|came|kick(?:s|ed)|energi[sz]e[sd])\b/i
const GOES_BLANK = /\b(?:went|goes|going) (?:blank|dark|dead|out)\b/i

const isOfUnit = (line: string): boolean => /\d ?(?:m?v|volts?|vac|k?ohms?|a|amps?)\b/i.test(line)

/** A figure on the 24 V side of one transformer that its coils read in ohms, and no live wire in volts. */
function isOhmsOfCoil(draft: EntryDraft, system: System): boolean {
  if (draft.kind !== 'reading' || draft.probe.meter !== 'volts' || typeof draft.answer !== 'number') return false
  const isOfLine = [draft.probe.a, draft.probe.b].some((point) => lineNodes(system).has(point))
  return !isOfLine && partsOf(system, 'transformer').length === 1 && draft.answer > MOST_STRAY_VOLTS && draft.answer < MOST_OHMS_OF_A_COIL
}

/** A figure across the own leads of a part that is off them, where volts are told. */
function isAcrossLoose(draft: EntryDraft, { system, state }: Sentence): boolean {
  if (draft.kind !== 'reading' || draft.probe.meter !== 'volts' || typeof draft.answer !== 'number') return false
  if (draft.answer === 0 || draft.answer >= SUPPLY_VOLTS.low) return false
  const points = [draft.probe.a, draft.probe.b].map((point) => parsePoint(point).name)
  return state.bench.unplugged.some((id) => {
    const part = partById(system, id)
    return part?.kind === 'coil' && part.between.every((lead) => points.includes(lead))
  })
}

/** Between hot and common, or what is called, with the power off: what a live supply reads, and next to no house in ohms. */
function isSupplyVolts(draft: EntryDraft): boolean {
  if (draft.kind !== 'reading' || draft.probe.meter !== 'ohms' || typeof draft.answer !== 'number') return false
  const names = [draft.probe.a, draft.probe.b].map((point) => parsePoint(point))
  const isScrew = (of: RegExp) => names.some(({ name, cable }) => cable === null && of.test(name))
  const isSupply = isScrew(/^R[ch]?$/) && isScrew(/^[CYGWOB]\d?$/)
  return isSupply && draft.answer >= SUPPLY_VOLTS.low && draft.answer <= SUPPLY_VOLTS.high
}
/** What a sound 24 V circuit reads. */
const SUPPLY_VOLTS = modelValue({
  value: { low: 23.5, high: 29 } as const,
  unit: 'V',
  source: 'assumption: 24 V nominal, unloaded and lightly loaded',
})

/** Read while something is called. */
const ON_A_CALL =
  /^(?:cool|heat(?! pump)|fan)(?:ing)?(?: call| on)?[,:]|\b(?:in|on|with|during) (?:the |a )?(?:cool|heat(?! pump)|fan|cooling|heating)\b/i

/**
 * Asks for the unit of `W1 wire to cabinet 0.2`, typed with the power on in the record and W1 off its screw, or the fuse open: in ohms it is a
 * short, in volts it is nothing. Null where a unit was said, or the wire is landed.
 */
function smallFigure(line: string, drafts: readonly EntryDraft[], the: Sentence): string | null {
  const { bench } = the.state
  if (!bench.power || isOfUnit(line)) return null
  const isAmbiguous = drafts.some((draft) => {
    if (draft.kind !== 'reading' || draft.probe.meter !== 'volts' || typeof draft.answer !== 'number') return false
    const { a, b } = draft.probe
    // Along the wires of a cable ohms are as likely, too.
    if ([a, b].every((point) => parsePoint(point).cable !== null) && draft.answer > 0 && draft.answer < MOST_OHMS_OF_A_COIL) return true
    // So are they of a winding that is fed by the line.
    if (isPrimary(a, b, the.system) && draft.answer > 0 && draft.answer < LEAST_LINE_VOLTS) return true
    const [wire, metal] = (parsePoint(a).name === CHASSIS ? [b, a] : [a, b]).map(parsePoint)
    if (metal.name !== CHASSIS || draft.answer <= 0 || draft.answer >= AMBIGUOUS_BELOW) return false
    // Behind a fuse that is open nothing is live, and ohms are as likely.
    if (bench.slot.open || bench.slot.holds === 'nothing') return true
    const isOff = conductorsAt(the.at(wire.place), wire.name.toLowerCase()).some((end) => bench.lifted.includes(end))
    // A letter that is not common is seldom read to the metal for so few volts.
    const isHot = wire.cable === null && /^[RYGWOB][ch\d]?$/.test(wire.name)
    return isOff || isHot || /\b(?:wire|conductor)\b/i.test(line)
  })
  const inVolts = line.trim().replace(/(\d*\.?\d+)(?!.*\d)/, '$1 V')
  return isAmbiguous ? `Volts, or ohms with the power off? Say "${inVolts}", or "power off; ${line.trim()}".` : null
}
