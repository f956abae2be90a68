import { guarded, withStore } from '@/src/app/api/v1/handle'
import { readBody, respond } from '@/src/app/api/v1/respond'
import { codeTableSchema } from '@/src/core/formats/api'
import { keepCodes, listCodes } from '@/src/server/codes'

/** The shop's table of board codes. */
export const GET = guarded((_: Request) => {
  return withStore(async (store) => respond(codeTableSchema, { rows: await listCodes(store) }))
})

export const PUT = guarded(async (request: Request) => {
  const read = await readBody(request, codeTableSchema)
  if (!read.ok) return read.refusal
  return withStore(async (store) => {
    await keepCodes(store, read.body.rows)
    return respond(codeTableSchema, { rows: await listCodes(store) })
  })
})
