import type { JobSummary } from '@/src/core/job/job-summary'

const SHOWN_FROM = 0.05

/** A job's suspicion as one block a zone, so that a callback is recognised before it is read. Empty where nobody has weighed it yet. */
export function ZoneBlocks({ zones }: { zones: JobSummary['zones'] }) {
  return (
    <span className="flex min-h-9 gap-1">
      {zones.map(({ id, name, kind, share: weighed }) => {
        const share = weighed ?? 0
        const isSuspect = share >= SHOWN_FROM
        return (
          <svg
            key={id}
            viewBox={kind === 'place' ? '0 0 56 34' : '0 0 36 34'}
            className={kind === 'place' ? 'h-[2.1rem] w-14' : 'h-[2.1rem] w-9'}
            role="img"
            aria-label={weighed === null ? `${name}: not calculated yet` : `${name}: ${Math.round(share * 100)} %`}
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
