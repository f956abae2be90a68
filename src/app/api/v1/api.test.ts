/** The handlers as a client meets them, on a store in memory. */

import { PUT as keepCodes, GET as readCodes } from '@/src/app/api/v1/codes/route'
import { POST as openFile } from '@/src/app/api/v1/job-files/route'
import { GET as download } from '@/src/app/api/v1/jobs/[id]/[file]/route'
import { GET as readEntries, POST as sendEntries } from '@/src/app/api/v1/jobs/[id]/entries/route'
import { GET as readOneJob } from '@/src/app/api/v1/jobs/[id]/route'
import { GET as listAll, POST as openJob } from '@/src/app/api/v1/jobs/route'
import { GET as readOneSystem } from '@/src/app/api/v1/systems/[id]/route'
import { POST as addSystem, GET as listSystems } from '@/src/app/api/v1/systems/route'
import { problemSchema } from '@/src/core/formats/api'
import { readJobFile, writeJobFile } from '@/src/core/job/job-file'
import { createDemoJob } from '@/src/core/practice/demo'
import { buildSystem } from '@/src/core/wiring/build-system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { nothingLookedAt } from '@/src/core/wiring/what-is-there'
import { openStoreAt, type Store } from '@/src/server/store'

let close: () => Promise<void>
beforeAll(async () => {
  const store = await openStoreAt(null)
  ;(globalThis as { nestTraceStore?: Promise<Store> }).nestTraceStore = Promise.resolve(store)
  close = store.close
}, 60_000)
afterAll(() => close())

const json = { 'content-type': 'application/json' }
const post = (body: unknown, query = '') =>
  new Request(`http://127.0.0.1/${query}`, { method: 'POST', headers: json, body: typeof body === 'string' ? body : JSON.stringify(body) })
const get = new Request('http://127.0.0.1/')
const params = (id: string) => ({ params: Promise.resolve({ id }) })
const fileOf = (id: string, file: string) => ({ params: Promise.resolve({ id, file }) })
const note = (id: string, text = 'wasps') => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text })
const newJob = (id: string, more: object = {}) => ({
  id,
  title: 'Mill Row 22',
  createdAt: '2026-05-04T09:00:00Z',
  systemId: 'heat-pump-o',
  entries: [],
  ...more,
})
const problem = async (response: Response) => problemSchema.parse(await response.json())

describe('/api/v1/jobs', () => {
  it('opens a job once, lists it, and reads it back with its system', async () => {
    expect((await openJob(post(newJob('a')))).status).toBe(201)
    expect((await openJob(post(newJob('a')))).status).toBe(200)
    const { jobs } = await (await listAll(get)).json()
    expect(jobs.map(({ id }: { id: string }) => id)).toEqual(expect.arrayContaining(['a', 'demo']))
    expect((await (await readOneJob(get, params('a'))).json()).system.id).toBe('heat-pump-o')
  })

  it('hands out the page that stays and the card as PDFs, and says which papers there are', async () => {
    for (const answer of [await download(get, fileOf('demo', 'page')), await download(get, fileOf('demo', 'card'))]) {
      expect(answer.headers.get('content-type')).toBe('application/pdf')
      expect(
        Buffer.from(await answer.arrayBuffer())
          .subarray(0, 5)
          .toString(),
      ).toBe('%PDF-')
    }
    const other = await download(new Request('http://127.0.0.1/?paper=napkin'), fileOf('demo', 'page'))
    expect(other.status).toBe(400)
    expect((await problem(other)).say).toContain('letter or a4')
    expect((await download(get, fileOf('nowhere', 'page'))).status).toBe(404)
    expect((await problem(await download(get, fileOf('demo', 'hologram')))).say).toContain('page, card, options')
  })

  it('hands out the wiring as a drawing and the circuit as a deck, of now or of an earlier moment', async () => {
    expect(await (await download(get, fileOf('demo', 'wiring'))).text()).toMatch(/^<svg [^>]*font-family="sans-serif"/)
    const now = await (await download(get, fileOf('demo', 'netlist'))).text()
    const first = await (await download(new Request('http://127.0.0.1/?entries=1'), fileOf('demo', 'netlist'))).text()
    expect(now).not.toBe(first)
    expect((await download(new Request('http://127.0.0.1/?entries=-1'), fileOf('demo', 'netlist'))).status).toBe(400)
  })

  it('hands out its timeline for a spreadsheet, under the name of the job', async () => {
    const answer = await download(get, fileOf('demo', 'timeline'))
    expect(answer.headers.get('content-type')).toContain('text/csv')
    expect(answer.headers.get('content-disposition')).toMatch(/attachment; filename=".+\.timeline\.csv"/)
    const [heading, ...rows] = (await answer.text()).trim().split('\r\n')
    expect(heading).toContain('time,entered by,at,entry')
    expect(rows.length).toBeGreaterThan(3)
    expect((await download(get, fileOf('nowhere', 'timeline'))).status).toBe(404)
  })

  it('refuses a job without a name, on a system that is not there, and a body that is no JSON', async () => {
    expect((await problem(await openJob(post(newJob('b', { title: ' ' }))))).say).toContain('A job needs a street or a name')
    expect((await problem(await openJob(post(newJob('b', { systemId: 'steam' }))))).say).toBe(
      'There is no system "steam". The job was not opened.',
    )
    expect((await openJob(post('{"id":'))).status).toBe(400)
    expect((await readOneJob(get, params('b'))).status).toBe(404)
  })
})

describe('a system that was put together on the job', () => {
  const { system } = buildSystem({ ...nothingLookedAt, float: 'none', fuse: '5' }, catalogue)
  const own = { systemId: undefined, system }

  it('is the system of its job, and no kind for other jobs', async () => {
    expect((await openJob(post(newJob('own', own)))).status).toBe(201)
    expect((await (await readOneJob(get, params('own'))).json()).system).toEqual(system)
    const { systems } = await (await listSystems(get)).json()
    expect(systems.map(({ id }: { id: string }) => id)).not.toContain(system.id)
  })

  it('has to be one that can be wired, and stands in the place of a kind, not beside it', async () => {
    const [, ...others] = system.cables
    const cut = { ...system, cables: others }
    expect(
      (
        await problem(
          await openJob(
            post(newJob('cut', { systemId: undefined, system: { ...cut, parts: system.parts.filter(({ kind }) => kind !== 'fuse') } })),
          ),
        )
      ).say,
    ).toContain('The system has no fuse.')
    expect((await problem(await openJob(post(newJob('both', { system }))))).say).toContain('A job is on one system')
    expect((await readOneJob(get, params('cut'))).status).toBe(404)
  })
})

describe('/api/v1/jobs/ID/entries', () => {
  it('takes new entries with 201, a repeat with 200, a clash with 409 and a sentence', async () => {
    await openJob(post(newJob('c')))
    expect((await sendEntries(post({ entries: [note('1'), note('2')] }), params('c'))).status).toBe(201)
    expect((await sendEntries(post({ entries: [note('2')] }), params('c'))).status).toBe(200)
    const clash = await sendEntries(post({ entries: [note('2', 'hornets')] }), params('c'))
    expect([clash.status, (await problem(clash)).say]).toEqual([409, expect.stringContaining('The first is kept')])
    expect((await (await readEntries(get, params('c'))).json()).entries).toEqual([note('1'), note('2')])
  })

  it('says which field of an entry is wrong', async () => {
    const wrong = await sendEntries(post({ entries: [{ ...note('9'), text: 7 }] }), params('c'))
    expect((await problem(wrong)).say).toMatch(/^entries\.0.*Nothing was saved\.$/)
    expect((await sendEntries(post({ entries: [note('1')] }), params('nobody'))).status).toBe(404)
  })
})

describe('job files', () => {
  const job = createDemoJob('from-file', new Date('2026-05-04T09:10:00Z'))

  it('go out as a download and come back as they were', async () => {
    expect((await openFile(post(writeJobFile(job)))).status).toBe(201)
    const answer = await download(get, fileOf('from-file', 'file'))
    expect(answer.headers.get('content-disposition')).toBe('attachment; filename="14-Alder-Court.nest-trace.json"')
    expect(readJobFile(await answer.text())).toEqual({ ok: true, file: job })
    expect((await download(get, fileOf('nobody', 'file'))).status).toBe(404)
  })

  it('torn, are refused with how much is whole, and opened that far when asked', async () => {
    const torn = writeJobFile({ ...job, job: { ...job.job, id: 'torn' } }).slice(0, -60)
    const refused = await problem(await openFile(post(torn)))
    expect(refused).toMatchObject({ code: 'damaged', whole: job.entries.length - 1 })
    expect((await openFile(post(torn, '?keep=whole'))).status).toBe(201)
    expect((await (await readEntries(get, params('torn'))).json()).entries).toHaveLength(job.entries.length - 1)
  })

  it('that went on elsewhere are refused, or become a job of their own', async () => {
    const other = { ...job, entries: [{ ...job.entries[0], at: '2026-05-04T10:00:00Z' }, ...job.entries.slice(1)] }
    expect((await openFile(post(writeJobFile(other)))).status).toBe(409)
    expect((await openFile(post(writeJobFile(other), '?as=copy'))).status).toBe(201)
  })
})

describe('/api/v1/systems', () => {
  it('lists what ships and takes a house of its own', async () => {
    expect((await (await listSystems(get)).json()).systems).toHaveLength(catalogue.length)
    expect((await addSystem(post({ ...furnaceAc, id: 'mill-row' }))).status).toBe(201)
    expect((await (await readOneSystem(get, params('mill-row'))).json()).id).toBe('mill-row')
    expect((await readOneSystem(get, params('nowhere'))).status).toBe(404)
  })

  it('refuses a cable to nowhere with the place in the file', async () => {
    const broken = { ...furnaceAc, cables: [{ ...furnaceAc.cables[0], between: ['thermostat', 'cellar'] }] }
    expect((await problem(await addSystem(post(broken)))).say).toMatch(/^cables\.0\.between.*cellar/)
  })
})

describe('/api/v1/codes', () => {
  const row = { board: 'roof unit board', code: '6', means: 'float switch open', points: 'float' }
  const put = (rows: unknown) => new Request('http://127.0.0.1/', { method: 'PUT', headers: json, body: JSON.stringify({ rows }) })

  it("gives examples until the shop has written a line of its own, then the shop's", async () => {
    const before = await (await readCodes(get)).json()
    expect(before.rows.length).toBeGreaterThan(3)
    expect(await (await keepCodes(put([...before.rows, row]))).json()).toMatchObject({ rows: [...before.rows, row] })
    expect(await (await keepCodes(put([row]))).json()).toEqual({ rows: [row] })
    expect(await (await readCodes(get)).json()).toEqual({ rows: [row] })
  })

  it('refuses a line without its meaning and keeps the table as it was', async () => {
    const refused = await keepCodes(put([{ ...row, means: ' ' }]))
    expect(refused.status).toBe(422)
    expect((await problem(refused)).say).toContain('What the code means is missing.')
    expect(await (await readCodes(get)).json()).toEqual({ rows: [row] })
  })
})
