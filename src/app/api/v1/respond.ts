import { NextResponse } from 'next/server'
import type { z } from 'zod'
import type { ApiProblem } from '@/src/core/formats/api'
import { sayIssue } from '@/src/core/units/say-issue'

/** Answers with a body of this shape; a body that does not fit is our bug and throws. */
export function respond<S extends z.ZodType>(schema: S, body: z.input<S>, status = 200): NextResponse {
  return NextResponse.json(schema.parse(body), { status })
}

export function refuse(status: number, problem: ApiProblem): NextResponse {
  return NextResponse.json(problem, { status })
}

export const noSuchJob = (id: string): NextResponse => refuse(404, { code: 'no-job', say: `There is no job "${id}" in this store.` })

/** Largest request that is read: a job of thousands of entries is well below it. */
export const LARGEST_BYTES = 5_000_000

/** Reads a request's JSON as a shape, or gives the refusal to send. */
export async function readBody<S extends z.ZodType>(
  request: Request,
  schema: S,
): Promise<{ ok: true; body: z.output<S> } | { ok: false; refusal: NextResponse }> {
  const text = await request.text()
  if (text.length > LARGEST_BYTES)
    return { ok: false, refusal: refuse(413, { code: 'too-large', say: 'This is larger than any job. Nothing was taken.' }) }
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return { ok: false, refusal: refuse(400, { code: 'no-json', say: 'The request is no JSON. Nothing was taken.' }) }
  }
  const parsed = schema.safeParse(value)
  if (parsed.success) return { ok: true, body: parsed.data }
  return { ok: false, refusal: refuse(422, { code: 'no-fit', say: `${sayIssue(parsed.error)} Nothing was taken.` }) }
}
