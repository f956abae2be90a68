import { guarded, withStore } from '@/src/app/api/v1/handle'
import { readBody, refuse, respond } from '@/src/app/api/v1/respond'
import { openedSchema, systemListSchema } from '@/src/core/formats/api'
import { problemsOfSystem } from '@/src/core/wiring/read-system'
import { systemSchema } from '@/src/core/wiring/system-schema'
import { insertSystem, listSystems } from '@/src/server/systems'

export const GET = guarded((_: Request) => {
  return withStore(async (store) => respond(systemListSchema, { systems: await listSystems(store) }))
})

export const POST = guarded(async (request: Request) => {
  const read = await readBody(request, systemSchema)
  if (!read.ok) return read.refusal
  const problems = problemsOfSystem(read.body)
  if (problems.length > 0) return refuse(422, { code: 'unsound-system', say: `${problems.join(' ')} Nothing was saved.` })
  return withStore(async (store) => {
    await insertSystem(store, read.body)
    return respond(openedSchema, { id: read.body.id }, 201)
  })
})
