import { guarded, withStore } from '@/src/app/api/v1/handle'
import { noSuchJob } from '@/src/app/api/v1/respond'

/** A line that carries nothing, so that a broken connection is noticed on both sides. */
const BEAT_MS = 20_000

/** Tells the number of entries of a job whenever it grows, as server-sent events; at once how many there are now. */
export const GET = guarded(async (request: Request, { params }: { params: Promise<{ id: string }> }) => {
  const { id } = await params
  return withStore(async ({ jobs }) => {
    const job = await jobs.read(id)
    if (!job) return noSuchJob(id)
    const encoder = new TextEncoder()
    let stop = () => {}
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const tell = (entries: number) => controller.enqueue(encoder.encode(`data: ${entries}\n\n`))
        const unlisten = jobs.events.listen(id, tell)
        const beat = setInterval(() => controller.enqueue(encoder.encode(': here\n\n')), BEAT_MS)
        stop = () => {
          clearInterval(beat)
          unlisten()
        }
        request.signal.addEventListener('abort', () => {
          stop()
          controller.close()
        })
        tell(job.entries.length)
      },
      cancel: () => stop(),
    })
    return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' } })
  })
})
