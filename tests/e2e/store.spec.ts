import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { expect } from '@playwright/test'
import { answers, endServers, serve } from '@/tests/e2e/own-server'
import { test } from '@/tests/e2e/test'

test.afterAll(endServers)

const send = (port: number, id: string) =>
  fetch(`http://127.0.0.1:${port}/api/v1/jobs/demo/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries: [{ id, at: '2026-05-04T09:10:00Z', kind: 'note', text: 'wasps' }] }),
  })

const idsInStore = async (port: number): Promise<string[]> =>
  (await (await fetch(`http://127.0.0.1:${port}/api/v1/jobs/demo`)).json()).entries.map(({ id }: { id: string }) => id)

test('an acknowledged entry survives kill -9, and sent again it is harmless', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'nest-trace-kill-'))
  const first = serve(folder, 3191)
  await answers(3191)
  const ids = Array.from({ length: 10 }, (_, index) => `kept-${index}`)
  for (const id of ids) expect((await send(3191, id)).status).toBe(201)
  first.server.kill('SIGKILL')
  await first.exited

  serve(folder, 3191)
  await answers(3191)
  expect(await idsInStore(3191)).toEqual(expect.arrayContaining(ids))
  expect((await send(3191, 'kept-3')).status).toBe(200)
  expect((await idsInStore(3191)).filter((id) => id === 'kept-3')).toHaveLength(1)
})

test('a second server on the same folder refuses with a sentence and does no harm @long', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'nest-trace-second-'))
  serve(folder, 3192)
  await answers(3192)
  await send(3192, 'before')
  const second = serve(folder, 3193)
  expect(await second.exited).not.toBe(0)
  expect(second.output()).toContain('Another Nest Trace is serving this data folder. Nothing was touched.')
  expect((await send(3192, 'after')).status).toBe(201)
  expect(await idsInStore(3192)).toEqual(expect.arrayContaining(['before', 'after']))
})

test('bad requests get a sentence', async ({ request }) => {
  const wrong = await request.post('/api/v1/jobs/demo/entries', { data: { entries: [{ id: 'x', kind: 'dance' }] } })
  expect(wrong.status()).toBe(422)
  expect((await wrong.json()).say).toMatch(/Nothing was saved\.$/)
  expect((await (await request.get('/api/v1/jobs/nobody')).json()).say).toBe('There is no job "nobody" in this store.')
  const torn = await request.post('/api/v1/jobs/demo/entries', {
    headers: { 'content-type': 'application/json' },
    data: Buffer.from('{"entries": ['),
  })
  expect(torn.status()).toBe(400)
  const note = (text: string) => ({ entries: [{ id: 'same', at: '2026-05-04T09:10:00Z', kind: 'note', text }] })
  expect((await request.post('/api/v1/jobs/demo/entries', { data: note('one') })).status()).toBe(201)
  const clash = await request.post('/api/v1/jobs/demo/entries', { data: note('two') })
  expect(clash.status()).toBe(409)
  expect((await clash.json()).say).toContain('The first is kept')
})
