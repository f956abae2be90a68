import type { Understood } from '@/src/core/quick-line/in-grammar'

/** A slip of the tongue, put right in the same breath: `Y-C 24, no wait 26.4`. What was said before it was not read. */

/** From here on the line is said anew. A question that is answered is none of these. */
const ANEW =
  /(?<=[\w)])(?:\s*(?:\.{2,}|…|[,;.]|\s[-–—]+)\s*(?:no(?=,|\s+wait)|sorry|correction|make that)|[\s,;.–—-]+(?:no,? wait|wait,? no|sorry|i meant?|scratch that|strike that))\b[\s,:.–—-]*(?:(?:wait|i meant?|make that)\b[\s,:.–—-]*)?(?=\S)/i

/** A figure at the end of what was said, by which another takes its place. */
const FIGURE = String.raw`(?:-?\d[\d.]*|OL)(?:\s*(?:m?v|volts?|[km]?ohms?|k|amps?|a|[uµ]a))?`
const LAST_FIGURE = new RegExp(String.raw`(?<![\w.-])${FIGURE}\s*$`, 'i')
const ONLY_FIGURE = new RegExp(`^${FIGURE}\\s*[.!]?$`, 'i')

/** Where one stands, or what is named there: said before the slip, it is not said of what follows. */
const WHERE = /\b(?:outside|outdoors?|inside|indoors?|panel|stat|thermostat|condenser|furnace|air handler|heat pump|board|zone)\b/i

/** Reads a line without what it takes back itself, or asks for it anew where what is left says less than the whole did. */
export function readAnew(typed: string, read: (line: string) => Understood): Understood {
  const anew = takenBack(typed)
  if (anew === null) return read(typed)
  const understood = anew === '' ? null : read(anew)
  // What is left of it may say nothing by itself.
  const isRead = understood?.ok && understood.drafts.some(({ kind }) => kind !== 'note')
  return isRead ? understood : { ok: false, problem: SAY_ONCE, start: 0, end: typed.length }
}

/** The line without what it takes back: null where it takes nothing back, empty where what is left is not enough. */
function takenBack(line: string): string | null {
  if (/^\s*(?:note|complaint)\b/i.test(line)) return null
  const found = ANEW.exec(line)
  if (!found) return null
  const [before, after] = [line.slice(0, found.index), line.slice(found.index + found[0].length).trim()]
  if (ONLY_FIGURE.test(after)) return LAST_FIGURE.test(before) ? before.replace(LAST_FIGURE, () => after) : ''
  return WHERE.test(before) && !WHERE.test(after) ? '' : after
}

const SAY_ONCE = 'This line corrects itself, so nothing was entered. Say it once, the way it is now, with where it was read.'
