import { formOpinion, proposeCheck } from '@/src/core/advice/advise'
import { asIfAnswered } from '@/src/core/advice/answer-entries'
import { thinkAhead } from '@/src/core/advice/think-ahead'
import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { PredictionTask } from '@/src/core/diagnosis/likelihood/prediction-task'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { Answer } from '@/src/core/readings/check'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { systemOf } from '@/tests/setup/engines'

/** Networks solved while something is done: what is looked up solves none. */
function solvedDuring(engine: ReturnType<typeof createEngine>, work: () => void): number {
  const spies = [jest.spyOn(engine.laboratory.kernel, 'set')]
  work()
  const solved = spies.reduce((sum, spy) => sum + spy.mock.calls.length, 0)
  for (const spy of spies) spy.mockRestore()
  return solved
}

/** A number out of the middle of a stretch; any other answer as it is. */
const middleOf = (answer: Answer): Answer =>
  typeof answer === 'object' && 'low' in answer ? Math.sqrt(Math.max(0.1, answer.low) * answer.high) : answer

describe('thinking ahead', () => {
  const engine = createEngine(furnaceAc)
  const begun: Entry[] = [{ id: 'e1', at: '2026-03-04T09:10:00Z', kind: 'bench', change: { do: 'walk', place: 'indoor' } }]
  const proposal = proposeCheck(engine, foldJob(furnaceAc, begun))
  const { next } = proposal
  if (!next) throw new Error('nothing is asked of a new job')
  const answered = foldJob(furnaceAc, asIfAnswered(begun, next, next.outcomes[0].answer))
  const steps = thinkAhead(engine, begun, proposal)

  it('leaves next to nothing to be solved for the suspects after the likeliest answer and for the check after it @long', () => {
    for (const step of steps) step()
    const unprepared = createEngine(furnaceAc)
    const suspects = solvedDuring(unprepared, () => formOpinion(unprepared, answered))
    expect(suspects).toBeGreaterThan(100)
    expect(solvedDuring(engine, () => formOpinion(engine, answered))).toBeLessThan(suspects / 20)
    const check = solvedDuring(unprepared, () => proposeCheck(unprepared, answered))
    expect(check).toBeGreaterThan(200)
    expect(solvedDuring(engine, () => proposeCheck(engine, answered))).toBeLessThan(check / 20)
  })

  it('serves a number as well as the stretch of numbers that was guessed, which it lies in @long', () => {
    const fresh = createEngine(furnaceAc)
    let entries = begun
    let step = proposeCheck(fresh, foldJob(furnaceAc, entries))
    // Down the likeliest answers until a number is asked for.
    while (step.next && typeof middleOf(step.next.outcomes[0].answer) !== 'number') {
      entries = asIfAnswered(entries, step.next, step.next.outcomes[0].answer)
      step = proposeCheck(fresh, foldJob(furnaceAc, entries))
    }
    if (!step.next) throw new Error('no number was ever asked for')
    for (const work of thinkAhead(engine, entries, step)) work()
    const number = foldJob(furnaceAc, asIfAnswered(entries, step.next, middleOf(step.next.outcomes[0].answer)))
    const unprepared = createEngine(furnaceAc)
    expect(solvedDuring(engine, () => proposeCheck(engine, number))).toBeLessThan(
      solvedDuring(unprepared, () => proposeCheck(unprepared, number)) / 20,
    )
  })

  it('serves the reading at whatever minute it is taken: on a heat pump a delay may run, or be over @long', () => {
    const heatPump = systemOf('heat-pump-o')
    const restarted: Entry[] = [
      { id: 'off', at: '2026-03-04T09:10:00Z', kind: 'bench', change: { do: 'power', on: false } },
      { id: 'on', at: '2026-03-04T09:11:00Z', kind: 'bench', change: { do: 'power', on: true } },
    ]
    const check = { setup: [{ do: 'call', call: 'cool' } as const], probe: { meter: 'volts', a: 'Y@indoor', b: 'C@indoor' } as const }
    const [prepared, unprepared] = [createEngine(heatPump), createEngine(heatPump)]
    const outcomes = [{ ...next.outcomes[0], answer: 25 }]
    const asked = { ...proposal, next: { ...next, ...check, outcomes, bench: { ...createBench(heatPump), call: 'cool' as const } } }
    for (const step of thinkAhead(prepared, restarted, asked)) step()
    const readAfter = (minutes: number) => foldJob(heatPump, asIfAnswered(restarted, asked.next, 25.4, minutes)).observationsSinceRepair
    const anew = solvedDuring(unprepared, () => unprepared.store.chains(readAfter(0.5)))
    expect(anew).toBeGreaterThan(1000)
    for (const minutes of [0.5, 2, 4.5])
      expect(solvedDuring(prepared, () => prepared.store.chains(readAfter(minutes)))).toBeLessThan(anew / 20)
  })

  it('serves ohms of a coil that is sold far from its template, with the readings before it @long', () => {
    const ohms = { setup: [], probe: { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' } as const }
    const outcomes = [{ ...next.outcomes[0], answer: 14 }]
    const asked = { ...proposal, next: { ...next, ...ohms, outcomes, bench: { ...createBench(furnaceAc), power: false } } }
    const off: Entry[] = [
      { id: 'off', at: '2026-03-04T09:10:00Z', kind: 'bench', change: { do: 'power', on: false } },
      { id: 'relay', at: '2026-03-04T09:11:00Z', kind: 'reading', probe: { meter: 'ohms', a: 'Y@indoor', b: 'G@indoor' }, answer: 40 },
    ]
    // 9.3 ohm where the template says 14.
    const { observationsSinceRepair } = foldJob(furnaceAc, asIfAnswered(off, asked.next, 9.3))
    const relaid = jest.spyOn(PredictionTask.prototype, 'finishIn')
    const [prepared, unprepared] = [createEngine(furnaceAc), createEngine(furnaceAc)]
    unprepared.store.chains(observationsSinceRepair)
    const anew = relaid.mock.calls.length
    for (const step of thinkAhead(prepared, off, asked)) step()
    relaid.mockClear()
    prepared.store.chains(observationsSinceRepair)
    expect(anew).toBeGreaterThan(1)
    expect(relaid).not.toHaveBeenCalled()
    relaid.mockRestore()
  })

  it('comes to the same as an answer that nobody has thought of', () => {
    const fresh = createEngine(furnaceAc)
    const said = (from: typeof engine) => formOpinion(from, answered).suspects.map(({ id, probability }) => [id, probability.toFixed(9)])
    expect(said(engine)).toEqual(said(fresh))
    expect(proposeCheck(engine, answered).next?.probe).toEqual(proposeCheck(fresh, answered).next?.probe)
  })

  it('may be broken off anywhere: the answer works out the rest', () => {
    const broken = createEngine(furnaceAc)
    for (const step of thinkAhead(broken, begun, proposal).slice(0, 2)) step()
    const said = formOpinion(broken, answered).suspects.map(({ id }) => id)
    expect(said).toEqual(formOpinion(engine, answered).suspects.map(({ id }) => id))
  })
})
