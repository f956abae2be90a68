import { createRandom } from '@/src/core/units/random'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { fill, type Kind, kinds, placeOf, pumps, type SaidLine, type Speaker, standing, wordFor } from '@/tests/lines/speech'
import { act, jumper, line, mark, secondary } from '@/tests/lines/visit-lines'

/**
 * Lines built from parts of speech: a form, and what is filled into it. No line is written out by itself, so that what is measured is how
 * the words go together and not whether one of them was foreseen.
 */
export function sayLines(count: number, seed: number): SaidLine[] {
  const random = createRandom(seed)
  return Array.from({ length: count }, () => random.pick(speakers)(random))
}

/** A reading in volts or ohms, at hand or elsewhere, in one order of words or another. */
const reading: Speaker = (random) => {
  const system = random.pick(pumps)
  const isOhms = random.uniform() < 0.4
  const here = random.pick(kinds)
  const there = random.uniform() < 0.3 ? random.pick(kinds) : null
  const at = there ?? here
  const terminals = systemById(system)?.places.find(({ kind }) => kind === at)?.terminals ?? []
  const letters = ['R', 'Y', 'G', 'W', 'O', 'B'].filter((one) => terminals.includes(one))
  const a = random.pick(letters)
  const value = isOhms ? random.pick(['0.4', '14', '22.5', '340', 'OL']) : random.pick(['26.4', '24', '0', '12.5', '27'])
  const forms = isOhms
    ? [
        '{a}-{b} {v}',
        '{a} to {b} {v}',
        '{a} to {b} reads {v}',
        'ohms {a} to {b} {v}',
        ...(value === 'OL'
          ? ['open between {a} and {b}', 'infinite {a} to {b}', '{a} to {b} is open']
          : [
              '{v} ohms {a} to {b}',
              '{v} ohms between {a} and {b}',
              'got {v} ohms from {a} to {b}',
              '{a} {b} {v}',
              'resistance {a} to {b} {v}',
            ]),
      ]
    : [
        '{a}-{b} {v}',
        '{a} to {b} {v}',
        '{v} volts {a} to {b}',
        '{v} between {a} and {b}',
        'got {v} from {a} to {b}',
        "I've got {v} volts across {a} and {b}",
        '{a}/{b} {v}',
        '{a} {b} {v}',
        '{a} to {b} reads {v} volts',
        '{v} V on {a}',
        '{a} has {v} volts',
        ...(value === '0' ? ['nothing from {a} to {b}', 'no voltage {a} to {b}', '{a} is dead'] : ['{a}-{b}={v}', 'reading {v} at {a}']),
      ]
  const where = there === null ? '' : ` ${random.pick(['at the', 'on the'])} ${wordFor(system, there, random)}`
  return {
    system,
    before: standing(system, here, isOhms),
    said: `${fill(random.pick(forms), { a, b: 'C', v: value })}${where}`,
    means: `${a}-C ${value}${isOhms || value === 'OL' ? '' : ' V'}${there === null ? '' : ` at ${placeOf(system, there)}`}`,
  }
}

/** What a call does to the protection. */
const trip: Speaker = (random) => {
  const system = random.pick(pumps)
  const [call, ...words] = random.pick([
    ['cool', 'cool', 'cooling', 'AC', 'the cool call'],
    ['heat', 'heat', 'heating', 'the heat'],
    ['fan', 'fan', 'the fan'],
  ])
  const holds = random.uniform() < 0.4
  const forms = holds
    ? ['holds on {c}', 'it holds with {c}', 'still holding on {c}', 'held on {c}', '{c} holds', 'no trip on {c}', 'holds fine with {c} on']
    : [
        'trips on {c}',
        'it trips when I call for {c}',
        'popped on {c}',
        'blew as soon as {c} came on',
        '{c} trips it',
        'tripped on {c} again',
        'breaker trips with {c}',
        'kicks out on {c}',
      ]
  return {
    system,
    before: [{ do: 'slot', holds: 'breaker' }],
    said: fill(random.pick(forms), { c: random.pick(words) }),
    means: `${holds ? 'holds' : 'trips'} on ${call}`,
  }
}

/** Wires off and on. */
const hand: Speaker = (random) => {
  const system = random.pick(pumps)
  const isStat = random.uniform() < 0.4
  const [cable, ...names] = isStat ? ['stat', 'stat', 'thermostat'] : ['outdoor', 'outdoor', 'condenser', 'outside']
  const letter = random.pick(isStat ? ['Y', 'G', 'W', 'R'] : ['Y'])
  const off = [
    'lifted the {n} {l}',
    'took the {n} {l} off',
    'pulled {n} {l}',
    'unhooked {n} {l}',
    'disconnected the {n} {l} wire',
    '{n} {l} is lifted',
    'lift {n} {l}',
    'got {n} {l} off',
    'took off {n} {l}',
  ]
  return {
    system,
    before: standing(system, 'indoor', true),
    said: fill(random.pick(off), { n: random.pick(names.filter((name) => name !== 'outside')), l: letter }),
    means: `lift ${cable} ${letter}`,
  }
}

/** What a part is seen or heard to do. */
const look: Speaker = (random) => {
  const system = random.pick(pumps)
  const [word, ...forms] = random.pick([
    ['contactor in', 'contactor pulled in', 'contactor is in', 'contactor pulls in', "contactor's pulled in", 'contactor energized'],
    [
      'contactor out',
      'contactor not pulling in',
      "contactor won't pull in",
      'contactor is out',
      "contactor doesn't pull in",
      'contactor dropped out',
    ],
    [
      'contactor chatters',
      'contactor chattering',
      'contactor buzzes',
      'contactor is buzzing',
      'contactor hums',
      'contactor chatters like crazy',
    ],
    ['compressor runs', 'compressor running', 'compressor is running', 'compressor runs fine', 'compressor came on', 'compressor started'],
    [
      'compressor still',
      'compressor not running',
      "compressor won't start",
      "compressor isn't running",
      'compressor is off',
      "compressor doesn't run",
      'no compressor',
    ],
    ['blower runs', 'blower running', 'blower is on', 'blower came on', 'blower runs'],
    ['blower still', "blower isn't running", 'blower not running', 'no blower', "blower won't run", 'blower is off'],
    ['thermostat blank', 'stat is blank', 'thermostat blank', 'stat went blank', 'display is dead', 'screen is blank', 'tstat blank'],
    ['fuse blown', 'fuse is blown', 'blown fuse', 'fuse popped', 'fuse is bad', 'fuse is open'],
    ['fuse good', 'fuse is good', 'fuse looks fine', 'fuse ok', 'good fuse', 'checked fuse, good'],
    ['landings ok', 'landings look good', 'all wires landed', 'all the wires are tight', 'terminals are fine'],
  ])
  const kind: Kind = /contactor|compressor/.test(word) ? 'outdoor' : /thermostat/.test(word) ? 'thermostat' : 'indoor'
  return { system, before: standing(system, kind), said: random.pick(forms), means: word }
}

/** A part across itself with the power off. */
const part: Speaker = (random) => {
  const system = random.pick(pumps)
  const [id, ...names] = random.pick([
    ['contactor', 'contactor', 'contactor coil', 'the contactor coil'],
    ['high-pressure', 'high pressure switch', 'high pressure', 'hps'],
    ['low-pressure', 'low pressure switch', 'low pressure', 'lp switch'],
  ])
  const value = id === 'contactor' ? random.pick(['15.9', '12', 'OL']) : random.pick(['0.3', 'OL'])
  const forms =
    value === 'OL'
      ? ['{n} open', '{n} is open', '{n} OL', '{n} reads OL', 'ohmed the {n}, OL']
      : ['{n} {v}', '{n} {v} ohms', '{v} ohms across {n}', '{n} reads {v}', '{v} ohms on the {n}', '{n} is {v} ohms', 'ohmed the {n}, {v}']
  return {
    system,
    before: standing(system, 'outdoor', true),
    said: fill(random.pick(forms), { n: random.pick(names), v: value }).replace('the the', 'the'),
    means: `ohms across ${id} ${value}`,
  }
}

const speakers: readonly Speaker[] = [
  reading,
  reading,
  reading,
  trip,
  trip,
  hand,
  look,
  look,
  part,
  act,
  act,
  jumper,
  line,
  secondary,
  mark,
]
