import type { readQuickLine } from '@/src/core/quick-line/read-line'
import { parsePoint } from '@/src/core/wiring/point'
import { standing } from '@/tests/setup/standing'

/** Things that can be said of either end of a cable, and where they are said to be. */
const saidOf = (cable: string) => ({
  on: [
    'Y to C 24.6',
    'Y-C 24.6',
    '24.6 from Y to C',
    '24.6 between Y and C',
    '24.6 across Y and C',
    'Y 24.6',
    '24.6 on Y',
    'no volts at Y',
    'Y dead',
    'Y is hot',
    'jumper R to Y',
    'jumped R and Y',
    'R/C 26, Y/C 25',
  ],
  off: [
    `lift ${cable} Y`,
    `lifted the ${cable} Y`,
    `pulled ${cable} Y`,
    `unhooked ${cable} Y and C`,
    `took the ${cable} cable off`,
    `lift ${cable} cable`,
    `disconnected the ${cable} cable`,
    'Y to C 14.2',
    'Y-gnd OL',
    'Y to ground open',
    '0.4 from Y to ground',
    'continuity Y to C',
    'Y and C shorted',
  ],
})
const PLACES = {
  outdoor: ['at the condenser', 'outside', 'at the outdoor unit', 'at the heat pump', 'outdoors'],
  indoor: ['at the air handler', 'inside', 'at the indoor unit', 'indoors'],
  thermostat: ['at the stat', 'at the thermostat', 'at the tstat'],
}

describe('what is said to be at a place is entered there, or asked after', () => {
  for (const power of ['on', 'off'] as const)
    for (const [cable, stands, other] of [
      ['outdoor', 'indoor', 'outdoor'],
      ['outdoor', 'outdoor', 'indoor'],
      ['stat', 'indoor', 'thermostat'],
      ['stat', 'thermostat', 'indoor'],
    ] as const)
      it(`of the ${cable} cable, standing at the ${stands} end, the power ${power}`, () => {
        const read = standing('heat-pump-o', stands, power)
        const elsewhere: string[] = []
        let entered = 0
        for (const said of saidOf(cable)[power])
          for (const place of [stands, other])
            for (const where of PLACES[place])
              for (const line of [`${said} ${where}`, `${where}, ${said}`]) {
                const heard: ReturnType<typeof readQuickLine> = read(line)
                if (!heard.ok) continue
                entered++
                const points = heard.drafts.flatMap((draft) => {
                  if (draft.kind === 'reading') return 'a' in draft.probe ? [draft.probe.a, draft.probe.b] : []
                  if (draft.kind !== 'bench') return []
                  const { change } = draft
                  return change.do === 'lift' || change.do === 'land' ? [change.end] : change.do === 'jumper' ? [change.a, change.b] : []
                })
                if (points.length === 0 || points.some((point) => parsePoint(point).place !== place))
                  elsewhere.push(`${line} => ${heard.say}`)
              }
        expect(elsewhere).toEqual([])
        expect(entered).toBeGreaterThan(80)
      })
})
