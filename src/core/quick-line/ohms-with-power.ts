import { OHMS_WITH_POWER } from '@/src/core/job/check-entry'
import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext, Understood } from '@/src/core/quick-line/in-grammar'

type ReadLine = (line: string, asked: QuickLineContext) => Understood

/** Ohms typed while the record has the power on: the power is mostly off by then, and one key says so. */
export function offFirst(line: string, heard: Understood & { ok: false }, asked: QuickLineContext, read: ReadLine): Understood {
  if (heard.problem !== OHMS_WITH_POWER || !foldJob(asked.system, asked.entries).bench.power) return heard
  const whole = `power off; ${line.trim()}`
  return read(whole, asked).ok
    ? { ...heard, problem: `The power is on in the record, and ohms are read with the power off. Is it off now? Say "${whole}".` }
    : heard
}

/** What would be ohms with the power off, and is nothing with it on, or no more than a remark. */
export function ohmsLater(line: string, asked: QuickLineContext, read: ReadLine): Understood | null {
  const isOhms = /\bol\b|\bohm(?:s|ed|ing)?\b|\bcontinuity\b|\b(?:open|shorted|grounded)\b/i.test(line) || FIGURE_OF_OHMS.test(line)
  if (!isOhms || /^\s*power off/i.test(line) || !foldJob(asked.system, asked.entries).bench.power) return null
  const off = read(`power off; ${line}`, asked)
  const wasRead = off.ok && off.drafts.some((draft) => draft.kind === 'reading' && draft.probe.meter === 'ohms')
  return wasRead ? { ok: false, problem: OHMS_WITH_POWER, start: 0, end: line.length } : null
}

/** A figure to the metal, or of wires that are off, with no unit. */
const FIGURE_OF_OHMS = /(?=.*\b(?:ground|gnd|chassis|metal|cabinet|case|frame|wires? off|off both ends)\b).*(?<![\w.])\d*\.?\d+(?! ?v)\b/i
