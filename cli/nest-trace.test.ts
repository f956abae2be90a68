import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { traceAnswerSchema } from '@/src/core/formats/trace-answer'
import { writeJobFile } from '@/src/core/job/job-file'
import { createDemoJob } from '@/src/core/practice/demo'
import { note, StoreProcess } from '@/tests/store/store-process'

/** The command as a user or an examiner runs it. */
function run(args: string[], input = ''): { status: number | null; out: string; err: string } {
  const { status, stdout, stderr } = spawnSync(path.resolve('nest-trace'), args, { input, encoding: 'utf8' })
  return { status, out: stdout, err: stderr }
}

const traceIn = (system: string, ...lines: string[]) =>
  run(['trace', '--system', system, '--json'], `${lines.join('\n')}\n`)
    .out.trim()
    .split('\n')
    .map((line) => traceAnswerSchema.parse(JSON.parse(line)))

const trace = (...lines: string[]) => traceIn('furnace-ac', ...lines)

const folder = mkdtempSync(path.join(tmpdir(), 'nest-trace-cli-'))
const file = (name: string, text: string): string => {
  const where = path.join(folder, name)
  writeFileSync(where, text)
  return where
}

describe('nest-trace trace --json', () => {
  it('answers each line with what it understood, the suspects, the next check, the bench and what is owed', () => {
    const answers = trace(
      '{"kind":"complaint","complaint":{"words":"","symptoms":["fuse-on-call"],"call":"cool","changed":["garden-work"],"hearsay":""}}',
      'breaker in',
      'trip on cool',
      'R-C twelve',
    )
    expect(answers).toHaveLength(4)
    expect(answers[1].owed).toMatchObject([{ what: 'slot', place: 'indoor' }])
    expect(answers[2].bench).toMatchObject({ call: 'cool', slot: { holds: 'breaker', open: true } })
    expect(answers[2].next?.outcomes.length).toBeGreaterThan(1)
    expect(answers[3].understood).toEqual({ error: 'A reading is a number or OL; "twelve" is neither.', start: 4, end: 10 })
    expect(answers[3].suspects).toEqual(answers[2].suspects)
  })

  it('takes its own proposed setup and an answer back as entries @long', () => {
    const [{ next }] = trace('fuse good')
    if (!next) throw new Error('no check was proposed')
    const back = [...next.setup, { kind: 'reading', probe: next.probe, answer: next.outcomes[0].answer }]
    const answers = trace(
      'fuse good',
      ...back.filter((entry) => !('probe' in entry && entry.probe.meter === 'trip')).map((entry) => JSON.stringify(entry)),
    )
    for (const { understood } of answers) expect(Array.isArray(understood)).toBe(true)
  })

  it('takes what answers a check that begins with a wait as read after it @long', () => {
    const lines = ['at thermostat', 'call cool']
    const asked = traceIn('heat-pump-o', ...lines).at(-1)?.next
    if (!asked || asked.waits === 0) throw new Error('no check that begins with a wait')
    const answer = JSON.stringify({ kind: 'reading', probe: asked.probe, answer: asked.outcomes[0].answer })
    const [called, read] = traceIn('heat-pump-o', ...lines, answer)
      .slice(-2)
      .map(({ understood }) => (Array.isArray(understood) ? Date.parse(understood[0].at) : Number.NaN))
    expect(read - called).toBeGreaterThanOrEqual(60_000 * asked.waits)
  })

  it('calls a repair found once it holds 95 % @long', () => {
    const answers = trace('call cool', 'Y-C 0.1 V', 'landings stat Y off')
    expect(answers.at(-1)).toMatchObject({
      next: null,
      verdict: { found: 'repair', zone: 'indoor', suspects: expect.arrayContaining(['not-landed:stat-cable.Y@indoor']) },
    })
  })

  it('takes several entries on one line, as a list or one after the other: all or none @long', () => {
    const note = (id: string) => JSON.stringify({ id, kind: 'note', text: `} {"of" ${id}` })
    const [listed, strung, half] = trace(
      `[${note('a')},${note('b')}]`,
      `${note('c')} ${note('d')}; ${note('e')}`,
      `${note('f')} {"kind":"reading"}`,
    )
    expect(listed.understood).toHaveLength(2)
    expect(strung.understood).toHaveLength(3)
    expect(half.understood).toMatchObject({ error: expect.stringContaining('Entry 2 is no entry') })
  })

  it('refuses two entries with one id and keeps the first', () => {
    const note = (text: string) => JSON.stringify({ id: 'n1', at: '2026-05-04T09:10:00Z', kind: 'note', text })
    const answers = trace(note('first'), note('first'), note('second'), '{"kind":"reading"', '{"kind":"dance"}')
    expect(answers[1].understood).toEqual([])
    expect(answers[2].understood).toMatchObject({ error: expect.stringContaining('another entry with the id "n1"') })
    expect(answers[3].understood).toMatchObject({ error: expect.stringContaining('earlier entries are kept') })
    expect(answers[4].understood).toMatchObject({ error: expect.stringContaining('This is no entry') })
  })
})

describe('nest-trace', () => {
  it('lists systems, publishes schemas, writes a netlist @long', () => {
    expect(run(['systems']).out).toContain('furnace-ac')
    expect(Object.keys(JSON.parse(run(['schema']).out))).toEqual(['system', 'entry', 'job', 'answer'])
    expect(run(['netlist', '--system', 'furnace-ac']).out).toContain('.ac lin 1 60 60')
  })

  it('solves a fault on a bench', () => {
    const solved = run([
      'solve',
      '--system',
      'furnace-ac',
      '--fault',
      'conductor-open:stat-cable.C',
      '--read',
      'R@thermostat,C@thermostat',
      '--read',
      'R@indoor,C@indoor',
    ])
    expect(solved.out).toMatch(/R@indoor\tC@indoor\t2[567](\.\d)? V/)
    expect(solved.status).toBe(0)
  })

  it('reads a job file for suspects and next check, and a torn one with what is kept @long', () => {
    const text = writeJobFile(createDemoJob('demo', new Date('2026-05-04T09:10:00Z')))
    const whole = file('demo.json', text)
    expect(run(['suspects', whole]).out).toContain('shorted to ground in the outdoor cable')
    expect(run(['next', whole]).out).toMatch(/ohm/i)
    const torn = run(['suspects', file('torn.json', text.slice(0, -300))])
    expect(`${torn.out}${torn.err}`).toMatch(/incomplete.*are whole/s)
  })

  it('writes the page, the card and the spreadsheet of a job @long', () => {
    const job = file('files.json', writeJobFile(createDemoJob('demo', new Date('2026-05-04T09:10:00Z'))))
    const begins = { report: '%PDF-', card: '%PDF-', csv: 'time,' } as const
    for (const [command, begin] of Object.entries(begins)) {
      const where = path.join(folder, `out.${command}`)
      const { status, err } = run([command, job, where])
      expect({ command, status, err }).toMatchObject({ status: 0 })
      expect(
        readFileSync(where, 'latin1')
          .replace(/^\xef\xbb\xbf/, '')
          .slice(0, begin.length),
      ).toBe(begin)
    }
  })

  it('takes a system from a file and says what is wrong with a bad one @long', () => {
    const schemaless = run(['trace', '--system', file('bad.json', '{"format":"nest-trace/system"}')], 'R-C 26\n')
    expect(schemaless.status).toBe(2)
    expect(schemaless.err).toContain('is no valid system')
    expect(run(['solve', '--system', 'nowhere.json']).err).toContain('Cannot use nowhere.json')
    expect(run(['solve']).err).toContain('Say which system')
  })
})

describe('a command line with a mistake in it', () => {
  const isSentence = ({ err, status }: { err: string; status: number | null }, code: number, what: RegExp) => {
    expect(err).toMatch(what)
    expect(err).not.toMatch(/\n\s+at |node:internal/)
    expect(status).toBe(code)
  }

  it.each([
    [['systems', '--jsn'], /Unknown option '--jsn'.*"systems" takes --json/],
    [['systems', 'furnace-ac', 'and', 'more'], /"and" is one word too many/],
    [['systems', 'constructor'], /Cannot use constructor: there is no such file or folder/],
    [['trace', '--system', 'furnace-ac', '--fault', 'x'], /Unknown option '--fault'/],
    [['trace', '--system', '/'], /it is a folder, not a file/],
    [['suspects', 'package.json/x'], /there is a file where a folder should be/],
    [['backup', 'x.tar', '--data', '/nowhere/at/all'], /There is no store/],
    [['restore', '/nowhere/at/all.tar'], /There is no file/],
  ])('%j is told so', (args, what) => {
    isSentence(run(args), 2, what)
  })

  it('prints systems as JSON when asked, and reads past a byte-order mark @long', () => {
    expect(JSON.parse(run(['systems', '--json']).out)[0]).toEqual({ id: 'furnace-ac', name: 'furnace with A/C' })
    const marked = file('marked.json', `\uFEFF${run(['systems', 'furnace-ac']).out}`)
    expect(run(['faults', '--system', marked]).out).toContain('conductor-open')
    const [answer] = trace('\uFEFFR-C 26.4')
    expect(answer.understood).toMatchObject([{ kind: 'reading', answer: 26.4 }])
  })

  it('ends without a word when its reader has gone, and with one when the disk is full @long', () => {
    const shell = (line: string) => spawnSync('bash', ['-c', line], { encoding: 'utf8' })
    const gone = shell('./nest-trace schema | head -c 10; echo "$PIPESTATUS" >&2')
    expect(gone.stderr.trim()).toBe('0')
    const full = shell('./nest-trace schema > /dev/full')
    expect(full.stderr).toMatch(/Cannot use the output: the disk is full/)
    expect(full.status).toBe(1)
  })
})

describe('nest-trace backup, restore and recover', () => {
  it('bring a store back as it was, and touch nothing for a backup that is not whole @long', async () => {
    const data = path.join(folder, 'data')
    const backup = path.join(folder, 'store.tar.gz')
    const open = async () => {
      const store = new StoreProcess(data)
      await store.ready
      return store
    }
    const before = await open()
    await before.open('a')
    await before.append('a', note('kept'))
    // Backed up while it is served.
    expect(run(['backup', backup, '--data', data]).out).toMatch(/Backed up/)
    await before.append('a', note('later'))
    expect(run(['restore', backup, '--data', data]).err).toMatch(/Another Nest Trace is serving this data folder. Nothing was touched./)
    await before.close()

    const bytes = readFileSync(backup)
    const torn = file('torn.tar.gz', '')
    writeFileSync(torn, bytes.subarray(0, bytes.length - 2000))
    expect(run(['restore', torn, '--data', data]).err).toMatch(/is not a complete backup.*Nothing was touched./)
    const still = await open()
    expect(await still.ids('a')).toEqual(['kept', 'later'])
    await still.close()

    expect(run(['restore', backup, '--data', data]).out).toMatch(/The one before is kept in/)
    const restored = await open()
    expect(await restored.ids('a')).toEqual(['kept'])
    await restored.append('a', note('after'))
    await restored.close()

    // A store whose files are gone is not made anew by itself.
    rmSync(path.join(data, 'store', 'PG_VERSION'))
    await expect(new StoreProcess(data).ready).rejects.toThrow(/PG_VERSION is missing or empty\. Nothing was touched.*nest-trace recover/)
    expect(run(['recover', '--data', data]).out).toMatch(/The damaged one is kept in/)
    const recovered = await open()
    expect(await recovered.ids('a')).toEqual(['kept', 'after'])
    await recovered.close()

    writeFileSync(path.join(data, 'store', 'global', 'pg_control'), '')
    await expect(new StoreProcess(data).ready).rejects.toThrow(/pg_control is missing or empty/)
  }, 120_000)
})
