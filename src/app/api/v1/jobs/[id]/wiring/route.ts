import { downloadOfJob } from '@/src/app/api/v1/download'
import { guarded } from '@/src/app/api/v1/handle'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import { wiringPicture } from '@/src/core/formats/page/wiring-picture'

/** The wiring as it is now, as a drawing. */
export const GET = guarded((_: Request, { params }: { params: Promise<{ id: string }> }) =>
  downloadOfJob(params, { type: 'image/svg+xml', ending: 'wiring.svg', write: (job) => wiringPicture(pageFacts(job).wired, 'sans-serif') }),
)
