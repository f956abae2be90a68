/** What is left out of a second clause since it stands in the first: "heat works, cool doesn't". */

const NOT =
  "(?:is not|isn[’']?t|are not|aren[’']?t|was not|wasn[’']?t|won[’']?t|will not|does not|doesn[’']?t|do not|don[’']?t|did not|didn[’']?t|never does|not)"
const DOES = '(?:does|do|is|are|did|will|was)'
const MODE =
  '(?:cool|cooling|heat|heating|fan|ac|emergency(?: heat)?|aux(?: heat)?|(?:first|second|1st|2nd|high|low) stage(?: (?:cool|heat)(?:ing)?)?|[gwy]1?)'
const JOINT = '(?:,? (?:but|and|yet|while|though)|,)? '

/** What one does and the other does not: as it is said of the one, and of the other. */
const verbs: readonly { readonly says: string; readonly does: string; readonly doesNot: string }[] = [
  { says: 'works?|working|worked|is working', does: 'works', doesNot: 'does not work' },
  { says: 'runs?|running|ran|is running|are running|is on|spins?|spinning|turns?|turning', does: 'runs', doesNot: 'does not run' },
  { says: 'comes? on|came on|kicks? on|kicked on', does: 'comes on', doesNot: 'does not come on' },
  { says: 'starts?|started', does: 'starts', doesNot: 'does not start' },
  { says: 'pulls? in|pulled in|is in', does: 'pulls in', doesNot: 'does not pull in' },
  { says: 'trips? it|makes it (?:trip|pop|blow)|kills it|trips?|tripped|pops|popped|blows|blew', does: 'trips', doesNot: 'holds' },
  { says: 'holds?|held', does: 'holds', doesNot: 'trips' },
  { says: 'closes|closed', does: 'closes', doesNot: 'does not close' },
  { says: 'opens|opened', does: 'opens', doesNot: 'does not open' },
]

const forms = verbs.flatMap(({ says, does, doesNot }) => {
  const well = '(?: (?:fine|good|ok|okay|great|normal|well))?'
  return [
    // Heat works, cool does not; compressor 1 runs 2 does not.
    {
      says: new RegExp(`^(\\S.*?) (?:${says})${well}${JOINT}(?:the )?(\\S+(?: \\S+){0,2}?) ${NOT}(?: at all| though)?$`, 'i'),
      as: (one: string, other: string) =>
        `${one} ${does}, ${beside(one, other)} ${MOTOR.test(other) && ARMATURE.test(doesNot) ? 'does not run' : doesNot}`,
    },
    // Cool does not work, heat does.
    {
      says: new RegExp(`^(\\S.*?) ${NOT} (?:${says})${JOINT}(?:the )?(\\S+(?: \\S+){0,2}?) ${DOES}(?: fine| though)?$`, 'i'),
      as: (one: string, other: string) => `${one} ${doesNot}, ${beside(one, other)} ${does}`,
    },
    // Runs in cool, but not in heat.
    {
      says: new RegExp(`^(?:(\\S.*?) )??(?:${says})${well} (?:in|on) (${MODE})${JOINT}(?:${NOT}|never) (?:in|on) (${MODE})$`, 'i'),
      as: (one: string | undefined, mode: string, other: string) =>
        `${one ?? 'it'} ${does} on ${mode}, ${one ?? 'it'} ${doesNot} on ${other}`,
    },
    {
      says: new RegExp(`^(\\S.*?) ${NOT} (?:${says}) (?:in|on) (${MODE})${JOINT}(?:it )?(?:${says})${well} (?:in|on) (${MODE})$`, 'i'),
      as: (one: string | undefined, mode: string, other: string) => `${one} ${doesNot} on ${mode}, ${one} ${does} on ${other}`,
    },
    {
      says: new RegExp(
        `^(?:(\\S.*?) )??${NOT} (?:${says}) (?:in|on) (${MODE})${JOINT}(?:${DOES} |only )?(?:in|on) (${MODE})(?: ${DOES})?$`,
        'i',
      ),
      as: (one: string | undefined, mode: string, other: string) =>
        `${one ?? 'it'} ${doesNot} on ${mode}, ${one ?? 'it'} ${does} on ${other}`,
    },
  ]
})

/** A number alone is another of the same: compressor 1, 2. */
const beside = (one: string, other: string): string => (/^(?:#|no\.? ?)?\d$/.test(other) ? one.replace(/\S+$/, other) : other)

/** What runs, whatever is said of the armature that feeds it. */
const ARMATURE = /pull|clos|open/
const MOTOR = /\b(?:compressor|motor|fan|blower)\b/i

/** Words of a joint, or of one verb alone, are no subject. */
const NO_SUBJECT = /^(?:it|they|and|but|still|just|only|\d[\d.]*)$|\b(?:but|(?<!^\w+ )and|when|if|with|trips?|holds?)\b/i

const NEGATES = /n['’]?t\b|\b(?:not|never)\b/i

/** The sentence with what its second half leaves out; the same where it leaves nothing out. */
export function spelledOut(text: string): string {
  if (!NEGATES.test(text)) return text
  const plain = text.trim()
  for (const { says, as } of forms) {
    const found = says.exec(plain)
    if (!found) continue
    const [, one, other] = found
    if (found.length === 3 && ((NO_SUBJECT.test(other) && !/^\d$/.test(other)) || NO_SUBJECT.test(one))) continue
    return (as as (...words: (string | undefined)[]) => string)(...found.slice(1))
  }
  return text
}
