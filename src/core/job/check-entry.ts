import { applyChange } from '@/src/core/bench/apply'
import type { Bench } from '@/src/core/bench/bench'
import { pinOf, problemWithPoint } from '@/src/core/bench/points'
import type { Entry } from '@/src/core/job/entry'
import { foldJob, reasonsNotToClose } from '@/src/core/job/fold'
import type { Probe } from '@/src/core/readings/check'
import { LANDINGS, RUNS, WIRING, workingAt } from '@/src/core/readings/looks'
import { wordsFor } from '@/src/core/readings/predict'
import { parsePoint } from '@/src/core/wiring/point'
import { callsOf, firstPart, partById, type System, zonesOf } from '@/src/core/wiring/system'

/** Null when a new entry makes sense after those before it, else a sentence why not. */
export function problemWithEntry(system: System, before: readonly Entry[], entry: Entry): string | null {
  const state = foldJob(system, before)
  if (state.closedAt !== null && entry.kind !== 'undo' && entry.kind !== 'note') return 'The job is closed. Undo the closing first.'
  switch (entry.kind) {
    case 'bench': {
      const applied = applyChange(system, state.bench, entry.change)
      return applied.ok ? null : applied.problem
    }
    case 'reading':
      return problemWithProbe(system, state.bench, entry.probe) ?? problemWithWord(system, entry)
    case 'trip':
      if (!state.bench.power) return 'The power is off in the record, so nothing can trip or hold. Say "power on" first.'
      if (entry.result === 'trips' && state.bench.slot.open && state.bench.slot.holds !== 'as-found')
        return 'It tripped already. Reset it first: "reset".'
      return null
    case 'undo':
    case 'correct':
      return before.some(({ id }) => id === entry.target)
        ? null
        : `There is no entry "${entry.target}" to ${entry.kind === 'undo' ? 'take back' : 'correct'}.`
    case 'close': {
      const reasons = reasonsNotToClose(system, state)
      return reasons.length === 0 ? null : `Not yet: ${reasons.join(' ')}`
    }
    case 'proof':
      if (!callsOf(system).includes(entry.call)) return `This system has no call for ${entry.call}.`
      return null
    case 'complaint':
    case 'skip':
    case 'way':
    case 'repair':
    case 'note':
      return null
  }
}

/** Null when the probe can be used on this bench of this system. Ohms on a live circuit are refused. */
export function problemWithProbe(system: System, bench: Bench, probe: Probe): string | null {
  switch (probe.meter) {
    case 'volts':
    case 'ohms': {
      const problem = problemWithPoint(system, probe.a) ?? problemWithPoint(system, probe.b)
      if (problem) return problem
      if (probe.a === probe.b) return 'Both probes are on the same point.'
      if (probe.meter === 'ohms' && bench.power)
        return 'The power is on in the record. Ohms are read with the power off: say "power off" first.'
      if (probe.meter === 'volts' && !bench.power)
        return 'The power is off in the record. Say "power on" first, or give the reading in ohm.'
      return null
    }
    case 'amps': {
      if (!bench.power) return 'The power is off in the record, so no current flows. Say "power on" first.'
      if (probe.on === firstPart(system, 'fuse').id) return null
      const problem = /@/.test(probe.on) ? problemWithPoint(system, probe.on) : `There is nothing called "${probe.on}" to clamp.`
      return (
        problem ??
        (parsePoint(probe.on).cable === null || pinOf(system, probe.on)
          ? 'A clamp goes around a conductor, as in outdoor-cable.Y@indoor, or around the transformer lead (fuse).'
          : null)
      )
    }
    case 'trip':
      return bench.power ? null : 'The power is off in the record.'
    case 'look':
      return wordsFor(system, probe).length > 0 && (probe.at === 'fuse' || probe.at.startsWith(LANDINGS) || isLookable(system, probe.at))
        ? null
        : `There is nothing called "${probe.at}" to look at.`
  }
}

const isLookable = (system: System, id: string): boolean => {
  if (id.startsWith(RUNS)) return workingAt(system, id.slice(RUNS.length)).length > 0
  if (id.startsWith(WIRING)) return zonesOf(system).some((zone) => `${WIRING}${zone.id}` === id)
  const kind = partById(system, id)?.kind
  return kind === 'coil' || kind === 'thermostat' || kind === 'load' || kind === 'board'
}

function problemWithWord(system: System, entry: Extract<Entry, { kind: 'reading' }>): string | null {
  const words = wordsFor(system, entry.probe)
  const { answer } = entry
  const isWord = typeof answer === 'object' && 'word' in answer
  if (words.length === 0) return isWord ? `A reading is a number or OL, not "${answer.word}".` : null
  if (isWord && words.includes(answer.word)) return null
  return `That is answered with one of: ${words.join(', ')}.`
}
