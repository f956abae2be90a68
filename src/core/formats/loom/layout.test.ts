import { probePoints } from '@/src/core/diagnosis/planner/candidates'
import { chainsOf } from '@/src/core/formats/loom/chains'
import { layoutLoom } from '@/src/core/formats/loom/layout'
import { TAG } from '@/src/core/formats/loom/shapes'
import { parsePoint } from '@/src/core/wiring/point'
import { placeById } from '@/src/core/wiring/system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'

interface Box {
  readonly name: string
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}
const around = (name: string, x: number, y: number, width: number, height: number): Box => ({
  name,
  left: x - width / 2,
  right: x + width / 2,
  top: y - height / 2,
  bottom: y + height / 2,
})
/** Width of a letter as it is written in a part, and the least air between two parts, in the drawing's unit. */
const LETTER = 6.4
const AIR = 6

const overlap = (a: Box, b: Box) => a.left < b.right - 0.5 && b.left < a.right - 0.5 && a.top < b.bottom - 0.5 && b.top < a.bottom - 0.5

describe.each(catalogue.map((system) => [system.id, system] as const))('the loom of %s', (_, system) => {
  const loom = layoutLoom(system, { width: 832, height: 616 })

  it('fits its width without scrolling, zones side by side in the order of the wiring', () => {
    const right = loom.zones.map(({ x, width }) => x + width)
    expect(Math.max(...right)).toBeLessThanOrEqual(loom.width + 0.01)
    // Shown at the desk's width, no letter gets smaller than four fifths.
    expect(832 / loom.width).toBeGreaterThan(0.8)
    for (const [index, a] of loom.zones.entries())
      for (const b of loom.zones.slice(index + 1))
        expect(a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y).toBe(true)
  })

  it('writes no part or tag over another, with air between two parts, and no name wider than its box', () => {
    const written = loom.parts.filter(({ kind, axis }) => axis === 'across' && (kind === 'coil' || kind === 'electronics'))
    for (const { label, width } of written) expect(label.length * LETTER).toBeLessThanOrEqual(width - 4)
    for (const [index, a] of loom.parts.entries())
      for (const b of loom.parts.slice(index + 1))
        expect(overlap(around('', a.x, a.y, a.width + AIR, a.height), around('', b.x, b.y, b.width, b.height))).toBe(false)
    const boxes = [
      ...loom.tags.map(({ point, x, y }) => around(`tag ${point} ${x}`, x, y, 2 * TAG, 2 * TAG)),
      ...loom.parts.map(({ id, x, y, width, height }) => around(id, x, y, width, height)),
    ]
    const clashes = boxes.flatMap((a, index) =>
      boxes
        .slice(index + 1)
        .filter((b) => overlap(a, b))
        .map((b) => `${a.name} over ${b.name}`),
    )
    expect(clashes).toEqual([])
  })

  it('runs no wire of another node through a part', () => {
    const clashes = loom.parts.flatMap((part) => {
      const box = around(part.id, part.x, part.y, part.width - 2, part.height - 2)
      return loom.lines
        .filter(({ net }) => !part.between.some((point) => point === net))
        .filter(({ corners }) =>
          corners.slice(1).some(([x, y], index) => {
            const [fromX, fromY] = corners[index]
            return overlap(box, {
              name: '',
              left: Math.min(x, fromX) - 0.6,
              right: Math.max(x, fromX) + 0.6,
              top: Math.min(y, fromY) - 0.6,
              bottom: Math.max(y, fromY) + 0.6,
            })
          }),
        )
        .map(({ net }) => `${net} through ${part.id}`)
    })
    expect(clashes).toEqual([])
  })

  it('has a spot for every terminal, every lead between parts and every metal cabinet', () => {
    const spots = new Set([...loom.tags, ...loom.leads, ...loom.rails].map(({ point }) => point))
    const wanted = system.places.flatMap((place) => probePoints(system, place.id)).filter((point) => parsePoint(point).cable === null)
    expect(wanted.filter((point) => !spots.has(point))).toEqual([])
  })

  it('draws every conductor from its own end to its other', () => {
    expect(loom.threads).toHaveLength(system.cables.flatMap(({ conductors }) => conductors).length)
    for (const { ends, conductor } of loom.threads) {
      expect(ends[0].x).toBeLessThan(ends[1].x)
      // A conductor that serves another letter at its far end goes from row to row.
      if (conductor.lands[0] === conductor.lands[1]) expect(ends[0].y).toBe(ends[1].y)
    }
  })
})

describe('layoutLoom', () => {
  it('hops a vertical wire over a row of another node', () => {
    const loom = layoutLoom(furnaceAc, { width: 832, height: 616 })
    const hops = loom.lines.filter(({ path }) => path.includes('a6 6'))
    expect(hops.length).toBeGreaterThan(0)
  })

  it('keeps one letter on one height through the house', () => {
    const loom = layoutLoom(furnaceAc, { width: 832, height: 616 })
    for (const letter of ['R', 'Y', 'C']) expect(new Set(loom.tags.filter((tag) => tag.letter === letter).map(({ y }) => y)).size).toBe(1)
  })
})

describe('chainsOf', () => {
  it('follows parts in series from their terminal to common', () => {
    const outdoor = placeById(furnaceAc, 'outdoor')
    if (!outdoor) throw new Error('no outdoor unit')
    expect(chainsOf(furnaceAc, outdoor, ['Y', 'C'])).toMatchObject([
      {
        from: 'Y',
        to: 'C',
        leads: ['high-low', 'low-contactor'],
        parts: [{ id: 'high-pressure' }, { id: 'low-pressure' }, { id: 'contactor' }],
      },
    ])
  })
})
