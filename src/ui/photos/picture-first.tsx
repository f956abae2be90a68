'use client'
import type { BenchChange } from '@/src/core/bench/bench'
import { lacksPictureOf } from '@/src/core/job/photos'
import { parsePoint } from '@/src/core/wiring/point'
import { placeById } from '@/src/core/wiring/system'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { TakePhoto } from '@/src/ui/photos/take-photo'

/** Before the first wire of a strip comes off: how the wires lay is known from a picture only, once one of them is off. */
export function PictureFirst({ setup }: { setup: readonly BenchChange[] }) {
  const { system } = useJob()
  const { state } = useMoment()
  const places = [...new Set(setup.flatMap((change) => (change.do === 'lift' ? [parsePoint(change.end).place] : [])))]
  return places
    .filter((place) => lacksPictureOf(place, state))
    .map((place) => {
      const strip = `the strip at the ${placeById(system, place)?.name ?? place}`
      return (
        <p key={place} className="mb-1">
          <TakePhoto of={`${strip} before a wire came off`} place={place}>
            picture of {strip} first
          </TakePhoto>
        </p>
      )
    })
}
