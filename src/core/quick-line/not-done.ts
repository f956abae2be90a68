import type { EntryDraft } from '@/src/core/job/entry'

/** What hands do to wires and switches. */
const HANDS =
  '(?:lift|land|jump|jumper|pull|take|put|unplug|plug|disconnect|reconnect|connect|unhook|hook|tie|join|bypass|swap|move|cap|reset|turn|switch|set|call|kill|cut|open|close|remove|get \\S+(?: \\S+){0,2} (?:off|out|loose|up))'

/** An act that is planned, tried or missed: about to jump, need to lift, couldn't get Y off. What one had to do is done. */
const NOT_DONE = new RegExp(
  `(?:^|[,;] *|\\b(?:and|then|but|so|next) )(?:i(?:[’']?m| am)? |we(?:[’']?re| are)? |just |now |still )*(?:(?:going|gonna|about|ready|planning|fixing|trying|tried|need|needs|have|has|want|wanted|plan|forgot|unable|able)(?: to)?|(?:was |were )?not able to|wasn[’']?t able to|will|[’']?ll|i[’']ll|should|could(?: not|n[’']?t)|can(?:not| not|[’']?t)|did(?: not|n[’']?t)|have(?: not|n[’']?t))(?: yet)? (?:to )?${HANDS}\\b`,
  'i',
)

/** As it was found, or some time ago: it was tripped when I got here, had 24 earlier. */
const AS_FOUND = /\bwhen (?:i|we) (?:got (?:here|there)|arrived|came|showed up)\b/i
const SOME_TIME_AGO =
  /\b(?:earlier(?: today)?|yesterday|this morning|last (?:night|week|month|year|time)|a (?:week|month|year) ago|before|for (?:just )?(?:a|a split|one) (?:second|sec|moment|minute|bit|while))$/i

const DAYS_AGO =
  /\b(?:yesterday|last (?:night|week|month|year|time|summer|winter)|(?:a|two|three|\d+) (?:days?|weeks?|months?|years?) ago)\b/i

/** Whether a line tells of an act that was not done, or not yet, and would be entered as done. */
export const isNotDone = (line: string, drafts: readonly EntryDraft[]): boolean =>
  NOT_DONE.test(line.trim()) && drafts.some(({ kind }) => kind === 'bench')

/** Whether a line tells of what was so before, and would be entered as seen or read now. */
export function isOfBefore(line: string, drafts: readonly EntryDraft[]): boolean {
  if (AS_FOUND.test(line) && drafts.some(({ kind }) => kind === 'trip')) return true
  if (drafts.length > 1 && DAYS_AGO.test(line) && drafts.some(({ kind }) => kind === 'repair')) return true
  const isRead = drafts.every((draft) => draft.kind === 'reading' && draft.probe.meter !== 'look')
  return drafts.length > 0 && isRead && SOME_TIME_AGO.test(line.trim())
}

export const STILL_TO_DO =
  'That is not done yet, so nothing was entered. Say it once it is done: "lift outdoor Y". Put "note" before it to keep it.'
