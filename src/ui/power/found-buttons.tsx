'use client'
import { Button } from '@/src/ui/controls/button'
import { useHands, useMoment } from '@/src/ui/desk/desk-context'

/** How a fuse or breaker was found, in one tap. `at` is what the look is at. */
export function FoundButtons({ at, isBreaker = false }: { at: string; isBreaker?: boolean }) {
  const { state } = useMoment()
  const { record } = useHands()
  const seen = state.observations.findLast(({ probe }) => probe.meter === 'look' && probe.at === at)?.answer
  return ['good', 'blown'].map((word) => {
    const isSaid = typeof seen === 'object' && 'word' in seen && seen.word === word
    return (
      <Button
        key={word}
        aria-pressed={isSaid}
        className={isSaid ? '!border-next font-bold' : ''}
        onClick={() => record([{ kind: 'reading', probe: { meter: 'look', at }, answer: { word } }])}
      >
        {isSaid && <span aria-hidden>✓ </span>}found {isBreaker && word === 'blown' ? 'tripped' : word}
      </Button>
    )
  })
}
