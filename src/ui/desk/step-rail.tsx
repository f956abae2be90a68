'use client'
import { Check } from 'lucide-react'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { isStepDone, type Step, stepName, steps } from '@/src/ui/desk/steps'

/** The order of work: down the left side, along the bottom of a phone. Any step can be opened at any time. */
export function StepRail({ current, onStep }: { current: Step; onStep: (step: Step) => void }) {
  const { system } = useJob()
  const { state } = useMoment()
  return (
    <nav
      aria-label="steps"
      className="short:sticky short:bottom-0 short:z-[5] short:bg-ground print:hidden col-span-full row-start-4 border-line border-t-2 desk:col-span-1 desk:row-span-3 desk:row-start-2 desk:border-t-0 desk:border-r-2"
    >
      <ol className="flex desk:flex-col">
        {steps.map((step, index) => {
          const isDone = isStepDone(system, state, step)
          return (
            <li key={step} className="min-w-0 flex-1">
              <a
                // Until the page has hydrated, a tap follows the link.
                href={`?step=${step}`}
                onClick={(click) => {
                  if (click.metaKey || click.ctrlKey || click.shiftKey) return
                  click.preventDefault()
                  onStep(step)
                }}
                aria-current={step === current ? 'step' : undefined}
                className={`grid h-14 w-full place-content-center border-transparent border-t-4 text-center desk:h-[4.6rem] desk:border-t-0 desk:border-l-4 ${
                  step === current ? '!border-next bg-panel text-next' : 'text-muted'
                }`}
              >
                <span className="flex items-center justify-center font-bold desk:text-large">
                  {index + 1}
                  {isDone && (
                    <>
                      <Check aria-hidden className="size-4 text-hold" />
                      <span className="sr-only">, done</span>
                    </>
                  )}
                </span>
                <span className="truncate text-small max-desk:tracking-tighter">{stepName[step]}</span>
              </a>
            </li>
          )
        })}
      </ol>
    </nav>
  )
}
