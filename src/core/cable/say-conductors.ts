import type { BenchChange } from '@/src/core/bench/bench'
import { sayPoint } from '@/src/core/bench/points'
import { sayPair } from '@/src/core/bench/say'
import { sayChanges } from '@/src/core/bench/say-changes'
import { type ConductorState, metalEnd } from '@/src/core/cable/conductor-faults'
import { MOST_CONDUCTORS } from '@/src/core/cable/conductor-plan'
import type { ConductorsReport } from '@/src/core/cable/conductors-of-job'
import { capital } from '@/src/core/units/capital'
import { sayOhms } from '@/src/core/units/quantity'
import { parsePoint } from '@/src/core/wiring/point'
import { type Cable, cableById, placeById, type System } from '@/src/core/wiring/system'

/** What a conductor is by itself: sound, open, shorted to what; null where it is not told yet. */
export function sayConductor({ conductors }: Pick<Cable, 'conductors'>, state: ConductorState | null): string | null {
  if (state === null) return null
  const names = state.touches.map((other) => (other === metalEnd(conductors.length) ? 'ground' : conductors[other].id))
  const shorted = names.length > 0 ? `shorted to ${names.join(' and ')}` : null
  return [state.isOpen ? 'open' : null, shorted].filter(Boolean).join(', and ') || 'sound'
}

/** The next step with the conductors of a cable: a title, and what the hands do for it in their order. */
export interface ConductorWords {
  readonly title: string
  readonly acts: readonly string[]
  /** What the two answers to a reading mean; null where nothing is read. */
  readonly means: { readonly closed: string; readonly open: string; readonly sound?: string } | null
}

/** A step of either plan: `misfit` where one reading is named, `isIdentity` where colors are told apart. */
interface Said extends Pick<ConductorsReport, 'cable' | 'taken' | 'next'> {
  readonly misfit?: ConductorsReport['misfit']
  readonly isIdentity?: boolean
}

export function sayConductorAct(system: System, { cable: id, taken, misfit = null, next: act, isIdentity = false }: Said): ConductorWords {
  const cable = cableById(system, id)
  const name = cable?.name ?? id
  const ends = (cable?.between ?? []).map((place) => placeById(system, place)?.name ?? place)
  const short = (said: string) => capital(said.replaceAll(` of the ${name}`, ''))
  const plain = (title: string, changes: readonly BenchChange[] = []): ConductorWords => ({
    title,
    acts: sayChanges(system, changes).map(short),
    means: null,
  })
  switch (act.do) {
    case 'read': {
      if (act.probe.meter !== 'ohms') return plain('')
      const { a, b } = act.probe
      const at = ` at the ${placeById(system, parsePoint(a).place)?.name}`
      const title = `Ohms from ${sayPair(system, a, b)}`.replaceAll(` of the ${name}`, '')
      if (act.soundOhm !== null) {
        const sound = act.soundOhm > 0 && Number.isFinite(act.soundOhm) ? sayOhms(act.soundOhm) : null
        return {
          title,
          acts: sayChanges(system, act.changes).map(short),
          means: {
            closed: 'Shorted together, ahead of the resistors.',
            open: sound === null ? 'Nothing touches: as it should be.' : 'At least one of them is open.',
            ...(sound !== null && !isIdentity && { sound: `Both good: about ${sound}.` }),
          },
        }
      }
      const isBunch = act.changes.some((change) => change.do === 'jumper')
      return {
        title,
        acts: sayChanges(system, act.changes).map(short),
        means: isIdentity
          ? { closed: 'Tied together at the other end.', open: 'Not the two ends of one tie.' }
          : act.isLoop
            ? { closed: 'Every conductor in the loop is good.', open: 'At least one of them is open.' }
            : {
                closed: isBunch ? 'Something in one bunch is shorted to something in the other.' : 'These two are shorted together.',
                open: `No short between them${at}.`,
              },
      }
    }
    case 'walk':
      return plain(`Set up here, then go to the other end of the ${name}`, act.changes)
    case 'call out':
      return plain('Call out to your helper', act.changes)
    case 'done':
      return plain(
        isIdentity
          ? `Every color of the ${name} is matched end to end, in ${taken} readings`
          : `Every conductor of the ${name} is tested, in ${taken} readings`,
      )
    case 'stuck':
      return plain(
        act.why === 'readings'
          ? misfit?.probe.meter === 'ohms'
            ? `These readings cannot all be right: take ${sayPoint(system, misfit.probe.a)} to ${sayPoint(system, misfit.probe.b)} again`
            : isIdentity
              ? 'No match of the colors explains these readings: test first which conductors are good'
              : 'No combination of up to three faults explains these readings: take them again, or run a new cable'
          : act.why === 'too many'
            ? `More than ${MOST_CONDUCTORS} conductors are too many to plan at once: test the ones in use pair by pair`
            : act.why === 'far end'
              ? `Nothing more can be told from this end: read the capacitance of each, or reach the other end (${ends.join(', ')})`
              : 'Ties cannot tell the rest, with so few sound conductors: read the capacitance of each',
      )
  }
}
