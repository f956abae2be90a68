import type { Sentence } from '@/src/core/quick-line/sentence'

/** What a meter says without a number: beeps, shorted, nothing. */
export function answered(text: string, the: Sentence): string {
  const found =
    /^(\w+)(?: ?- ?| to | and )(\w+) (?:is |are |has |shows |reads )?(.+?)( at \S+)?$/i.exec(text) ??
    swap(
      /^(no beep|no tone|beeps?|no continuity|continuity|dead short|short|no voltage|no volts|nothing|ohmed) (?:from |between |on |at )?(\w+)(?: ?- ?| to | and | )(\w+)(?: (.+))?$/i.exec(
        text,
      ),
    )
  const clear =
    /^(?:no (?:short to )?ground on (?:the )?(\w+)|(\w+)(?: wire)? (?:is )?(?:not|isn[’']?t) (?:grounded|shorted to (?:ground|gnd|chassis|metal)))$/i.exec(
      text,
    )
  const letter = clear?.[1] ?? clear?.[2]
  // The common is mostly bonded: of that it says how the house is wired.
  if (letter && the.isLetter(letter) && !/^c\d?$/i.test(letter))
    return `ohms ${the.letter(letter.toLowerCase())}-gnd jumps between 40 and 40000000`
  if (!found || !the.isLetter(found[1]) || !the.isLetter(found[2])) return text
  const [, a, b, said, where = ''] = found
  const pair = `${the.letter(a.toLowerCase())}-${the.letter(b.toLowerCase())}`
  // With the power off nobody knows whether nothing is no volts or no path; a zero is ohms.
  if (!the.state.bench.power && NOTHING.test(said)) return /^0$/.test(said) ? `ohms ${pair} 0${where}` : text
  for (const { says, as } of withoutNumber) if (says.test(said.replace(/^(?:a|an) /i, ''))) return `${as(pair)}${where}`
  const ohmed = /^ohmed (.+)$/i.exec(said)
  return ohmed ? `ohms ${pair} ${ohmed[1]}${where}` : text
}

const NOTHING = /^(?:0|nothing|none|dead)$/i

/** What is said before the two points, behind them. */
const swap = (found: RegExpExecArray | null): string[] | null =>
  found && [found[0], found[2], found[3], found[4] === undefined ? found[1] : `${found[1]} ${found[4]}`]

/** A meter's tone goes on below some 40 ohm, and a dead short is under 1: assumptions. */
const withoutNumber: readonly { readonly says: RegExp; readonly as: (pair: string) => string }[] = [
  { says: /^(?:no beep|no tone|no continuity|doesn'?t beep)$/i, as: (pair) => `ohms ${pair} jumps between 40 and 40000000` },
  { says: /^(?:beeps?|tones?|rings?|continuity)$/i, as: (pair) => `ohms ${pair} jumps between 0 and 40` },
  { says: /^(?:(?:shorted|dead short|short)(?: together| out| to each other)?)$/i, as: (pair) => `ohms ${pair} jumps between 0 and 1` },
  { says: /^(?:0|nothing|none|dead|no voltage|no volts|no power)$/i, as: (pair) => `${pair} 0 V` },
]
