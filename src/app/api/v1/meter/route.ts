import { guarded, withStore } from '@/src/app/api/v1/handle'
import { noSuchJob, refuse } from '@/src/app/api/v1/respond'
import { type MeterEvent, meterReads } from '@/src/core/formats/meter-form'
import { foldJob } from '@/src/core/job/fold'
import { probeSchema } from '@/src/core/readings/check-schema'
import { parseMeterAddress, streamMeter } from '@/src/server/meter/scpi-meter'

/**
 * What a meter on the line reads, as server-sent events: `?address=192.168.1.40:5025&reads=volts&job=ID&probe={...}`. Job and probe tell a
 * simulated meter where its leads are.
 */
export const GET = guarded(async (request: Request) => {
  const asked = new URL(request.url).searchParams
  const parsed = parseMeterAddress(asked.get('address') ?? '')
  if (!parsed.ok) return refuse(422, { code: 'no-meter', say: parsed.problem })
  const reads = meterReads.find((one) => one === asked.get('reads'))
  const probe = probeSchema.safeParse(parsedJson(asked.get('probe')))
  if (!reads || !probe.success)
    return refuse(422, { code: 'no-fit', say: `Say what is read: ${meterReads.join(', ')}, and where the leads are.` })
  return withStore(async ({ jobs }) => {
    const id = asked.get('job') ?? ''
    const job = await jobs.read(id)
    if (!job) return noSuchJob(id)
    const { bench } = foldJob(job.system, job.entries)
    const leads = Buffer.from(JSON.stringify({ probe: probe.data, bench })).toString('base64')
    return new Response(eventsOf(streamMeter(parsed.address, reads, leads, request.signal)), {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' },
    })
  })
})

function parsedJson(text: string | null): unknown {
  try {
    return JSON.parse(text ?? '')
  } catch {
    return null
  }
}

function eventsOf(events: AsyncGenerator<MeterEvent>): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder()
  return new ReadableStream({
    async pull(controller) {
      const { value, done } = await events.next()
      if (done) controller.close()
      else controller.enqueue(encoder.encode(`data: ${JSON.stringify(value)}\n\n`))
    },
    cancel: () => void events.return(undefined),
  })
}
