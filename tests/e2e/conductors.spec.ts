import { expect } from '@playwright/test'
import { conductorOdds } from '@/src/core/advice/conductor-odds'
import { isResistor } from '@/src/core/bench/bench'
import { marksIn } from '@/src/core/cable/cable-bench'
import { hangTogether, readsClosed, secondEnd } from '@/src/core/cable/conductor-faults'
import { type ConductorsReport, conductorsOfJob } from '@/src/core/cable/conductors-of-job'
import { identityOfJob } from '@/src/core/cable/identity-of-job'
import { ohmsBetween } from '@/src/core/cable/marks'
import { createEngine } from '@/src/core/diagnosis/engine'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

const [stat] = furnaceAc.cables
const engine = createEngine(furnaceAc)
/** What the desk shows of the cable: its plan, with what is suspected already. */
const reportOf = (entries: readonly Entry[]): ConductorsReport => {
  const state = foldJob(furnaceAc, entries)
  return conductorsOfJob(furnaceAc, state, stat.id, conductorOdds(engine, state, stat.id))
}
const numberOf = (point: Point): number => {
  const { cable, name, place } = parsePoint(point)
  if (cable === null) return stat.conductors.length
  const conductor = stat.conductors.findIndex(({ id }) => id === name)
  return place === stat.between[0] ? conductor : secondEnd(stat.conductors.length, conductor)
}

/** What a meter shows in a cable whose white is parted in the wall. */
function answers(entries: readonly Entry[], { next }: ConductorsReport): boolean {
  if (next.do !== 'read' || next.probe.meter !== 'ohms') throw new Error('Nothing is read.')
  const { jumpers } = foldJob(furnaceAc, entries).bench
  const white = stat.conductors.findIndex(({ id }) => id === 'W')
  const joins = jumpers.map(({ a, b }) => [numberOf(a as Point), numberOf(b as Point)])
  const masks = hangTogether(stat.conductors.length, { opens: [white], touches: [], weight: 1 }, joins)
  return readsClosed(masks, [], numberOf(next.probe.a), numberOf(next.probe.b))
}

test('an open conductor in a wall is found by following the plan of its cable, and a spare takes its place at both ends @long', async ({
  page,
}) => {
  test.setTimeout(120_000)
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('3 Quarry Lane', 'No heat since the drywall went up')
  await technician.goesTo('Cable')
  const cable = page.getByRole('region', { name: 'stat cable', exact: true })
  await cable.getByText('Sound, open or shorted').click()
  const card = cable.getByRole('region', { name: 'next with this cable' })

  let count = 0
  const stamp = { newId: () => `e${++count}`, now: () => '2026-11-28T09:00:00Z' }
  const entries: Entry[] = []
  const mirror = (draft: EntryDraft) => entries.push(stampEntry(draft, stamp))
  for (let walks = 0, step = 0; ; step++) {
    expect(step).toBeLessThan(40)
    const report = reportOf(entries)
    const { next } = report
    if (next.do === 'done') break
    if (next.do !== 'read' && next.do !== 'walk') throw new Error(`The plan says ${next.do}.`)
    for (const change of next.changes) mirror({ kind: 'bench', change })
    if (next.do === 'walk') {
      expect(++walks).toBeLessThanOrEqual(4)
      await card.getByRole('button', { name: 'Done, I am there' }).click()
    } else {
      const isClosed = answers(entries, report)
      await expect(card.getByRole('heading')).toContainText('Ohms from')
      await card.getByRole('button', { name: isClosed ? /^closed/ : /^OL/ }).click()
      mirror({ kind: 'reading', probe: next.probe, answer: isClosed ? { low: 0, high: 30 } : 'OL' })
    }
    const { taken } = reportOf(entries)
    await expect(cable).toContainText(`${taken} ${taken === 1 ? 'reading' : 'readings'} so far`)
  }
  await expect(card.getByRole('heading')).toContainText('Every conductor of the stat cable is tested')
  const told = cable.getByRole('list', { name: 'conductors of the stat cable by themselves' })
  await expect(told).toContainText('! W (white) open')
  await expect(told).toContainText('✓ brown sound')
  await technician.says('swap stat W to brown')
  await expect(cable.getByRole('row', { name: /white/ })).toContainText('moved to brown')
})

test('colors that change behind a splice are told apart in two walks, and written down @long', async ({ page }) => {
  test.setTimeout(120_000)
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('22 Glover Street', 'Nothing works since the remodel')
  await technician.goesTo('Cable')
  const cable = page.getByRole('region', { name: 'stat cable', exact: true })
  await cable.getByText('Sound, open or shorted').click()
  await cable.getByText('the colors change along the run').click()
  const card = cable.getByRole('region', { name: 'next with this cable' })

  // Behind the splice each goes on in the color of the next but two.
  const count = stat.conductors.length
  const order = stat.conductors.map((_, one) => (one + 3) % count)
  const real = (end: number) => (end <= count ? end : secondEnd(count, order.indexOf(end - count - 1)))
  const sound = { opens: [], touches: [], weight: 1 }
  let id = 0
  const stamp = { newId: () => `s${++id}`, now: () => '2026-11-28T09:00:00Z' }
  const entries: Entry[] = []
  const report = () => identityOfJob(furnaceAc, foldJob(furnaceAc, entries), stat.id)
  let walks = 0
  for (let next = report()?.next; next?.do !== 'done'; next = report()?.next) {
    if (next?.do !== 'read' && next?.do !== 'walk') throw new Error(`The plan says ${next?.do}.`)
    for (const change of next.changes) entries.push(stampEntry({ kind: 'bench', change }, stamp))
    if (next.do === 'walk') {
      walks++
      await card.getByRole('button', { name: 'Done, I am there' }).click()
    } else {
      if (next.probe.meter !== 'ohms') throw new Error('No ohms are read.')
      const joins = foldJob(furnaceAc, entries).bench.jumpers.map(({ a, b }) => [a, b].map((point) => real(numberOf(point as Point))))
      const [a, b] = [next.probe.a, next.probe.b].map((point) => real(numberOf(point)))
      const isClosed = readsClosed(hangTogether(count, sound, joins), [], a, b)
      await expect(card.getByRole('heading')).toContainText('Ohms from')
      await card.getByRole('button', { name: isClosed ? /^closed/ : /^OL/ }).click()
      entries.push(stampEntry({ kind: 'reading', probe: next.probe, answer: isClosed ? { low: 0, high: 30 } : 'OL' }, stamp))
    }
    const after = report()
    await expect(cable.getByRole('status')).toContainText(`${after?.taken} ${after?.taken === 1 ? 'reading' : 'readings'} so far`)
    if (next.do === 'walk') await expect(card.getByRole('heading')).toContainText('Ohms from')
  }
  expect(walks).toBeLessThanOrEqual(2)
  await expect(card.getByRole('heading')).toContainText('Every color of the stat cable is matched end to end')
  await expect(cable.getByRole('status')).toContainText('R is W')
  await cable.getByRole('button', { name: 'Write it down' }).click()
  await technician.goesTo('Close')
  await expect(page.getByRole('article')).toContainText('R is W')
})

test('with resistors at hand an open conductor is found in one walk, and they are owed until they are out @long', async ({ page }) => {
  test.setTimeout(120_000)
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('8 Kiln Row', 'No fan since the ceiling was patched')
  await technician.goesTo('Cable')
  const cable = page.getByRole('region', { name: 'stat cable', exact: true })
  await cable.getByText('Sound, open or shorted').click()
  const way = (name: RegExp) => cable.getByRole('radio', { name })
  await way(/^all joined to one at the far end about 5 walks, 39 readings/).check()
  await expect(page.getByText('stat cable: all joined to one at the far end').first()).toBeVisible()
  await way(/^fewest walks and readings/).check()
  const values = cable.getByLabel('resistors of known values at hand, ohms')
  await values.fill('2.2k 2200')
  await cable.getByRole('button', { name: 'Use them' }).click()
  await expect(cable.getByRole('alert')).toContainText('each another one')
  await values.fill('2k2 4.7k 10k 22k 47k 100k')
  await cable.getByRole('button', { name: 'Use them' }).click()
  const card = cable.getByRole('region', { name: 'next with this cable' })
  await expect(card).toContainText('resistors to')

  const count = stat.conductors.length
  const green = stat.conductors.findIndex(({ id }) => id === 'G')
  let id = 0
  const stamp = { newId: () => `r${++id}`, now: () => '2026-11-28T09:00:00Z' }
  const ohms = [2200, 4700, 10_000, 22_000, 47_000, 100_000]
  const entries: Entry[] = [stampEntry({ kind: 'run', cable: stat.id, fact: { what: 'resistors', ohms } }, stamp)]
  const report = () => reportOf(entries)
  let walks = 0
  for (let next = report().next; next.do !== 'done'; next = report().next) {
    if (next.do !== 'read' && next.do !== 'walk') throw new Error(`The plan says ${next.do}.`)
    for (const change of next.changes) entries.push(stampEntry({ kind: 'bench', change }, stamp))
    if (next.do === 'walk') {
      walks++
      await card.getByRole('button', { name: 'Done, I am there' }).click()
    } else {
      if (next.probe.meter !== 'ohms') throw new Error('No ohms are read.')
      const { bench } = foldJob(furnaceAc, entries)
      const far = stat.between.indexOf(bench.place) === 0 ? 1 : 0
      const joins = bench.jumpers.filter((one) => !isResistor(one)).map(({ a, b }) => [numberOf(a), numberOf(b)])
      const masks = hangTogether(count, { opens: [green], touches: [], weight: 1 }, joins)
      const read = ohmsBetween(masks, [], marksIn(stat, bench, far), numberOf(next.probe.a), numberOf(next.probe.b))
      await expect(card.getByRole('heading')).toContainText('Ohms from')
      if (read > 0 && read < Number.POSITIVE_INFINITY) {
        await card.getByLabel('or the ohms').fill(String(Math.round(read)))
        await card.getByRole('button', { name: 'take it' }).click()
      } else await card.getByRole('button', { name: read === 0 ? /^closed/ : /^OL/ }).click()
      entries.push(
        stampEntry(
          { kind: 'reading', probe: next.probe, answer: read === 0 ? { low: 0, high: 30 } : read < 1e9 ? Math.round(read) : 'OL' },
          stamp,
        ),
      )
    }
    const { taken } = report()
    await expect(cable).toContainText(`${taken} ${taken === 1 ? 'reading' : 'readings'} so far`)
  }
  expect(walks).toBeLessThanOrEqual(2)
  await expect(cable.getByRole('list', { name: 'conductors of the stat cable by themselves' })).toContainText('! G (green) open')
  await page.getByRole('textbox', { name: 'quick line', exact: true }).fill('power on')
  await expect(page.getByText('Take the resistors out before the power goes on').first()).toBeVisible()
  await technician.says('resistors out')
  await technician.says('power on')
})
