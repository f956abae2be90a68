'use client'
import { type Photo, photosOf } from '@/src/core/job/photos'
import { placeById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { LocalTime } from '@/src/ui/controls/local-time'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { Picture } from '@/src/ui/photos/picture'
import { TakePhoto } from '@/src/ui/photos/take-photo'

/** The photos of the job, and which of them go on the page that stays. */
export function PhotoList() {
  const { system } = useJob()
  const { state } = useMoment()
  const photos = photosOf(state)
  const here = placeById(system, state.bench.place)?.name ?? state.bench.place
  return (
    <section aria-label="Photos">
      <h2 className="mt-4 mb-2 font-bold">Photos</h2>
      <ul className="grid grid-cols-2 gap-2 desk:grid-cols-3">
        {photos.map((photo) => (
          <li key={photo.id} className="rounded border-2 border-line p-2">
            <Taken photo={photo} />
          </li>
        ))}
      </ul>
      <p className="mt-2">
        <TakePhoto of={`the ${here}`}>Photo of the {here}</TakePhoto>
      </p>
    </section>
  )
}

function Taken({ photo }: { photo: Photo }) {
  const { record } = useHands()
  const toggle = () => {
    const { id, at, ...rest } = photo
    record([{ kind: 'correct', target: id, entry: { ...rest, id, at, onPage: !photo.onPage } }])
  }
  return (
    <>
      <Picture digest={photo.digest} of={photo.of} className="h-28 w-full" />
      <p className="mt-1 text-small">
        {photo.of} · <LocalTime at={photo.at} />
      </p>
      <Button aria-pressed={photo.onPage} onClick={toggle} className="mt-1 w-full">
        {photo.onPage ? 'on the page ✓' : 'put on the page'}
      </Button>
    </>
  )
}
