import { expect } from '@playwright/test'
import { joinFaults } from '@/src/core/diagnosis/inference/pairs'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { faultById, followsTheChecks, hiddenHypothesis, Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/**
 * Days of different kinds on different systems, from the complaint to the named fault, through the real interface; a
 * simulated house answers.
 */
interface Day {
  readonly system: string
  readonly street: string
  readonly words: string
  /** What the customer's words tick on the complaint. */
  readonly ticks?: string
  readonly fault: string
  readonly fuseBlown?: true
  /** It comes and goes. */
  readonly intermittent?: true
  readonly seed?: number
  /** Another fault behind the first. */
  readonly behind?: string
  /** Driven by `./check` too; the others by `./check --all`. */
  readonly brief?: true
}

const days: readonly Day[] = [
  { system: 'heat-pump-b', street: 'Heron House', words: 'Cools when it should heat.', fault: 'conductor-open:outdoor-cable.B' },
  { system: 'air-handler-plain', street: 'Mill Row 9', words: 'Outside unit never comes on.', fault: 'not-landed:outdoor-cable.C@outdoor' },
  {
    system: 'furnace-ac',
    street: 'Quarry Lane 3',
    words: 'Blows when it cools.',
    ticks: 'blows on a call',
    fault: 'lead-to-chassis:Y@outdoor',
    fuseBlown: true,
  },
  {
    system: 'cool-strips',
    street: 'Dove Cottage',
    words: 'Blows when it cools.',
    ticks: 'blows on a call',
    fault: 'lead-to-chassis:low-contactor@outdoor',
    fuseBlown: true,
  },
  {
    system: 'furnace-ac',
    street: 'Orchard 12',
    words: 'The furnace never stops.',
    ticks: 'never stops',
    fault: 'conductor-short:stat-cable.R+W',
    brief: true,
  },
  { system: 'furnace-two-transformers', street: 'Old Bank', words: 'No heat, smells.', fault: 'lead-to-chassis:limit-rollout@indoor' },
  {
    system: 'dual-fuel',
    street: 'Ridge Road 40',
    words: 'New heat pump does nothing.',
    ticks: 'new equipment',
    fault: 'not-landed:outdoor-cable.Y@indoor',
  },
  {
    system: 'furnace-ac-two-stage',
    street: 'Station Yard',
    words: 'Outside dead since the new unit.',
    ticks: 'new equipment',
    fault: 'landed-wrong:outdoor-cable.C@outdoor>Y1',
  },
  { system: 'furnace-no-common', street: 'Weir House', words: 'Lights dim, furnace stalls.', fault: 'neutral-open:furnace-supply' },
  {
    system: 'furnace-ac',
    street: 'Tannery 5',
    words: 'Hot smell in the attic.',
    ticks: 'burning smell',
    fault: 'lead-to-chassis:sec@indoor',
  },
  {
    system: 'rooftop-gas',
    street: 'Bakery, roof unit 3',
    words: 'Thermostat shows a code.',
    ticks: 'code on the thermostat',
    fault: 'lead-to-chassis:Y1@package',
  },
  {
    system: 'heat-pump-o',
    street: 'Lock Keeper',
    words: 'It clatters outside.',
    ticks: 'relay or valve chatters',
    fault: 'output-toggles:defrost-board.O-out',
  },
  {
    system: 'zoned-furnace-ac',
    street: 'Hill Crest',
    words: 'Upstairs does not cool since the new thermostat.',
    ticks: 'new thermostat',
    fault: 'not-landed:stat-cable-2.Y@stat-2',
  },
  { system: 'package-heat-pump', street: 'Chapel Close', words: 'Never comes on.', fault: 'thermostat-not-called:stat' },
  {
    system: 'furnace-ac',
    street: 'Mint Street 8',
    words: 'Fuse every few days.',
    ticks: 'blows a fuse intermittently',
    fault: 'conductor-to-chassis:outdoor-cable.Y',
    intermittent: true,
    seed: 7,
  },
  {
    system: 'cool-strips',
    street: 'Glebe Farm',
    words: 'Blew, and blank.',
    ticks: 'blank thermostat',
    fault: 'conductor-to-chassis:outdoor-cable.Y',
    behind: 'conductor-open:stat-cable.C',
  },
]

for (const { system: id, street, words, ticks, fault, fuseBlown, intermittent, behind, seed, brief } of days) {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  const first = faultById(system, fault)
  const second = behind ? faultById(system, behind) : null
  const told = [first, ...(second ? [second] : [])]

  test(`${street}, ${system.name}: ${told.map((one) => one.id).join(', then ')}${brief ? '' : ' @long'}`, async ({ page }) => {
    const technician = new Technician(page)
    const hypothesis = {
      ...hypothesisOfFault(second ? joinFaults(first, second) : first, fuseBlown ? 'blown' : 'intact'),
      intermittent: intermittent ?? false,
    }
    const house = hiddenHypothesis(hypothesis, seed ?? 6, system)
    await technician.opensTheApp()
    await technician.beginsAJob(street, words, system.name)
    if (ticks) await technician.ticks(ticks)
    await technician.goesTo('Trace')
    await followsTheChecks(technician, house, system, 40)
    const found = page.getByRole('region', { name: 'Found' })
    const named = await found.textContent()
    const mended = told.find(({ repair }) => named?.includes(repair.say))
    expect(named, 'the repair that is named').toContain(mended?.repair.say)
    const left = told.find((one) => one !== mended)
    if (!left) return
    await technician.repairs(0)
    await expect(found).toHaveCount(0)
    house.mend(hypothesisOfFault(left))
    house.change({ do: 'slot', holds: 'breaker' })
    await technician.says('breaker in')
    await followsTheChecks(technician, house, system, 40)
    await expect(found).toContainText(left.repair.say)
  })
}
