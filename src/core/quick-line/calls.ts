import type { EntryDraft } from '@/src/core/job/entry'
import { benchDraft } from '@/src/core/quick-line/drafts'
import type { Reader } from '@/src/core/quick-line/reader'
import type { CallName } from '@/src/core/wiring/call'
import { callerOf, callsOf, partsOf } from '@/src/core/wiring/system'

/** A call as it is typed: `cool`, `cool2`, and `cool zone 2` for what another zone's thermostat asks. */
export function readCall(reader: Reader): 'off' | CallName {
  const named = readFirstZoneCall(reader)
  if (named === 'off') return named
  if (!reader.accept('zone')) return atItsThermostat(reader, named)
  const zone = reader.peek()
  const zoned = reader.number() === 1 ? named : callsOf(reader.context.system).find((call) => call === `${named}-zone-${zone?.value}`)
  if (zoned === undefined && zone) reader.failAt(`There is no such call here. ${sayCalls(reader)}`, zone)
  return zoned ?? named
}

/** A call that is typed at the thermostat of a zone is that zone's: no other can be set there. */
function atItsThermostat({ context: { system, state } }: Reader, named: CallName): CallName {
  const stat = partsOf(system, 'thermostat').find(({ place }) => place === state.bench.place)
  return callsOf(system).find((call) => call.startsWith(`${named}-zone-`) && callerOf(system, call).id === stat?.id) ?? named
}

function sayCalls(reader: Reader): string {
  const typed = callsOf(reader.context.system).map((call) => (call.includes('zone') ? call.replaceAll('-', ' ') : call.replace('-', '')))
  return `Say the call: off, ${typed.join(', ')}.`
}

function readFirstZoneCall(reader: Reader): 'off' | CallName {
  const named = readNamedCall(reader)
  if (named !== 'cool' && named !== 'heat') return named
  return readSecondStage(reader) ? `${named}-2` : named
}

/** The second stage: `cool-2`, or `cool 2` when the 2 stands last or another number follows; in `cool 2 A` it is a reading. */
function readSecondStage(reader: Reader): boolean {
  const [first, second] = [reader.tokens[reader.at], reader.tokens[reader.at + 1]]
  if (first?.text === '-' && second?.text === '2') {
    reader.at += 2
    return true
  }
  if (first?.kind !== 'number' || first.text !== '2' || (second !== undefined && second.kind !== 'number')) return false
  reader.at++
  return true
}

function readNamedCall(reader: Reader): 'off' | CallName {
  return reader.oneOf(
    {
      off: 'off' as const,
      fan: 'fan' as const,
      cool: 'cool' as const,
      cooling: 'cool' as const,
      heat: 'heat' as const,
      heating: 'heat' as const,
      cool2: 'cool-2' as const,
      heat2: 'heat-2' as const,
      emergency: 'emergency' as const,
    },
    sayCalls(reader),
  )
}

/** `set the thermostat to cool`. */
export function readSetTo(reader: Reader): EntryDraft[] {
  for (const filler of ['the', 'thermostat', 'stat', 'to']) reader.accept(filler)
  const call = readCall(reader)
  return [benchDraft({ do: 'call', call })]
}
