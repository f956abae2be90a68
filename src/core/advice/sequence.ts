import { sincePowered } from '@/src/core/advice/moving'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Effect } from '@/src/core/faults/effect'
import type { JobState } from '@/src/core/job/job-state'
import { parseDeviceKey } from '@/src/core/operation/machine'
import { healthy } from '@/src/core/readings/hypothesis'
import { type Happening, runOverTime } from '@/src/core/readings/over-time'
import { modelValue } from '@/src/core/units/model-value'
import type { CallName } from '@/src/core/wiring/call'
import { fedBy } from '@/src/core/wiring/fed-by'
import type { Part } from '@/src/core/wiring/part'
import { partById, partsOf, type System } from '@/src/core/wiring/system'

/** One step of a mode: what moves, when, and how anybody can tell. */
export interface Step {
  /** A part by its id, or `board.output`. */
  readonly what: string
  readonly to: Happening['to']
  /** Milliseconds since 1970. */
  readonly ms: number
  /** What is seen or heard of it. */
  readonly shows: string
}

/** The longest sequence of a mode: the longest delay of a board, and what comes after it. */
const SEQUENCE_S = modelValue({ value: 480, unit: 's', source: 'assumption' })

/**
 * What a mode does in a sound house of this system, from its own wiring: each step with its time, delays that the board still runs since
 * the power was put back included. The call counts from when it was made; one that is not made yet, from now.
 *
 * @param nowMs the clock, milliseconds since 1970
 * @returns steps in order; none with the power off
 */
export function sequenceOf(engine: Engine, { bench, standing }: JobState, call: CallName, nowMs: number): Step[] {
  if (!bench.power) return []
  const { system, laboratory } = engine
  const since = sincePowered(engine, standing)
  const nowS = (nowMs - since.ms) / 1000
  const made = since.calls.at(-1)
  const isMade = bench.call === call
  const calls = isMade ? since.calls : [...since.calls, { atS: nowS, call }]
  const fromS = isMade ? (made?.atS ?? 0) : nowS
  // A board that passes a call on still has the contact of its delay in the way.
  const delays = partsOf(system, 'board').flatMap((board) =>
    board.outputs.flatMap(({ to, style, minimumOffS }): Effect[] =>
      style === 'passes' && minimumOffS !== undefined ? [{ do: 'output', board: board.id, to, mode: 'relay' }] : [],
    ),
  )
  const run = runOverTime(
    laboratory,
    { ...bench, call: since.call, jumpers: [], lifted: [], unplugged: [], slot: { ...bench.slot, open: false } },
    { ...healthy, wiring: [...healthy.wiring, ...delays] },
    { calls, untilS: fromS + SEQUENCE_S },
  )
  return run.happenings.flatMap(({ atS, what, to }): Step[] => {
    const part = partById(system, parseDeviceKey(what).part)
    const shows = part && atS >= fromS ? showsOf(system, part, parseDeviceKey(what).to, to) : null
    return shows ? [{ what, to, ms: since.ms + 1000 * atS, shows }] : []
  })
}

/** How a step is told by eye, ear and meter; null for what nobody needs to be told. */
function showsOf(system: System, part: Part, output: string | null, to: Happening['to']): string | null {
  switch (part.kind) {
    case 'thermostat':
      return to === 'called' ? 'shows the call' : null
    case 'coil': {
      const fed = fedBy(system, part)
      const feeds = fed.length > 0 ? `, and the ${fed.map(({ name }) => name).join(' and the ')} with it` : ''
      if (part.role === 'gas-valve') return to === 'in' ? 'opens: the burner lights' : 'closes'
      if (part.role === 'damper') return to === 'in' ? 'drives shut' : 'opens'
      if (part.role === 'reversing-valve') return to === 'in' ? 'shifts, with a whoosh' : 'shifts back'
      return to === 'in' ? `pulls in with a click${feeds}` : 'drops out'
    }
    case 'board':
      if (to === 'burns') return 'senses flame, and lets the igniter go'
      return output === null ? null : to === 'made' ? `gives volts at ${output}` : to === 'broken' ? `takes the volts off ${output}` : null
    case 'switch':
      return to === 'made' ? 'makes' : to === 'broken' ? 'opens' : null
    default:
      return null
  }
}
