import type { z } from 'zod'
import type { answerSchema, probeSchema } from '@/src/core/readings/check-schema'
import { Memo } from '@/src/core/units/cache'
import type { PartId } from '@/src/core/wiring/ids'

/** What can be asked of a system; the bench it is asked on is kept beside it. */
export type Probe = z.infer<typeof probeSchema>

/** What was read. */
export type Answer = z.infer<typeof answerSchema>

/** The word that a look, a try or a code was answered with; null for a number, a band of numbers and OL. */
export const wordOf = (answer: Answer | undefined): string | null => (typeof answer === 'object' && 'word' in answer ? answer.word : null)

/** What makes two probes the same, whichever lead is on which point. */
export const probeKey = (probe: Probe): string => keys.of(probe)

/** The same for a list of them. */
export const probesKey = (probes: readonly Probe[]): string => listKeys.of(probes)

// Asked many thousand times while checks are ranked; neither a probe nor a list of them changes once it is made.
const keys = new Memo(makeKey)
const listKeys = new Memo((probes: readonly Probe[]) => probes.map(probeKey).join(' '))

function makeKey(probe: Probe): string {
  switch (probe.meter) {
    case 'volts':
      return `volts ${[probe.a, probe.b].sort().join(' ')}${probe.lowImpedance ? ' low' : ''}`
    case 'ohms':
      return `ohms ${[probe.a, probe.b].sort().join(' ')}`
    case 'amps':
      return `amps ${probe.on}${probe.hold ? ' max' : ''}`
    case 'trip':
      return 'trip'
    case 'look':
      return `look ${probe.at}`
  }
}

/** The answer to a trip check where a further fuse or breaker opened, by its part; the transformer's first just `trips`. */
export const tripWord = (part: PartId): string => `${TRIPS}: ${part}`
const TRIPS = 'trips'

/** What opened, by the answer to a trip check: `FIRST_FUSE`, another one by its part, or null where all held. */
export function openedBy(answer: Answer): string | null {
  const word = wordOf(answer)
  if (!word?.startsWith(TRIPS)) return null
  return word === TRIPS ? FIRST_FUSE : word.slice(TRIPS.length + 2)
}
/** No part has this id. */
export const FIRST_FUSE = ''
