import { writeNetlist } from '@/src/core/circuit/netlist'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import { healthy } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { networkInState } from '@/src/core/readings/network-in-state'
import { templateValues } from '@/src/core/wiring/values'

/**
 * The circuit of a job as a SPICE deck, as a sound house of its kind would be on the bench after so many entries: live with the power on,
 * else with the ohmmeter's small source.
 *
 * @param upTo entries up to the moment that is asked for; all of them where left out
 */
export function benchNetlist({ job, system, entries }: Pick<JobFile, 'job' | 'system' | 'entries'>, upTo = entries.length): string {
  const { bench } = foldJob(system, entries.slice(0, upTo))
  const network = networkInState(createLaboratory(system, templateValues), bench, healthy)
  return writeNetlist(network, `${job.title.replace(/\s+/g, ' ')}: ${system.name}`, bench.power ? 'live' : 'ohms').deck
}
