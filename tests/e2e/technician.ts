import { expect, type Locator, type Page } from '@playwright/test'
import { evidenceOf, proposeCheck } from '@/src/core/advice/advise'
import { sayChanges } from '@/src/core/bench/say-changes'
import { createEngine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { type Check, rankChecks } from '@/src/core/diagnosis/planner/next-check'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Fault } from '@/src/core/faults/fault'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import { createHouse, drawValues, type House } from '@/src/core/practice/house'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { sayAnswer } from '@/src/core/readings/say'
import { createRandom } from '@/src/core/units/random'
import type { System } from '@/src/core/wiring/system'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

/** What a technician does with the desk, in the words of the day. */
export class Technician {
  constructor(readonly page: Page) {}

  async opensTheApp(): Promise<void> {
    await this.page.goto('/')
    await expect(this.page.getByRole('heading', { name: 'Nest Trace' })).toBeVisible()
  }

  async beginsAJob(street: string, words: string, kind = 'furnace with A/C'): Promise<void> {
    const form = this.page.getByRole('form', { name: 'New job' })
    await form.getByLabel('street, unit').fill(street)
    await form.getByLabel('type of system').selectOption({ label: kind })
    await form.getByLabel("complaint in the customer's words").fill(words)
    await form.getByRole('button', { name: 'Start' }).click()
    await expect(this.page.getByRole('heading', { name: 'Complaint', level: 1 })).toBeAttached()
  }

  async ticks(what: string): Promise<void> {
    const box = this.page.getByRole('checkbox', { name: what, exact: true })
    await box.click()
    await expect(box).toBeChecked()
  }

  async goesTo(step: string): Promise<void> {
    await this.page.getByRole('navigation', { name: 'steps' }).getByRole('link', { name: step }).click()
    await expect(this.page.getByRole('heading', { name: step, level: 1 })).toBeAttached()
  }

  async taps(name: string | RegExp): Promise<void> {
    await this.page.getByRole('button', { name, exact: typeof name === 'string' }).click()
  }

  /** Types a quick line and sees it taken. */
  async says(line: string): Promise<void> {
    const field = this.page.getByRole('textbox', { name: 'quick line', exact: true })
    await field.fill(line)
    await field.press('Enter')
    await expect(field).toHaveValue('')
  }

  /** Records the repair of a suspect by its rank in the list, the first of all being 0. */
  async repairs(rank: number): Promise<void> {
    await this.says(`repaired ${rank + 1}`)
  }

  async types(value: string): Promise<void> {
    await this.page.getByRole('textbox', { name: /^reading in / }).fill(value)
    await this.taps('Take it')
  }

  get nextCheck(): Locator {
    return this.page.getByRole('region', { name: 'Next check' })
  }

  get leadingSuspect(): Locator {
    return this.page.getByRole('region', { name: 'Suspects' }).getByRole('listitem').first()
  }

  /** The desk has thought to the end: what is shown belongs to the last entry. */
  async waits(): Promise<void> {
    await expect(this.page.getByRole('region', { name: /^(Next check|Found|Closed)$/ })).toBeVisible()
    await expect(this.page.locator('[aria-busy="true"]')).toHaveCount(0)
  }
}

/** A house with a hidden fault on the other end of the meter leads. */
export function hiddenFault(faultId: string, foundFuse: House['hypothesis']['foundFuse'], seed: number, system: System = furnaceAc): House {
  return hiddenHypothesis(hypothesisOfFault(faultById(system, faultId), foundFuse), seed, system)
}

export function hiddenHypothesis(hypothesis: House['hypothesis'], seed: number, system: System): House {
  const random = createRandom(seed)
  return createHouse(system, hypothesis, drawValues(system, random), random)
}

export function faultById(system: System, id: string): Fault {
  const fault = enumerateFaults(system).find((candidate) => candidate.id === id)
  if (!fault) throw new Error(`no fault ${id}`)
  return fault
}

/**
 * Follows the next check until something is found: makes its setup in the simulated house, takes the reading there, and
 * gives the answer by one tap when a button says it, else on the keypad.
 */
export async function followsTheChecks(technician: Technician, house: House, system: System, most = 25): Promise<number> {
  const { page } = technician
  const jobId = new URL(page.url()).pathname.split('/').at(-1)
  const engine = createEngine(system)
  // The same core on the same timeline gives the same check, or one of those that come next to it: two JavaScript engines may
  // part ways in the last digit of a logarithm, and with it on a tie. What stands on the screen is looked up here to answer it.
  const propose = async (): Promise<Check | null> => {
    await expect.poll(() => page.getByText('on this device only').count()).toBe(0)
    // In the page, as the desk asks: a connection that was let go in between is made anew.
    const job: JobFile = await page.evaluate(async (id) => (await fetch(`/api/v1/jobs/${id}`)).json(), jobId)
    const state = foldJob(job.system, job.entries)
    const { next } = proposeCheck(engine, state)
    if (!next) return null
    const card = async () => (await technician.nextCheck.textContent()) ?? ''
    const stands = (text: string, { say, setup }: Check) =>
      text.includes(say) && sayChanges(system, setup).every((said) => text.includes(said))
    if (stands(await card(), next)) return next
    const evidence = evidenceOf(state)
    const weighed = weigh(engine, evidence)
    const close = [
      next,
      ...rankChecks(weighed.engine, weighed.posterior, state.bench, evidence.observations, { skipped: state.skipped }, 60),
    ]
    let found: Check | undefined
    await expect
      .poll(
        async () => {
          const text = await card()
          found = close.find((check) => stands(text, check))
          return found !== undefined
        },
        {
          message: `the card shows one of: ${close
            .slice(0, 8)
            .map(({ say }) => say)
            .join('; ')}, ...`,
        },
      )
      .toBe(true)
    return found ?? null
  }
  for (let checks = 0; checks < most; checks++) {
    await technician.waits()
    if (!(await technician.nextCheck.isVisible())) return checks
    const check = await propose()
    if (!check) return checks
    for (const change of check.setup) house.change(change)
    const { answer, tripped } = house.ask(check.probe)
    if (tripped && check.probe.meter !== 'trip') await technician.taps('it tripped instead')
    else if (typeof answer === 'object') {
      const word = new RegExp(`^${asPattern(sayAnswer(answer, check.probe))}`)
      const shown = technician.nextCheck.getByRole('button', { name: word })
      if ((await shown.count()) > 0) await shown.first().click()
      else {
        await technician.taps(/^another/)
        await technician.page.getByRole('dialog').getByRole('button', { name: word }).click()
      }
    } else {
      await technician.taps(/^type it/)
      if (answer === 'OL') await technician.taps('OL')
      else await technician.types(String(answer))
    }
  }
  throw new Error(`nothing found after ${most} checks`)
}

const asPattern = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
