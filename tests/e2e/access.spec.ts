import AxeBuilder from '@axe-core/playwright'
import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

const steps = ['complaint', 'power', 'trace', 'cable', 'repair', 'prove', 'close']
const sizes = [
  { name: 'desk', width: 1280, height: 800 },
  { name: 'phone', width: 390, height: 844 },
]

for (const theme of ['attic', 'roof']) {
  for (const { name, width, height } of sizes) {
    test(`${name}, ${theme}: no axe findings, no sideways scrolling, targets for a thumb${theme === 'roof' ? ' @long' : ''}`, async ({
      page,
      context,
    }) => {
      await context.addCookies([{ name: 'theme', value: theme, url: 'http://127.0.0.1' }])
      await page.setViewportSize({ width, height })
      const technician = new Technician(page)
      for (const address of ['/', ...steps.map((step) => `/jobs/demo?step=${step}`)]) {
        await page.goto(address)
        if (address.includes('trace')) await technician.waits()
        else await page.waitForLoadState('networkidle')
        const { violations } = await new AxeBuilder({ page }).setLegacyMode().analyze()
        expect(violations.map(({ id, nodes }) => `${address} ${id}: ${nodes.map(({ target }) => target).join(' | ')}`)).toEqual([])
        const room = await page.evaluate(() => ({
          wide: document.documentElement.scrollWidth,
          high: document.documentElement.scrollHeight,
        }))
        expect(room.wide).toBeLessThanOrEqual(width)
        if (address.startsWith('/jobs')) expect(room.high).toBeLessThanOrEqual(height)
        if (name === 'desk' && address.includes('trace')) {
          const side = await page.getByRole('complementary', { name: 'what to do' }).evaluate((aside) => ({
            high: aside.scrollHeight,
            room: aside.clientHeight,
          }))
          expect(side.high).toBeLessThanOrEqual(side.room)
        }
        const small = await page
          .getByRole('button')
          .or(page.getByRole('checkbox'))
          .or(page.getByRole('link'))
          .evaluateAll((targets) =>
            targets
              .map((target) => ({ box: target.getBoundingClientRect(), name: target.getAttribute('aria-label') ?? target.textContent }))
              // The loom on a phone is drawn to a scale: its circles are measured in the drawing.
              .filter(({ box }) => box.width > 0 && (box.height < 43.5 || box.width < 43.5))
              .map(({ box, name }) => `${name} ${Math.round(box.width)}x${Math.round(box.height)}`),
          )
        expect(small.map((target) => `${address} ${target}`)).toEqual([])
      }
    })
  }
}

test('the sheets are clean as well @long', async ({ page }) => {
  const technician = new Technician(page)
  await page.goto('/jobs/demo?step=trace')
  await technician.waits()
  for (const [key, name] of [
    ['b', 'Bench'],
    ['t', 'Timeline'],
    ['?', 'Keys and quick lines'],
  ]) {
    await page.keyboard.press(key)
    await expect(page.getByRole('dialog', { name })).toBeVisible()
    const { violations } = await new AxeBuilder({ page }).include('[role="dialog"]').setLegacyMode().analyze()
    expect(violations.map(({ id, nodes }) => `${name} ${id}: ${nodes.map(({ target }) => target).join(' | ')}`)).toEqual([])
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
})

test('a long street pushes nothing off a phone, and the bench stays in sight', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('1204 Upper Harbour View Terrace, flat B', 'Blank.')
  await technician.ticks('blank thermostat')
  const timeline = page.getByRole('banner').getByRole('button', { name: 'timeline' })
  await expect(timeline).toBeInViewport({ ratio: 1 })
  const bench = await page.getByRole('region', { name: 'bench' }).getByRole('button').boundingBox()
  const line = await page.getByRole('form', { name: 'quick line' }).boundingBox()
  // Nothing that was told lies over the strip above the quick line.
  const covering = await page.evaluate(({ x, y }) => document.elementFromPoint(x, y)?.closest('section')?.getAttribute('aria-label'), {
    x: (bench?.x ?? 0) + 20,
    y: (line?.y ?? 0) - 8,
  })
  expect(covering).toBe('bench')
})
