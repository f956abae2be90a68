import type { Shortened } from '@/src/core/quick-line/short-readings'

/** A coil or switch, by name or as the one that was spoken of. */
const PART =
  '(?:(?:first|second|fan|blower|inducer|gas|reversing|low|high|furnace|draft|zone|float|door) ?-?)?(?:contactor|relay|rv|valve|sequencer|damper(?: \\d)?|solenoid|pressure(?: switch)?|lps?|hps?|limit|rollout|float|switch|coil|it)(?: switch)?(?: coil)?'
const GONE = '(?:off|pulled(?: off)?|unplugged|disconnected|unhooked|removed|lifted|loose|undone)'
/** Its leads are off, in whatever words. */
const FREED = `(?:(?:with )?(?:its |the |both |all )*(?:two )?(?:coil )?(?:wires?|leads?|spades?|plugs?|connectors?)(?: are| is)?(?: both)? ${GONE}|(?:is )?(?:unplugged|isolated|disconnected|unhooked|off its (?:wires|leads)|out of (?:the )?circuit|by itself))`
const READ = '(\\d*\\.?\\d+(?: ?[km])?|ol|open|infinite)(?: ?ohms?)?'
const READS = '(?:is |reads? |reading |measures? |ohms(?: out)?(?: at)? |shows? |at )*'

const freed = (part: string, read: string): string => `${part} alone ${/\d/.test(read) ? `${read} ohms` : 'OL'}`

/** A part that is read across itself with its leads off, said in any order. */
export const ofWhatIsFreed: readonly Shortened[] = [
  [new RegExp(`^(?:the )?(${PART}),? ${FREED},? (?:and |it )*${READS}${READ}(?: now)?$`, 'i'), (_, part, read) => freed(part, read)],
  [new RegExp(`^(?:the )?(${PART}) ${READS}${READ},? (?:and |it is )?${FREED}$`, 'i'), (_, part, read) => freed(part, read)],
  [new RegExp(`^((?:the )?(?:${PART})) (?:is |reads? )?(?:a )?(?:dead|direct) short(?:ed)?$`, 'i'), '$1 shorted'],
  [new RegExp(`^${READ} (?:across|on|at) (?:the )?(${PART}),? ${FREED}$`, 'i'), (_, read, part) => freed(part, read)],
]
