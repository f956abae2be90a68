'use client'
import type { CallLoad, WindingLoad } from '@/src/core/advice/forecast'
import type { Winding } from '@/src/core/protection/transformer-heat'
import { FuseChart } from '@/src/ui/power/fuse-chart'
import { HeatChart } from '@/src/ui/power/heat-chart'
import { LoadChart } from '@/src/ui/power/load-chart'

export interface ChartsProps {
  readonly ratingA: number
  readonly winding: Winding
  /** The current of the leading suspects, A; null while none is sure to be an overload. */
  readonly faultA: number | null
  readonly windings: readonly WindingLoad[] | null
  readonly loads: readonly CallLoad[] | null
  readonly isLive: boolean
}

/** The fuse, the winding's heat and the load of each call. */
export function Charts({ ratingA, winding, faultA, windings, loads, isLive }: ChartsProps) {
  return (
    <>
      <FuseChart ratingA={ratingA} winding={winding} faultA={faultA} />
      {windings && <HeatChart loads={windings} winding={winding} isLive={isLive} />}
      {loads && <LoadChart loads={loads} plateVa={winding.va} />}
    </>
  )
}
