import type { Conductor } from '@/src/core/wiring/system'

/** Insulation as it looks; every thread has an ink outline besides, so that white shows on white and black on black. */
export const insulation: Record<Conductor['colour'], string> = {
  red: '#d8322a',
  green: '#2f9e58',
  yellow: '#f2c21a',
  white: '#f8f5ee',
  blue: '#2f6fd6',
  brown: '#8a5a33',
  orange: '#ee8a2a',
  black: '#17130f',
  grey: '#8d8d8d',
  violet: '#7b4fc0',
  pink: '#ef8fb0',
  tan: '#c9a878',
  unknown: '#bdb8ae',
}
