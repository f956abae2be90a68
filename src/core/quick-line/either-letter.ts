import type { System } from '@/src/core/wiring/system'

/** `O/B to C 27`: many strips have one screw for either; in this house it is the one that its valve is wired to. */
export function eitherLetter(line: string, { places }: System): string {
  const letters = ['O', 'B'].filter((letter) => places.some(({ terminals }) => terminals.includes(letter)))
  const [own] = letters
  return letters.length === 1 && own !== undefined ? line.replace(/\bO ?\/ ?B\b/g, own) : line
}
