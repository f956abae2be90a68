/**
 * The store alone, in a process of its own that can be killed and frozen: one request a line on standard input, one answer a line
 * on standard output. Run as built, with the data folder as its argument.
 */
import { createInterface } from 'node:readline'
import { createDemoJob } from '@/src/core/practice/demo'
import { openStoreAt } from '@/src/server/store'
import type { StoreRequest } from '@/tests/store/requests'

async function main(): Promise<void> {
  const store = await openStoreAt(process.argv[2])
  const say = (value: unknown) => process.stdout.write(`${JSON.stringify(value)}\n`)
  say({ ready: true })
  for await (const line of createInterface({ input: process.stdin })) {
    const request = JSON.parse(line) as StoreRequest
    void answer(request).then(
      (value) => say({ id: request.id, value }),
      (error: Error) => say({ id: request.id, error: error.message }),
    )
  }

  async function answer(request: StoreRequest): Promise<unknown> {
    switch (request.do) {
      case 'open':
        return store.jobs.insert({ ...createDemoJob(request.job, new Date('2026-05-04T09:10:00Z')), entries: [] })
      case 'append':
        return store.jobs.append(request.job, request.entries)
      case 'ids':
        return (await store.jobs.read(request.job))?.entries.map(({ id }) => id) ?? null
      case 'close':
        await store.close()
        process.exit(0)
    }
  }
}

main().catch((error: Error) => {
  console.error(error.message)
  process.exit(1)
})
