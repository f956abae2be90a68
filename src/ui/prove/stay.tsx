import { sayCountdown } from '@/src/core/units/quantity'
import { useSeconds } from '@/src/ui/controls/use-seconds'

/** How long a house is watched once every mode held: the trade's own twenty minutes. */
const STAY_MS = 20 * 60_000

/** The minutes that a technician stays before the van leaves, by the clock, and what to do in them. */
export function Stay({ sinceMs }: { sinceMs: number }) {
  const nowMs = useSeconds(true)
  if (nowMs === null) return null
  const left = Math.ceil((sinceMs + STAY_MS - nowMs) / 1000)
  if (left <= 0) return <p className="mb-2 text-hold">Watched for twenty minutes since the last mode held.</p>
  return (
    <section className="mb-2" aria-label="the stay">
      <p>
        Stay <b role="timer">{sayCountdown(left)}</b> more: what comes back mostly does so while it is warm.
      </p>
      <ul className="list-disc pl-5 text-small">
        <li>Every mode once more, from the thermostat.</li>
        <li>Move the harness and the wires that you touched.</li>
        <li>Panels on, and run it closed.</li>
      </ul>
    </section>
  )
}
