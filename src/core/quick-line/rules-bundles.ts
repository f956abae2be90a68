import { bypassedBy } from '@/src/core/bench/caution'
import { allAt, everythingAt } from '@/src/core/quick-line/hands'
import { type Rule, rule } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { conductorEnd, type Point, parsePoint } from '@/src/core/wiring/point'
import { partById } from '@/src/core/wiring/system'

/** Several wires or jumpers at once: all of them, all but some, the one past a switch. */

/** Every wire on a screw where one stands comes off, but those on the letters that are named. */
function allBut({ system, state }: Sentence, kept: readonly string[]): string | null {
  const { place, lifted } = state.bench
  const ends = system.cables.flatMap(({ id, between, conductors }) => {
    const side = between.indexOf(place)
    return side < 0
      ? []
      : conductors.flatMap((wire) => {
          const screw = wire.lands[side]
          return screw === null || kept.includes(screw.toLowerCase()) ? [] : [conductorEnd(id, wire.id, place)]
        })
  })
  const acts = ends.filter((end) => !lifted.includes(end)).map((end) => `lift ${end}`)
  return acts.length === 0 ? null : acts.join('; ')
}

/** All that is off goes back on, but the wires of the letters that are named, and what happened then. */
function backBut({ state }: Sentence, kept: readonly string[], how: string): string | null {
  const { lifted } = state.bench
  const isKept = (end: Point) => kept.includes(parsePoint(end).name.toLowerCase())
  const back = lifted.filter((end) => !isKept(end))
  if (back.length === 0 || !lifted.some(isKept)) return null
  const trial = how === '' ? [] : [/^(?:still )?(?:trip|pop|blow|blew)/.test(how) ? 'trips' : 'holds']
  return [...back.map((end) => `land ${end}`), ...trial].join('; ')
}

/** The one jumper that bridges a switch comes out. */
function pastSwitch(the: Sentence, what: string): string | null {
  const part = partById(the.system, the.part(what) ?? '')
  if (part?.kind !== 'switch') return null
  const past = the.state.bench.jumpers.filter((jumper) => bypassedBy(the.system, jumper).some(({ id }) => id === part.id))
  return past.length === 1 ? `jumper out ${past[0].a} ${past[0].b}` : the.state.bench.jumpers.length === 0 ? 'jumper out' : null
}

const OFF = '(?:lifted|lift|pulled|pull|took|take|disconnected|disconnect|unhooked|unhook|removed|remove)'

export const bundleRules: readonly Rule[] = [
  // To each other, or each of them to the hot side.
  rule('(?:jumped|jumpered|jump|jumper|jumping)(?: out)? ([gywob]\\d?) (?:and|&) ([gywob]\\d?)', (the, one, other) => {
    const [a, b] = [the.letter(one), the.letter(other)]
    const hot = ['R', 'Rc', 'Rh'].find((letter) => the.isLetter(letter))
    return hot && the.isLetter(one) && the.isLetter(other)
      ? { asks: `To each other, or each to ${hot}? Say "jumper ${a} ${b}", or "jumper ${hot} ${a} ${b}".` }
      : null
  }),
  // With the power off a switch that is out is off its leads.
  rule('(.+?)(?: switch)? (?:is )?out', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'switch' && !the.state.bench.power ? `unplug ${part.id}` : null
  }),
  rule(
    '(?:all|both|every|my)(?: the)? jumpers?(?: are| is)? (?:out|off|removed|pulled)|(?:pulled|removed|took out|took off|took|pull|remove) (?:all|both)(?: the)? jumpers(?: off| out)?',
    ({ state: { bench } }) =>
      bench.jumpers.length === 0 ? 'jumper out' : bench.jumpers.map(({ a, b }) => `jumper out ${a} ${b}`).join('; '),
  ),
  rule(
    '(?:low voltage|24 ?v|control)(?: wires?| wiring| cable)? (?:is |are )?(?:disconnected|off|unhooked|lifted|loose)(?: (?:at|from|on) (.+)| (outside|outdoors|inside|indoors|here))?',
    (the, at, side) => allAt(the, at || (side && side !== 'here') ? the.place(at || side) : the.state.bench.place),
  ),
  rule(
    `${OFF}(?: off)? both cables(?: off)?(?: (?:(?:of|from|at) )?(.+))?|both cables(?: are)? (?:off|out|lifted|unhooked|disconnected)(?: (?:of|from|at) (.+))?`,
    (the, from, at) => {
      const place =
        (from || at ? the.place(from || at) : null) ??
        (/^(?:|(?:control |terminal )?(?:board|strip|unit|terminals?)|here)$/.test(from || at) ? the.state.bench.place : null)
      return the.system.cables.filter(({ between }) => place && between.includes(place)).length === 2 ? everythingAt(the, place) : null
    },
  ),
  rule('jumper (?:is )?(?:back )?(?:off|out|removed|pulled)(?: (?:of|from|on|across))? (.+?)(?: switch)?', pastSwitch),
  rule(
    '([a-z]\\d?)(?:,? and |, | )([a-z]\\d?) only(?: back)?(?: on)?(?: (?:on|at|of) (outdoor|stat)(?: cable)?)?(?:,? (?:and )?(?:it )?(still holds|holds?|held|fine|ok|trips?|tripped|pops|popped|blows|blew))?',
    (the, one, other, whose, how) => {
      const here = the.state.bench.lifted.filter((end) => parsePoint(end).place === the.state.bench.place)
      const meant = [one, other].map((letter) =>
        here.filter((end) => parsePoint(end).name.toLowerCase() === letter && (whose === '' || parsePoint(end).cable?.startsWith(whose))),
      )
      if (meant.some((ends) => ends.length !== 1)) return null
      const trial = how === '' ? '' : /^(?:still )?(?:trip|pop|blow|blew)/.test(how) ? '; trips' : '; holds'
      return `${meant.map(([end]) => `land ${end}`).join('; ')}${trial}`
    },
  ),
  rule(
    '(?:hooked|hook|put|landed|land|connected|connect|reconnected|reconnect)(?: back)?(?: up)?(?: back)? (?:everything|all(?: of)?(?: the)?(?: wires| of it)?|rest)(?: back)?(?: on| up)?(?: back)? (?:but|except|besides)(?: for)? ([a-z]\\d?)(?:(?:,| and|, and) ([a-z]\\d?))?(?:,? (?:and )?(?:it )?(still holds|holds?|held|fine|ok|trips?|tripped|pops|popped|blows|blew))?',
    (the, one, other, how) => {
      const kept = [one, other].filter(Boolean)
      return kept.every((letter) => the.isLetter(letter)) ? backBut(the, kept, how) : null
    },
  ),
  rule(
    `${OFF}(?: off)? (?:everything|all(?: of)?(?: the)?(?: wires| of it)?|every wire)(?: off)? (?:but|except|besides) ([a-z]\\d?)(?:(?:,| and|, and) ([a-z]\\d?))?(?:(?:,| and|, and) ([a-z]\\d?))?`,
    (the, ...kept) => (kept.filter(Boolean).every((letter) => the.isLetter(letter)) ? allBut(the, kept.filter(Boolean)) : null),
  ),
]
