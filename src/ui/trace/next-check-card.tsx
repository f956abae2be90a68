'use client'
import { useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { entriesOfAnswer } from '@/src/core/advice/answer-entries'
import { isResettable } from '@/src/core/bench/apply'
import { sayChanges } from '@/src/core/bench/say-changes'
import type { Check } from '@/src/core/diagnosis/planner/next-check'
import type { EntryDraft } from '@/src/core/job/entry'
import { sayWay } from '@/src/core/job/ways'
import { type Answer, probeKey } from '@/src/core/readings/check'
import { wordsFor } from '@/src/core/readings/predict'
import { sayAnswer } from '@/src/core/readings/say'
import { sayMinutes, sayPercent } from '@/src/core/units/quantity'
import { furtherFuses, placeById } from '@/src/core/wiring/system'
import { speak, useAloud } from '@/src/ui/aloud/voice'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { Keypad } from '@/src/ui/controls/keypad'
import { Sheet } from '@/src/ui/controls/sheet'
import { useHands, useJob, useMoment, useProposal } from '@/src/ui/desk/desk-context'
import type { ScreenProps } from '@/src/ui/desk/screen'
import { MeterAt } from '@/src/ui/meter/meter-at'
import { PictureFirst } from '@/src/ui/photos/picture-first'
import { AlternativesSheet } from '@/src/ui/trace/alternatives-sheet'
import { VerdictCard } from '@/src/ui/trace/verdict-card'

const ANSWER_KEYS: readonly string[] = ['a', 's', 'd', 'f', 'g']
const MOST_ANSWERS = ANSWER_KEYS.length

/** The check worth most now, answered with one tap. */
export function NextCheckCard({ onStep }: ScreenProps) {
  const { state } = useMoment()
  const { proposal, thinking, problem, retryAdvice } = useProposal()
  if (problem)
    return (
      <Card label="Next check">
        <p role="alert">{problem}</p>
        <Button look="main" className="mt-2 w-full text-center" onClick={retryAdvice}>
          Try again
        </Button>
      </Card>
    )
  if (state.closedAt) return <Card label="Closed">This job is closed. Its record stays as it is.</Card>
  if (!proposal) return <Card label="Next check">Choosing the next check …</Card>
  if (proposal.verdict) return <VerdictCard verdict={proposal.verdict} onStep={onStep} />
  if (!proposal.next)
    return (
      <Card label="Next check">No check left tells more. Inspect the leading suspects, or take a reading of your own on the loom.</Card>
    )
  return (
    <Proposed
      key={`${probeKey(proposal.next.probe)} ${state.standing.length}`}
      check={proposal.next}
      confirms={proposal.confirms}
      isStale={thinking !== null}
    />
  )
}

function Card({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <section aria-label={label} className="mb-3 rounded border-2 border-next bg-raised p-3">
      <h2 className="mb-1 font-bold text-muted text-small">{label}</h2>
      {children}
    </section>
  )
}

/** The check as it is said over the shoulder: what to do first, what could hurt, then what to read. */
const asSpoken = ({ say, caution }: Check, first: readonly string[]): string =>
  [...first, ...(caution ? [caution] : []), say].map((one) => one.replace(/[.]$/, '')).join('. ')

function Proposed({ check, confirms, isStale }: { check: Check; confirms: boolean; isStale: boolean }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const [typing, setTyping] = useState(false)
  const [comparing, setComparing] = useState(false)
  const { probe, setup, outcomes } = check
  const placeName = placeById(system, check.place)?.name
  const measured = probe.meter === 'volts' || probe.meter === 'ohms' || probe.meter === 'amps' ? probe.meter : null
  const shown = outcomes.slice(0, MOST_ANSWERS)
  const words = wordsFor(system, probe).filter(
    // On which screw a wire sits, or with which it is swapped, is typed, or told as one of the likely answers: as a list it would be a page long.
    (word) =>
      !/^wrong: .* on |^swapped: /.test(word) &&
      !shown.some(({ answer }) => typeof answer === 'object' && 'word' in answer && answer.word === word),
  )

  const prepare: EntryDraft[] = setup.map((change) => ({ kind: 'bench', change }))
  const answerWith = (answer: Answer) => {
    setTyping(false)
    record(entriesOfAnswer(check, answer))
  }
  const skip = () => record([{ kind: 'skip', probe }])

  useHotkeys(ANSWER_KEYS.join(','), (_, { keys }) => {
    const outcome = shown[ANSWER_KEYS.indexOf(keys?.[0] ?? '')]
    if (outcome && !isStale) answerWith(outcome.answer)
  })
  useHotkeys('k', () => (measured || words.length > 0) && setTyping(true), { preventDefault: true })
  useHotkeys('x', skip)
  useHotkeys('w', () => setComparing(true))
  const aloud = useAloud()
  const readAloud = () => speak(asSpoken(check, sayChanges(system, setup)))
  useHotkeys('v', readAloud, { enabled: aloud.isOn })

  return (
    <section
      aria-label="Next check"
      aria-busy={isStale}
      className={`landed mb-3 rounded border-2 border-next bg-raised p-3 ${isStale ? 'opacity-60' : ''}`}
    >
      <div className="flex justify-between gap-2 text-muted text-small">
        <h2 className="whitespace-nowrap font-bold">{confirms ? 'Next check, to confirm' : 'Next check'}</h2>
        <span>
          {sayMinutes(check.minutes)} · {check.place === state.bench.place ? 'you are at' : 'go to'} the {placeName}
        </span>
      </div>
      <p className="my-1 font-bold text-large">{check.say}</p>
      {setup.length > 0 ? (
        <ol className="mb-1 list-inside list-decimal text-muted">
          {sayChanges(system, setup).map((said) => (
            <li key={said}>{said}</li>
          ))}
        </ol>
      ) : (
        <p className="mb-1 text-muted">{check.why}</p>
      )}
      <PictureFirst setup={setup} />
      {check.caution && <Caution>{check.caution}</Caution>}
      <div className="mt-2 grid grid-cols-2 gap-2">
        {shown.map((outcome, index) => (
          <Button
            key={JSON.stringify(outcome.answer)}
            disabled={isStale}
            aria-keyshortcuts={ANSWER_KEYS[index]}
            onClick={() => answerWith(outcome.answer)}
          >
            <span className="flex justify-between gap-2">
              <span className="font-bold">{sayAnswer(outcome.answer, probe)}</span>
              <span className="whitespace-nowrap text-muted text-small">{sayPercent(outcome.probability)}</span>
            </span>
            <span className="line-clamp-1 text-muted text-small" title={outcome.meaning}>
              {outcome.meaning}
            </span>
          </Button>
        ))}
        {words.length > 0 && (
          <Button onClick={() => setTyping(true)} aria-keyshortcuts="k">
            <span className="block font-bold">another …</span>
            <span className="block text-muted text-small">{words.length} more answers</span>
          </Button>
        )}
        {measured && (
          <Button onClick={() => setTyping(true)} aria-keyshortcuts="k">
            <span className="block font-bold">type it …</span>
            <span className="block text-muted text-small">keypad</span>
          </Button>
        )}
      </div>
      <div className="mt-1 flex flex-wrap justify-between gap-x-1 print:hidden">
        {setup.length > 0 && (
          <Button look="quiet" onClick={() => record(prepare)}>
            set up first
          </Button>
        )}
        {check.bench.power && probe.meter !== 'trip' && (
          <Button look="quiet" onClick={() => record([...prepare, { kind: 'trip', result: 'trips' }])}>
            it tripped instead
          </Button>
        )}
        {check.bench.power &&
          probe.meter !== 'trip' &&
          furtherFuses(system).map(({ id, name }) => (
            <Button key={id} look="quiet" onClick={() => record([...prepare, { kind: 'trip', result: 'trips', on: id }])}>
              the {name} {isResettable(system, check.bench, id) ? 'tripped' : 'blew'}
            </Button>
          ))}
        <Button look="quiet" onClick={() => setComparing(true)} aria-keyshortcuts="w">
          {state.way === 'free' ? 'why this one' : `way: ${sayWay[state.way].name}`}
        </Button>
        {aloud.isOn && (
          <Button look="quiet" onClick={readAloud} aria-keyshortcuts="v">
            read aloud
          </Button>
        )}
        <Button look="quiet" onClick={skip} aria-keyshortcuts="x">
          can't do this check
        </Button>
      </div>
      <AlternativesSheet open={comparing} onOpenChange={setComparing} />
      {words.length > 0 && (
        <Sheet open={typing} onOpenChange={setTyping} title="What did you find?" description={check.say}>
          <div className="flex flex-col gap-2">
            {words.map((word) => (
              <Button key={word} onClick={() => answerWith({ word })}>
                {sayAnswer({ word }, probe)}
              </Button>
            ))}
          </div>
        </Sheet>
      )}
      {measured && (
        <Sheet open={typing} onOpenChange={setTyping} title="What does the meter show?" description={check.say}>
          {setup.length === 0 && <MeterAt probe={probe} onTake={answerWith} />}
          <Keypad measured={measured} onTake={answerWith} autoFocus />
        </Sheet>
      )}
    </section>
  )
}
