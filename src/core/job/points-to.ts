import { switchRoles } from '@/src/core/wiring/roles'

/** What a board's blinks, or a number on a display, point to; `nothing` for a code that only tells of the past. */
export const pointsTo = [...switchRoles, 'over-current', 'low-voltage', 'nothing'] as const

export type PointsTo = (typeof pointsTo)[number]
