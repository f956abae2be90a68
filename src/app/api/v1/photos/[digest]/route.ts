import { guarded, withStore } from '@/src/app/api/v1/handle'
import { readBytes, refuse, respond } from '@/src/app/api/v1/respond'
import { keptPhotoSchema } from '@/src/core/formats/api'
import { LARGEST_PHOTO_BYTES } from '@/src/core/formats/photo-file'
import { photoDigestSchema } from '@/src/core/job/photo-schema'

type Asked = { params: Promise<{ digest: string }> }

/** A photo by its digest: it never changes. */
export const GET = guarded(async (_: Request, { params }: Asked) => {
  const { digest } = await params
  return withStore(async ({ photos }) => {
    const bytes = photoDigestSchema.safeParse(digest).success ? await photos.read(digest) : null
    if (!bytes) return refuse(404, { code: 'no-photo', say: 'This photo is not in the store. It may still be on the device that took it.' })
    return new Response(Uint8Array.from(bytes), {
      headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
    })
  })
})

/** Keeps a photo; the same one twice is one. */
export const PUT = guarded(async (request: Request, { params }: Asked) => {
  const { digest } = await params
  const name = photoDigestSchema.safeParse(digest)
  if (!name.success) return refuse(422, { code: 'no-fit', say: name.error.issues[0].message })
  const read = await readBytes(request, 'image/jpeg', LARGEST_PHOTO_BYTES)
  if (!read.ok) return read.refusal
  return withStore(async ({ photos }) => {
    const kept = await photos.keep(digest, read.body)
    if (!kept.ok) return refuse(422, { code: 'no-photo', say: kept.problem })
    return respond(keptPhotoSchema, { digest }, kept.isNew ? 201 : 200)
  })
})
