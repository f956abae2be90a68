import { guarded, withStore } from '@/src/app/api/v1/handle'
import { refuse, respond } from '@/src/app/api/v1/respond'
import { systemSchema } from '@/src/core/wiring/system-schema'
import { findSystem } from '@/src/server/systems'

export const GET = guarded(async (_: Request, { params }: { params: Promise<{ id: string }> }) => {
  const { id } = await params
  return withStore(async (store) => {
    const system = await findSystem(store, id)
    return system ? respond(systemSchema, system) : refuse(404, { code: 'no-system', say: `There is no system "${id}".` })
  })
})
