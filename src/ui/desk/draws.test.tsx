import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { formOpinion } from '@/src/core/advice/advise'
import { createEngine } from '@/src/core/diagnosis/engine'
import type { Proposal } from '@/src/core/diagnosis/planner/propose'
import { foldJob } from '@/src/core/job/fold'
import { createDemoJob } from '@/src/core/practice/demo'
import { Desk } from '@/src/ui/desk/desk'
import type { Timeline } from '@/src/workers/diagnosis.worker'

/** How often the loom, with the table that is read in its place, is drawn: it is most of the page, and nothing that leaves it as it is may cost its time. */
let draws = 0
jest.mock('@/src/ui/loom/loom-table', () => {
  const { LoomTable } = jest.requireActual('@/src/ui/loom/loom-table')
  return {
    LoomTable: (props: object) => {
      draws++
      return <LoomTable {...props} />
    },
  }
})

const engine = createEngine(createDemoJob('demo', new Date()).system)
let propose: (proposal: Proposal) => void = () => undefined
jest.mock('@/src/ui/engine/engine-client', () => ({
  diagnosisWorker: async () => ({
    advise: async ({ system, entries }: Timeline) => ({
      ...formOpinion(engine, foldJob(system, entries)),
      hot: [],
      suspicion: [],
    }),
    propose: () =>
      new Promise<Proposal>((resolve) => {
        propose = resolve
      }),
    moving: async () => [],
    overload: async () => null,
    expect: async () => [],
    watchAhead: async () => undefined,
  }),
}))
jest.mock('@/src/ui/device/outbox', () => ({ keepOnDevice: async () => undefined, waitingFor: async () => [] }))
jest.mock('@/src/ui/power/late-charts', () => ({ LateCharts: () => null, loadCharts: async () => undefined }))
jest.mock('next/navigation', () => ({ useSearchParams: () => new URLSearchParams({ step: 'trace' }) }))

beforeAll(() => {
  window.matchMedia = (() => ({ matches: true, addEventListener: () => undefined, removeEventListener: () => undefined })) as never
  globalThis.CSS = { escape: (text: string) => text } as never
  Element.prototype.scrollIntoView = () => undefined
  Object.defineProperty(globalThis.crypto, 'randomUUID', { value: () => `id-${Math.floor(Math.random() * 1e12)}`, configurable: true })
})

/** How often it was drawn, once it has not been drawn for a while: what the first page still fetches draws, too, however long it takes. */
async function drawnInPeace(): Promise<number> {
  for (let before = -1; before !== draws; ) {
    before = draws
    await act(() => new Promise((resolve) => setTimeout(resolve, 300)))
  }
  return draws
}

it('draws the loom for a change of the job, not for a typed letter, the next check or a sheet @long', async () => {
  const user = userEvent.setup()
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { enabled: false } } })}>
      <Desk initial={createDemoJob('demo', new Date(Date.now() - 31 * 60_000))} />
    </QueryClientProvider>,
  )
  await screen.findByText(/^after \d+ readings$/)
  const atRest = await drawnInPeace()
  expect(atRest).toBeGreaterThan(0)

  const line = screen.getByRole('textbox', { name: 'quick line' })
  await user.type(line, 'R-C 26.4')
  await act(async () => propose({ next: null, verdict: null, confirms: false }))
  await user.clear(line)
  act(() => line.blur())
  await user.keyboard('b')
  expect(screen.getByRole('dialog', { name: 'Bench' })).toBeVisible()
  expect(draws).toBe(atRest)

  await user.keyboard('{Escape}')
  await user.clear(line)
  await user.type(line, 'R-C 26.4{Enter}')
  await waitFor(() => expect(draws).toBeGreaterThan(atRest))
})
