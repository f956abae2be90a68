import { foldJob } from '@/src/core/job/fold'
import type { Reading, Understood } from '@/src/core/quick-line/in-grammar'
import { beforeSubject } from '@/src/core/quick-line/run-on'
import { Sentence } from '@/src/core/quick-line/sentence'

/** What the hand did first may be to a wire of which there are two, or one that is off: that is asked, and not what the line as a whole might have been. */
export function whatStandsInTheWay(
  line: string,
  context: Reading,
  readAll: (said: string, asked: Reading) => Understood,
): Understood | null {
  if (!/^(?:i )?(?:lift|pull|took|take|land|put|disconnect|reconnect|unhook|loosen|jump|tie|join|connect)/i.test(line.trim())) return null
  const the = new Sentence(context.system, foldJob(context.system, context.entries), line)
  const parted = line.split(/[,;]\s+/)
  const firsts = parted.length > 1 ? [parted[0]] : beforeSubject(line, the).map(([first]) => first)
  for (const first of firsts) {
    const read = readAll(first, context)
    if (!read.ok && /^(?:More than one|Which )|is off its screw here/.test(read.problem)) return { ...read, start: 0, end: line.length }
  }
  return null
}
