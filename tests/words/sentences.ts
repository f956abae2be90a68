/** What people may read of a source file: its strings, templates and the text between tags; no comment, no import, no bare word or id. */
export function sentencesOf(source: string): string[] {
  const code = source
    .replaceAll(/\/\*[\s\S]*?\*\//g, '')
    .replaceAll(/(^|\s)\/\/.*$/gm, '')
    .replaceAll(/^import .*$/gm, '')
  const quoted = code.match(/'(?:[^'\\\n]|\\.)*'|"(?:[^"\\\n]|\\.)*"|`(?:[^`\\]|\\.)*`/g) ?? []
  const between = code.match(/>[^<>{}=;]+</g) ?? []
  return [...quoted, ...between].map((text) => withoutCode(text).replaceAll(/\s+/g, ' ')).filter((text) => /[a-z] [a-z$]/i.test(text))
}

/** A template without what is put into it: the innermost braces go first. */
function withoutCode(text: string): string {
  const less = text.replaceAll(/\$?\{[^{}]*\}/g, ' ')
  return less === text ? text : withoutCode(less)
}
