import { sayLines } from '@/tests/lines/corpus'
import { hearAll } from '@/tests/lines/measure'

describe('a thousand lines put together from parts of speech', () => {
  it('are the same ones for one seed, and others for another', () => {
    expect(sayLines(40, 5)).toEqual(sayLines(40, 5))
    expect(sayLines(40, 5)).not.toEqual(sayLines(40, 6))
    expect(new Set(sayLines(1000, 5).map(({ said }) => said)).size).toBeGreaterThan(400)
  })

  it('are understood but for three in a hundred, and hardly ever wrongly', () => {
    const { all, understood, wrongly } = hearAll(1000, 5)
    const missed = all.filter(({ outcome }) => outcome !== 'understood').map(({ said, as }) => `${said}: ${as}`)
    expect({ missed: missed.slice(0, 30), enough: understood >= 0.97, wrongly: wrongly <= 0.01 }).toMatchObject({
      enough: true,
      wrongly: true,
    })
  })
})
