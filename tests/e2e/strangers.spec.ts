import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect } from '@playwright/test'
import { test } from '@/tests/e2e/test'

const note = (id: string) => JSON.stringify({ entries: [{ id, at: '2026-05-04T09:10:00Z', kind: 'note', text: 'from elsewhere' }] })

test('a page of another site can write nothing into a job and read nothing of it', async ({ page, request, baseURL }) => {
  const target = `${baseURL}/api/v1/jobs/demo/entries`
  const other = createServer((_, response) => {
    response.setHeader('content-type', 'text/html')
    response.end(
      `<form method="post" enctype="text/plain" action="${target}"><input name='{"entries":[{"id":"form","at":"2026-05-04T09:10:00Z","kind":"note","text":"' value='"}]}'><button>go</button></form>`,
    )
  })
  await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve))
  try {
    await page.goto(`http://127.0.0.1:${(other.address() as AddressInfo).port}/`)
    const sent = await page.evaluate(
      async ([url, body]) => {
        const ways: RequestInit[] = [
          { method: 'POST', body, mode: 'no-cors', headers: { 'content-type': 'text/plain' } },
          { method: 'POST', body, headers: { 'content-type': 'application/json' } },
          { method: 'GET' },
        ]
        return Promise.all(
          ways.map((way) =>
            fetch(url, way).then(
              ({ type }) => type,
              () => 'refused',
            ),
          ),
        )
      },
      [target, note('fetched')],
    )
    expect(sent).toEqual(['refused', 'refused', 'refused'])
    await page.getByRole('button', { name: 'go' }).click()
    await expect(page.locator('body')).toContainText('page of another site')
    const ids = (await (await request.get('/api/v1/jobs/demo')).json()).entries.map(({ id }: { id: string }) => id)
    expect(ids).not.toEqual(expect.arrayContaining(['form']))
    expect(ids).not.toEqual(expect.arrayContaining(['fetched']))
    // Nor does it get the app into a frame.
    await page.setContent(`<iframe src="${baseURL}/"></iframe>`)
    await page.waitForTimeout(500)
    expect(page.frames().map((frame) => frame.url())).not.toContain(`${baseURL}/`)
  } finally {
    other.close()
  }
})

test('a name that was made to point here, plain text and a sender without a page of ours are refused in a sentence', async ({
  request,
}) => {
  const refused = async (options: Parameters<typeof request.post>[1], path = '/api/v1/jobs/demo/entries') => {
    const response = await request.post(path, options)
    return [response.status(), (await response.json()).code]
  }
  const json = { 'content-type': 'application/json' }
  expect(await refused({ headers: { ...json, host: 'rebound.example' }, data: note('host') })).toEqual([421, 'host'])
  expect((await request.get('/api/v1/jobs', { headers: { host: 'rebound.example:3187' } })).status()).toBe(421)
  expect(await refused({ headers: { 'content-type': 'text/plain' }, data: note('plain') })).toEqual([415, 'no-json'])
  expect(await refused({ headers: { ...json, origin: 'http://127.0.0.1:1' }, data: note('port') })).toEqual([403, 'origin'])
  expect(await refused({ headers: { ...json, origin: 'null' }, data: note('null') })).toEqual([403, 'origin'])
  expect((await request.put('/api/v1/codes', { headers: { ...json, origin: 'http://evil.example' }, data: { rows: [] } })).status()).toBe(
    403,
  )
})

test('every page and every sheet works under the content policy @long', async ({ page }) => {
  const violations: string[] = []
  page.on('console', (message) => {
    if (/content security policy/i.test(message.text())) violations.push(`${page.url()}: ${message.text()}`)
  })
  page.on('pageerror', (error) => violations.push(`${page.url()}: ${error.message}`))
  for (const path of ['/', '/report/demo', '/shell', '/nothing-here']) {
    await page.goto(path)
    await page.waitForLoadState('networkidle')
  }
  for (const step of ['complaint', 'power', 'trace', 'cable', 'repair', 'prove', 'close']) {
    await page.goto(`/jobs/demo?step=${step}`)
    await expect(page.getByRole('textbox', { name: /quick line/i })).toBeVisible()
    await page.waitForTimeout(1200)
  }
  for (const key of ['t', 'b', '?']) {
    await page.keyboard.press(key)
    await expect(page.getByRole('dialog')).toBeVisible()
    await page.keyboard.press('Escape')
  }
  expect(violations).toEqual([])
  const headers = (await page.request.get('/jobs/demo')).headers()
  expect(headers).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'no-referrer',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
  })
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic';.*frame-ancestors 'none'/)
  expect(headers['content-security-policy']).not.toContain('unsafe')
})
