import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/** A furnace section that does not light, on a roof: read as the trade reads it, typed alone. */
async function onTheRoof(technician: Technician, street: string): Promise<void> {
  await technician.opensTheApp()
  await technician.beginsAJob(street, 'No heat since the storm.', 'rooftop unit, gas heat, two stages of cooling')
  await technician.goesTo('Trace')
  for (const line of ['complaint no heat', 'call heat', 'inducer runs']) await technician.says(line)
}

test('the rooftop with half its volts: an igniter that does not glow is not condemned, its neutral is', async ({ page }) => {
  const technician = new Technician(page)
  await onTheRoof(technician, 'Bakery, roof unit 5')
  for (const line of ['no glow', 'igniter 62 V', 'L1-unit to gnd 121 V', 'N to gnd 58 V']) await technician.says(line)
  await technician.waits()
  await expect(page.getByRole('region', { name: 'Found' })).toContainText('neutral connection of the unit branch circuit')
})

test('an igniter with its line volts that does not glow is read cold before it is replaced @long', async ({ page }) => {
  const technician = new Technician(page)
  await onTheRoof(technician, 'Bakery, roof unit 6')
  for (const line of ['no glow', 'igniter 119 V']) await technician.says(line)
  await technician.waits()
  await expect(technician.leadingSuspect).toContainText('The igniter does not glow')
  for (const line of ['power off', 'igniter OL']) await technician.says(line)
  await technician.waits()
  await expect(page.getByRole('region', { name: 'Found' })).toContainText('Check the igniter')
})

test('burners that light and go out: the flame is not sensed @long', async ({ page }) => {
  const technician = new Technician(page)
  await onTheRoof(technician, 'Bakery, roof unit 7')
  await technician.says('flame lights and goes out')
  await technician.says('flame 0.4 µA')
  await technician.waits()
  await expect(technician.leadingSuspect).toContainText('does not sense its flame')
})
