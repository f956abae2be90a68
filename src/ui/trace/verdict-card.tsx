'use client'
import { sayVerdict, sayWhereToLook } from '@/src/core/diagnosis/explanation/say-verdict'
import { FOUND, namesRepair, type Verdict } from '@/src/core/diagnosis/inference/verdict'
import { BURNS_OUT_AGAIN, mayBurnOutAgain } from '@/src/core/job/burned-out'
import { sayPercent } from '@/src/core/units/quantity'
import { zoneName } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { useJob, useMoment, useSuspects } from '@/src/ui/desk/desk-context'
import type { ScreenProps } from '@/src/ui/desk/screen'

/** The search is over, for now: what was found, where, and what comes next. */
export function VerdictCard({ verdict, onStep }: ScreenProps & { verdict: Verdict }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { advice } = useSuspects()
  const isAfterRepair = state.repairs.length > 0
  const among = verdict.found === 'repair' || verdict.found === 'nothing-wrong' ? [] : verdict.suspects
  return (
    <section aria-label="Found" className="landed mb-3 rounded border-2 border-hold bg-raised p-3">
      <h2 className="font-bold text-muted text-small">{HEADING[verdict.found]}</h2>
      {verdict.found === 'nothing-wrong' ? (
        <>
          <p className="my-1 font-bold text-large">
            {isAfterRepair
              ? 'Nothing else is wrong'
              : verdict.probability >= FOUND
                ? 'Nothing is wrong with the low-voltage side'
                : 'Nothing found wrong: every call runs'}
          </p>
          <p className="mb-2 text-muted">
            {sayPercent(verdict.probability)}. No part is condemned.{' '}
            {verdict.probability < FOUND && 'A fault that shows on no call may be left. '}
            Run every mode to prove it.
          </p>
        </>
      ) : (
        <>
          <p className="my-1 font-bold text-large">
            {namesRepair(verdict) ? verdict.repair.say : 'No known fault explains these readings'}
          </p>
          <p className="mb-2 text-muted">
            {verdict.zone !== null && `${zoneName(system, verdict.zone)}, `}
            {sayPercent(verdict.probability)}
            {verdict.found === 'group' && '. No reading left tells these apart: inspect the place.'}
            {verdict.found === 'comes-and-goes' && `. ${sayVerdict(system, verdict)}.`}
          </p>
          {verdict.found === 'none-of-these' && (
            <>
              <p className="mb-2">{sayWhereToLook(system, verdict.zone)}.</p>
              <p className="mb-1">The closest match:</p>
            </>
          )}
          {among.length > 0 && (
            <ul className="mb-2 list-disc pl-5">
              {among.map((id) => {
                const suspect = advice?.suspects.find((candidate) => candidate.id === id)
                return suspect && <li key={id}>{suspect.say}</li>
              })}
            </ul>
          )}
          {namesRepair(verdict) && verdict.also && (
            <p className="mb-2">
              And a second fault: {verdict.also.repair.say} ({zoneName(system, verdict.also.zone)}, {sayPercent(verdict.also.probability)})
            </p>
          )}
          {verdict.suspects.some((id) => mayBurnOutAgain(id, state.repairs)) && (
            <div className="mb-2">
              <Caution>{BURNS_OUT_AGAIN}</Caution>
            </div>
          )}
        </>
      )}
      {/* Where nothing is known there is no repair to go on to. */}
      {verdict.found !== 'none-of-these' && (
        <Button look="main" className="w-full text-center" onClick={() => onStep(verdict.found === 'nothing-wrong' ? 'prove' : 'repair')}>
          {verdict.found === 'nothing-wrong' ? 'On to Prove' : 'On to Repair'}
        </Button>
      )}
    </section>
  )
}

const HEADING: Record<Verdict['found'], string> = {
  repair: 'Found',
  group: 'No check tells these apart any further',
  'comes-and-goes': 'Intermittent',
  'none-of-these': 'None of the known faults',
  'nothing-wrong': 'Found',
}
