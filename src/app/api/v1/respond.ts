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
  const read = await readBytes(request, 'application/json', LARGEST_BYTES)
  return read.ok ? { ok: true, body: new TextDecoder().decode(read.body) } : read
}

/** What a kind of content is called where another one was sent. */
const sayType = { 'application/json': 'JSON', 'image/jpeg': 'a JPEG picture', 'application/zip': 'a zip file' } as const

/** Reads a request's bytes of one kind, no further than is allowed. */
export async function readBytes(request: Request, type: keyof typeof sayType, most: number): Promise<Read<Uint8Array>> {
  const given = (request.headers.get('content-type') ?? '').split(';')[0].trim().toLowerCase()
  if (given !== type)
    return {
      ok: false,
      refusal: refuse(415, {
        code: type === 'application/json' ? 'no-json' : 'no-such-type',
        say: `Send ${sayType[type]}, with content-type ${type}. Nothing was saved.`,
      }),
    }
  const tooLarge: Read<never> = {
    ok: false,
    refusal: refuse(413, { code: 'too-large', say: 'This request is larger than anything of a job. Nothing was saved.' }),
  }
  if (Number(request.headers.get('content-length') ?? 0) > most) return tooLarge
  const pieces: Uint8Array[] = []
  let bytes = 0
  try {
    for await (const piece of request.body ?? []) {
      bytes += piece.length
      if (bytes > most) return tooLarge
      pieces.push(piece)
    }
  } catch {
    // Whoever sent it has gone, or lost the line: nobody reads the answer.
    return { ok: false, refusal: refuse(400, { code: 'cut-off', say: 'The request was cut off. Nothing was saved.' }) }
  }
  return { ok: true, body: Buffer.concat(pieces) }
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
