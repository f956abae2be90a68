import { layoutLoom } from '@/src/core/formats/loom/layout'
import { MARK, placeMarks } from '@/src/core/formats/loom/marks'
import { TAG } from '@/src/core/formats/loom/shapes'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

describe.each(catalogue.map((system) => [system.id, system] as const))('marks on the loom of %s', (_, system) => {
  const loom = layoutLoom(system, { width: 832, height: 616 })

  it('cover no part, no landing and no other mark, wherever something waits', () => {
    const moved = loom.parts.filter(({ kind }) => kind === 'coil' || kind === 'output' || kind === 'electronics')
    const marks = placeMarks(
      loom,
      moved.map((part) => ({ part, text: 'closes · 4:36' })),
    )
    const boxes = [
      ...marks.map((mark) => ({ ...mark, height: MARK.height })),
      ...loom.parts.map(({ x, y, width, height }) => ({ x: x - width / 2, y: y - height / 2, width, height })),
      ...loom.tags.map(({ x, y }) => ({ x: x - TAG, y: y - TAG, width: 2 * TAG, height: 2 * TAG })),
    ]
    const clashes = marks.flatMap((mark, index) =>
      boxes.filter(
        (box, other) =>
          other !== index &&
          mark.x < box.x + box.width &&
          box.x < mark.x + mark.width &&
          mark.y < box.y + box.height &&
          box.y < mark.y + MARK.height,
      ),
    )
    expect(clashes).toEqual([])
    for (const { x, y, width } of marks) {
      expect([x >= 0, y >= 0, x + width <= loom.width, y + MARK.height <= loom.height]).toEqual([true, true, true, true])
    }
  })
})
