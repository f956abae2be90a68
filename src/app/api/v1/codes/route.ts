import { readBody, respond } from '@/src/app/api/v1/respond'
import { codeTableSchema } from '@/src/core/formats/api'
import { keepCodes, listCodes } from '@/src/server/codes'
import { openStore } from '@/src/server/store'

/** The shop's table of board codes. */
export async function GET() {
  return respond(codeTableSchema, { rows: await listCodes(await openStore()) })
}

export async function PUT(request: Request) {
  const read = await readBody(request, codeTableSchema)
  if (!read.ok) return read.refusal
  const store = await openStore()
  await keepCodes(store, read.body.rows)
  return respond(codeTableSchema, { rows: await listCodes(store) })
}
