import { expect, type Page } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/** A device with a voice of its own, or with one on the network alone; what it says is written down. */
async function withVoice(page: Page, localService: boolean): Promise<void> {
  await page.addInitScript((isOwn) => {
    const said: string[] = []
    const voice = { name: 'Test', lang: 'en-US', localService: isOwn, default: true, voiceURI: 'test' }
    const synthesis = Object.assign(new EventTarget(), {
      getVoices: () => [voice],
      speak: (one: { text: string }) => said.push(one.text),
      cancel: () => {},
    })
    Object.defineProperty(window, 'speechSynthesis', { value: synthesis })
    Object.defineProperty(window, 'SpeechSynthesisUtterance', {
      value: class {
        constructor(readonly text: string) {}
      },
    })
    Object.defineProperty(window, 'saidAloud', { value: said })
  }, localService)
}

const saidAloud = (page: Page) => page.evaluate(() => (window as unknown as { saidAloud: string[] }).saidAloud)

test('the next check is read aloud by key, once that was turned on', async ({ page }) => {
  await withVoice(page, true)
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Ferry Row 1', 'No cooling.')
  await technician.goesTo('Trace')
  await technician.waits()
  await page.locator('body').press('v')
  expect(await saidAloud(page)).toEqual([])
  await page.locator('body').press('?')
  await page.getByRole('checkbox', { name: /read the next check aloud/ }).click()
  await page.keyboard.press('Escape')
  const check = (await technician.nextCheck.locator('.text-large').textContent()) ?? ''
  await page.locator('body').press('v')
  await expect.poll(async () => (await saidAloud(page)).join()).toContain(check.replace(/[.]$/, ''))
})

test('a device whose voices are all on the network is offered none', async ({ page }) => {
  await withVoice(page, false)
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Ferry Row 3', 'No cooling.')
  await page.locator('body').press('?')
  await expect(page.getByRole('table', { name: 'Keys' })).toBeVisible()
  await expect(page.getByRole('checkbox', { name: /read the next check aloud/ })).toHaveCount(0)
})
