import type { EntryDraft } from '@/src/core/job/entry'
import type { Sentence } from '@/src/core/quick-line/sentence'

/** States and trials that a line names and that nothing of what would be entered holds. */

/** A state that the line names beside a reading, a relay that is in, what runs, a board that is dead, and no look holds. */
export function lostState(line: string, the: Sentence, drafts: readonly EntryDraft[]): string | null {
  const isTold = drafts.some(
    (draft) => draft.kind === 'note' || draft.kind === 'trip' || (draft.kind === 'reading' && draft.probe.meter === 'look'),
  )
  const [, runs] = /, ?(?:and |it |then |unit )*((?:runs|works|ran|worked)(?: fine| now)?)$/i.exec(line.trim()) ?? []
  if (runs !== undefined && !isTold) return runs
  const [cleared] = /\b(?:clears|cleared|goes away|went away)\b/i.exec(line) ?? []
  if (cleared !== undefined && !drafts.some(({ kind }) => kind === 'reading' || kind === 'note' || kind === 'trip')) return cleared
  const [lit] = /\b(?:it|burners?|furnace) (?:lit|lights|lit up|fires|fired|fired up|ignites|ignited)\b/i.exec(line) ?? []
  if (lit !== undefined && !isTold) return lit
  // Nothing comes out, where all that is entered went in.
  const [, out] = /\b(?:in|into)\b.*?\b((?:0|nothing|none|zero)(?: ?v| volts)? (?:coming |going )?out)\b/i.exec(line) ?? []
  if (out !== undefined && drafts.filter((draft) => draft.kind === 'reading').length < 2 && !drafts.some(({ kind }) => kind === 'note'))
    return out
  const [absent] = /\bno (?:glow|click|flame|fire|spark|hum)\b|\b(?:board )?lights? (?:is |are )?(?:out|off)$/i.exec(line.trim()) ?? []
  if (absent !== undefined && !isTold) return absent
  const [, board] = /\b(board (?:is )?(?:dead|dark|steady|flashing))$/i.exec(line.trim()) ?? []
  if (board !== undefined && !isTold) return board
  const [blank] = /\b(?:stat|thermostat|tstat|display|screen) (?:is )?(?:dead|blank|dark)(?=,| and| but|$)/i.exec(line) ?? []
  const isLooked = drafts.some((draft) => draft.kind === 'note' || (draft.kind === 'reading' && draft.probe.meter === 'look'))
  if (blank !== undefined && !isLooked) return blank
  const [, name, how] =
    /\b(contactor|relay|valve|sequencer)(?: is| pulled| pulls| still| not pulled)* (in|out)\b(?! (?:slot|place|series|heat|cool|the|at))/i.exec(
      line,
    ) ?? []
  const part = name === undefined ? null : the.part(name.toLowerCase())
  if (part === null || /\d ?v? in\b|\bin \d|\bout \d/i.test(line)) return null
  const isSeen = drafts.some((draft) => draft.kind === 'note' || (draft.kind === 'reading' && draft.probe.meter === 'look'))
  return isSeen || drafts.every((draft) => draft.kind === 'bench') ? null : `${name} ${how}`
}

/** That it tripped, or held, where nothing of it is entered; and that something is gone again, where only its being there is. */
export function lostTrial(line: string, drafts: readonly EntryDraft[]): string | null {
  const isTold = drafts.some(
    (draft) => draft.kind === 'note' || draft.kind === 'trip' || (draft.kind === 'reading' && draft.probe.meter !== 'volts'),
  )
  const [trial] =
    /\b(?<!so (?:it )?)(?:trips|tripped|(?:fuse|breaker|it) (?:still )?(?:holds|held)|(?:fuse|breaker|it) (?:pops|popped|blew|blows))\b/i.exec(
      line,
    ) ?? []
  if (trial !== undefined && !isTold) return trial
  const [gone] = /\b(?:goes|went) away\b|\bdisappear(?:s|ed)\b|\bshort (?:is )?gone\b/i.exec(line) ?? []
  return gone === undefined || drafts.some(({ kind }) => kind === 'note') ? null : gone
}

/** At which moment of a call it tripped: the call says so. */
const AS_IT_STARTS =
  /,? (?:right |just )?(?:when|as|once|as soon as) (?:the )?(?:contactor|condenser|compressor|outdoor unit|heat pump) (?:should |tries to |goes to )?(?:pulls?|comes?|starts?|kicks?)(?: in| on| up)?$/i

/** The line without what the call that is entered with it says. */
export const withoutMoment = (line: string, drafts: readonly EntryDraft[]): string =>
  drafts.some(({ kind }) => kind === 'trip') ? line.trim().replace(AS_IT_STARTS, '') : line
