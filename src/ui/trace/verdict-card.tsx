'use client'
import type { Verdict } from '@/src/core/diagnosis/verdict'
import { COOKS_AGAIN, mayCookAgain } from '@/src/core/job/cooked'
import { sayPercent } from '@/src/core/units/quantity'
import { zoneName } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { useDesk } from '@/src/ui/desk/desk-context'
import type { ScreenProps } from '@/src/ui/desk/screen'

/** The search is over, for now: what was found, where, and what comes next. */
export function VerdictCard({ verdict, onStep }: ScreenProps & { verdict: Verdict }) {
  const { system, state, advice } = useDesk()
  const isAfterRepair = state.repairs.length > 0
  return (
    <section aria-label="Found" className="landed mb-3 rounded border-2 border-hold bg-raised p-3">
      <h2 className="font-bold text-muted text-small">{verdict.found === 'group' ? 'No check splits these any further' : 'Found'}</h2>
      {verdict.found === 'nothing-wrong' ? (
        <>
          <p className="my-1 font-bold text-large">
            {isAfterRepair ? 'Nothing else is wrong' : 'Nothing is wrong with the low-voltage side'}
          </p>
          <p className="mb-2 text-muted">{sayPercent(verdict.probability)}. No part is condemned. Run every mode to prove it.</p>
          <Button look="main" className="w-full text-center" onClick={() => onStep('prove')}>
            On to Prove
          </Button>
        </>
      ) : (
        <>
          <p className="my-1 font-bold text-large">{verdict.repair.say}</p>
          <p className="mb-2 text-muted">
            {zoneName(system, verdict.zone)}, {sayPercent(verdict.probability)}
            {verdict.found === 'group' && '. No reading at hand tells these apart: look at the place with your own eyes.'}
          </p>
          {verdict.found === 'group' && (
            <ul className="mb-2 list-disc pl-5">
              {verdict.suspects.map((id) => {
                const suspect = advice?.suspects.find((candidate) => candidate.id === id)
                return suspect && <li key={id}>{suspect.say}</li>
              })}
            </ul>
          )}
          {verdict.also && (
            <p className="mb-2">
              And a second fault: {verdict.also.repair.say} ({zoneName(system, verdict.also.zone)}, {sayPercent(verdict.also.probability)})
            </p>
          )}
          {verdict.suspects.some((id) => mayCookAgain(id, state.repairs)) && (
            <div className="mb-2">
              <Caution>{COOKS_AGAIN}</Caution>
            </div>
          )}
          <Button look="main" className="w-full text-center" onClick={() => onStep('repair')}>
            On to Repair
          </Button>
        </>
      )}
    </section>
  )
}
