import { shareOf } from '@/src/core/practice/exam'
import { catalogue } from '@/src/core/wiring/systems/catalogue'
import type { IndependentSitting } from '@/tests/independent/sitting'

/** Shares of all houses, but `soundTold` and `soundChecks`, which are of the sound ones. */
export interface Summary {
  readonly houses: number
  readonly right: number
  readonly rightOrGroup: number
  readonly wrong: number
  readonly wrongWhileCertain: number
  readonly soundHouses: number
  readonly soundTold: number | null
  readonly soundCondemned: number
  readonly soundChecks: number | null
  readonly transformersLost: number
  readonly withoutEnding: number
  readonly checks: number
  readonly minutes: number
  readonly claimed90: { readonly of: number; readonly right: number }
}

const CERTAIN = 0.95

export function summarise(sittings: readonly IndependentSitting[]): Summary {
  const of = sittings.length
  const share = (count: number) => Number((count / Math.max(1, of)).toFixed(4))
  const count = (is: (one: IndependentSitting) => boolean) => sittings.filter(is).length
  const mean = (some: readonly IndependentSitting[], value: (one: IndependentSitting) => number) =>
    some.length === 0 ? null : Number((some.reduce((sum, one) => sum + value(one), 0) / some.length).toFixed(2))
  const sound = sittings.filter(({ from }) => from === 'sound')
  const claims = sittings.filter(({ outcome, claimed }) => outcome !== 'no ending' && claimed >= 0.85 && claimed < CERTAIN)
  return {
    houses: of,
    right: share(count(({ outcome }) => outcome === 'right')),
    rightOrGroup: share(count(({ outcome }) => outcome === 'right' || outcome === 'group')),
    wrong: share(count(({ outcome }) => outcome === 'wrong')),
    wrongWhileCertain: share(count(({ outcome, claimed }) => outcome === 'wrong' && claimed >= CERTAIN)),
    soundHouses: sound.length,
    soundTold: mean(sound, ({ outcome }) => Number(outcome === 'right')),
    soundCondemned: share(sound.filter(({ outcome }) => outcome === 'wrong').length),
    soundChecks: mean(sound, ({ checks }) => checks),
    transformersLost: share(count(({ cooked }) => cooked > 0)),
    withoutEnding: share(count(({ outcome }) => outcome === 'no ending')),
    checks: mean(sittings, ({ checks }) => checks) ?? 0,
    minutes: mean(sittings, ({ minutes }) => minutes) ?? 0,
    claimed90: { of: claims.length, right: claims.filter(({ outcome }) => outcome === 'right').length },
  }
}

/** What is told apart: a trouble that shows on no call is one that nobody would call for. */
export const partsOf = (sittings: readonly IndependentSitting[]) => ({
  'a fault of the catalogue that shows': sittings.filter(({ from, shows }) => from === 'catalogue' && shows),
  'a structure drawn from no catalogue that shows': sittings.filter(({ from, shows }) => from === 'elsewhere' && shows),
  'trouble that shows on no call': sittings.filter(({ from, shows }) => from !== 'sound' && !shows),
  'nothing wrong': sittings.filter(({ from }) => from === 'sound'),
})

const percent = (value: number | null) => (value === null ? '' : `${(100 * value).toFixed(1)} %`)

function row(name: string, one: Summary): string {
  const { low, high } = shareOf(Math.round(one.right * one.houses), one.houses)
  return `| ${name} | ${one.houses} | ${percent(one.right)} | ${percent(low)}-${percent(high)} | ${percent(one.rightOrGroup)} | ${percent(one.wrongWhileCertain)} | ${one.soundHouses === 0 ? '' : `${percent(one.soundTold)} of ${one.soundHouses}`} | ${percent(one.soundCondemned)} | ${percent(one.transformersLost)} | ${percent(one.withoutEnding)} | ${one.checks.toFixed(1)} | ${one.minutes.toFixed(1)} |`
}

/** The figures as a page. */
export function pageOf(sittings: readonly IndependentSitting[], seed: number): string {
  const head =
    '| | houses | right | 95 % interval | right or a group at the place | wrong while claiming 95 % | sound told | sound condemned | transformers lost | no ending | checks | minutes |\n| --- | ---: | ---: | --- | ---: | ---: | --- | ---: | ---: | ---: | ---: | ---: |'
  const all = summarise(sittings)
  return [
    '# The independent exam',
    '',
    `${all.houses} houses (seed ${seed}) that the engine's own model knows nothing of: circuits solved by Debian's simulator, parts as they are sold, delays, hold-up, fuses and windings in real time, one house of four wired otherwise, one look in fifty and one reading in a hundred wrong, one trouble in five of a structure that was drawn from no catalogue, and few that show on no call, since nobody calls for those ([tests/independent](../../tests/independent/README.md)). Made by \`npm run exam:independent -- --houses N --seed S --out docs/measurements/independent.json\`.`,
    '',
    head,
    row('all', all),
    ...Object.entries(partsOf(sittings)).map(([name, some]) => row(name, summarise(some))),
    '',
    head,
    ...catalogue.map(({ id, name }) => row(name, summarise(sittings.filter(({ system }) => system === id)))),
    '',
    `Of ${all.claimed90.of} verdicts that claimed 85 to 95 %, ${all.claimed90.right} were right.`,
    '',
  ].join('\n')
}
