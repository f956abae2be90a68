import { withStore } from '@/src/app/api/v1/handle'
import { readBody, respond } from '@/src/app/api/v1/respond'
import { codeTableSchema } from '@/src/core/formats/api'
import { keepCodes, listCodes } from '@/src/server/codes'

/** The shop's table of board codes. */
export function GET() {
  return withStore(async (store) => respond(codeTableSchema, { rows: await listCodes(store) }))
}

export async function PUT(request: Request) {
  const read = await readBody(request, codeTableSchema)
  if (!read.ok) return read.refusal
  return withStore(async (store) => {
    await keepCodes(store, read.body.rows)
    return respond(codeTableSchema, { rows: await listCodes(store) })
  })
}
