import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { formOpinion, proposeCheck, weighAlternatives } from '@/src/core/advice/advise'
import * as forecast from '@/src/core/advice/forecast'
import { movingNow } from '@/src/core/advice/moving'
import { sequenceOf } from '@/src/core/advice/sequence'
import { createEngine } from '@/src/core/diagnosis/engine'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import { createDemoJob } from '@/src/core/practice/demo'
import { readsThrough } from '@/src/core/readings/reads-through'
import { Desk } from '@/src/ui/desk/desk'
import type { Timeline } from '@/src/workers/diagnosis.worker'

/** The desk with the real core behind it, on this thread instead of a worker; the server is away and the shelf forgets. */
const engine = createEngine(createDemoJob('demo', new Date()).system)
const folded = ({ system, entries }: Timeline) => foldJob(system, entries)
let tellAhead: (share: number) => void = () => undefined
let stopped = 0
jest.mock('@/src/ui/engine/engine-client', () => ({
  diagnosisWorker: async () => ({
    advise: async (timeline: Timeline) => ({
      ...formOpinion(engine, folded(timeline)),
      hot: forecast.hotPoints(engine, folded(timeline)),
      suspicion: forecast.suspicionByPoint(engine, folded(timeline)),
    }),
    propose: async (timeline: Timeline) => proposeCheck(engine, folded(timeline)),
    alternatives: async (timeline: Timeline) => weighAlternatives(engine, folded(timeline)),
    forecast: async (timeline: Timeline, probe: Parameters<typeof forecast.forecastReading>[2]) =>
      forecast.forecastReading(engine, folded(timeline), probe),
    expect: async (timeline: Timeline, probes: Parameters<typeof forecast.expectReadings>[2]) =>
      forecast.expectReadings(engine, folded(timeline), probes),
    loads: async (timeline: Timeline) => forecast.loadPerCall(engine, folded(timeline)),
    watchAhead: async (told: (share: number) => void) => {
      tellAhead = told
    },
    stopAhead: async () => {
      stopped++
    },
    moving: async (timeline: Timeline, nowMs: number) => movingNow(engine, folded(timeline), nowMs),
    sequence: async (timeline: Timeline, call: Parameters<typeof sequenceOf>[2], nowMs: number) =>
      sequenceOf(engine, folded(timeline), call, nowMs),
    overload: async () => null,
    windings: async (timeline: Timeline) => forecast.windingLoads(engine, folded(timeline)),
    readsThrough: async (timeline: Timeline, probe: Parameters<typeof readsThrough>[2]) =>
      readsThrough(engine.laboratory, folded(timeline).bench, probe),
  }),
}))
jest.mock('@/src/ui/device/outbox', () => ({
  keepOnDevice: async () => undefined,
  waitingFor: async () => [],
  acknowledge: async () => undefined,
}))
// There is no canvas here to draw on.
jest.mock('@/src/ui/power/late-charts', () => ({ LateCharts: () => null, loadCharts: async () => undefined }))
let step = 'trace'
jest.mock('next/navigation', () => ({ useSearchParams: () => new URLSearchParams({ step }) }))

beforeAll(() => {
  window.matchMedia = ((query: string) => ({
    matches: true,
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  })) as never
  // The document under test has no layout and no canvas.
  globalThis.CSS = { escape: (text: string) => text } as never
  Element.prototype.scrollIntoView = () => undefined
  HTMLCanvasElement.prototype.getContext = (() => null) as never
  Object.defineProperty(globalThis.crypto, 'randomUUID', { value: () => `id-${Math.floor(Math.random() * 1e12)}`, configurable: true })
})

function open(at: string, change: (job: JobFile) => JobFile = (job) => job) {
  step = at
  const client = new QueryClient({ defaultOptions: { queries: { enabled: false } } })
  render(
    <QueryClientProvider client={client}>
      <Desk initial={change(createDemoJob('demo', new Date(Date.now() - 31 * 60_000)))} />
    </QueryClientProvider>,
  )
  return userEvent.setup()
}
const region = (name: string) => screen.findByRole('region', { name })

describe('the trace desk', () => {
  it('signs what is entered once a name is given, and says so in the timeline @long', async () => {
    const user = open('trace')
    await screen.findByText(/^after \d+ readings$/)
    await user.keyboard('t')
    const sheet = await screen.findByRole('dialog', { name: 'Timeline' })
    await user.type(within(sheet).getByLabelText('entries are signed'), 'Wren')
    await user.click(within(sheet).getByRole('button', { name: 'close' }))
    await user.type(screen.getByRole('textbox', { name: 'quick line' }), 'note wasps{Enter}')
    await user.keyboard('{Escape}')
    act(() => (document.activeElement as HTMLElement).blur())
    await user.keyboard('t')
    const [newest, ...older] = within(await screen.findByRole('dialog', { name: 'Timeline' })).getAllByRole('listitem')
    expect(newest).toHaveTextContent('note: wasps')
    expect(newest).toHaveTextContent('by Wren')
    for (const entry of older) expect(entry).not.toHaveTextContent('by Wren')
    localStorage.clear()
  })

  it('shows how far it has worked ahead, and stops when it is told to', async () => {
    const user = open('trace')
    await screen.findByText(/^after \d+ readings$/)
    expect(screen.queryByRole('progressbar')).toBeNull()
    act(() => tellAhead(0.4))
    expect(screen.getByRole('progressbar', { name: 'preparing answers' })).toHaveProperty('value', 0.4)
    await user.click(screen.getByRole('button', { name: 'stop preparing answers' }))
    expect(stopped).toBe(1)
    expect(screen.queryByRole('progressbar')).toBeNull()
  })

  it('leads with the next check and the suspect that the demo points at', async () => {
    open('trace')
    expect(await screen.findByText(/^Ohm /)).toBeInTheDocument()
    expect(await within(await region('Suspects')).findByText('Y (red) is shorted to ground in the outdoor cable')).toBeInTheDocument()
  })

  it('records the setup with the answer in one tap', async () => {
    const user = open('trace')
    await screen.findByText(/^Ohm /)
    const [first] = within(await region('Next check')).getAllByRole('button', { name: / %/ })
    await user.click(first)
    expect(await screen.findByText('after 8 readings')).toBeInTheDocument()
    expect(screen.getByRole('banner')).toHaveTextContent('power off')
  })

  it('opens a suspect to the readings for and against it', async () => {
    const user = open('trace')
    await user.click(await within(await region('Suspects')).findByRole('button', { name: /Y \(red\) is shorted to ground/ }))
    const dialog = await screen.findByRole('dialog')
    expect(within(dialog).getAllByRole('row').length).toBeGreaterThan(5)
    expect(within(dialog).getAllByText(/^(strongly )?for$/).length).toBeGreaterThan(0)
  })

  it('reads between two points picked on the loom, and refuses a dead short of a jumper', async () => {
    const user = open('trace')
    await user.click(await screen.findByRole('button', { name: /^R at the thermostat/ }))
    await user.click(screen.getByRole('button', { name: /^C at the thermostat/ }))
    const pad = await region('Probes')
    expect(pad).toHaveTextContent('R to C at the thermostat')
    expect((await within(pad).findAllByRole('listitem')).length).toBeGreaterThan(1)
    await user.click(within(pad).getByRole('button', { name: 'Jumper between the two' }))
    expect(screen.getAllByText(/dead short/).length).toBeGreaterThan(0)
  })

  it('says what a quick line means before it is taken, and what it does not understand', async () => {
    const user = open('trace')
    const field = screen.getByRole('textbox', { name: 'quick line' })
    await user.type(field, 'R-C 26.4')
    expect(screen.getByText(/R to C at the indoor unit: 26.4 V/)).toBeInTheDocument()
    await user.clear(field)
    await user.type(field, 'R-C lots{Enter}')
    expect(screen.getByText(/"lots" is neither/)).toBeInTheDocument()
    expect(field).toHaveValue('R-C lots')
    await user.clear(field)
  })
})

describe('a fault that comes and goes', () => {
  const nowAndThen = (job: JobFile): JobFile => ({
    ...job,
    entries: job.entries.map((entry) =>
      entry.kind === 'complaint' ? { ...entry, complaint: { ...entry.complaint, symptoms: ['fuse-now-and-then'] } } : entry,
    ),
  })

  it('is called up round after round; each one is told, with what was being moved @long', async () => {
    const user = open('trace', nowAndThen)
    await user.click(await screen.findByRole('button', { name: /^Intermittent/ }))
    const sheet = await screen.findByRole('dialog', { name: 'Cycle the call' })
    const rounds = Number(sheet.textContent?.match(/(\d+) rounds? of cool/)?.[1])
    await user.selectOptions(within(sheet).getByLabelText('moving while it runs'), 'wiring of the outdoor cable')
    await user.click(within(sheet).getByRole('button', { name: 'Set cool and start' }))
    expect(within(sheet).getByText(/Cool is on: \d+ s/)).toBeInTheDocument()
    // Nobody can say that it held before its minute is over.
    expect(within(sheet).getByRole('button', { name: 'it held this time' })).toBeDisabled()
    await user.click(within(sheet).getByRole('button', { name: 'it tripped' }))
    expect(sheet).toHaveTextContent(`${rounds + 1} ${rounds === 0 ? 'round' : 'rounds'} of cool so far`)
    await user.keyboard('{Escape}t')
    const record = await screen.findByRole('dialog', { name: 'Timeline' })
    expect(record).toHaveTextContent('tripped while moving the outdoor cable')
    expect(record).toHaveTextContent('set the thermostat to off')
  })

  it('is not offered where the customer tells of none', async () => {
    open('trace')
    await screen.findByText(/^Ohm /)
    expect(screen.queryByRole('button', { name: /^Intermittent/ })).not.toBeInTheDocument()
  })
})

describe('the other steps', () => {
  it('open at once, whatever the router makes of the address, and the back button returns', async () => {
    const user = open('prove')
    await user.click(await screen.findByRole('link', { name: /Close/ }))
    expect(screen.getByRole('heading', { name: 'Close', level: 1 })).toBeInTheDocument()
    expect(window.location.search).toBe('?step=close')
    window.history.replaceState(null, '', '?step=prove')
    act(() => void window.dispatchEvent(new PopStateEvent('popstate')))
    expect(screen.getByRole('heading', { name: 'Prove', level: 1 })).toBeInTheDocument()
  })

  it('Close refuses and lists what is owed and unproved', async () => {
    open('close')
    expect(screen.getByRole('button', { name: 'Close the job: 6 things left to do' })).toBeDisabled()
    expect(screen.getByText('To put back: jumper R to Y at the indoor unit.')).toBeInTheDocument()
    expect(screen.getByText('Not proved: heat.')).toBeInTheDocument()
  })

  it('Repair wants a place and says why', async () => {
    const user = open('repair')
    await user.click(screen.getByRole('button', { name: 'Record the repair' }))
    expect(await screen.findByText('Say where it was done.')).toBeInTheDocument()
    await user.click(await screen.findByRole('button', { name: /^Clear the short to ground on Y \(red\) of the outdoor cable/ }))
    expect(screen.getByLabelText('Where')).toHaveValue('outdoor-cable')
  })

  it('Repair asks once for the cause, and records without one then @long', async () => {
    const user = open('repair')
    await user.click(await screen.findByRole('button', { name: /^Clear the short to ground on Y \(red\) of the outdoor cable/ }))
    await user.click(screen.getByRole('button', { name: 'Record the repair' }))
    expect(await screen.findByText(/^What caused it, and is that taken care of\?/)).toBeInTheDocument()
    expect(screen.getByLabelText('Cause, and how it was removed')).toHaveFocus()
    await user.click(screen.getByRole('button', { name: 'Record the repair' }))
    // What was mended is proved next; the record stands on its own step.
    expect(await screen.findByRole('heading', { name: 'Prove', level: 1 })).toBeInTheDocument()
    await user.click(screen.getByRole('link', { name: /Repair/ }))
    expect(await screen.findByText('Recorded in this job')).toBeInTheDocument()
  })

  it('Power calls a fuse that is larger than its label a finding, and puts the right one in', async () => {
    const user = open('power', (job) => ({ ...job, entries: job.entries.filter(({ kind }) => kind === 'complaint') }))
    await region('Fuse')
    expect(screen.queryByText(/A finding: a 5 A fuse/)).toBeNull()
    await user.click(screen.getByRole('button', { name: 'found 5 A, too large' }))
    expect(await within(await region('Fuse')).findByText(/A finding: a 5 A fuse where the label says 3 A/)).toBeInTheDocument()
    await user.click(screen.getByRole('button', { name: 'put a 3 A fuse in' }))
    expect(await within(await region('Fuse')).findByText(/Now: 3 A fuse in/)).toBeInTheDocument()
    expect(screen.queryByText(/A finding: a 5 A fuse/)).toBeNull()
  })

  it('Prove asks for one mode after the other and warns of the jumper', async () => {
    const user = open('prove')
    const card = await region('Run fan')
    expect(card).toHaveTextContent('A jumper is still in.')
    await user.type(within(card).getByLabelText('amps on R'), 'many')
    expect(within(card).getByRole('alert')).toHaveTextContent('“many” is not a reading here')
    await user.clear(within(card).getByLabelText('amps on R'))
    await user.click(within(card).getByRole('button', { name: 'fan held' }))
    expect(await region('Run cool')).toBeInTheDocument()
  })

  it('Cable calls the suspect conductor by its trouble', async () => {
    open('cable')
    expect((await screen.findAllByRole('row', { name: /! suspect/ })).length).toBeGreaterThan(0)
    expect(screen.getAllByRole('row', { name: /spare/ })).toHaveLength(3)
  })

  it('Cable offers the spares of the cable that is suspect, and shows where a conductor went @long', async () => {
    const user = open('cable')
    await screen.findAllByRole('row', { name: /! suspect/ })
    const card = await region('Conductors')
    expect(card).toHaveTextContent('No spare in the outdoor cable.')
    expect(card).not.toHaveTextContent('brown')
    await user.type(screen.getByRole('textbox', { name: 'quick line' }), 'swap stat Y to brown{Enter}')
    expect(await screen.findByRole('row', { name: /moved to brown/ })).toBeInTheDocument()
    expect(screen.getByRole('row', { name: /^Y .*brown .*in place of Y/ })).toBeInTheDocument()
  })

  it('Complaint shows how the fence moved the zones', async () => {
    open('complaint')
    expect(await screen.findByRole('row', { name: /outdoor cable .* up \d+ fence or garden work/ })).toBeInTheDocument()
    expect(screen.getByRole('checkbox', { name: 'blows on a call' })).toBeChecked()
  })
})

describe('ways of working', () => {
  it('stand side by side with a price, and the one that is chosen is worked in and recorded', async () => {
    const user = open('trace')
    await screen.findByText(/^Ohm /)
    await user.click(within(await region('Next check')).getByRole('button', { name: 'why this one' }))
    const sheet = await screen.findByRole('dialog', { name: 'Why this one' })
    expect(await within(sheet).findAllByRole('row')).toHaveLength(6)
    const ways = within(sheet).getAllByRole('button', { pressed: false })
    expect(ways.map((way) => way.textContent?.match(/^(take off|add on|halve|ohms only|by the numbers)/)?.[0])).toEqual([
      'take off',
      'add on',
      'halve',
      'ohms only',
      'by the numbers',
    ])
    await user.click(ways[2])
    expect(await within(await region('Next check')).findByRole('button', { name: 'way: halve' })).toBeInTheDocument()
  })
})

describe('a past moment', () => {
  it('is shown as such, takes nothing, and is left by one button', async () => {
    const user = open('trace')
    await screen.findByText('after 7 readings')
    await user.click(screen.getByRole('button', { name: 'timeline' }))
    const slider = await screen.findByRole('slider', { name: /View an earlier point/ })
    fireEvent.change(slider, { target: { value: '4' } })
    expect(slider).toHaveAttribute('aria-valuetext', expect.stringMatching(/after 4 of 12/))
    await user.keyboard('{Escape}')
    expect(await screen.findByText('Viewing an earlier point:')).toBeInTheDocument()
    await screen.findByText(/after [0-6] readings?$/)
    const line = screen.getByRole('textbox', { name: 'quick line' })
    await user.type(line, 'note a thought{Enter}')
    expect(line).toHaveValue('note a thought')
    await user.click(screen.getByRole('button', { name: 'Back to now' }))
    expect(await screen.findByText('after 7 readings')).toBeInTheDocument()
  })
})

describe('the loom for a screen reader', () => {
  it('is a table of conductors with what is lifted and suspected', async () => {
    open('trace')
    await screen.findByText('after 7 readings')
    const table = screen.getByRole('table', { name: 'The loom, conductor by conductor' })
    const rows = within(table).getAllByRole('row').slice(1)
    expect(rows).toHaveLength(10)
    const outdoorY = rows.find(
      (row) => /^outdoor cable/.test(row.textContent ?? '') && within(row).getByRole('rowheader').textContent === 'Y',
    )
    expect(outdoorY).toHaveTextContent('lifted at the indoor unit')
    await waitFor(() => expect(outdoorY).toHaveTextContent(/%$/))
  })
})

describe('marks along the wiring', () => {
  it('are readings like any other', async () => {
    const user = open('complaint')
    await user.selectOptions(await screen.findByLabelText('outdoor cable'), 'rubbed')
    expect(await screen.findByText(/wiring of the outdoor cable: rubbed/)).toBeInTheDocument()
    expect(screen.getByLabelText('outdoor cable')).toHaveValue('rubbed')
  })
})
