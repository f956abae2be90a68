import { findCable, isGroundWord } from '@/src/core/quick-line/names'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { type Point, parsePoint } from '@/src/core/wiring/point'

/** How something is said, and the same in other words. */
export type Form = readonly [says: RegExp, as: string | ((the: Sentence, all: string, ...found: string[]) => string)]

/** A wire, or two of them, of a cable that is named beside them: as the grammar has wires of a cable. */
export const cableForms: readonly Form[] = [
  [
    /\b(?:the )?(\w+) (?:wire|conductor|lead) (?:of|in|on|from) (?:the )?(\w+) cable\b/gi,
    (the, all, wire, cable) => (findCable(the.system, cable) === null ? all : `${cable} ${wire}`),
  ],
  // A zone's cable by its number.
  [
    /\b(\w+)(?: (?:to|and) | ?- ?)(\w+)(?: reads?| is)? (?:(?:in|on|of) )?(?:the )?(?:zone (\d) cable|cable (\d))\b/gi,
    (the, all, one, other, ofZone, numbered) => inZoneCable(the, one, other, ofZone ?? numbered) ?? all,
  ],
  [
    /^(?:the )?(?:zone (\d) cable|cable (\d))[:,]? (\w+)(?: (?:to|and) | ?- ?)(\w+)\b/gi,
    (the, all, ofZone, numbered, one, other) => inZoneCable(the, one, other, ofZone ?? numbered) ?? all,
  ],
  // On the cable that is off here.
  [/^(?:the )?cable (\w+)(?: (?:to|and) | ?- ?)(\w+)\b/gi, (the, all, one, other) => inCableOff(the, one, other) ?? all],
  [
    /\b(\w+)(?: (?:to|and) | ?- ?)(\w+)(?: reads?| is)? (?:in|on|of) (?:the )?(?:cable|wires|wire ends)\b/gi,
    (the, all, one, other) => inCableOff(the, one, other) ?? all,
  ],
  // Two wires of a cable that is named behind them.
  [
    /\b(\w+)(?: (?:to|and) | ?- ?)(\w+)(?: reads?| is)? (?:in|on|of) (?:the )?(\w+) cable\b/gi,
    (the, all, one, other, cable) =>
      findCable(the.system, cable) === null || isGroundWord(other.toLowerCase()) ? all : `${cable} ${one} to ${cable} ${other}`,
  ],
  [
    /^(.+\S) (beeps?|ol|open|shorted|-?[\d.]+(?: ?ohms?)?) (?:in|on) (?:the )?(\w+) cable$/i,
    (the, all, wires, read, cable) => {
      const two = /^(\w+)(?: (?:to|and) | ?- ?)(\w+)$/i.exec(wires)
      return two === null || findCable(the.system, cable) === null ? all : `${cable} ${two[1]} to ${cable} ${two[2]} ${read}`
    },
  ],
]

/** Two wires of the cable of a zone's thermostat, as the grammar has them. */
function inZoneCable({ system }: Sentence, one: string, other: string, zone: string): string | null {
  const cable = findCable(system, `stat-cable-${zone}`)
  return cable === null || isGroundWord(other.toLowerCase()) ? null : `${cable} ${one} to ${cable} ${other}`
}

/** Two wires of the one cable of which either is off where one stands. */
function inCableOff({ state: { bench } }: Sentence, one: string, other: string): string | null {
  const isMeant = (end: Point) =>
    parsePoint(end).place === bench.place && [one, other].some((name) => name.toLowerCase() === parsePoint(end).name.toLowerCase())
  const [cable, another] = new Set(bench.lifted.filter(isMeant).map((end) => parsePoint(end).cable))
  if (!cable || another) return null
  return `${cable} ${one} to ${isGroundWord(other.toLowerCase()) ? other : `${cable} ${other}`}`
}
