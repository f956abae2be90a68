'use client'
import { useEffect, useState } from 'react'
import { type MeterEvent, type MeterReads, meterEventSchema } from '@/src/core/formats/meter-form'
import type { Probe } from '@/src/core/readings/check'

export interface MeterFeed {
  readonly name: string | null
  readonly isSimulated: boolean
  /** The last readings, the newest last. */
  readonly values: readonly (number | 'OL')[]
  readonly problem: string | null
}

const SILENT: MeterFeed = { name: null, isSimulated: false, values: [], problem: null }

/** Readings that are kept: half a minute of them. */
const MOST_VALUES = 75

/** What the meter at an address reads while it is looked at; nothing without an address. */
export function useMeter(address: string | null, reads: MeterReads, jobId: string, probe: Probe): MeterFeed {
  const [feed, setFeed] = useState(SILENT)
  const leads = JSON.stringify(probe)
  useEffect(() => {
    setFeed(SILENT)
    if (address === null) return
    const query = new URLSearchParams({ address, reads, job: jobId, probe: leads })
    const source = new EventSource(`/api/v1/meter?${query}`)
    source.onmessage = ({ data }) => {
      const event = meterEventSchema.safeParse(JSON.parse(data))
      if (!event.success) return
      setFeed((before) => after(before, event.data))
      if (event.data.kind === 'problem') source.close()
    }
    source.onerror = () => {
      // It would ask again for ever what was refused.
      source.close()
      setFeed((before) => ({
        ...before,
        problem: before.problem ?? 'The server does not answer, or refuses this address. Type it as in 192.168.1.40.',
      }))
    }
    return () => source.close()
  }, [address, reads, jobId, leads])
  return feed
}

function after(feed: MeterFeed, event: MeterEvent): MeterFeed {
  switch (event.kind) {
    case 'named':
      return { ...feed, name: event.name, isSimulated: event.isSimulated }
    case 'value':
      return { ...feed, values: [...feed.values, event.value].slice(-MOST_VALUES) }
    case 'problem':
      return { ...feed, problem: event.say }
  }
}
