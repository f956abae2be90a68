'use client'
import { saySlot } from '@/src/core/bench/say'
import { firstPart, isUnknown } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { FoundButtons } from '@/src/ui/power/found-buttons'

/** Sizes that are found where a smaller one belongs; the quick line takes any other. Assumption. */
const SIZES_FOUND = [5, 10]

/** What the label says, what was found, what is in now; and which primary lead the line is on. */
export function FuseCard() {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const fuse = firstPart(system, 'fuse')
  const transformer = firstPart(system, 'transformer')
  const { slot } = state.bench
  const isLabelled = !isUnknown(system, 'fuse') && fuse.holds === undefined
  const isOversized = isLabelled && slot.holds === 'fuse' && slot.ratingA > fuse.ratingA
  const largerSize = isLabelled && slot.holds === 'as-found' ? SIZES_FOUND.find((size) => size > fuse.ratingA) : undefined
  const putIn = (ratingA: number) => record([{ kind: 'bench', change: { do: 'slot', holds: 'fuse', ratingA } }])
  return (
    <section aria-label="Fuse">
      <h2 className="font-bold text-muted text-small">Fuse</h2>
      <p className="py-1">
        {fuse.holds === 'none'
          ? 'None is installed; an inline fuse would protect this transformer.'
          : isUnknown(system, 'fuse')
            ? 'Its label has not been read: 3 A and 5 A are both considered.'
            : `The label says ${fuse.ratingA} A.`}{' '}
        Now: {saySlot(system, state.bench)}.
      </p>
      {isOversized && (
        <div className="mb-2">
          <Caution>
            A finding: a {slot.ratingA} A fuse where the label says {fuse.ratingA} A. It lets the transformer burn out on an overload that
            the right one would stop. Put the right one back in, never a larger one.
          </Caution>
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        {fuse.holds !== 'none' && <FoundButtons at="fuse" />}
        {fuse.holds === 'none' && slot.holds !== 'fuse' && (
          <Button onClick={() => putIn(fuse.ratingA)}>inline {fuse.ratingA} A fuse fitted</Button>
        )}
        {largerSize !== undefined && <Button onClick={() => putIn(largerSize)}>found {largerSize} A, too large</Button>}
        {isOversized && <Button onClick={() => putIn(fuse.ratingA)}>put a {fuse.ratingA} A fuse in</Button>}
        {slot.holds !== 'breaker' && (
          <Button onClick={() => record([{ kind: 'bench', change: { do: 'slot', holds: 'breaker' } }])}>put a breaker in</Button>
        )}
      </div>
      {(transformer.taps ?? []).map(({ lead, volts }) => (
        <p key={lead} className="mt-2 text-muted">
          The line is on the {transformer.primaryVolts} V lead. Where the line is {volts} V, the {volts} V lead is the right one: on this
          one a {volts} V line would give {((transformer.openVolts * volts) / transformer.primaryVolts).toFixed(0)} V, nothing loaded. Cap
          the leads that are not used.
        </p>
      ))}
    </section>
  )
}
