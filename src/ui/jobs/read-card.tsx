'use client'
import { QrCode } from 'lucide-react'
import { useState } from 'react'
import { type CardRead, readCard } from '@/src/core/formats/page/card-reading'
import { Button } from '@/src/ui/controls/button'
import { PickPicture } from '@/src/ui/photos/pick-picture'

/** The longer side at which a code is looked for, px: larger takes longer and finds no more. Assumption. */
const LONGEST_PX = 1400

/** The text of a code in a picture; null where there is none. The library comes when it is asked for. */
async function textOfCode(file: Blob): Promise<string | null> {
  const { default: jsQR } = await import('jsqr')
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  try {
    const share = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height))
    const [width, height] = [Math.round(picture.width * share), Math.round(picture.height * share)]
    const canvas = document.createElement('canvas')
    canvas.width = width
    canvas.height = height
    const brush = canvas.getContext('2d')
    brush?.drawImage(picture, 0, 0, width, height)
    const pixels = brush?.getImageData(0, 0, width, height)
    return pixels ? (jsQR(pixels.data, width, height)?.data ?? null) : null
  } finally {
    picture.close()
  }
}

/** The card inside the panel, photographed: its code says how the house is wired and what was read last, without a signal. */
export function ReadCard({ card, onCard }: { card: CardRead | null; onCard: (card: CardRead | null) => void }) {
  const [problem, setProblem] = useState<string | null>(null)
  const read = async (file: File) => {
    setProblem(null)
    try {
      const text = await textOfCode(file)
      if (text === null) return setProblem('No code was found in this picture. Nothing was taken: closer, flat, without glare.')
      const found = readCard(text)
      if (found.ok) onCard(found.card)
      else setProblem(found.problem)
    } catch {
      setProblem('This file is no picture that the browser can read. Nothing was taken.')
    }
  }
  return (
    <div>
      <PickPicture onPick={(file) => void read(file)}>
        <QrCode aria-hidden size={18} />
        read the card in the panel
      </PickPicture>
      {problem && (
        <p role="alert" className="text-ember text-small">
          {problem}
        </p>
      )}
      {card && (
        <section aria-label="Card" className="mt-2 border-hold border-l-4 pl-3 text-small">
          <p>
            Card of {card.day}: {card.fuse}; {card.spare}.
          </p>
          <ul>
            {card.known.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
          <Button look="quiet" onClick={() => onCard(null)}>
            leave the card out
          </Button>
        </section>
      )}
    </div>
  )
}
