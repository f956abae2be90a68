import type { EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { modelValue } from '@/src/core/units/model-value'
import type { CallName } from '@/src/core/wiring/call'
import { parsePoint } from '@/src/core/wiring/point'
import { callerOf, callsOf, partById, type System } from '@/src/core/wiring/system'

/** A letter that reads as much is fed. */
export const LIVE_FROM_VOLTS = modelValue({ value: 15, unit: 'V', source: 'assumption: more than a ghost or a drop leaves of 24' })

/**
 * Whoever comes to a house that does not cool finds it calling for that: a wire of the call that is live, or its contactor in, while the
 * record has nothing called, was seen on the call of the complaint. Null where the line says otherwise, or nothing shows it.
 */
export function callOfComplaint(drafts: readonly EntryDraft[], { system, entries }: QuickLineContext): CallName | null {
  const { bench, complaint } = foldJob(system, entries)
  const isQuiet = bench.power && bench.call === 'off' && bench.jumpers.length === 0
  const call = callsOf(system).find((one) => one === complaint.call)
  const isTold = complaint.symptoms.includes('mode-dead') || complaint.symptoms.includes('half-works')
  if (!isQuiet || !call || !isTold || complaint.symptoms.includes('never-stops')) return null
  if (drafts.some((draft) => draft.kind === 'bench' && ['call', 'power', 'jumper'].includes(draft.change.do))) return null
  return drafts.some((draft) => showsCall(draft, system, call)) ? call : null
}

function showsCall(draft: EntryDraft, system: System, call: CallName): boolean {
  if (draft.kind !== 'reading') return false
  const { probe, answer } = draft
  const letters = callerOf(system, call).calls[call] ?? []
  if (probe.meter === 'volts') {
    const [one, other] = [probe.a, probe.b].map((point) => parsePoint(point).name)
    const value = typeof answer === 'number' ? answer : typeof answer === 'object' && 'low' in answer ? answer.low : 0
    return value > LIVE_FROM_VOLTS && letters.includes(one) && !letters.includes(other) && !/^R/.test(other)
  }
  const part = probe.meter === 'look' ? partById(system, probe.at) : undefined
  const isIn = typeof answer === 'object' && 'word' in answer && answer.word === 'in'
  return isIn && part?.kind === 'coil' && part.role === 'contactor' && letters.some((letter) => /^Y1?$/.test(letter))
}
