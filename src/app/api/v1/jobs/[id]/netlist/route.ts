import { downloadOfJob } from '@/src/app/api/v1/download'
import { guarded } from '@/src/app/api/v1/handle'
import { refuse } from '@/src/app/api/v1/respond'
import { benchNetlist } from '@/src/core/formats/bench-netlist'

/** The circuit on the job's bench as a SPICE deck; `?entries=N` for that of an earlier moment. */
export const GET = guarded((request: Request, { params }: { params: Promise<{ id: string }> }) => {
  const asked = new URL(request.url).searchParams.get('entries')
  if (asked !== null && !/^\d{1,6}$/.test(asked))
    return refuse(400, { code: 'no-such-moment', say: 'Say the moment as a number of entries: ?entries=12.' })
  return downloadOfJob(params, {
    type: 'text/plain; charset=utf-8',
    ending: 'cir',
    write: (job) => benchNetlist(job, asked === null ? undefined : Number(asked)),
  })
})
