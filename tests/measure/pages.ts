import type { Browser } from '@playwright/test'

/** A page that a technician opens, and the control that has to answer before it is of use. */
interface View {
  readonly name: string
  readonly path: string
  readonly control: string
}

const LOADS = 5

/**
 * Milliseconds from opening an address to the moment when its control is there and takes a tap (React has its handler): opened
 * for the first time, with nothing kept in the browser, and again.
 */
async function usableAfter(chrome: Browser, address: string, control: string): Promise<{ first: number; again: number }> {
  const page = await (await chrome.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  const open = async () => {
    await page.goto(address, { waitUntil: 'commit' })
    const handle = await page.waitForFunction((selector) => {
      const element = document.querySelector(selector)
      const key = element && Object.keys(element).find((name) => name.startsWith('__reactProps$'))
      const props = element && key ? (element as unknown as Record<string, { onClick?: unknown; type?: unknown }>)[key] : null
      return props && (props.onClick ?? props.type) ? performance.now() : false
    }, control)
    return (await handle.jsonValue()) as number
  }
  const first = await open()
  const again = await open()
  await page.context().close()
  return { first, again }
}

/** A row of the table for each view: the middle and the worst of several openings. */
export async function measurePages(chrome: Browser, origin: string, job: string): Promise<string[]> {
  const steps = ['complaint', 'power', 'trace', 'cable', 'repair', 'prove', 'close']
  const views: View[] = [
    { name: 'jobs', path: '/', control: 'form[aria-label="New job"] button[type="submit"]' },
    ...steps.map((step) => ({ name: step, path: `${job}?step=${step}`, control: 'nav[aria-label="steps"] button' })),
  ]
  const rows: string[] = []
  for (const { name, path, control } of views) {
    const times: { first: number; again: number }[] = []
    for (let load = 0; load < LOADS; load++) times.push(await usableAfter(chrome, origin + path, control))
    const cells = (['first', 'again'] as const).flatMap((kind) => {
      const sorted = times.map((time) => time[kind]).sort((a, b) => a - b)
      return [sorted[Math.floor(LOADS / 2)], sorted[LOADS - 1]].map((ms) => ms.toFixed(0))
    })
    rows.push(`| ${name} | ${cells.join(' | ')} |`)
    console.log(rows[rows.length - 1])
  }
  return rows
}
