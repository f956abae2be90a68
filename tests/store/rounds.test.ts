import { frozenRounds, killRounds, powerCutRounds } from '@/tests/store/rounds'

/** Short versions; `npm run harm` does a thousand. */
const harmless = { lost: 0, doubled: 0, unopened: 0, problems: [] }

describe('the store', () => {
  it('keeps every acknowledged entry through kill -9 under parallel writes @long', async () => {
    const outcome = await killRounds(4, 14)
    expect(outcome).toMatchObject(harmless)
    expect(outcome.acknowledged).toBeGreaterThan(4)
  }, 300_000)

  it('keeps every acknowledged entry when its files go back to an older state and the journal is torn @long', async () => {
    const outcome = await powerCutRounds(3, 15)
    expect(outcome).toMatchObject(harmless)
    expect(outcome.acknowledged).toBeGreaterThan(10)
  }, 300_000)

  it('is opened by nobody while a frozen server holds it @long', async () => {
    expect(await frozenRounds(1, 16)).toMatchObject(harmless)
  }, 300_000)
})
