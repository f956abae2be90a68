'use client'
import { CategoryScale, Chart, LinearScale, LineController, LineElement, PointElement } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import { Line } from 'react-chartjs-2'
import type { MeterReads } from '@/src/core/formats/meter-form'
import { useThemeColours } from '@/src/ui/controls/use-theme-colours'

Chart.register(LineController, LineElement, PointElement, CategoryScale, LinearScale, annotation)

const units: Record<MeterReads, string> = { volts: 'V', ohms: 'ohm', amps: 'A' }

/** The last half minute of readings against the band that a sound house would read in. */
export function MeterChart({
  values,
  reads,
  sound,
}: {
  values: readonly (number | 'OL')[]
  reads: MeterReads
  sound: { readonly low: number; readonly high: number } | null
}) {
  const colours = useThemeColours()
  const numbers = values.map((value) => (value === 'OL' ? null : value))
  const band = sound
    ? `a sound house reads ${sound.low.toPrecision(3)} to ${sound.high.toPrecision(3)} ${units[reads]}`
    : 'no band is known here'
  if (!colours) return null
  return (
    <figure>
      <div className="h-24">
        <Line
          role="img"
          aria-label={`the last ${values.length} readings in ${units[reads]}; ${band}`}
          data={{
            labels: numbers.map((_, at) => at),
            datasets: [{ data: numbers, borderColor: colours.next, borderWidth: 2, pointRadius: 0 }],
          }}
          options={{
            animation: false,
            maintainAspectRatio: false,
            plugins: {
              legend: { display: false },
              tooltip: { enabled: false },
              annotation: {
                annotations: sound
                  ? { band: { type: 'box', yMin: sound.low, yMax: sound.high, backgroundColor: `${colours.hold}33`, borderWidth: 0 } }
                  : {},
              },
            },
            scales: {
              x: { display: false },
              y: {
                grid: { color: colours.line },
                ticks: { color: colours.muted, maxTicksLimit: 4 },
                min: 0,
                grace: '10%',
                ...(sound && { suggestedMin: sound.low, suggestedMax: sound.high }),
              },
            },
          }}
        />
      </div>
      <figcaption className="text-muted text-small">{band}</figcaption>
    </figure>
  )
}
