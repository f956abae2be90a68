import type { JobState } from '@/src/core/job/job-state'
import type { Rule } from '@/src/core/quick-line/rule'
import { rules } from '@/src/core/quick-line/rules'
import { visitRules } from '@/src/core/quick-line/rules-visit'
import { Sentence } from '@/src/core/quick-line/sentence'
import type { System } from '@/src/core/wiring/system'

/**
 * Sentences as they come over the shoulder, put into the words of the grammar (docs/quick-line.md): "took the outdoor Y off" is
 * `lift outdoor Y`. Only asked for what the grammar does not read by itself; what comes back is read, shown and entered like anything else.
 *
 * @param typed the words as they were typed, where `said` is another form of them: what is kept as a note
 */
export function inTheGrammar(said: string, system: System, state: JobState, typed = said): ReturnType<Rule['as']> {
  const text = plain(said)
  const command = bySentence(text, typed, system, state)
  if (command) return command
  // What is said of a place that stands at the end of the sentence.
  const found = / at (\S+)$/.exec(text)
  const place = found && system.places.find(({ id }) => id === found[1])
  const there = place ? bySentence(text.slice(0, found.index), typed, system, state) : null
  return typeof there === 'string' && !/ at |;|^note |^walk /.test(there) ? `${there} at ${place?.id}` : null
}

function bySentence(text: string, typed: string, system: System, state: JobState): ReturnType<Rule['as']> {
  for (const rule of [...rules, ...visitRules]) {
    const found = rule.says.exec(text)
    const command = found && rule.as(new Sentence(system, state, typed), ...found.slice(1).map((part) => part ?? ''))
    if (command) return command
  }
  return null
}

/** Small letters, one space between words, no full stop, and none of the words that only lead up to what is said. */
const plain = (said: string): string =>
  said
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/\s+/g, ' ')
    .replace(/[.!]+$/, '')
    .trim()
    .replace(/^(ok|so|and|well|now|just|then|i|ive|we|weve|it|its)\s+/g, '')
    .replace(/^(ive|im|just|now|already)\s+/g, '')
    .replace(/^(got|getting|have|had|get|reading|read|reads|measured|showing|found|see|seeing)\s+(?=\S)/g, '')
    .replace(/\b(about|around|roughly|exactly|and change|or so|still just)\s?/g, '')
    .replace(/\b(the|a|an|my|its|of)\s+/g, '')
