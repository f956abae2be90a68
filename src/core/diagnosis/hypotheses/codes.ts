import type { z } from 'zod'
import { faultFamilies } from '@/src/core/faults/families'
import type { Fault } from '@/src/core/faults/fault'
import type { codeRowSchema } from '@/src/core/job/code-schema'
import type { PointsTo } from '@/src/core/job/points-to'
import { modelValue } from '@/src/core/units/model-value'
import { partsOf, type System } from '@/src/core/wiring/system'

export const sayPointsTo: Record<PointsTo, string> = {
  limit: 'the limit switch',
  rollout: 'the rollout switch',
  'high-pressure': 'the high-pressure switch',
  'low-pressure': 'the low-pressure switch',
  float: 'the float switch',
  door: 'the door switch',
  draft: 'the draft switch',
  'over-current': 'a short on the 24 V side',
  'low-voltage': 'too little 24 V',
  nothing: 'nothing by itself',
}

export type CodeRow = z.infer<typeof codeRowSchema>

/** Examples to begin with, made up: every maker has its own; the label inside the door decides. */
export const exampleCodes: readonly CodeRow[] = [
  { board: 'furnace board (example)', code: '3', means: 'limit circuit open', points: 'limit' },
  { board: 'furnace board (example)', code: '4', means: 'rollout switch open', points: 'rollout' },
  { board: 'furnace board (example)', code: '8', means: 'fuse on the board blown', points: 'over-current' },
  { board: 'defrost board (example)', code: '2', means: 'high-pressure switch opened', points: 'high-pressure' },
  { board: 'defrost board (example)', code: '5', means: 'low-pressure switch opened', points: 'low-pressure' },
  { board: 'smart thermostat (example)', code: 'E7', means: 'an output drew too much and was opened', points: 'over-current' },
  { board: 'smart thermostat (example)', code: 'E9', means: 'no power on the common', points: 'low-voltage' },
]

/** What a code puts on the open switch that it names: a board tells what it saw, not why. */
const ON_SWITCH = modelValue({ value: 12, unit: 'odds', source: 'assumption' })
/** What an over-current code puts on a short. */
const ON_SHORT = modelValue({ value: 5, unit: 'odds', source: 'assumption' })
/** What a code for too little voltage puts on whatever starves the circuit. */
const ON_LOW_VOLTAGE = modelValue({ value: 4, unit: 'odds', source: 'assumption' })

/** How much likelier a fault is after a code, as odds. */
export function codeFactor(system: System, { points }: Pick<CodeRow, 'points'>, fault: Fault): number {
  switch (points) {
    case 'nothing':
      return 1
    case 'over-current':
      return faultFamilies[fault.family].setsCode === points ? ON_SHORT : 1
    case 'low-voltage':
      return faultFamilies[fault.family].setsCode === points ? ON_LOW_VOLTAGE : 1
    default: {
      const own = partsOf(system, 'switch').filter(({ role }) => role === points)
      return fault.family === 'switch-open' && own.some(({ id }) => id === fault.part) ? ON_SWITCH : 1
    }
  }
}

/** The line of a table for what was read off a board; capitals and spaces do not matter. */
export function findCode(rows: readonly CodeRow[], board: string, code: string): CodeRow | null {
  const plain = (value: string) => value.trim().toLowerCase()
  return rows.find((row) => plain(row.board) === plain(board) && plain(row.code) === plain(code)) ?? null
}

/** A table with one line more, or with that line in the place of the one for the same code. */
export const withCode = (rows: readonly CodeRow[], added: CodeRow): CodeRow[] => [
  ...rows.filter((row) => row !== findCode(rows, added.board, added.code)),
  added,
]
