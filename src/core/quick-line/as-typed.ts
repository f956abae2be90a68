import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext, Understood } from '@/src/core/quick-line/in-grammar'

/** A line that is one note, or the customer's words, stays in the record as it was typed, short forms and all. */
export function asTyped(line: string, read: Understood & { ok: true }, { system, entries }: QuickLineContext): Understood & { ok: true } {
  const [draft, another] = read.drafts
  if (another || /^\s*(?:note|complaint)\b/i.test(line)) return read
  if (draft?.kind === 'complaint') {
    const before = foldJob(system, entries).complaint.words
    const heard = draft.complaint.words
    if (!heard.startsWith(before)) return read
    const words = [before, line.trim().replaceAll(';', ',')].filter(Boolean).join('; ')
    return { ...read, drafts: [{ ...draft, complaint: { ...draft.complaint, words } }], say: read.say.replace(heard, () => words) }
  }
  if (draft?.kind !== 'note') return read
  const note = { ...draft, text: line.trim() }
  return { ...read, drafts: [note], say: read.say.replace(draft.text, () => note.text) }
}
