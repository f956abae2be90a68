import { type ColumnRole, columnRoles, guessColumns } from '@/src/core/formats/readings-csv'

/** What the columns of a table hold, as it was said last for one with these headings: remembered on this device. */

const nameOf = (header: readonly string[]): string => `nest-trace columns ${JSON.stringify(header)}`

export function columnsOf(header: readonly string[]): ColumnRole[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(nameOf(header)) ?? 'null')
    if (Array.isArray(kept) && kept.length === header.length && kept.every((one) => columnRoles.includes(one))) return kept
  } catch {
    // What somebody else wrote there is as good as nothing.
  }
  return guessColumns(header)
}

export function keepColumns(header: readonly string[], roles: readonly ColumnRole[]): void {
  try {
    localStorage.setItem(nameOf(header), JSON.stringify(roles))
  } catch {
    // No room: it is asked again next time.
  }
}
