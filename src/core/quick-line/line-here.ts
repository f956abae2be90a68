import { eachAgainstCommon, withOwnCommon } from '@/src/core/quick-line/against-common'
import { eitherLetter } from '@/src/core/quick-line/either-letter'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { withWireInHand } from '@/src/core/quick-line/screw-or-wire'
import { withTransformerHere } from '@/src/core/quick-line/which-part'

/** A line with what its letters and names mean where one stands: which common, which transformer, the wire in the hand, O or B. */
export function lineHere(said: string, asked: QuickLineContext): string {
  const named = withTransformerHere(eitherLetter(said, asked.system), asked)
  return withOwnCommon(eachAgainstCommon(withWireInHand(named, asked), asked), asked)
}
