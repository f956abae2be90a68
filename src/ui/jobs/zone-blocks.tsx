'use client'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { foldJob } from '@/src/core/job/fold'
import { zonesOf } from '@/src/core/wiring/system'
import { api } from '@/src/ui/device/api-client'
import { diagnosisWorker } from '@/src/ui/engine/engine-client'

const SHOWN_FROM = 0.05

/** Jobs wait in line for their blocks: a desk that is opened meanwhile waits for one of them at the most, and those that are gone are passed over. */
let line: Promise<unknown> = Promise.resolve()

/** A job's suspicion as one block a zone, so that a callback is recognised before it is read. */
export function ZoneBlocks({ jobId }: { jobId: string }) {
  const { data: job } = useQuery({ queryKey: ['job', jobId], queryFn: () => api.readJob(jobId), staleTime: 60_000 })
  const [shares, setShares] = useState<ReadonlyMap<string, number> | null>(null)
  useEffect(() => {
    if (!job) return
    const repaired = foldJob(job.system, job.entries).repairs.at(-1)
    if (repaired) {
      setShares(new Map([[repaired.zone, 1]]))
      return
    }
    let isCurrent = true
    const ask = async () => {
      if (!isCurrent) return
      const worker = await diagnosisWorker()
      const { zones } = await worker.advise({ system: job.system, entries: job.entries })
      if (isCurrent) setShares(new Map(zones.map(({ id, probability }) => [id, probability])))
    }
    // The list is complete without the blocks; the desk tells what is wrong with the worker.
    line = line.then(ask).catch(() => undefined)
    return () => {
      isCurrent = false
    }
  }, [job])
  const zones = job ? zonesOf(job.system) : []
  return (
    <span className="flex min-h-9 gap-1">
      {zones.map(({ id, name, kind }) => {
        const share = shares?.get(id) ?? 0
        const isSuspect = share >= SHOWN_FROM
        return (
          <svg
            key={id}
            viewBox={kind === 'place' ? '0 0 56 34' : '0 0 36 34'}
            className={kind === 'place' ? 'h-[2.1rem] w-14' : 'h-[2.1rem] w-9'}
            role="img"
            aria-label={`${name}: ${Math.round(share * 100)} percent`}
          >
            <rect
              x="1"
              y="1"
              width={kind === 'place' ? 54 : 34}
              height="32"
              rx="3"
              fill="var(--panel)"
              stroke={isSuspect ? 'var(--ember)' : 'var(--line)'}
              strokeWidth="2"
            />
            {isSuspect && (
              <>
                <g stroke="var(--ember)" strokeWidth="3" opacity={0.25 + 0.4 * share}>
                  {[0, 10, 20, 30, 40, 50].map((x) =>
                    x > (kind === 'place' ? 52 : 32) ? null : (
                      <line key={x} x1={x + 2} y1="32" x2={Math.min(x + 14, kind === 'place' ? 54 : 34)} y2="2" />
                    ),
                  )}
                </g>
                <text
                  x={kind === 'place' ? 28 : 18}
                  y="22"
                  textAnchor="middle"
                  fontSize="14"
                  fontWeight="700"
                  fill="var(--ink)"
                  stroke="var(--panel)"
                  strokeWidth="4"
                  paintOrder="stroke"
                >
                  {Math.round(share * 100)}
                </text>
              </>
            )}
          </svg>
        )
      })}
    </span>
  )
}
