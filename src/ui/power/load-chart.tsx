'use client'
import { BarController, BarElement, CategoryScale, Chart, LinearScale } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import { Bar } from 'react-chartjs-2'
import type { CallLoad } from '@/src/core/advice/forecast'
import { sayCall } from '@/src/core/wiring/call'
import { useThemeColours } from '@/src/ui/controls/use-theme-colours'
import { markAt } from '@/src/ui/power/mark'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, annotation)

const say = (call: CallLoad['call']): string => (call === 'idle' ? 'idle' : sayCall[call])

/** What each call draws from the transformer, against the figure on its plate. */
export function LoadChart({ loads, plateVa }: { loads: readonly CallLoad[]; plateVa: number }) {
  const colours = useThemeColours()
  const font = { family: 'Atkinson Hyperlegible Next Variable', size: 13 }
  return (
    <figure>
      <figcaption className="mb-1 font-bold">What each call draws from the transformer</figcaption>
      <div className="h-56">
        {colours && (
          <Bar
            role="img"
            aria-label={`${loads.map(({ call, voltAmperes }) => `${say(call)} ${voltAmperes.toFixed(1)} VA`).join(', ')}; the plate says ${plateVa} VA`}
            data={{
              labels: loads.map(({ call, voltAmperes }) => `${say(call)}, ${voltAmperes.toFixed(1)} VA`),
              datasets: [
                {
                  data: loads.map(({ voltAmperes }) => voltAmperes),
                  backgroundColor: loads.map(({ voltAmperes }) => (voltAmperes > plateVa ? colours.ember : colours.hold)),
                  barThickness: 20,
                },
              ],
            }}
            options={{
              indexAxis: 'y',
              animation: false,
              maintainAspectRatio: false,
              plugins: {
                legend: { display: false },
                annotation: {
                  annotations: {
                    plate: markAt('x', plateVa, `${plateVa} VA plate`, 'start', colours, font),
                  },
                },
              },
              scales: {
                x: {
                  min: 0,
                  max: Math.ceil((plateVa * 1.15) / 10) * 10,
                  grid: { color: colours.line },
                  ticks: { color: colours.muted, font },
                },
                y: { grid: { display: false }, ticks: { color: colours.ink, font } },
              },
            }}
          />
        )}
      </div>
    </figure>
  )
}
