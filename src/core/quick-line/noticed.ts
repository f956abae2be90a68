import { cableInHand } from '@/src/core/quick-line/hands'
import type { Meaning } from '@/src/core/quick-line/meaning'
import { isGroundWord } from '@/src/core/quick-line/names'
import { has, only, type Reading, unitDoes } from '@/src/core/quick-line/sense'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { HUMMING } from '@/src/core/readings/capacitor-looks'
import { parseLook } from '@/src/core/readings/look-target'
import { marks, SHOWS_CALL } from '@/src/core/readings/looks'
import { capacitorOf } from '@/src/core/wiring/fed-by'
import type { PartOf } from '@/src/core/wiring/part'
import { partById } from '@/src/core/wiring/system'

/** A unit as a whole: what was called there runs, or not. */
const unitRuns: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers, places } = meaning
  if (letters.length + parts.length + cables.length + calls.length + numbers.length > 0 || places.length !== 1) return null
  if (!only(meaning, 'runs', 'still', 'not', 'dead', 'none') || !has(meaning, 'runs', 'still', 'not', 'dead', 'none')) return null
  const how = has(meaning, 'still', 'not', 'dead', 'none') ? 'not as called' : 'as called'
  return unitDoes(the, places[0], how)
}

/** What a part does, as it is seen and heard. */
const seen: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers } = meaning
  if (letters.length + cables.length > 0 || parts.length !== 1) return null
  const part = partById(the.system, parts[0])
  if (!part) return null
  // A thermostat that shows what it calls; a board with its code.
  if (part.kind === 'thermostat' && calls.length > 0 && numbers.length === 0 && meaning.isShown && only(meaning, 'runs', 'hot'))
    return `${the.state.bench.call === 'off' ? `call ${calls[0]}; ` : ''}${part.id} ${SHOWS_CALL}`
  if (part.kind === 'board' && numbers.length === 1 && has(meaning, 'flashes', 'code') && only(meaning, 'flashes', 'code'))
    return `${part.id} flashes; ${the.asNote()}`
  if (calls.length + numbers.length > 0) return null
  switch (part.kind) {
    case 'coil': {
      if (
        !only(
          meaning,
          ...(part.role === 'damper' ? (['open'] as const) : []),
          'chatters',
          'in',
          'out',
          'runs',
          'still',
          'dead',
          'not',
          'none',
          'stays-shut',
          'stays-open',
        )
      )
        return null
      // It pulls in, and something else runs: two things were seen.
      if (
        has(meaning, 'runs') &&
        (/\b(?:all|everything|unit|system)\b/.test(meaning.text) || (has(meaning, 'in') && /,|\band\b/.test(meaning.text)))
      )
        return null
      if (has(meaning, 'chatters')) return `${part.id} chatters`
      const isIn = part.role === 'damper' && has(meaning, 'open') ? false : pulledIn(part, meaning)
      // A damper's blade is driven shut; the other armatures are told as they lie.
      const [energized, released] = part.role === 'damper' ? ['shut', 'open'] : ['in', 'out']
      return isIn === null ? null : `${part.id} ${isIn ? energized : released}`
    }
    case 'load':
      // What is told of another place is of something else.
      if (meaning.places.some((place) => place !== part.place) && /,|\b(?:and|but)\b/.test(meaning.text)) return null
      // What stays on runs on.
      if (has(meaning, 'holds')) return only(meaning, 'holds', 'runs') && /\bstay/.test(meaning.text) ? `${part.id} runs` : null
      if (!only(meaning, 'runs', 'still', 'dead', 'not', 'none', 'chatters')) return null
      if (has(meaning, 'chatters') && /\b(?:hum|buzz)/.test(meaning.text) && capacitorOf(the.system, part.id))
        return has(meaning, 'runs', 'none') ? null : `${part.id} ${HUMMING}`
      // What hums stands still where that is said, or where it is all that it does.
      if (has(meaning, 'chatters') && !has(meaning, 'still'))
        return only(meaning, 'chatters') && /\b(?:just|only|sits|sitting)\b/.test(meaning.text) ? `${part.id} still; ${the.asNote()}` : null
      // No heat, fan runs: what there is none of, or does not run, is something else.
      if (has(meaning, 'none') && has(meaning, 'runs')) return null
      if (has(meaning, 'still', 'dead', 'not') && has(meaning, 'runs') && /,|\b(?:but|and|though|yet)\b/.test(meaning.text)) return null
      return has(meaning, 'still', 'dead', 'not', 'none') ? `${part.id} still` : has(meaning, 'runs') ? `${part.id} runs` : null
    case 'thermostat':
      // The unit that runs is not the thermostat where one stands.
      if (
        !only(meaning, 'blank', 'alive', 'dead', 'runs') ||
        /\b(?:unit|system|condenser|furnace|burners?|fires?|fired)\b/.test(meaning.text)
      )
        return null
      if (has(meaning, 'runs') && !/\b(?:t-?stat|stat|thermostat|display|screen)\b/.test(meaning.text)) return null
      return has(meaning, 'blank', 'dead') ? `${part.id} blank` : has(meaning, 'alive', 'runs') ? `${part.id} alive` : null
    case 'board': {
      // By hand it is off its plug.
      if (!only(meaning, 'flashes', 'steady', 'alive', 'blank', 'dead', 'none', 'off', 'runs') || meaning.isByHand) return null
      const word = has(meaning, 'flashes')
        ? 'flashes'
        : has(meaning, 'steady', 'alive')
          ? 'steady'
          : has(meaning, 'blank', 'off', 'dead') || (has(meaning, 'none') && /\b(?:lights?|led|power)\b/.test(meaning.text))
            ? 'dark'
            : null
      return word && `${part.id} ${word}`
    }
    default:
      return null
  }
}

/** Whether an armature is where its coil would have it, by what is said of it; null where that says neither. */
function pulledIn({ role }: PartOf<'coil'>, meaning: Meaning): boolean | null {
  // A gas valve opens when it is energized, and a damper closes: so do the contacts of a relay.
  const opens = role === 'gas-valve'
  if (has(meaning, 'stays-shut')) return !opens
  if (has(meaning, 'stays-open')) return opens
  const isIn = has(meaning, 'in', 'runs')
  const isOut = has(meaning, 'out', 'still', 'dead', 'none')
  return isIn === isOut ? null : isIn && !has(meaning, 'not')
}

/** A mark on the wiring, at a place or along a cable; copper of one conductor by its letter. */
const marked: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers, places } = meaning
  const mark = marks.find((one) => meaning.senses.has(one))
  if (
    mark === undefined ||
    // Animals that were about chewed nothing yet.
    (mark === 'chewed' && !/\b(?:chew|gnaw|wires?|cables?|insulation|leads?|bundle|it)/.test(meaning.text)) ||
    // What is smelt was not seen, and what is taped is mended.
    /\b(?:smell|taped|wrapped|fixed|splic|cut out|cut back|cut and|cut off|capped)/.test(meaning.text) ||
    // Beside which part the bare wire is says nothing more.
    (parts.length > 0 &&
      !(mark === 'rubbed' && letters.length === 1) &&
      !(letters.length === 0 && /\b(?:wires?|leads?)\b/.test(meaning.text))) ||
    calls.length + numbers.length > 0 ||
    !only(meaning, mark, 'scorched', 'rubbed', 'chewed', 'stapled')
  )
    return null
  const { system, state } = the
  // Along the one cable that comes to the place, where no other is named.
  const [oneCable, another] = system.cables.filter(({ between }) => between.includes(places[0] ?? state.bench.place))
  const along = another ? undefined : oneCable?.id
  const wires = letters.filter(({ letter }) => !isGroundWord(letter))
  // Pinched or worn is a mark; copper shows where the insulation is gone.
  const isBare = /\b(?:bare|skinned|nick(?:ed|s)?|cut|frayed|copper|touch\w*|through|rub(?:bed|s|bing)?)\b/.test(meaning.text)
  if (wires.length === 1 && mark === 'rubbed' && isBare) {
    const [wire] = wires
    const cable = wire.cable ?? cables[0] ?? along
    return cable === undefined
      ? { asks: 'In which cable? Say "bare outdoor Y", or where it is rubbed: "rubbed indoor".' }
      : `bare ${cable} ${wire.letter}`
  }
  if (wires.length > 1) return null
  // Which wire it is stays in the words.
  if (wires.length === 1 && along !== undefined && cables.length + places.length === 0)
    return `${mark} ${wires[0].cable ?? along}; ${the.asNote()}`
  // The lead of a part is where the part is.
  const ofPart = parts.length > 0 ? partById(system, parts[0])?.place : undefined
  return cables.length + places.length > 1
    ? null
    : `${mark} ${cables[0] ?? places[0] ?? ofPart ?? (/\bcable\b/.test(meaning.text) ? cableInHand(the) : null) ?? lookedAlong(the) ?? state.bench.place}`
}

/** The wiring that was looked along just now: what else is said of wires is said of those. */
function lookedAlong({ state }: Sentence): string | null {
  const last = state.observations.at(-1)?.probe
  const { what, of } = last?.meter === 'look' ? parseLook(last.at) : { what: null, of: '' }
  return what === 'wiring' ? of : null
}

/** What was seen and heard. */
export const noticed: readonly Reading[] = [unitRuns, seen, marked]
