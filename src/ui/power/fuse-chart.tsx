'use client'
import { Chart, Filler, Legend, LineController, LineElement, LogarithmicScale, PointElement, ScatterController } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import { Scatter } from 'react-chartjs-2'
import { unprotected } from '@/src/core/protection/gap'
import { secondsToLimit, type Winding } from '@/src/core/protection/transformer-heat'
import { openingBand } from '@/src/core/protection/trip-curve'
import { useThemeColours } from '@/src/ui/controls/use-theme-colours'
import { markAt } from '@/src/ui/power/mark'

Chart.register(ScatterController, LineController, LineElement, PointElement, LogarithmicScale, Filler, Legend, annotation)

const LEAST_S = 0.05
const MOST_S = 1000
const AMPS = Array.from({ length: 61 }, (_, step) => 2 * 10 ** (step / 60))

const sayTime = (seconds: number): string =>
  seconds >= 60 ? `${Math.round(seconds / 60)} min` : `${seconds < 1 ? seconds : Math.round(seconds)} s`

/** Opening time of the fuse against what the winding stands, both over current: log-log, the fuse as a band. */
export function FuseChart({ ratingA, winding, faultA }: { ratingA: number; winding: Winding; faultA: number | null }) {
  const colours = useThemeColours()
  const font = { family: 'Atkinson Hyperlegible Next Variable', size: 13 }
  const clamp = (seconds: number) => Math.min(MOST_S, Math.max(LEAST_S, seconds))
  const band = AMPS.flatMap((amps) => {
    const found = openingBand('fuse', ratingA, amps)
    return found ? [{ amps, ...found }] : []
  })
  const limit = AMPS.flatMap((amps) => {
    const seconds = secondsToLimit(winding, amps)
    return seconds === null ? [] : [{ x: amps, y: clamp(seconds) }]
  })
  return (
    <figure>
      <figcaption className="mb-1 font-bold">Does a {ratingA} A fuse protect this transformer?</figcaption>
      <div className="h-56">
        {colours && (
          <Scatter
            role="img"
            aria-label={sayProtection(ratingA, winding, faultA)}
            data={{
              datasets: [
                {
                  label: `${ratingA} A fuse opens`,
                  data: band.map(({ amps, longestS }) => ({ x: amps, y: clamp(longestS) })),
                  showLine: true,
                  pointRadius: 0,
                  borderColor: colours.hold,
                  backgroundColor: `${colours.hold}44`,
                  fill: '+1',
                },
                {
                  label: 'fastest',
                  data: band.map(({ amps, shortestS }) => ({ x: amps, y: clamp(shortestS) })),
                  showLine: true,
                  pointRadius: 0,
                  borderColor: colours.hold,
                  fill: false,
                },
                {
                  label: 'winding limit',
                  data: limit,
                  showLine: true,
                  pointRadius: 0,
                  borderColor: colours.ember,
                  borderDash: [8, 4],
                  borderWidth: 3,
                  fill: false,
                },
              ],
            }}
            options={{
              animation: false,
              maintainAspectRatio: false,
              plugins: {
                legend: { labels: { color: colours.ink, font, boxWidth: 22, filter: ({ text }) => text !== 'fastest' } },
                annotation: {
                  annotations:
                    faultA === null
                      ? {}
                      : {
                          fault: markAt('x', faultA, `short: ${faultA.toFixed(1)} A`, 'end', colours, font),
                        },
                },
              },
              scales: {
                x: {
                  type: 'logarithmic',
                  min: 2,
                  max: 20,
                  title: { display: true, text: 'A', color: colours.muted },
                  grid: { color: colours.line },
                  ticks: { color: colours.muted, font, callback: (value) => ([2, 3, 5, 8, 12, 20].includes(Number(value)) ? value : '') },
                },
                y: {
                  type: 'logarithmic',
                  min: LEAST_S,
                  max: MOST_S,
                  grid: { color: colours.line },
                  ticks: {
                    color: colours.muted,
                    font,
                    callback: (value) => ([0.1, 1, 10, 100].includes(Number(value)) ? sayTime(Number(value)) : ''),
                  },
                },
              },
            }}
          />
        )}
      </div>
      <p className="text-muted text-small">
        {sayProtection(ratingA, winding, faultA)} {sayRatings(winding)}
      </p>
    </figure>
  )
}

/** The two fuses that boards are sold with, side by side on this transformer. */
const RATINGS_A = [3, 5] as const

function sayRatings(winding: Winding): string {
  const said = RATINGS_A.map((ratingA) => {
    const gap = unprotected('fuse', ratingA, winding)
    return gap
      ? `a ${ratingA} A fuse does not protect it between ${gap.fromA.toFixed(1)} and ${gap.toA.toFixed(1)} A`
      : `a ${ratingA} A fuse opens in time at every current`
  })
  return `This ${winding.va} VA winding: ${said.join('; ')}. Fit what the label says, never more.`
}

function sayProtection(ratingA: number, winding: Winding, faultA: number | null): string {
  if (faultA === null) return 'No leading suspect draws more than the fuse carries.'
  const band = openingBand('fuse', ratingA, faultA)
  const limit = secondsToLimit(winding, faultA)
  const opens = band
    ? `opens a ${ratingA} A fuse in ${sayTime(Number(band.shortestS.toPrecision(1)))} to ${sayTime(Number(band.longestS.toPrecision(1)))}`
    : `never opens a ${ratingA} A fuse`
  return `The leading suspect draws ${faultA.toFixed(1)} A: it ${opens}; the winding ${limit === null ? 'carries it continuously' : `would last about ${sayTime(limit)}`}.`
}
