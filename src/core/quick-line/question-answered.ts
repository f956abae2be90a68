/** What was answered is worth as much as what was asked: yes, a figure, or nothing. */
const ANSWERED = /^(.+?)\?+,? +(?:(yes|yep|yeah|yup|ok|good)\b|(no|nope|nothing|none|nada|zero|dead)\b)?(?:,? *(\S.*))?$/i
const FIGURE = /(?<![A-Za-z\d.])\d*\.?\d+ ?(?:v(?:olts?|ac)?|ohms?|a(?:mps?)?)?\b(?! ?(?:amp|a) (?:fuse|breaker))/i
const READ =
  /^(?:it[’']?s |about |like |only |just |got |i (?:have|got) |reads )*((?:-?\d*\.?\d+|ol)\b ?(?:v(?:olts?|ac)?|k?ohms?|a(?:mps?)?)?\.?)$/i
const ASKING = /^(?:is (?:the |there )?|are (?:the |there )?|do (?:i|we) (?:have|got) |have (?:i|we) (?:got )?|got |any )/i
/** What is asked of that nothing comes of. */
const NO_SUCH = /\b(?:good|in|on|closed|lit|running|runs|calling)$/i

/** A question that the line itself answers, as what was read or seen: `24 at R and C? nothing`, `120 in? yes, 121`; null for any other line. */
export function questionAnswered(line: string): string | null {
  const [, question = '', yes, no, rest = ''] = ANSWERED.exec(line.trim()) ?? []
  if (question === '' || (yes === undefined && no === undefined && rest === '') || question.includes('?')) return null
  const asked = question.replace(ASKING, '').trim()
  const [, read] = READ.exec(rest.trim()) ?? []
  if (rest !== '' && read === undefined) return null
  if (read !== undefined && /^(?:120|208|230|240|277)(?: ?v)? (?:in|there)$/i.test(asked)) return `line ${read}`
  const points = asked
    .replace(FIGURE, '')
    .replace(/^ ?(?:at|across|on|between) /i, '')
    .trim()
  if (read !== undefined) return `${points} ${read}`
  if (yes !== undefined) return asked
  return NO_SUCH.test(asked) ? asked.replace(NO_SUCH, (how) => `not ${how}`) : `${points} 0`
}
