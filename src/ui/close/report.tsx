import type { ReactNode } from 'react'
import type { PageFacts } from '@/src/core/formats/page/page-facts'
import { sayVisit } from '@/src/core/formats/page/visit-times'
import { useIsHydrated } from '@/src/ui/controls/use-is-hydrated'
import { Picture } from '@/src/ui/photos/picture'

/** The page that stays, on the screen and on the printer: what the PDF says, in the same order. */
export function Report({ facts }: { facts: PageFacts }) {
  const isHydrated = useIsHydrated()
  return (
    <article className="flex flex-col gap-3">
      <header>
        <h3 className="font-bold text-large">{facts.title}</h3>
        <p>
          {facts.system} · {isHydrated && sayVisit(facts.when)}
        </p>
        <p className="mt-1 font-bold">{facts.summary}</p>
      </header>
      <Section title="Complaint">{facts.complaint}</Section>
      <Section title="As found">{facts.asFound.join(' · ') || 'Nothing on record from before the repair.'}</Section>
      <section>
        <h4 className="font-bold">Measured</h4>
        {facts.measured.length > 0 && (
          <table className="w-full text-left">
            <thead>
              <tr className="border-line border-b-2">
                <th scope="col">check</th>
                <th scope="col">with</th>
                <th scope="col">read</th>
                <th scope="col">expected</th>
              </tr>
            </thead>
            <tbody>
              {facts.measured.map((row, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: rows of a page stay where they are, and two may read alike
                <tr key={index} className="border-line border-b align-top">
                  <td className="py-1 pr-2">{row.check}</td>
                  <td className="py-1 pr-2">{row.with}</td>
                  <td className={`py-1 pr-2 ${row.isOff ? 'font-bold' : ''}`}>
                    {figuresTogether(row.read)}
                    {row.isOff && <span title="not as expected"> !</span>}
                  </td>
                  <td className="py-1">{figuresTogether(row.sound)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="pt-1">
          {facts.trips}.{facts.further > 0 && ` ${facts.further} further readings are in the job file.`}
        </p>
      </section>
      <Section title="Done">
        {facts.done.length > 0 ? facts.done.map((done) => <p key={done}>{done}</p>) : 'No repair is on record.'}
      </Section>
      {facts.offered.length > 0 && (
        <Section title="Offered">
          {facts.offered.map((one) => (
            <p key={one}>{one}</p>
          ))}
        </Section>
      )}
      {facts.moved.length > 0 && <Section title="Wiring now">{facts.moved.join(' ')}</Section>}
      <Section title="Tested">
        {facts.tested
          .map(({ mode, motors, amps, volts, air, result }) => {
            const read = [amps, volts, air, ...motors].filter((one) => one !== '–').join(', ')
            return `${mode}: ${result}${read ? ` (${read})` : ''}`
          })
          .join('; ')}
        .{facts.cycled && ` ${facts.cycled}`}
      </Section>
      {facts.unfinished && <Section title="Left unfinished">{facts.unfinished}</Section>}
      <Section title="Left behind">{facts.leftBehind}</Section>
      {facts.photos.length > 0 && (
        <Section title="Photos">
          <ul className="flex flex-wrap gap-2">
            {facts.photos.map(({ digest, of }) => (
              <li key={digest} className="w-40">
                <Picture digest={digest} of={of} className="h-28 w-full" />
                {of}
              </li>
            ))}
          </ul>
        </Section>
      )}
      {facts.notes.length > 0 && (
        <Section title="Notes">
          {facts.notes.map((note) => (
            <p key={note}>{note}</p>
          ))}
        </Section>
      )}
    </article>
  )
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h4 className="font-bold">{title}</h4>
      <div>{children}</div>
    </section>
  )
}

/** A figure does not break from its unit where a column is narrow. */
const figuresTogether = (text: string): string => text.replace(/(?<=\d) (?=[a-zµ])/gi, '\u00a0')
