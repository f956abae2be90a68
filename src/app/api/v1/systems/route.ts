import { readBody, respond } from '@/src/app/api/v1/respond'
import { openedSchema, systemListSchema } from '@/src/core/formats/api'
import { systemSchema } from '@/src/core/wiring/system-schema'
import { openStore } from '@/src/server/store'
import { insertSystem, listSystems } from '@/src/server/systems'

export async function GET() {
  return respond(systemListSchema, { systems: await listSystems(await openStore()) })
}

export async function POST(request: Request) {
  const read = await readBody(request, systemSchema)
  if (!read.ok) return read.refusal
  await insertSystem(await openStore(), read.body)
  return respond(openedSchema, { id: read.body.id }, 201)
}
