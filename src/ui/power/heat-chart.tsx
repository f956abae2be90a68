'use client'
import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, ScatterController } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import { Scatter } from 'react-chartjs-2'
import type { WindingLoad } from '@/src/core/advice/forecast'
import { LIMIT_C, secondsToLimit, type Winding, windingTemperatureC } from '@/src/core/protection/transformer-heat'
import { sayPercent } from '@/src/core/units/quantity'
import { useThemeColours } from '@/src/ui/controls/use-theme-colours'
import { markAt } from '@/src/ui/power/mark'

Chart.register(ScatterController, LineController, LineElement, PointElement, LinearScale, Legend, annotation)

const MINUTES = 20
const MOST_C = 200
const STEPS = 80

/** How warm the winding gets on the bench as it stands: in a sound house and under each leading suspect, while the protection holds. */
export function HeatChart({ loads, winding, isLive }: { loads: readonly WindingLoad[]; winding: Winding; isLive: boolean }) {
  const colours = useThemeColours()
  const font = { family: 'Atkinson Hyperlegible Next Variable', size: 13 }
  const dashes = [[], [8, 4], [3, 3], [12, 3, 3, 3]]
  const curves = distinct(loads).map((load, index) => ({
    label: load.id === 'nothing-wrong' ? `sound, ${load.amps.toFixed(1)} A` : `${index + 1}. ${load.amps.toFixed(1)} A`,
    data: Array.from({ length: STEPS + 1 }, (_, step) => {
      const minutes = (MINUTES * step) / STEPS
      return { x: minutes, y: Math.min(MOST_C, windingTemperatureC(winding, load.amps, 60 * minutes)) }
    }),
    showLine: true,
    pointRadius: 0,
    borderWidth: 3,
    borderColor: colours ? (load.id === 'nothing-wrong' ? colours.hold : colours.ember) : undefined,
    borderDash: dashes[index % dashes.length],
  }))
  return (
    <figure>
      <figcaption className="mb-1 font-bold">How hot the winding gets, with the bench as it is</figcaption>
      <div className="h-56">
        {colours && (
          <Scatter
            role="img"
            aria-label={distinct(loads)
              .map((load) => sayHeat(load, winding))
              .join('. ')}
            data={{ datasets: curves }}
            options={{
              animation: false,
              maintainAspectRatio: false,
              plugins: {
                legend: { labels: { color: colours.ink, font, boxWidth: 28 } },
                annotation: {
                  annotations: {
                    limit: markAt('y', LIMIT_C, `insulation limit ${LIMIT_C} °C`, 'end', colours, font),
                  },
                },
              },
              scales: {
                x: {
                  min: 0,
                  max: MINUTES,
                  title: { display: true, text: 'minutes', color: colours.muted },
                  grid: { color: colours.line },
                  ticks: { color: colours.muted, font },
                },
                y: {
                  min: 40,
                  max: MOST_C,
                  grid: { color: colours.line },
                  ticks: { color: colours.muted, font, callback: (value) => `${value} °C` },
                },
              },
            }}
          />
        )}
      </div>
      {isLive ? (
        <ol className="list-inside list-decimal text-muted text-small">
          {distinct(loads).map((load) => (
            <li key={load.id}>{sayHeat(load, winding)}.</li>
          ))}
        </ol>
      ) : (
        <p className="text-muted text-small">The power is off: it cools.</p>
      )}
    </figure>
  )
}

/** Currents closer than this are one curve: assumption, the width of a line. */
const ALIKE_A = 0.6

/** Suspects under which the winding carries about the same are one curve; those that do not warm it are left out. */
function distinct(loads: readonly WindingLoad[]): WindingLoad[] {
  return loads.filter(
    (load, index) =>
      load.id === 'nothing-wrong' ||
      ((loads.find(({ id }) => id === 'nothing-wrong')?.amps ?? 0) + ALIKE_A / 2 < load.amps &&
        !loads.some((other, at) => at < index && other.id !== 'nothing-wrong' && Math.abs(other.amps - load.amps) < ALIKE_A)),
  )
}

function sayHeat({ id, say, amps, probability }: WindingLoad, winding: Winding): string {
  const limit = secondsToLimit(winding, amps)
  const who = id === 'nothing-wrong' ? 'Sound' : `${say} (${sayPercent(probability)})`
  const lasts =
    limit === null
      ? 'safe continuously'
      : limit < 90
        ? `burned out in ${Math.round(limit)} s`
        : `burned out in ${Math.round(limit / 60)} min`
  return `${who}: ${amps.toFixed(1)} A, ${lasts}`
}
