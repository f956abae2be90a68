import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { Sentence } from '@/src/core/quick-line/sentence'
import { wordsInFull } from '@/src/core/quick-line/spelling'
import type { PlaceId } from '@/src/core/wiring/ids'
import { partsOf, placeById, type System } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'

/** Which common letters are read against where none is named, or several are. */

/** `Y1 and Y2 26`: letters that are called are each read against common; between two of them one says "to". */
export function eachAgainstCommon(line: string, { system, entries }: QuickLineContext): string {
  const found = /^([A-Z]\d?)(?: and |, ?(?:and )?)([A-Z]\d?) (?:are |have |read |both )*(\d[\d.]*)(?: ?v| volts)?$/i.exec(line.trim())
  const called = new Set(partsOf(system, 'thermostat').flatMap(switchedTerminals))
  const letters = found?.slice(1, 3).map((name) => name.toUpperCase())
  if (!found || !letters?.every((name) => called.has(name)) || !foldJob(system, entries).bench.power) return line
  return letters.map((name) => `${name} ${found[3]}`).join(', ')
}

/**
 * What feeds a panel that has no common of its own letter. Its R goes on to the unit, whose common does not come there: R to C is read on
 * the panel's own supply.
 */
export function panelSupply(system: System, place: PlaceId): string | null {
  const screws = placeById(system, place)?.terminals ?? []
  const board = partsOf(system, 'board').find((one) => one.place === place)
  return board && screws.includes('R') && !screws.includes('C') ? board.between.join('-') : null
}

/** `W2 C 26` on a panel whose zones have a common each: C is the one beside the letter. */
export function withOwnCommon(line: string, { system, entries }: QuickLineContext): string {
  const state = foldJob(system, entries)
  const terminals = placeById(system, state.bench.place)?.terminals ?? []
  if (terminals.includes('C')) return line
  const the = new Sentence(system, state, line)
  // Read elsewhere it is read against what is there.
  const [, where] = /\s(?:at|in|on|@) ?(?:the )?([a-z][a-z ]*)$/i.exec(line.trim()) ?? []
  const there = where === undefined ? null : the.place(wordsInFull(where, system).toLowerCase())
  if (there !== null && there !== state.bench.place) return line
  const supply = panelSupply(system, state.bench.place)
  const named = (all: string, letter: string, joint: string): string =>
    supply !== null && /^r$/i.test(letter)
      ? supply
      : terminals.includes(letter.toUpperCase())
        ? `${letter}${joint}${the.commonOf(letter.toUpperCase())}`
        : all
  return (
    line
      .replace(/\b([a-z]\d)(\s*[-/]\s*|\s+(?:to\s+|and\s+)?)c\b(?=(?:\s*(?:at|on) the panel|\s*here)?\s*[:=]?\s*\d)/gi, named)
      // A letter of the furnace's side, with no other place before it.
      .replace(/^([a-z])(\s*[-/]\s*|\s+(?:to\s+|and\s+)?)c\b(?=(?:\s*(?:at|on) the panel|\s*here)?\s*[:=]?\s*\d)/i, named)
  )
}
