import { expect, type Page } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/** A visit typed from the street to the closed job: not one tap. */
interface Day {
  readonly street: string
  readonly kind: string
  readonly traced: readonly string[]
  readonly found: string
  readonly after: readonly string[]
}

const days: readonly Day[] = [
  {
    // As it is said, with what nobody says: that the breaker was reset, and which of two wires comes off.
    street: 'Row house, closet furnace',
    kind: 'furnace with A/C',
    traced: [
      "AC blows fuses, heat's fine",
      'put my 3 amp breaker in',
      'heat holds',
      'cool pops instantly',
      'pulled both condenser wires at the furnace and it holds',
      'pwr off',
      'outdoor Y to ground 1.2',
      'walked out to the condenser',
      'took Y and C off',
      'outdoor Y to ground still 1.2',
      'outdoor Y to ground 1.2',
    ],
    found: 'Y (red) of the outdoor cable',
    after: [
      'repaired 1 because of a string trimmer',
      'all wires back on',
      'pulled my breaker, 3 amp fuse back in',
      'pwr on',
      'call heat',
      'proved heat 0.7 A',
      'call fan',
      'proved fan 0.5 A',
      'call cool',
      'proved cool 1 A',
    ],
  },
  {
    street: 'Bakery, roof unit 9',
    kind: 'rooftop unit, gas heat',
    traced: ['complaint no heat', 'call heat', 'inducer runs', 'no glow', 'igniter 62 V', 'L1-unit to gnd 121', 'N to gnd 58'],
    found: 'neutral connection of the unit branch circuit',
    after: [
      'power off',
      'repaired 1 because a loose lug in the disconnect',
      'power on',
      'proved heat 1.1 A 25 V',
      'call fan',
      'proved fan 0.5 A 26 V',
      'call cool',
      'proved cool 1.1 A 25 V',
      'call cool-2',
      'proved second stage cool 1.5 A 25 V',
    ],
  },
  {
    street: 'Hill Crest 9',
    kind: 'two zones',
    traced: ['zone 2 stat shows overcurrent on Y', 'walk stat-2', 'power off', 'lift Y', 'power on', 'code came back'],
    found: 'Replace the thermostat of zone 2',
    after: [
      'call off',
      'power off',
      'land Y',
      'repaired 1 because the base was burned',
      'power on',
      ...['fan zone 1', 'cool zone 1', 'heat zone 1', 'fan zone 2', 'cool zone 2', 'heat zone 2'].flatMap((call) => [
        `call ${call}`,
        `proved ${call} 0.9 A`,
      ]),
    ],
  },
  {
    street: 'Mill Row 9',
    kind: 'old air handler',
    traced: [
      'complaint nothing cools',
      'landings ok',
      'call cool',
      'Y-C 25.8',
      'walk outdoor',
      'Y-C 25.6',
      'low-contactor-C 25.5',
      'contactor out',
      'power off',
      'unplug contactor',
      'ohms across contactor OL',
    ],
    found: 'Replace the contactor',
    after: [
      'repaired 1 because its coil burned open',
      'plug contactor',
      'power on',
      'call fan',
      'proved fan 0.6 A',
      'call cool',
      'proved cool 0.9 A',
    ],
  },
]

async function types(page: Page, text: string): Promise<void> {
  const line = page.getByRole('textbox', { name: 'quick line', exact: true })
  await page.keyboard.press('/')
  await page.keyboard.type(text)
  await page.keyboard.press('Enter')
  await expect(line, text).toHaveValue('')
  await page.keyboard.press('Escape')
}

for (const { street, kind, traced, found, after } of days)
  test(`typed from the street to the closed job: ${kind}${kind === 'old air handler' ? '' : ' @long'}`, async ({ page }) => {
    const technician = new Technician(page)
    await technician.opensTheApp()
    await page.getByLabel('type of system').focus()
    await page.keyboard.type(kind)
    await page.getByLabel('street, unit').focus()
    await page.keyboard.type(street)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { name: 'Complaint', level: 1 })).toBeAttached()
    await page.keyboard.press('3')
    for (const text of traced) await types(page, text)
    await technician.waits()
    await expect(page.getByRole('region', { name: 'Found' })).toContainText(found)
    for (const text of [...after, 'call off', 'close']) await types(page, text)
    await page.keyboard.press('7')
    await expect(page.getByText('Closed.', { exact: false }).first()).toBeVisible()
  })
