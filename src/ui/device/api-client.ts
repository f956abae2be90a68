import type { z } from 'zod'
import type { CodeRow } from '@/src/core/diagnosis/hypotheses/codes'
import type { ApiProblem, NewJob } from '@/src/core/formats/api'
import type { Entry } from '@/src/core/job/entry'
import type { ZoneShares } from '@/src/core/job/job-summary'

/** The server understood and said no; the message is its sentence. */
export class Refused extends Error {
  constructor(
    readonly problem: ApiProblem,
    readonly status: number,
  ) {
    super(problem.say)
  }
}

/** Nothing answered: no signal, or the server is down. */
export class NoAnswer extends Error {}

/** What answers look like is fetched with the first call: a page is of use before it has it. */
export async function loadShapes() {
  const [shapes, { jobFileSchema }, { systemSchema }] = await Promise.all([
    import('@/src/core/formats/api'),
    import('@/src/core/job/job-file'),
    import('@/src/core/wiring/system-schema'),
  ])
  return { ...shapes, jobFileSchema, systemSchema }
}
type Shapes = Awaited<ReturnType<typeof loadShapes>>

async function call<S extends z.ZodType>(path: string, shapeOf: (shapes: Shapes) => S, init?: RequestInit): Promise<z.output<S>> {
  let response: Response
  let shapes: Shapes
  try {
    ;[response, shapes] = await Promise.all([fetch(`/api/v1${path}`, init), loadShapes()])
  } catch {
    throw new NoAnswer('The server does not answer. What you entered is kept on this device and goes out by itself when it does.')
  }
  const body: unknown = await response.json().catch(() => null)
  if (response.ok) return shapeOf(shapes).parse(body)
  const problem = shapes.problemSchema.safeParse(body)
  if (problem.success) throw new Refused(problem.data, response.status)
  throw new NoAnswer(`The server has a problem (${response.status}). What you entered is kept on this device.`)
}

const send = (method: 'POST' | 'PUT', body: string): RequestInit => ({
  method,
  body,
  headers: { 'content-type': 'application/json' },
})

export interface ListAsked {
  readonly words: string
  readonly show: 'open' | 'closed' | 'all'
  readonly after: { readonly createdAt: string; readonly id: string } | null
}

export const api = {
  listJobs: ({ words, show, after }: ListAsked) => {
    const query = new URLSearchParams({ words, show, ...(after ?? {}) })
    return call(`/jobs?${query}`, ({ jobListSchema }) => jobListSchema)
  },
  listSystems: async () => (await call('/systems', ({ systemListSchema }) => systemListSchema)).systems,
  readSystem: (id: string) => call(`/systems/${encodeURIComponent(id)}`, ({ systemSchema }) => systemSchema),
  readCodes: async () => (await call('/codes', ({ codeTableSchema }) => codeTableSchema)).rows,
  keepCodes: async (rows: readonly CodeRow[]) =>
    (await call('/codes', ({ codeTableSchema }) => codeTableSchema, send('PUT', JSON.stringify({ rows })))).rows,
  readJob: (id: string) => call(`/jobs/${encodeURIComponent(id)}`, ({ jobFileSchema }) => jobFileSchema),
  readEntries: async (id: string, from: number) =>
    (await call(`/jobs/${encodeURIComponent(id)}/entries?from=${from}`, ({ timelineSchema }) => timelineSchema)).entries,
  openJob: (job: NewJob) => call('/jobs', ({ openedSchema }) => openedSchema, send('POST', JSON.stringify(job))),
  sendEntries: (jobId: string, entries: readonly Entry[]) =>
    call(`/jobs/${encodeURIComponent(jobId)}/entries`, ({ addedSchema }) => addedSchema, send('POST', JSON.stringify({ entries }))),
  keepShares: (jobId: string, shares: ZoneShares) =>
    call(`/jobs/${encodeURIComponent(jobId)}/shares`, ({ openedSchema }) => openedSchema, send('PUT', JSON.stringify(shares))),
  sendPhoto: (digest: string, bytes: ArrayBuffer) =>
    call(`/photos/${digest}`, ({ keptPhotoSchema }) => keptPhotoSchema, {
      method: 'PUT',
      body: bytes,
      headers: { 'content-type': 'image/jpeg' },
    }),
  /** The bytes of a photo of the store; null where it has none such or does not answer. */
  readPhoto: async (digest: string): Promise<ArrayBuffer | null> => {
    const answer = await fetch(`/api/v1/photos/${digest}`).catch(() => null)
    return answer?.ok ? answer.arrayBuffer() : null
  },
  /** Takes an archive into the store. */
  restore: (zip: Blob) =>
    call('/archive', ({ restoredSchema }) => restoredSchema, { method: 'POST', body: zip, headers: { 'content-type': 'application/zip' } }),
  openJobFile: (text: string, options: { keepWhole?: boolean; as?: string } = {}) => {
    const query = new URLSearchParams({ ...(options.keepWhole ? { keep: 'whole' } : {}), ...(options.as ? { as: options.as } : {}) })
    return call(`/job-files?${query}`, ({ openedSchema }) => openedSchema, send('POST', text))
  },
}
