import type { Bench } from '@/src/core/bench/bench'
import { isWarm, USUAL_SINCE } from '@/src/core/bench/since'
import { INTERMITTENT_SHOWS, WARM_SHOWS } from '@/src/core/faults/rates'
import type { Probe } from '@/src/core/readings/check'
import { isFromTheCallOn } from '@/src/core/readings/clock-after'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { parseLook } from '@/src/core/readings/look-target'
import { type Component, isAlike, type Prediction } from '@/src/core/readings/prediction'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { terminalPoint } from '@/src/core/wiring/point'
import { partsOf, type System } from '@/src/core/wiring/system'

/** Faults that come and go: how often they are there, and what a reading shows then. */

/** What a fault that comes and goes makes of a reading: what it shows, or what is there while it hides. */
export const nowAndThen = (shown: Prediction, hidden: Prediction, shows: number): Prediction =>
  isAlike(shown, hidden) ? hidden : [...weighed(shown, shows, 'shown'), ...weighed(hidden, 1 - shows, 'hidden')]

/**
 * How likely a fault is there on a bench: always, but for what comes and goes. What opens with the heat needs a call that has been on, and
 * who watches the burners makes the call anew for it; a delay ends within its minutes.
 */
export function showsOn(
  system: System,
  { intermittent, warms, fault }: Hypothesis,
  { power, call, since = USUAL_SINCE }: Bench,
  probe?: Probe,
): number {
  if (fault?.family === 'delay-running') return power && call !== 'off' ? DELAY_STILL_RUNS[since.call] : 1
  if (!intermittent) return 1
  if (!warms) return INTERMITTENT_SHOWS
  if (!power || call === 'off') return WARM_SHOWS.moment
  const [anew, leftOn] = [WARM_SHOWS[USUAL_SINCE.call], WARM_SHOWS[since.call]]
  if (!probe || !isWarm(since)) return leftOn
  if (isFromTheCallOn(probe)) return anew
  return isOnTrial(system, probe) ? (anew + leftOn) / 2 : leftOn
}

/** Volts at what an ignition control lights and opens, and a look at it: some make the call anew to see its trial, and do not say so. */
const isOnTrial = (system: System, probe: Probe): boolean =>
  (probe.meter === 'volts' ? [probe.a, probe.b] : probe.meter === 'look' ? [probe.at] : []).some((at) => onTrialOf.of(system).has(at))
const onTrialOf = new Memo(
  (system: System): ReadonlySet<string> =>
    new Set(
      partsOf(system, 'board').flatMap(({ id, ignites, place }) =>
        ignites ? [id, ignites.igniter, ignites.valve, terminalPoint(ignites.by, place), terminalPoint(ignites.opens, place)] : [],
      ),
    ),
)

/** What opens with the heat opens while the burners are watched: they light and go out again, and their current was good as long as they burned. */
export function seenToOpen({ warms }: Hypothesis, probe: Probe, shown: Prediction, hidden: Prediction): Prediction {
  if (!warms || !isFromTheCallOn(probe) || probe.meter !== 'look') return shown
  const isFlame = parseLook(probe.at).what === 'flame'
  const burns = isFlame ? 'burns' : 'good'
  if (!isMostly(hidden, burns) || isMostly(shown, burns)) return shown
  return isFlame ? FLAME_GOES_OUT : WAS_GOOD
}
const isMostly = (prediction: Prediction, word: string): boolean =>
  prediction.some(({ at, weight }) => typeof at === 'object' && at.word === word && weight > 1 / 2)

/** Cooled down since the call before it lights; still warm it gives no fire at all. */
const COOLED = modelValue({ value: 0.85, unit: 'share', source: 'assumption' })
const saidSo = (word: string, weight: number): Component => ({ at: { word }, weight, sigma: 1, floating: false })
const FLAME_GOES_OUT: Prediction = [
  saidSo('lights and goes out', COOLED),
  saidSo('no glow', (1 - COOLED) / 2),
  saidSo('glows without flame', (1 - COOLED) / 2),
]
const WAS_GOOD: Prediction = [saidSo('good', COOLED), saidSo('low', 1 - COOLED)]

/** A delay that still runs once the call has been on for so long: those of compressors are of up to five minutes. */
const DELAY_STILL_RUNS = modelValue({
  value: { moment: 1, minute: 1, minutes: 0.3, long: 0.01 } as const,
  unit: 'share',
  source: 'assumption',
})

const weighed = (prediction: Prediction, share: number, moment: Component['while']): Prediction =>
  prediction.map((component) => ({ ...component, weight: component.weight * share, while: moment }))
