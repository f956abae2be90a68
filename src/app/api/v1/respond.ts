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

/** Largest request that is read: a job of many thousand entries is below it. */
const LARGEST_BYTES = 20_000_000

type Read<T> = { ok: true; body: T } | { ok: false; refusal: NextResponse }

/** Reads a request's text, no further than is allowed. */
export async function readText(request: Request): Promise<Read<string>> {
  const type = request.headers.get('content-type') ?? ''
  if (!/^application\/json\s*(;|$)/i.test(type))
    return {
      ok: false,
      refusal: refuse(415, { code: 'no-json', say: 'Send JSON, with content-type application/json. Nothing was saved.' }),
    }
  const tooLarge: Read<never> = {
    ok: false,
    refusal: refuse(413, { code: 'too-large', say: 'This request is larger than any job. Nothing was saved.' }),
  }
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BYTES) return tooLarge
  const decoder = new TextDecoder()
  let bytes = 0
  let text = ''
  try {
    for await (const piece of request.body ?? []) {
      bytes += piece.length
      if (bytes > LARGEST_BYTES) return tooLarge
      text += decoder.decode(piece, { stream: true })
    }
  } catch {
    // Whoever sent it has gone, or lost the line: nobody reads the answer.
    return { ok: false, refusal: refuse(400, { code: 'cut-off', say: 'The request was cut off. Nothing was saved.' }) }
  }
  return { ok: true, body: text + decoder.decode() }
}

/** Reads a request's JSON as a shape, or gives the refusal to send. */
export async function readBody<S extends z.ZodType>(request: Request, schema: S): Promise<Read<z.output<S>>> {
  const read = await readText(request)
  if (!read.ok) return read
  let value: unknown
  try {
    value = JSON.parse(read.body)
  } catch {
    return { ok: false, refusal: refuse(400, { code: 'no-json', say: "The request isn't valid JSON. Nothing was saved." }) }
  }
  const parsed = schema.safeParse(value)
  if (parsed.success) return { ok: true, body: parsed.data }
  return { ok: false, refusal: refuse(422, { code: 'no-fit', say: `${sayIssue(parsed.error)} Nothing was saved.` }) }
}
